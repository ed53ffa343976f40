/** How sure the judgement is, and between which causes it stands. */
import { signsOf } from '../evidence/measured';
import type { Situation } from '../evidence/situation';
import type { FindingKind } from '../findings/ids';
import { round } from '../shared/maths';
import type { Check } from './checks';
import type { Diagnosis } from './diagnosis';
import { LIKELY_ENOUGH } from './focus';
import type { Focus } from './focus';
import type { Model } from './model';

const SPLIT_FROM = 0.1;

/** With the root as good as known what is left is to measure what is worked on, gain or no gain. */
export const measuresFocus = (check: Check, { lowerHalf, arm }: Focus, situation: Situation): boolean =>
  check.kind === 'measure' &&
  signsOf(check.measure, null, situation).some((sign) => sign.finding === lowerHalf || sign.finding === arm);

const SPLIT_OF: Record<FindingKind, keyof Diagnosis['split']> = { limit: 'body', habit: 'timing', cue: 'cue' };

export function howSure(probability: number): string {
  if (probability >= 0.8) return 'Very likely';
  if (probability >= 0.55) return 'Likely';
  if (probability >= LIKELY_ENOUGH) return 'Could well be';
  return 'Possible';
}

export const lowerFirst = (text: string): string => (/^[A-Z][a-z]/.test(text) ? text[0]!.toLowerCase() + text.slice(1) : text);

export function splitOf(model: Model, root: Float64Array, prior: Float64Array): Diagnosis['split'] {
  const excess = { body: 0, timing: 0, cue: 0 };
  model.findings.forEach((finding, i) => {
    excess[SPLIT_OF[finding.kind]] += Math.max(0, root[i]! - prior[i]!);
  });
  const total = excess.body + excess.timing + excess.cue;
  const share = (part: number) => (total < SPLIT_FROM ? 0 : round(part / total));
  return { body: share(excess.body), timing: share(excess.timing), cue: share(excess.cue) };
}
