/** Throwing done elsewhere. */
import type { IsoDate } from '@wrightonic/core';
import Joi from 'joi';
import { count, isoDate, objectOf, oneOf } from '../schema/schema';

export const OUTING_KINDS = ['game', 'catch', 'lesson', 'other'] as const;
export type OutingKind = (typeof OUTING_KINDS)[number];

export interface NewOuting {
  readonly on: IsoDate;
  readonly pitches: number;
  readonly throws: number;
  readonly highEffort: number;
  readonly innings: number;
  /** Left out: a game where there were pitches, else catch. */
  readonly kind?: OutingKind;
  /** Caught on that day, too. */
  readonly caught?: boolean;
  readonly breakingPitches?: number;
}
export const newOutingSchema = objectOf<NewOuting>({
  on: isoDate().required(),
  pitches: count(400).required(),
  throws: count(1000).required(),
  highEffort: count(1000).required(),
  innings: Joi.number().min(0).max(30).required(),
  kind: oneOf(OUTING_KINDS),
  caught: Joi.boolean(),
  breakingPitches: count(300),
});
