/** A camp looked up by ids, with the rules that say who may be where. Each rule stands here once: planner and checker both ask. */
import type { CampAthlete, CampRequest, CampStation } from './types';

/** Under this age no two hard rotations follow each other, years. */
export const HARD_IN_A_ROW_FROM = 15;

/** Kinds of station that read what somebody can do: once each on the first and on the last day. */
export const READ_KINDS = ['radar', 'film'] as const;
export type ReadKind = (typeof READ_KINDS)[number];

export interface Camp {
  readonly request: CampRequest;
  readonly athlete: (id: string) => CampAthlete;
  readonly station: (id: string) => CampStation;
  /** Whether somebody is at the camp in a rotation. */
  readonly isHere: (athlete: string, day: number, rotation: number) => boolean;
  readonly isOpen: (station: string, day: number, rotation: number) => boolean;
}

/** @throws RangeError where an athlete, station or change names what is not there */
export function campOf(request: CampRequest): Camp {
  const lookUp = <T extends { readonly id: string }>(list: readonly T[], what: string) => {
    const byId = new Map(list.map((item) => [item.id, item]));
    return (id: string): T => {
      const found = byId.get(id);
      if (!found) throw new RangeError(`“${id}” is no ${what} of the camp`);
      return found;
    };
  };
  const changes = request.changes ?? [];
  const on = (type: string, id: string, day: number) => changes.filter((c) => c.type === type && c.id === id && c.day === day);
  return {
    request,
    athlete: lookUp(request.athletes, 'athlete'),
    station: lookUp(request.stations, 'station'),
    isHere: (id, day, rotation) =>
      on('athlete-absent', id, day).every((c) => rotation < c.fromRotation) &&
      on('athlete-late', id, day).every((c) => rotation >= c.fromRotation),
    isOpen: (id, day, rotation) => on('station-closed', id, day).every((c) => rotation < c.fromRotation),
  };
}

export const isHereAllDay = (camp: Camp, athlete: string, day: number): boolean =>
  Array.from({ length: camp.request.days[day]!.rotations }, (_, rotation) => rotation).every((rotation) =>
    camp.isHere(athlete, day, rotation),
  );

/** Athletes that a station takes at once. */
export const placesAt = ({ capacity, kit }: CampStation): number => Math.min(capacity, kit ?? capacity);

/** Whether a station is not for somebody, however many throws are left. */
export const isBarred = ({ notAt }: CampAthlete, { id }: CampStation): boolean => notAt?.includes(id) ?? false;

/** Whether an athlete may be sent to a station at all. Somebody whose arm is locked neither throws nor is read. */
export const mayVisit = (athlete: CampAthlete, station: CampStation): boolean =>
  station.throwsPerVisit <= athlete.throwBudget &&
  !isBarred(athlete, station) &&
  !(athlete.locked && (station.throwsPerVisit > 0 || station.hard || station.kind === 'radar'));

/** Whether two rotations in a row are too hard for somebody. */
export const tooHardInARow = (athlete: CampAthlete, first: CampStation, second: CampStation): boolean =>
  athlete.age < HARD_IN_A_ROW_FROM && first.hard && second.hard;

/** The days on which everybody is read: the first and the last; the only one of a camp of one day. */
export const readingDays = ({ days }: CampRequest): readonly number[] => [...new Set([0, days.length - 1])];

/**
 * What an athlete is to be read for on a day of readings: who may throw and has the throws left for it. The radar comes first where
 * there are throws for one of the two only.
 */
export function owedTo(athlete: CampAthlete, stations: readonly CampStation[]): readonly ReadKind[] {
  if (athlete.locked) return [];
  let left = athlete.throwBudget;
  return READ_KINDS.filter((kind) => {
    const least = Math.min(...stations.filter((s) => s.kind === kind && !isBarred(athlete, s)).map((s) => s.throwsPerVisit));
    if (!(least <= left)) return false;
    left -= least;
    return true;
  });
}

/** Whether a station's drill is for one of an athlete's foci. */
export const treatsFocus = (athlete: CampAthlete, station: CampStation): boolean =>
  station.kind === 'drill' && (station.treats ?? []).some((finding) => athlete.focus.includes(finding));
