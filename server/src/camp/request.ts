/** A camp as the schedule is asked for it. */
import type { CampMember } from '@wrightonic/contract';
import type { CampChange, CampRequest, CampStation, Library } from '@wrightonic/core';
import type { CampDbRow } from '../db/tables';
import { toCampAthlete } from './members';

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

export const requestOf = (
  { days, stations }: Pick<CampDbRow, 'days' | 'stations'>,
  members: readonly CampMember[],
  library: Library,
  changes: readonly CampChange[],
): CampRequest => ({
  days: days.map(({ date, start, rotations, minutes }) => ({ date, start, rotations, minutes })),
  athletes: members.map(toCampAthlete),
  stations: stations.map((station) => toCampStation(station, library)),
  secondsLimit: SECONDS,
  seed: SEED,
  changes,
});
