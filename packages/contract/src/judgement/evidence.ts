import {
  BODY_TESTS,
  EVENTS,
  FINDING_IDS,
  HISTORY_EVENTS,
  GLANCE_ANSWERS,
  GLANCE_IDS,
  MEASURE_IDS,
  MISS_PATTERNS,
  SEGMENTS,
  STYLE_ITEMS,
  TEST_IDS,
  THOUGHT_IDS,
  TEST_SIDES,
} from '@wrightonic/core';
import type { DatedEvidence, Evidence, SpeedReading } from '@wrightonic/core';
import Joi from 'joi';
import { isoDate, listOf, objectOf, oneOf, text } from '../schema/schema';

type Of<K extends Evidence['kind']> = Extract<Evidence, { kind: K }>;
const yesNo = () => oneOf(['yes', 'no'] as const).required();
const finding = () => oneOf(FINDING_IDS).required();
const kind = <K extends Evidence['kind']>(value: K) => Joi.string<K>().valid(value).required();
const judged = () => oneOf(['good', 'poor'] as const);

/** Values beyond which a reading cannot be one: the unit or the decimal point is wrong. */
const READING_RANGE: Record<string, readonly [number, number]> = {
  deg: [-180, 360],
  cm: [0, 40],
  s: [0, 600],
  '%BW': [0, 100],
  score: [0, 3],
  in: [-60, 60],
  '%height': [-150, 250],
  xBW: [0, 5],
  ms: [-3000, 3000],
  '%shank': [-200, 200],
  '%': [-200, 200],
};

const withinRange: Joi.CustomValidator = (item: { value: number; unit: string }, helpers) => {
  const range = READING_RANGE[item.unit];
  return range && (item.value < range[0] || item.value > range[1])
    ? helpers.error('reading.range', { low: range[0], high: range[1], unit: item.unit, value: item.value })
    : item;
};
const rangeMessage = {
  'reading.range':
    '{{#value}} {{#unit}} cannot be a reading: it must lie between {{#low}} and {{#high}}; check the unit and the decimal point',
};

const speedUnit = () => oneOf(['mph', 'km/h'] as const).required();

export const speedReadingSchema = objectOf<SpeedReading>({
  speed: Joi.number().min(10).max(200).required(),
  unit: speedUnit(),
  effort: Joi.number().min(10).max(110).required(),
});

const segmentNumbers = (low: number, high: number) =>
  Joi.object(Object.fromEntries(SEGMENTS.map((s) => [s, Joi.number().min(low).max(high)])));

const SCHEMAS: { [K in Evidence['kind']]: Joi.ObjectSchema } = {
  eye: objectOf<Of<'eye'>>({ kind: kind('eye'), finding: finding(), answer: oneOf(['yes', 'no', 'unsure'] as const).required() }),
  screen: objectOf<Of<'screen'>>({
    kind: kind('screen'),
    test: oneOf(TEST_IDS).required(),
    side: oneOf(TEST_SIDES).required(),
    value: Joi.number().required(),
    unit: oneOf([...new Set(BODY_TESTS.map((t) => t.unit))]).required(),
    readings: Joi.number().integer().min(1).max(20),
  })
    .custom(withinRange)
    .messages(rangeMessage),
  measure: objectOf<Of<'measure'>>({
    kind: kind('measure'),
    measure: oneOf(MEASURE_IDS).required(),
    event: oneOf(EVENTS).required(),
    value: Joi.number().required(),
    unit: oneOf(['deg', 'ms', '%height', 'in', '%shank', '%'] as const).required(),
    sd: Joi.number().positive().max(200),
  })
    .custom(withinRange)
    .messages(rangeMessage),
  sequence: objectOf<Of<'sequence'>>({
    kind: kind('sequence'),
    peaksMs: segmentNumbers(-2000, 2000).min(1).required(),
    peaksDegPerS: segmentNumbers(0, 12000),
  }),
  miss: objectOf<Of<'miss'>>({ kind: kind('miss'), pattern: oneOf(MISS_PATTERNS).required() }),
  velocity: objectOf<Of<'velocity'>>({ kind: kind('velocity'), readings: listOf(speedReadingSchema, 500).min(1).required() }),
  slow: objectOf<Of<'slow'>>({ kind: kind('slow'), finding: finding(), canDoSlowly: yesNo() }),
  transfer: objectOf<Of<'transfer'>>({
    kind: kind('transfer'),
    finding: finding(),
    cleanInDrill: yesNo(),
    cleanOnMound: yesNo(),
  }),
  history: objectOf<Of<'history'>>({ kind: kind('history'), event: oneOf(HISTORY_EVENTS).required() }),
  outcome: objectOf<Of<'outcome'>>({ kind: kind('outcome'), strikes: judged(), movement: judged(), velocity: judged() }),
  style: objectOf<Of<'style'>>({ kind: kind('style'), item: oneOf(STYLE_ITEMS).required() }),
  told: objectOf<Of<'told'>>({ kind: kind('told'), thought: oneOf(THOUGHT_IDS).required() }),
  glance: objectOf<Of<'glance'>>({
    kind: kind('glance'),
    detail: oneOf(GLANCE_IDS).required(),
    answer: oneOf(GLANCE_ANSWERS).required(),
  }),
};

export const EVIDENCE_KINDS = Object.keys(SCHEMAS) as readonly Evidence['kind'][];

const byKind = <T>(schemaOf: (kind: Evidence['kind']) => Joi.ObjectSchema) =>
  Joi.alternatives().conditional('.kind', {
    switch: EVIDENCE_KINDS.map((value) => ({ is: value, then: schemaOf(value) })),
    otherwise: Joi.object({ kind: oneOf(EVIDENCE_KINDS).required() }).unknown(true),
  }) as Joi.AlternativesSchema<T>;

/** One evidence item; the kind decides which fields it has. */
export const evidenceSchema = byKind<Evidence>((value) => SCHEMAS[value]);

const origin = {
  on: isoDate(),
  by: text(120),
  weighs: Joi.number().min(-6).max(6),
};

/** An evidence item with where it comes from. */
export const datedEvidenceSchema = byKind<DatedEvidence>((value) => SCHEMAS[value].keys(origin));
