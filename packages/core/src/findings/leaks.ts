import type { Discipline } from '../delivery/links';
import type { FindingId } from './ids';
import type { Finding, LeakClass } from './types';

/** Probability that a finding is there with nothing in the model behind it, before discipline, age and level. Provenance `house`. */
export const LEAKS: Record<LeakClass, number> = { habit: 0.06, 'usual-consequence': 0.03, limit: 0.08, cue: 0.05 };

/**
 * The same for the overhand graph, which has nearly twice as many findings, most of which lead to the arm and the front knee in
 * the end: with the full leaks everybody would drag the arm with 0.4 before anybody has looked. So set that no consequence that is
 * flagged for health stands above 0.2 with nothing seen; the arm's timing, which leads there most directly, takes the most of it.
 * Provenance `house`.
 */
const OVERHAND: Record<LeakClass, number> = { habit: 0.64, 'usual-consequence': 0.08, limit: 0.25, cue: 0.5 };
/** The arm's timing, and what film of the arm has to be able to say of itself. */
const OVERHAND_ARM: Partial<Record<FindingId, number>> = {
  'early-hands': 0.12,
  'early-arm': 0.12,
  'late-arm': 0.12,
  'hand-under': 0.12,
  'lazy-arm': 0.12,
  'push-arm': 0.12,
  'arm-drag': 0.21,
};

/** How many times its usual leak a finding has in a discipline. */
export function leakTimes(finding: Pick<Finding, 'id' | 'leak'>, discipline: Discipline): number {
  if (discipline === 'windmill') return 1;
  return OVERHAND_ARM[finding.id] ?? OVERHAND[finding.leak];
}
