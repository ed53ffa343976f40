/** Plans as they are asked for, changed by hand and told. */
import type { Broken, IsoDate, Plan, PlanEdit, PlanRequest, PlanSession } from '@wrightonic/core';
import Joi from 'joi';
import { count, isoDate, listOf, objectOf, text } from '../schema/schema';

export interface NewPlan {
  readonly weeks: number;
  readonly games: readonly { readonly date: IsoDate; readonly pitches: number }[];
  readonly pinned: readonly { readonly date: IsoDate; readonly drill: string }[];
}
export const newPlanSchema = objectOf<NewPlan>({
  weeks: Joi.number().integer().min(1).max(26).required(),
  games: listOf(Joi.object({ date: isoDate().required(), pitches: count(300).required() }), 100).required(),
  pinned: listOf(Joi.object({ date: isoDate().required(), drill: text(60).required() }), 100).required(),
});

/** All changes by hand made to a plan so far, in their order: the last one is undone by leaving it out. */
export interface PlanEdits {
  readonly edits: readonly PlanEdit[];
}
const editOf = (kind: PlanEdit['kind'], keys: Record<string, Joi.Schema>) =>
  Joi.object({ kind: Joi.string().valid(kind).required(), date: isoDate().required(), ...keys });
const drillId = () => text(60).required();
export const planEditsSchema = objectOf<PlanEdits>({
  edits: listOf(
    Joi.alternatives().try(
      editOf('move', { to: isoDate().required() }),
      editOf('drop-session', {}),
      editOf('drop', { drill: drillId() }),
      editOf('swap', { drill: drillId(), with: drillId() }),
      editOf('add', { drill: drillId() }),
      editOf('sets', { drill: drillId(), sets: Joi.number().integer().min(1).max(8).required() }),
      editOf('pin', { drill: drillId() }),
    ),
    200,
  ).required(),
});

export interface PlanRecord {
  readonly id: string;
  readonly on: IsoDate;
  readonly weeks: number;
  readonly assigned: boolean;
  readonly plan: Plan;
  /** Changes by hand, in their order. */
  readonly edits: readonly PlanEdit[];
  /** Rules that the plan breaks since it was changed. */
  readonly broken: readonly Broken[];
  /** For who may change it: what it was made from, enough to see at once what a change breaks. */
  readonly request: PlanRequest | null;
  /** For who may change it: the plan before any change by hand. */
  readonly base: Plan | null;
}

/** The work of a day: of the assigned plan, and what was handed out by hand beside it. */
export interface AssignmentRecord {
  readonly id: string;
  readonly on: IsoDate;
  readonly session: PlanSession;
  readonly done: boolean;
  /** Words that came with what was handed out. */
  readonly notes: readonly string[];
}
