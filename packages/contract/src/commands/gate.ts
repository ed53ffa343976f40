import { DISCIPLINES, GATE_RANGES, gateFaults, RUNGS } from '@wrightonic/core';
import type { Discipline, GateSettings, RepRow, SettingRange } from '@wrightonic/core';
import Joi from 'joi';
import { count, errorAt, isoDate, listOf, objectOf, oneOf, text } from './schema';

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

const settingRange = ({ low, high, whole }: SettingRange): Joi.NumberSchema =>
  whole ? Joi.number().integer().min(low).max(high) : Joi.number().min(low).max(high);

/** The one schema of the gate's settings: for commands, server and app. */
export const gateSettingsSchema = Joi.object<Partial<GateSettings>>(
  Object.fromEntries(Object.entries(GATE_RANGES).map(([key, range]) => [key, settingRange(range)])),
)
  .custom((settings: Partial<GateSettings>, helpers) => {
    const fault = gateFaults(settings)[0];
    return fault ? errorAt(helpers, 'gate.settings', { why: fault.message }, [fault.key]) : settings;
  })
  .messages({ 'gate.settings': '{{#label}} {{#why}}' });

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
