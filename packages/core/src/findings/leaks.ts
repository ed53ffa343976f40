import type { LeakClass } from './types';

/** Probability that a finding is there with nothing in the model behind it. Provenance `house`. */
export const LEAKS: Record<LeakClass, number> = { habit: 0.06, 'usual-consequence': 0.03, limit: 0.08, cue: 0.05 };
