import { DRILL_USES } from '@wrightonic/core';
import type { DrillUse, OwnDrill, OwnWords } from '@wrightonic/core';
import Joi from 'joi';
import { listOf, objectOf, oneOf, text } from './schema';

/** A version of an academy’s own way with a drill, and who wrote it when. */
export interface OwnDrillRecord extends OwnDrill {
  readonly by: string;
  readonly at: string;
}

/** A new version. */
export interface NewOwnDrill {
  readonly drill: string;
  readonly words: OwnWords;
  readonly use: DrillUse;
}

export const newOwnDrillSchema = objectOf<NewOwnDrill>({
  drill: text(60).required(),
  words: Joi.object({
    name: text(60),
    setup: text(300),
    steps: listOf(text(200), 8).min(1),
    external: text(120),
    internal: text(120),
    feel: text(160),
    success: text(160),
  }).required(),
  use: oneOf(DRILL_USES).required(),
});
