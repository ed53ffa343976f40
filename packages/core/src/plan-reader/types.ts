import type { Plan, PlanRequest } from '../plan/types';
import type { Calendar } from './calendar';

/** What a plan is read for. */
export const PLAN_CHECKS = [
  'hard rules',
  'minutes',
  'throws',
  'direct share',
  'items',
  'cues',
  'tests',
  'warm-up',
  'neighbours',
  'aids in words',
  'what is treated',
  'cold throws',
  'home throws',
  'eve of a game',
  'rung and place',
  'variety',
  'words',
] as const;
export type PlanCheck = (typeof PLAN_CHECKS)[number];

/** One thing looked at: whether it is as it should be. */
export interface Point {
  readonly check: PlanCheck;
  readonly ok: boolean;
  /** Date of the session or week. */
  readonly at: string;
  readonly what: string;
}

export interface Reading {
  readonly request: PlanRequest;
  readonly plan: Plan;
  readonly calendar: Calendar;
  readonly say: (check: PlanCheck, ok: boolean, at: string, what: string) => void;
}
