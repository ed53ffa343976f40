import { readyReps } from '@wrightonic/core';
import type { PlanItem } from '@wrightonic/core';

const EFFORT_STEP = 10;
const LEAST_EFFORT = 50;

/** Efforts that may be asked for, percent: the item's range in tens, its ends included, as far as today allows. Never none. */
export function effortsOf([from, to]: readonly [number, number], ceiling: number): number[] {
  const most = Math.min(to, ceiling);
  const steps = Array.from({ length: 11 }, (_, i) => EFFORT_STEP * i).filter((e) => e > from && e < to);
  const within = [...new Set([from, ...steps, to])].filter((e) => e <= most);
  // Less than was planned is always allowed; with nothing of the range left it is the only way.
  return within.length > 0 ? within : [Math.max(LEAST_EFFORT, Math.floor(most / EFFORT_STEP) * EFFORT_STEP)];
}

/** Reps of an item that today's readiness leaves. */
export const doseOf = (item: PlanItem, isThrow: boolean, share: number): number =>
  isThrow ? readyReps(item.sets * item.reps, share) : item.sets * item.reps;
