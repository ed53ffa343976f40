/** The body check: readings as they are taken, and what they come to. */
import { TEST_IDS, TEST_SIDES } from '@wrightonic/core';
import type { BodyInsight, Grade, IsoDate, PainReport, TestId, TestSide, TestStep } from '@wrightonic/core';
import Joi from 'joi';
import { painReportSchema } from './load';
import { isoDate, listOf, objectOf, oneOf, uuid } from './schema';

export const READ_BY = ['tilt', 'timer', 'dial', 'keypad', 'steps'] as const;
export type ReadBy = (typeof READ_BY)[number];

export interface NewBodyCheck {
  readonly on: IsoDate;
  readonly kind: 'short' | 'full';
  /** In the order in which they are done. */
  readonly steps: readonly TestStep[];
}
const step = { test: oneOf(TEST_IDS).required(), side: oneOf(TEST_SIDES).required() };
export const newBodyCheckSchema = objectOf<NewBodyCheck>({
  on: isoDate().required(),
  kind: oneOf(['short', 'full'] as const).required(),
  steps: listOf(Joi.object(step), 60).min(1).required(),
});

export interface NewBodyReading extends TestStep {
  readonly check: string;
  readonly value: number;
  readonly readBy: ReadBy;
  /** Straight after a hold or release, to show that it changes; it does not count for the grade. */
  readonly moment: 'first' | 'after';
}
export const newBodyReadingSchema = objectOf<NewBodyReading>({
  ...step,
  check: uuid().required(),
  value: Joi.number().required(),
  readBy: oneOf(READ_BY).required(),
  moment: oneOf(['first', 'after'] as const).required(),
});

/** A test that was ended: it hurt, or a word about it. */
export interface NewBodyNote extends TestStep {
  readonly check: string;
  readonly note: string;
  /** Pain ends the test on this side. */
  readonly pain: PainReport | null;
}
export const newBodyNoteSchema = objectOf<NewBodyNote>({
  ...step,
  check: uuid().required(),
  note: Joi.string().trim().allow('').max(500).prefs({ convert: true }).required(),
  pain: painReportSchema.allow(null).required() as unknown as Joi.ObjectSchema,
});

export interface BodyReadingRow extends NewBodyReading {
  readonly id: string;
}
export interface BodyNoteRow extends NewBodyNote {
  readonly id: string;
}

export interface BodyCheckRecord extends NewBodyCheck {
  readonly id: string;
  readonly finished: boolean;
  readonly readings: readonly BodyReadingRow[];
  readonly notes: readonly BodyNoteRow[];
}

export interface BodyValue {
  readonly on: IsoDate;
  readonly value: number;
  readonly sd: number;
  readonly count: number;
  readonly grade: Grade;
}

/** One test on one side over time, newest last. */
export interface BodyHistory extends TestStep {
  readonly values: readonly BodyValue[];
}

export interface BodyPicture {
  /** The check that is under way, or the newest. */
  readonly check: BodyCheckRecord | null;
  readonly histories: readonly BodyHistory[];
  readonly insight: BodyInsight;
  /** There is evidence of some kind; without it tests cannot be weighed. */
  readonly anythingSeen: boolean;
}

/** A device's channel: what may write to it, until when. */
export interface DeviceChannel {
  readonly id: string;
  readonly key: string;
  readonly expiresAt: string;
}

/** What travels on a channel: tilt from an inclinometer, or what the page is asking for. */
export type DeviceMessage =
  | { readonly kind: 'tilt'; readonly deg: number }
  | { readonly kind: 'ask'; readonly test: TestId; readonly side: TestSide; readonly athlete: string }
  | { readonly kind: 'rest' };
export interface DeviceBatch {
  readonly messages: readonly DeviceMessage[];
}
export const deviceBatchSchema = objectOf<DeviceBatch>({
  messages: listOf(
    Joi.alternatives().conditional('.kind', {
      switch: [
        { is: 'tilt', then: Joi.object({ kind: 'tilt', deg: Joi.number().min(-360).max(360).required() }) },
        { is: 'ask', then: Joi.object({ kind: 'ask', ...step, athlete: uuid().required() }) },
      ],
      otherwise: Joi.object({ kind: Joi.string().valid('rest').required() }),
    }) as Joi.AlternativesSchema,
    100,
  )
    .min(1)
    .required(),
});

/** The channel's key, which is proof enough: a device has no account. */
export interface ChannelQuery {
  readonly key: string;
}
export const channelQuerySchema = objectOf<ChannelQuery>({ key: Joi.string().min(20).max(80).required() });
