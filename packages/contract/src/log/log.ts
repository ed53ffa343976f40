/** The log of sessions as it is sent and answered. */
import { JUDGEMENTS, RUNGS } from '@wrightonic/core';
import type { IsoDate, Judgement, Readiness, Rung, Spot, Workload } from '@wrightonic/core';
import Joi from 'joi';
import { painReportSchema } from '../load/load';
import type { RungMove } from '../focus/focus';
import type { ToldPain } from '../load/load';
import { thrownAsKeys } from '../radar/guns';
import type { PitchType, ThrownAs } from '../radar/guns';
import type { AssignmentRecord } from '../plan/plans';
import { count, instant, isoDate, listOf, objectOf, oneOf, text, uuid } from '../schema/schema';

export interface NewSession {
  readonly on: IsoDate;
  readonly assignment: string | null;
  /** Instant of the start by the device, ISO 8601 UTC. */
  readonly at?: string;
  /** Every site that hurts before the start; empty when nothing does. Sent again with more, it is added. */
  readonly painBefore: readonly ToldPain[];
  /** What the athlete says of the day; left out where nobody asked. */
  readonly readiness?: Readiness;
}
const readinessSchema = objectOf<Readiness>({
  soreness: Joi.number().integer().min(0).max(10).required(),
  sleepH: Joi.number().min(0).max(24).allow(null).required(),
  warm: Joi.boolean().required(),
});
export const newSessionSchema = objectOf<NewSession>({
  on: isoDate().required(),
  assignment: uuid().allow(null).required(),
  at: instant(),
  painBefore: listOf(painReportSchema, 20).required(),
  readiness: readinessSchema,
});

export { JUDGEMENTS };
export type { Judgement };

/** One tap of a session. Sent once or many times, it is one row. */
export type LogEntry =
  | {
      readonly type: 'rep';
      readonly id: string;
      /** Instant of the tap, ISO 8601 UTC. */
      readonly at: string;
      readonly drill: string;
      readonly rung: Rung;
      readonly focus: string | null;
      readonly judged: Judgement;
      /** Effort asked for, percent; 0 without a ball. It never counts for less than the drill's own. */
      readonly effort: number;
      /** Not read: whether it is a throw is known from the drill. */
      readonly isThrow?: boolean;
      /** Kit that supported it; left out where nobody tells. */
      readonly aids?: readonly string[];
    }
  | { readonly type: 'cheat'; readonly id: string; readonly at: string; readonly rep: string; readonly cheat: string }
  | { readonly type: 'undo'; readonly id: string; readonly at: string; readonly rep: string }
  | {
      readonly type: 'pain';
      readonly id: string;
      readonly at: string;
      readonly moment: 'during' | 'after';
      readonly pain: ToldPain;
    }
  /** A word of whoever runs the session, for the coaches. */
  | { readonly type: 'note'; readonly id: string; readonly at: string; readonly text: string }
  | ({
      readonly type: 'reading';
      readonly id: string;
      readonly at: string;
      readonly speed: number;
      readonly unit: 'mph' | 'km/h';
      readonly effort: number;
      readonly gun: string;
      readonly setting: 'mound' | 'drill' | 'flat';
      /** The rep that was measured; without one it is found by the clock. */
      readonly rep?: string | null;
    } & ThrownAs)
  /** Where a throw was aimed and where it went, as the pitcher sees the plate, cm. */
  | {
      readonly type: 'spot';
      readonly id: string;
      readonly at: string;
      readonly target: Spot;
      readonly actual: Spot;
      /** Lower and upper edge of the zone that was thrown at, cm. */
      readonly zone: readonly [low: number, high: number];
      readonly effort: number;
      /** The rep that it was, where it is known. */
      readonly rep: string | null;
      readonly pitch?: PitchType | null;
    };

