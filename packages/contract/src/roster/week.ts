/** A coach's week: who moved, who is stuck, who was not seen. No scores and no order of merit. */
import type { IsoDate } from '@wrightonic/core';
import { objectOf, uuid } from '../schema/schema';

export interface WeekQuery {
  readonly group?: string;
}
export const weekQuerySchema = objectOf<WeekQuery>({ group: uuid() });

/** Kinds in the order in which they are told: what asks for something first. */
export const WEEK_KINDS = ['relapsed', 'limit', 'stuck', 'done', 'unseen', 'moved'] as const;
export type WeekKind = (typeof WEEK_KINDS)[number];

export interface WeekLine {
  readonly athlete: string;
  readonly name: string;
  readonly text: string;
}

export interface CoachWeek {
  readonly from: IsoDate;
  readonly to: IsoDate;
  /** How many athletes it is about. */
  readonly athletes: number;
  /** By name. */
  readonly lines: Readonly<Record<WeekKind, readonly WeekLine[]>>;
  /** Some kinds have more than are told. */
  readonly more: readonly WeekKind[];
}
