/** What the speed trend is asked. */
import { SETTINGS } from '@wrightonic/core';
import type { TrendReading, TrendRequest } from '@wrightonic/core';
import Joi from 'joi';
import { athleteProfileSchema } from '../profile/profile';
import { bornBefore, bornMessage, futureMessage, nothingAfter } from '../schema/dated';
import { isoDate, listOf, objectOf, oneOf, text } from '../schema/schema';

const speedUnits = () => oneOf(['mph', 'km/h'] as const).required();

export const trendReadingSchema = objectOf<TrendReading>({
  date: isoDate().required(),
  // What a gun may show, up to 200 mph in either unit. What is of no throw is weighed out, and named.
  speed: Joi.number().min(10).max(322).required(),
  unit: speedUnits(),
  effort: Joi.number().min(10).max(110).required(),
  gun: text(40).required(),
  angleDeg: Joi.number().min(-89).max(89).required(),
  setting: oneOf(SETTINGS).required(),
});

export const trendRequestSchema = objectOf<TrendRequest>({
  on: isoDate().required(),
  athlete: athleteProfileSchema.required(),
  readings: listOf(trendReadingSchema, 5000).required(),
  pairs: listOf(
    Joi.object({
      date: isoDate().required(),
      gunA: text(40).required(),
      gunB: text(40).required().invalid(Joi.ref('gunA')).messages({ 'any.invalid': '{{#label}} must be another gun than gunA' }),
      difference: Joi.number().min(-50).max(50).required(),
    }),
    2000,
  ),
  level: Joi.number().min(0.5).max(0.999),
})
  .custom(bornBefore)
  .custom(nothingAfter<TrendRequest>((v) => [['readings', v.readings]]))
  .messages({ ...bornMessage, ...futureMessage });
