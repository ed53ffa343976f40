import type { AthleteProfile } from '../athlete/athlete';
import { ageOn } from '../shared/dates';
import type { IsoDate } from '../shared/dates';
import { resolveSchools } from '../athlete/schools';
import type { AthleteSize } from '../athlete/growth';
import type { Schools } from '../athlete/schools';
import type { AcademyNumbers } from '../settings/numbers';
import { EvidenceError } from '../evidence/evidence';
import type { DatedEvidence, Overrule } from '../evidence/evidence';
import type { WorkDone } from '../evidence/fading';
import type { Situation } from '../evidence/situation';
import { graphFor } from './model';
import { overruleFault } from './overruled';

export interface DiagnosisRequest {
  readonly on: IsoDate;
  readonly athlete: AthleteProfile;
  readonly schools?: Partial<Schools>;
  /** The academy's own thresholds and weights; without them the catalogue's count. */
  readonly numbers?: AcademyNumbers;
  /** In any order; of items on one and the same thing the newest by day counts. */
  readonly evidence: readonly DatedEvidence[];
  /** The coach's word, above all evidence. */
  readonly overrules?: readonly Overrule[];
  /** Good reps done on findings: what was seen before them may no longer be so. */
  readonly work?: readonly WorkDone[];
  /** Height and mass over time: a grown body makes older tests and measures stale. */
  readonly sizes?: readonly AthleteSize[];
}

/**
 * The setting of a request: what applies to this athlete on this day.
 * @throws EvidenceError for an overrule of a finding that this delivery does not have, or two on one finding
 */
export function situationOf({
  on,
  athlete,
  schools,
  numbers,
  overrules = [],
  work = [],
  sizes = [],
}: DiagnosisRequest): Situation {
  const { ids, limitsBehind } = graphFor(athlete.discipline);
  const fault = overruleFault(overrules, ids);
  if (fault) throw new EvidenceError(fault[0], 'finding', fault[1], 'overrules');
  const resolved = resolveSchools(schools, athlete.discipline, ageOn(athlete.birthDate, on));
  return {
    athlete,
    on,
    schools: resolved,
    inPlay: ids,
    limitsBehind,
    overrules,
    work,
    sizes,
    ...(numbers ? { numbers } : {}),
  };
}
