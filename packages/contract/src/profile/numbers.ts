/** The numbers that an academy may set for itself. */
import { GATE_RANGES, gateFaults } from '@wrightonic/core';
import type { AcademyNumbers, GateSettings, SettingRange } from '@wrightonic/core';
import Joi from 'joi';
import { errorAt, objectOf } from '../schema/schema';

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

const band = Joi.object({ pass: Joi.number().required(), watch: Joi.number().required() });
/** An academy's own thresholds; which of them may be set, and how far, is checked by the core. */
export const numbersSchema = objectOf<AcademyNumbers>({
  tests: Joi.object().pattern(/^.{1,60}$/, band),
  signs: Joi.object().pattern(/^.{1,120}$/, Joi.number()),
  gate: gateSettingsSchema,
  model: Joi.object().pattern(/^.{1,120}$/, Joi.number()),
});
