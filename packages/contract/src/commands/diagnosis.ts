/** What the judgement is asked. */
import { bodyTestById, FINDING_IDS, readingRange } from '@wrightonic/core';
import type { AthleteSize, DiagnosisRequest, Overrule, WorkDone } from '@wrightonic/core';
import Joi from 'joi';
import { datedEvidenceSchema } from '../judgement/evidence';
import { numbersSchema } from '../profile/numbers';
import { athleteProfileSchema, schoolsSchema } from '../profile/profile';
import { bornBefore, bornMessage } from '../schema/dated';
import { count, errorAt, isoDate, listOf, objectOf, oneOf } from '../schema/schema';

export const overruleSchema = objectOf<Overrule>({
  finding: oneOf(FINDING_IDS).required(),
  as: oneOf(['present', 'absent', 'root'] as const).required(),
});

/** A body reading that this athlete cannot show is a slip, not evidence. */
const possibleReadings: Joi.CustomValidator = (value: DiagnosisRequest, helpers) => {
  for (const [i, item] of value.evidence.entries()) {
    if (item.kind !== 'screen' || item.unit !== bodyTestById(item.test).unit) continue;
    const { low, high } = readingRange(item.test, value.athlete, item.on ?? value.on);
    if (item.value < low || item.value > high) {
      return errorAt(helpers, 'reading.impossible', { reading: item.value, unit: item.unit, low, high }, [
        'evidence',
        i,
        'value',
      ]);
    }
  }
  return value;
};

export const diagnosisRequestSchema = objectOf<DiagnosisRequest>({
  on: isoDate().required(),
  athlete: athleteProfileSchema.required(),
  schools: schoolsSchema,
  numbers: numbersSchema,
  evidence: listOf(datedEvidenceSchema, 500).required(),
  overrules: listOf(overruleSchema, 60)
    .unique('finding')
    .messages({ 'array.unique': '{{#label}} rules on a finding that was ruled on already' }),
  sizes: listOf(
    objectOf<AthleteSize>({
      on: isoDate().required(),
      heightM: Joi.number().min(0.8).max(2.4).required(),
      massKg: Joi.number().min(15).max(220).required(),
    }),
    400,
  ),
  work: listOf(
    objectOf<WorkDone>({ finding: oneOf(FINDING_IDS).required(), on: isoDate().required(), reps: count(5000).required() }),
    2000,
  ),
})
  .custom(bornBefore)
  .custom(possibleReadings)
  .messages({
    ...bornMessage,
    'reading.impossible': '{{#reading}} {{#unit}} cannot be a reading of this athlete: it lies between {{#low}} and {{#high}}',
  });
