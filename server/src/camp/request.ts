/** A camp as the schedule is asked for it. */
import { HARD_EFFORT } from '@wrightonic/core';
import type { CampAthlete, CampChange, CampRequest, CampStation, Library } from '@wrightonic/core';
import type { CampDbRow } from '../db/tables';
import type { KnownMember } from './members';

/** About as long as a coach waits for a schedule, s. */
const SECONDS = 5;
const SEED = 1;

/** What a station is for comes from its drill. */
const toCampStation = (station: CampDbRow['stations'][number], library: Library): CampStation => ({
  id: station.id,
  kind: station.kind,
  ...(station.drill === null || !library.has(station.drill)
    ? {}
    : { treats: library.drill(station.drill).treats.map((t) => t.finding) }),
  capacity: station.capacity,
  ...(station.kit === null ? {} : { kit: station.kit }),
  throwsPerVisit: station.throwsPerVisit,
  hard: station.hard,
});

/** Why a station is not for somebody, whatever is left of the day; null where it is. */
export function notFor(
  station: CampDbRow['stations'][number],
  { row, age, highestEffort }: KnownMember,
  library: Library,
): string | null {
  const hardest = station.kind === 'radar' || station.hard ? HARD_EFFORT : 0;
  if (hardest > highestEffort) return `a clearance leaves ${highestEffort} % of full effort`;
  if (station.drill === null || !library.has(station.drill)) return null;
  const drill = library.drill(station.drill);
  if (!drill.disciplines.includes(row.discipline)) return 'its drill belongs to the other discipline';
  if (age < drill.minAge) return `its drill is for ages from ${drill.minAge}`;
  if (age > drill.maxAge) return `its drill is for ages up to ${drill.maxAge}`;
  return drill.throws !== 'none' && drill.effort[0] > highestEffort
    ? `a clearance leaves ${highestEffort} % of full effort`
    : null;
}

export const requestOf = (
  { days, stations }: Pick<CampDbRow, 'days' | 'stations'>,
  members: readonly KnownMember[],
  library: Library,
  changes: readonly CampChange[],
): CampRequest => ({
  days: days.map(({ date, start, rotations, minutes }) => ({ date, start, rotations, minutes })),
  athletes: members.map((member): CampAthlete => {
    const { athlete, age, throws, focus, throwBudget, locked, group, with: friends } = member;
    return {
      id: athlete,
      age,
      throws,
      focus: focus.map((f) => f.finding),
      throwBudget,
      locked: locked !== null,
      ...(group === null ? {} : { group }),
      with: friends,
      notAt: stations.filter((station) => notFor(station, member, library) !== null).map((station) => station.id),
    };
  }),
  stations: stations.map((station) => toCampStation(station, library)),
  secondsLimit: SECONDS,
  seed: SEED,
  changes,
});
