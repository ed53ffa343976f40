/** Made-up camps for component tests. */
import type { CampRecord } from '@wrightonic/contract';

/** Somebody of a camp whose arm is free and of whom nothing is known. */
export const camperOf = (
  athlete: string,
  name: string,
  more: Partial<CampRecord['athletes'][number]> = {},
): CampRecord['athletes'][number] => ({
  athlete,
  name,
  group: null,
  with: [],
  visitor: false,
  age: 13,
  throws: 'R',
  focus: [],
  chosen: false,
  throwBudget: 40,
  locked: null,
  ...more,
});

/** A published camp of one day, without stations and athletes. */
export const campRecordOf = (more: Partial<CampRecord> = {}): CampRecord => ({
  id: 'c1',
  name: 'Mill day',
  place: null,
  days: [{ date: '2026-05-04', start: '09:00', rotations: 3, minutes: 20, breaks: [] }],
  stations: [],
  athletes: [],
  forgetAfterDays: 60,
  revision: 1,
  state: 'published',
  coaches: [],
  visits: [],
  changes: [],
  arrivals: [],
  broken: [],
  cautions: [],
  worth: null,
  infeasible: null,
  ...more,
});
