/** What the sequence reader is asked. */
import { SEGMENTS } from '@wrightonic/core';
import { LINEAR_PARTS } from '@wrightonic/core/sequence';
import type { SensorThrow, SequenceRequest } from '@wrightonic/core/sequence';
import Joi from 'joi';
import { errorAt, listOf, objectOf } from '../schema/schema';

const MOST = { throws: 100, samples: 20_000, degPerS: 20_000, mPerS: 100 } as const;
/** Fewer samples hold no throw. */
const FEWEST_SAMPLES = 20;

const speeds = (most: number) => listOf(Joi.number().min(-most).max(most).required(), MOST.samples).min(FEWEST_SAMPLES);
const keyed = (parts: readonly string[], most: number) =>
  Joi.object(Object.fromEntries(parts.map((part) => [part, speeds(most)])));

/** All series are of one length, and the events lie within it, contact before release. */
const oneClock: Joi.CustomValidator<SensorThrow> = (thrown, helpers) => {
  const all = [
    ...Object.entries(thrown.series).map(([part, list]) => ({ path: ['series', part], list })),
    ...Object.entries(thrown.linear ?? {}).map(([part, list]) => ({ path: ['linear', part], list })),
  ];
  const samples = all[0]!.list.length;
  const other = all.find(({ list }) => list.length !== samples);
  if (other) return errorAt(helpers, 'sequence.length', { samples, own: other.list.length }, other.path);
  const lasts = (samples - 1) / thrown.rateHz;
  for (const event of ['contactS', 'releaseS'] as const)
    if ((thrown[event] ?? 0) > lasts) return errorAt(helpers, 'sequence.outside', { lasts: lasts.toFixed(3) }, [event]);
  if (thrown.contactS !== undefined && thrown.releaseS !== undefined && thrown.contactS >= thrown.releaseS)
    return errorAt(helpers, 'sequence.order', {}, ['contactS']);
  return thrown;
};

const throwSchema = objectOf<SensorThrow>({
  rateHz: Joi.number().min(50).max(5000).required(),
  contactS: Joi.number().min(0).max(600),
  releaseS: Joi.number().min(0).max(600),
  effort: Joi.number().min(10).max(110).required(),
  series: keyed(SEGMENTS, MOST.degPerS).min(1).required(),
  linear: keyed(LINEAR_PARTS, MOST.mPerS),
})
  .custom(oneClock)
  .messages({
    'sequence.length':
      '{{#label}} has {{#own}} samples and the first series {{#samples}}: all series of a throw begin and end together',
    'sequence.outside': '{{#label}} lies after the last sample, at {{#lasts}} s',
    'sequence.order': '{{#label}} must be before releaseS: the foot lands before the ball leaves',
  });

export const sequenceRequestSchema = objectOf<SequenceRequest>({
  throws: listOf(throwSchema, MOST.throws).min(1).required(),
});
