/** The body check: readings as they are taken, and what they come to. */
import { TEST_IDS, TEST_SIDES } from '@wrightonic/core';
import type { BodyInsight, Grade, IsoDate, PainReport, TestStep } from '@wrightonic/core';
import Joi from 'joi';
import { painReportSchema } from '../load/load';
import { isoDate, listOf, maybeText, objectOf, oneOf, uuid } from '../schema/schema';

export const READ_BY = ['tilt', 'timer', 'dial', 'keypad', 'steps'] as const;
export type ReadBy = (typeof READ_BY)[number];

export interface NewBodyCheck {
  readonly on: IsoDate;
  readonly kind: 'short' | 'full';
  /** In the order in which they are done. */
  readonly steps: readonly TestStep[];
}
export const stepKeys = { test: oneOf(TEST_IDS).required(), side: oneOf(TEST_SIDES).required() };
export const newBodyCheckSchema = objectOf<NewBodyCheck>({
  on: isoDate().required(),
  kind: oneOf(['short', 'full'] as const).required(),
  steps: listOf(Joi.object(stepKeys), 60).min(1).required(),
});

export interface NewBodyReading extends TestStep {
  readonly check: string;
  readonly value: number;
  readonly readBy: ReadBy;
  /** Straight after a hold or release, to show that it changes; it does not count for the grade. */
  readonly moment: 'first' | 'after';
}
export const newBodyReadingSchema = objectOf<NewBodyReading>({
  ...stepKeys,
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
  ...stepKeys,
  check: uuid().required(),
  note: maybeText(500).required(),
  pain: painReportSchema.allow(null).required(),
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
