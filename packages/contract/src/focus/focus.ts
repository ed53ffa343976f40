/** What an athlete works on, its rung, and how it moved. */
import { FINDING_IDS, RUNGS } from '@wrightonic/core';
import type { Course, CourseState, DatedEvidence, Eased, FindingId, GateVerdict, IsoDate, Rung } from '@wrightonic/core';
import Joi from 'joi';
import { objectOf, oneOf, text, uuid } from '../schema/schema';

export interface NewFocus {
  readonly finding: FindingId;
  readonly rung: Rung;
  readonly diagnosis: string | null;
}
export const newFocusSchema = objectOf<NewFocus>({
  finding: oneOf(FINDING_IDS).required(),
  rung: Joi.number()
    .valid(...RUNGS)
    .required(),
  diagnosis: uuid().allow(null).required(),
});

/** The coach's own word on a focus: another rung, or the end of it. */
export interface FocusChange {
  readonly rung?: Rung;
  readonly end?: 'owned' | 'left-alone';
  /** A clip of the full delivery is asked for. */
  readonly ask?: true;
  readonly reason: string;
}
export const focusChangeSchema = objectOf<FocusChange>({
  rung: Joi.number().valid(...RUNGS),
  end: oneOf(['owned', 'left-alone'] as const),
  ask: Joi.boolean().valid(true),
  reason: text(500).required(),
}).or('rung', 'end', 'ask');

export interface FocusRecord {
  readonly id: string;
  readonly finding: FindingId;
  readonly rung: Rung;
  readonly state: 'working' | 'holding' | 'owned' | 'left-alone';
  readonly startedOn: IsoDate;
  /** Day since which reps count for the gate of this rung. */
  readonly rungSince: IsoDate;
  /** How likely it was there when it was chosen; null where that was not kept. Like `now`, only for those who judge. */
  readonly then?: number | null;
  /** How likely it is there now. */
  readonly now?: number;
  /** What has spoken of it since it was chosen, the newest first. */
  readonly since?: readonly DatedEvidence[];
  /** Good reps of work on it after the newest of these: older looks count for less by them. */
  readonly worked?: number;
  /** Where it stands by its measures; null where that was not worked out yet. */
  readonly course: CourseGlance | null;
}

/** A course in short. */
export interface CourseGlance {
  readonly state: CourseState;
  readonly reason: string;
  /** Why a clip should be asked for now; null where none is wanted. */
  readonly watch: string | null;
  readonly askedAt: string | null;
}

/** Where a focus stands by its measures, and what to do about it. */
export interface FocusCourse {
  readonly course: Course;
  /** What should ease, and whether it has; empty for those who do not judge. */
  readonly eased: readonly Eased[];
  /** The rung before last of its ladder: where a tune-up begins. */
  readonly tuneUp: Rung;
  /** Drills of its rung that it has not been worked on with, by id. */
  readonly otherDrills: readonly string[];
}

/** How often what should ease has eased, in all foci of the academy that have ended. */
export interface EasedCount {
  readonly eased: number;
  readonly of: number;
}

export interface RungMove {
  readonly id: string;
  readonly on: IsoDate;
  readonly finding: FindingId;
  readonly focus: string;
  readonly from: Rung;
  readonly to: Rung;
  readonly verdict: GateVerdict;
  readonly reason: string;
  readonly by: 'gate' | 'coach';
  /** What it was before entries that came in later changed it; null where nothing has. */
  readonly revised: { readonly was: GateVerdict; readonly to: Rung; readonly on: IsoDate } | null;
}
