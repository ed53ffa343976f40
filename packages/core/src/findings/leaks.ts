import type { Discipline } from '../delivery/links';
import type { LeakClass } from './types';

/** Probability that a finding is there with nothing in the model behind it, before discipline, age and level. Provenance `house`. */
export const LEAKS: Record<LeakClass, number> = { habit: 0.06, 'usual-consequence': 0.03, limit: 0.08, cue: 0.05 };

/**
 * The same by discipline. The overhand graph has nearly twice as many findings, most of which lead to the arm and the front knee
 * in the end: with the full leaks everybody would drag the arm with 0.4 before anybody has looked. So set that no consequence
 * that is flagged for health stands above 0.2 with nothing seen. Provenance `house`.
 */
export const LEAK_TIMES: Record<Discipline, Record<LeakClass, number>> = {
  overhand: { habit: 0.4, 'usual-consequence': 0.42, limit: 0.3, cue: 0.55 },
  windmill: { habit: 1, 'usual-consequence': 1, limit: 1, cue: 1 },
};
