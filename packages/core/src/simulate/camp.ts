/** Made-up camps of every size, for trials of the schedule. */
import { FINDING_IDS } from '../findings/ids';
import { addDays } from '../shared/dates';
import { randomFrom } from '../shared/random';
import type { Random } from '../shared/random';
import type { CampAthlete, CampRequest, CampStation } from '../camp/types';

export interface CampSize {
  readonly athletes: number;
  readonly days: number;
  readonly rotations: number;
  readonly stations: number;
  /** Whether athletes have groups and friends. */
  readonly coupled: boolean;
}

/** A size that a camp may have: one to five days, eight to eighty athletes, five to ten stations. */
export function someCampSize(random: Random): CampSize {
  const whole = (from: number, to: number) => from + Math.floor(random.uniform() * (to - from + 1));
  return {
    athletes: whole(8, 80),
    days: whole(1, 5),
    rotations: whole(4, 7),
    stations: whole(5, 10),
    coupled: random.chance(0.5),
  };
}

/**
 * @param seed the same gives the same camp
 * @param room places for each athlete of a rotation, on average; a camp with less than 1 cannot be held
 */
export function simulateCamp(seed: number, size: CampSize, room = 1.35): CampRequest {
  const random = randomFrom(seed);
  const whole = (from: number, to: number) => from + Math.floor(random.uniform() * (to - from + 1));
  const taught = Array.from({ length: 6 }, () => random.pick(FINDING_IDS));
  const athletes = Array.from({ length: size.athletes }, (_, n): CampAthlete => ({
    id: `athlete-${n + 1}`,
    age: whole(9, 18),
    throws: random.chance(0.25) ? 'L' : 'R',
    focus: [...new Set(Array.from({ length: whole(0, 2) }, () => random.pick(taught)))],
    throwBudget: random.chance(0.05) ? 0 : whole(35, 90),
    locked: random.chance(0.06),
    ...(size.coupled
      ? {
          group: `group-${Math.floor(n / 8) + 1}`,
          ...(random.chance(0.3) ? { with: [`athlete-${((n + whole(1, 3)) % size.athletes) + 1}`] } : {}),
        }
      : {}),
  }));
  const drills = size.stations - 4;
  // Who may not throw has to be somewhere, and everybody has to be read on one day.
  const still = Math.ceil(0.25 * size.athletes);
  const read = Math.ceil((1.2 * size.athletes) / size.rotations);
  const left = Math.max(drills, Math.ceil(room * size.athletes) - 2 * still - 2 * read);
  const stations: CampStation[] = [
    { id: 'radar', kind: 'radar', capacity: read, throwsPerVisit: 8, hard: true },
    { id: 'film', kind: 'film', capacity: read, throwsPerVisit: 4, hard: false },
    { id: 'body', kind: 'screen', capacity: still, throwsPerVisit: 0, hard: false },
    { id: 'shade', kind: 'rest', capacity: still, throwsPerVisit: 0, hard: false },
    ...Array.from({ length: drills }, (_, n): CampStation => {
      const throws = random.chance(0.35) ? 0 : whole(6, 18);
      return {
        id: `drill-${n + 1}`,
        kind: 'drill',
        treats: [...new Set([taught[n % taught.length]!, random.pick(taught)])],
        capacity: Math.ceil(left / drills) + whole(0, 2),
        ...(random.chance(0.3) ? { kit: Math.ceil(left / drills) } : {}),
        throwsPerVisit: throws,
        hard: throws > 0 && random.chance(0.4),
      };
    }),
  ];
  return {
    days: Array.from({ length: size.days }, (_, day) => ({
      date: addDays('2026-07-06', day),
      start: '09:00',
      rotations: size.rotations,
      minutes: 20,
    })),
    athletes,
    stations,
    secondsLimit: 5,
    seed: 1,
  };
}
