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
const OVERHAND_ARM_TIMING = 0.12;
const ARM_TIMING: ReadonlySet<FindingId> = new Set([
  'early-hands',
  'early-arm',
  'late-arm',
  'hand-under',
  'lazy-arm',
  'arm-drag',
  'push-arm',
]);

/** How many times its usual leak a finding has in a discipline. */
export function leakTimes(finding: Pick<Finding, 'id' | 'leak'>, discipline: Discipline): number {
  if (discipline === 'windmill') return 1;
  return ARM_TIMING.has(finding.id) ? OVERHAND_ARM_TIMING : OVERHAND[finding.leak];
}
