import type { IsoDate } from '../shared/dates';
import { daysBetween } from '../shared/dates';

/** What an athlete says before the work. Pain is told apart from it and has rules of its own. */
export interface Readiness {
  /** Stiff, tired muscles of the throwing arm, 0 (fresh) to 10. */
  readonly soreness: number;
  /** Hours slept, or null where nobody said. */
  readonly sleepH: number | null;
  /** The body is warm: moved until it sweats a little, and thrown easily. */
  readonly warm: boolean;
}

/** What is left of the day's planned dose. */
export interface ReadyDose {
  /** Part of the planned throws of each drill, 0.5 to 1. */
  readonly share: number;
  /** Percent of full effort, at most. */
  readonly highestEffort: number;
  /** Why, one sentence a rule that took something; empty when the plan stands. */
  readonly reasons: readonly string[];
}

interface Rule {
  readonly share: number;
  readonly highestEffort: number;
  readonly reason: string;
}

/** Provenance `house`. */
const SORE = { much: 7, some: 4 } as const;
/** Hours of sleep: the young need more. Provenance `house`. */
const SLEEP = { young: { short: 8, little: 6 }, grown: { short: 6, little: 5 } } as const;
const YOUNG = 13;
/** Days without a throw. Provenance `house`. */
const AWAY = { long: 15, some: 8 } as const;
/** Effort of a body that is not warm yet, percent. */
const COLD_EFFORT = 60;

function rulesOf({ soreness, sleepH, warm }: Readiness, age: number, daysSince: number | null): Rule[] {
  const rules: Rule[] = [];
  const take = (share: number, highestEffort: number, reason: string) => rules.push({ share, highestEffort, reason });
  if (soreness >= SORE.much) take(0.5, 70, `The arm is very sore (${soreness} of 10): half the throws, none above 70 %.`);
  else if (soreness >= SORE.some)
    take(0.75, 80, `The arm is sore (${soreness} of 10): three quarters of the throws, none above 80 %.`);
  const need = age < YOUNG ? SLEEP.young : SLEEP.grown;
  if (sleepH !== null && sleepH < need.little) take(0.5, 80, `Slept ${sleepH} hours: half the throws, none above 80 %.`);
  else if (sleepH !== null && sleepH < need.short)
    take(0.75, 85, `Slept ${sleepH} hours: three quarters of the throws, nothing hard.`);
  if (daysSince !== null && daysSince >= AWAY.long)
    take(0.5, 70, `No throw for ${daysSince} days: half the throws, none above 70 %.`);
  else if (daysSince !== null && daysSince >= AWAY.some)
    take(0.75, 80, `No throw for ${daysSince} days: three quarters of the throws, none above 80 %.`);
  if (!warm) take(1, COLD_EFFORT, `Not warm yet: nothing above ${COLD_EFFORT} % until the warm-up is done.`);
  return rules;
}

/**
 * Today's dose after what the athlete says: of several rules the strictest counts, they are not added up. It only ever takes away;
 * locks, budgets and the league stand above it.
 * @param readiness soreness 0–10, sleep in hours
 * @param age years on the day
 * @param lastThrow day of the last throw before today, or null when none is known
 * @returns share of the planned throws and highest effort in percent, each with its reason
 * @example readyDose({ soreness: 5, sleepH: 8, warm: true }, 15, '2026-05-01', '2026-05-03').share // 0.75
 */
export function readyDose(readiness: Readiness, age: number, lastThrow: IsoDate | null, today: IsoDate): ReadyDose {
  const rules = rulesOf(readiness, age, lastThrow === null ? null : daysBetween(lastThrow, today));
  return {
    share: Math.min(1, ...rules.map((r) => r.share)),
    highestEffort: Math.min(100, ...rules.map((r) => r.highestEffort)),
    reasons: rules.map((r) => r.reason),
  };
}

/** Reps that are left of a planned number: a share of it, rounded up, so that no drill goes to nothing. */
export const readyReps = (planned: number, share: number): number => Math.max(0, Math.ceil(share * planned - 1e-9));
