/** The shape of the catalogue of findings, for whoever reads it from outside. */
import { DISCIPLINES, EVENTS, FINDING_IDS, LINKS, MEASURE_IDS } from '@wrightonic/core';
import type { Arrow, Cost, Finding, Sign } from '@wrightonic/core';
import Joi from 'joi';
import { listOf, objectOf, oneOf, text } from '../schema/schema';

const finding = () => oneOf(FINDING_IDS);
const words = () => text(400).min(10);

export const findingSchema = objectOf<Finding>({
  id: finding().required(),
  kind: oneOf(['limit', 'habit', 'cue'] as const).required(),
  area: oneOf(['lower-half', 'trunk', 'arm-action', 'body', 'thought'] as const).required(),
  phase: oneOf(LINKS).allow(null).required(),
  disciplines: listOf(oneOf(DISCIPLINES), 2).min(1).unique().required(),
  title: words().max(80).required(),
  seen: words().required(),
  forAthlete: words().required(),
  eyeCheck: words().pattern(/\?$/, 'a question').required(),
  hardToSee: Joi.boolean().required(),
  leak: oneOf(['habit', 'usual-consequence', 'limit', 'cue'] as const).required(),
  healthFlag: Joi.boolean().required(),
  costPercent: Joi.array().ordered(Joi.number().min(0).required(), Joi.number().min(0).max(10).required()).required(),
  leaveAlone: words(),
  lookAlikes: listOf(finding(), 6).min(1).unique(),
  tellApart: words(),
  cost: objectOf<Cost>({
    of: listOf(oneOf(['speed', 'command', 'health'] as const), 3)
      .min(1)
      .unique()
      .required(),
    how: words().required(),
  })
    .allow(null)
    .required(),
});

export const arrowSchema = objectOf<Arrow>({
  cause: finding().required(),
  consequence: finding().required(),
  strength: oneOf(['strong', 'medium', 'weak'] as const).required(),
}).custom((arrow: Arrow, helpers) => (arrow.cause === arrow.consequence ? helpers.error('any.invalid') : arrow));

export const signSchema = objectOf<Sign>({
  finding: finding().required(),
  measure: oneOf(MEASURE_IDS).required(),
  side: oneOf(['below', 'above', 'outside'] as const).required(),
  at: Joi.number().required(),
  youthAt: Joi.number(),
  upTo: Joi.number().greater(Joi.ref('at')).when('side', { is: 'outside', then: Joi.required(), otherwise: Joi.forbidden() }),
  spread: Joi.number().positive().required(),
  firstOnly: Joi.boolean(),
  shows: Joi.number().greater(0).less(1),
  events: listOf(oneOf(EVENTS), 6).min(1),
  disciplines: listOf(oneOf(DISCIPLINES), 2).min(1),
});