/** Nothing that is thrown at a plate passes further from it than a few metres. */
const spotSchema = objectOf<Spot>({
  x: Joi.number().min(-300).max(300).required(),
  y: Joi.number().min(-50).max(400).required(),
});
const entryBase = { id: uuid().required(), at: instant().required() };
const entryType = (type: LogEntry['type']) => Joi.string().valid(type).required();
const ENTRY_SCHEMAS: Record<LogEntry['type'], Joi.ObjectSchema> = {
  rep: Joi.object({
    ...entryBase,
    type: entryType('rep'),
    aids: listOf(text(40), 10),
    drill: text(60).required(),
    rung: Joi.number()
      .valid(...RUNGS)
      .required(),
    focus: uuid().allow(null).required(),
    judged: oneOf(JUDGEMENTS).required(),
    effort: Joi.number().min(0).max(100).required(),
    isThrow: Joi.boolean(),
  }),
  cheat: Joi.object({ ...entryBase, type: entryType('cheat'), rep: uuid().required(), cheat: text(60).required() }),
  undo: Joi.object({ ...entryBase, type: entryType('undo'), rep: uuid().required() }),
  pain: Joi.object({
    ...entryBase,
    type: entryType('pain'),
    moment: oneOf(['during', 'after'] as const).required(),
    pain: painReportSchema.required(),
  }),
  note: Joi.object({ ...entryBase, type: entryType('note'), text: text(500).required() }),
  reading: Joi.object({
    ...entryBase,
    type: entryType('reading'),
    speed: Joi.number().min(10).max(200).required(),
    unit: oneOf(['mph', 'km/h'] as const).required(),
    effort: Joi.number().min(10).max(110).required(),
    gun: text(40).required(),
    setting: oneOf(['mound', 'drill', 'flat'] as const).required(),
    rep: uuid().allow(null),
    ...thrownAsKeys,
  }),
  spot: Joi.object({
    ...entryBase,
    type: entryType('spot'),
    target: spotSchema.required(),
    actual: spotSchema.required(),
    zone: Joi.array()
      .ordered(count(200).required(), count(300).required())
      .custom((zone: [number, number], helpers) =>
        zone[0] < zone[1] ? zone : helpers.message({ custom: '{{#label}}: the lower edge of the zone comes first' }),
      )
      .required(),
    effort: Joi.number().min(10).max(110).required(),
    rep: uuid().allow(null).required(),
    pitch: thrownAsKeys.pitch,
  }),
};
const ENTRY_TYPES = Object.keys(ENTRY_SCHEMAS) as LogEntry['type'][];
export const logEntrySchema = Joi.alternatives().conditional('.type', {
  switch: ENTRY_TYPES.map((value) => ({ is: value, then: ENTRY_SCHEMAS[value] })),
  otherwise: Joi.object({ type: oneOf(ENTRY_TYPES).required() }).unknown(true),
}) as Joi.AlternativesSchema<LogEntry>;

export interface LogBatch {
  readonly entries: readonly LogEntry[];
}
export const logBatchSchema = objectOf<LogBatch>({ entries: listOf(logEntrySchema, 500).min(1).required() });

/** Takes a rep, a speed or an outing out of the load, for good. */
export interface LoadRemoval {
  readonly reason: string;
}
export const loadRemovalSchema = objectOf<LoadRemoval>({ reason: text(200).required() });

export interface DrillTally {
  readonly drill: string;
  readonly reps: number;
  readonly good: number;
  readonly close: number;
  readonly off: number;
}

export interface SessionRecord {
  readonly id: string;
  readonly on: IsoDate;
  readonly assignment: AssignmentRecord | null;
  readonly finished: boolean;
  /** Dry work only: why, or null when balls may fly. */
  readonly dryOnly: string | null;
  /** What the athlete said before it, or null. */
  readonly readiness: Readiness | null;
  readonly tallies: readonly DrillTally[];
  readonly workload: Workload;
  readonly verdicts: readonly RungMove[];
  /** What is kept as load and not counted, and why. */
  readonly notCounted: readonly { readonly reason: string; readonly entries: number }[];
}

/** What became of one entry: stored, or refused with the reason. A throw against a lock or budget is refused, and kept as load. */
export interface EntryResult {
  readonly id: string;
  readonly status: 'stored' | 'refused';
  readonly reason: string | null;
  /** Whether it is in the log at all. */
  readonly kept: boolean;
}

export interface LogAnswer {
  readonly results: readonly EntryResult[];
  readonly session: SessionRecord;
}
