import { ALWAYS_THERE, drillById, drillsAt, findingById, minutesFor, STANDARD_LIBRARY, CATALOGUE_WORDS } from '@wrightonic/core';
import type { Drill, Equipment, FindingId, Library, Place, Rung, Schools, Vocabulary } from '@wrightonic/core';

/** What a drill must be to be shown; null where it does not matter. */
export interface DrillFilter {
  readonly finding: FindingId | null;
  readonly rung: Rung | null;
  readonly place: Place | null;
  /** Kit that there is; null where kit does not matter. */
  readonly kit: readonly Equipment[] | null;
  readonly ball: boolean | null;
  readonly partner: boolean | null;
  /** Minutes that it may take. */
  readonly minutes: number | null;
  readonly driveLeg: Schools['driveLeg'] | null;
  readonly age: number | null;
}

export const NO_FILTER: DrillFilter = {
  finding: null,
  rung: null,
  place: null,
  kit: null,
  ball: null,
  partner: null,
  minutes: null,
  driveLeg: null,
  age: null,
};

export const filtersSet = (filter: DrillFilter): number => Object.values(filter).filter((value) => value !== null).length;

/** Whether a drill is named, by the academy or by the catalogue, or treats what is searched for. */
export const matches = (drill: Drill, words: string, say: Vocabulary = CATALOGUE_WORDS): boolean =>
  words === '' ||
  drill.name.toLowerCase().includes(words) ||
  drillById(drill.id).name.toLowerCase().includes(words) ||
  drill.treats.some((t) => t.finding.includes(words) || say.title(t.finding).toLowerCase().includes(words));

const treats = (drill: Drill, finding: FindingId, library: Library): boolean =>
  drill.disciplines.some(
    (d) =>
      findingById(finding).disciplines.includes(d) &&
      library.ladder(finding, d).rungs.some((r) => drillsAt(library.ladder(finding, d), r.rung).includes(drill.id)),
  );

export const passes = (drill: Drill, f: DrillFilter, library: Library = STANDARD_LIBRARY): boolean =>
  (f.finding === null || treats(drill, f.finding, library)) &&
  (f.rung === null || drill.rungs.includes(f.rung)) &&
  (f.place === null || drill.place.includes(f.place)) &&
  (f.kit === null || drill.equipment.every((kit) => ALWAYS_THERE.includes(kit) || f.kit!.includes(kit))) &&
  (f.ball === null || (drill.throws !== 'none') === f.ball) &&
  (f.partner === null || drill.partner === f.partner) &&
  (f.minutes === null || minutesFor(drill, drill.dose.sets, drill.dose.reps, drill.place[0]!) <= f.minutes) &&
  (f.driveLeg === null || !drill.schools.driveLeg || drill.schools.driveLeg.includes(f.driveLeg)) &&
  (f.age === null || (f.age >= drill.minAge && f.age <= drill.maxAge));
