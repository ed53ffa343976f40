/** Whom a judgement is about, and what else it knows. */
import type { FindingId } from '../findings/ids';
import type { AcademyNumbers } from '../settings/numbers';
import type { AthleteProfile } from '../athlete/athlete';
import { ageOn } from '../shared/dates';
import type { IsoDate } from '../shared/dates';
import type { AthleteSize } from '../athlete/growth';
import type { Schools } from '../athlete/schools';
import type { Overrule } from './evidence';
import type { WorkDone } from './fading';

export interface Situation {
  readonly athlete: AthleteProfile;
  readonly on: IsoDate;
  readonly schools: Schools;
  /** The academy's own thresholds. */
  readonly numbers?: AcademyNumbers;
  readonly overrules?: readonly Overrule[];
  readonly work?: readonly WorkDone[];
  /** Height and mass over time. */
  readonly sizes?: readonly AthleteSize[];
  /** Findings of this discipline. */
  readonly inPlay: ReadonlySet<FindingId>;
  /** Limits from which a path of arrows leads to the finding. */
  readonly limitsBehind: (finding: FindingId) => readonly FindingId[];
}

export const isYouth = (situation: Situation): boolean =>
  ageOn(situation.athlete.birthDate, situation.on) < 15 ||
  situation.athlete.level === 'youth' ||
  situation.athlete.level === 'beginner';
