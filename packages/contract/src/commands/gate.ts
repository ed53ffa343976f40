import { DISCIPLINES, RUNGS } from '@wrightonic/core';
import type { Discipline, GateSettings, RepRow } from '@wrightonic/core';
import Joi from 'joi';
import { gateSettingsSchema } from '../profile/numbers';
import { count, isoDate, listOf, objectOf, oneOf, text } from '../schema/schema';

const tally: Joi.CustomValidator = (row: RepRow, helpers) => {
  if (row.good + row.close + row.off !== row.reps)
    return helpers.error('reps.tally', { sum: row.good + row.close + row.off, reps: row.reps });
  const most = Object.entries(row.cheats).find(([, n]) => n > row.reps);
  return most ? helpers.error('reps.cheats', { cheat: most[0], reps: row.reps }) : row;
};

export const repRowSchema = objectOf<RepRow>({
  date: isoDate().required(),
  drill: text(60),
  reps: count(500).required(),
  good: count(500).required(),
  close: count(500).required(),
  off: count(500).required(),
  cheats: Joi.object()
    .pattern(/^.{1,60}$/, count(500))
    .required(),
  pain: Joi.number().min(0).max(10).required(),
  aids: listOf(text(60), 20),
  firstFive: Joi.object({ good: count(5).required(), cued: Joi.boolean().required() }),
  seen: oneOf(['coach', 'clip'] as const).allow(null),
  alone: Joi.boolean(),
})
  .custom(tally)
  .messages({
    'reps.tally': 'good + close + off is {{#sum}} but reps is {{#reps}}: they must be equal',
    'reps.cheats': 'cheats.{{#cheat}} is more than the {{#reps}} reps of the row',
  });

export interface GateRequest {
  readonly discipline: Discipline;
  readonly log: readonly RepRow[];
  readonly settings?: Partial<GateSettings>;
  readonly rung?: number;
}

export const gateRequestSchema = objectOf<GateRequest>({
  discipline: oneOf(DISCIPLINES).required(),
  log: listOf(repRowSchema, 5000).required(),
  settings: gateSettingsSchema,
  rung: Joi.number().valid(...RUNGS),
});
