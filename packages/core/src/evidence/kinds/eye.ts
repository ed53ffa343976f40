import { findingById } from '../../findings/catalogue';
import type { FindingId } from '../../findings/ids';
import { eyeKey, eyeWith } from '../../settings/numbers';
import { visibilityOf } from '../../eyes/eye';
import { house, PERCENT, SILENT } from '../kind';
import type { EvidenceKind } from '../kind';
import { power } from '../likelihood';
import type { Likelihood } from '../likelihood';
import type { Situation } from '../situation';

/** A look by eye at one finding. */
export interface EyeEvidence {
  readonly kind: 'eye';
  readonly finding: FindingId;
  readonly answer: 'yes' | 'no' | 'unsure';
}

/** Exponent with which a look at a finding counts where the school sees it otherwise. */
function countsIn(finding: FindingId, { athlete, schools }: Pick<Situation, 'athlete' | 'schools'>): number {
  // A heel that rolls up early is what the inside-edge school teaches; seeing it says little.
  if (finding === 'early-peel' && schools.backFoot === 'inside-edge') return 0.5;
  // Who owns the balanced position first stands still at the top of the lift: that alone is not sitting behind.
  if (finding === 'stuck-back' && athlete.discipline === 'overhand' && schools.lift === 'pause') return 0.5;
  return 1;
}

/** What a look says; `weighs` where this very eye is known better than eyes in general. */
export function eyeLikelihood(
  finding: FindingId,
  answer: 'yes' | 'no',
  { athlete, schools, numbers }: Pick<Situation, 'athlete' | 'schools' | 'numbers'>,
  weighs?: number,
): Likelihood {
  const eye = eyeWith(numbers, visibilityOf(findingById(finding)));
  const usual: Likelihood = answer === 'yes' ? [1 - eye.specificity, eye.sensitivity] : [eye.specificity, 1 - eye.sensitivity];
  const likelihood: Likelihood = weighs === undefined ? usual : [Math.exp(-Math.max(0, weighs)), Math.exp(Math.min(0, weighs))];
  return power(likelihood, countsIn(finding, { athlete, schools }));
}

export const EYE_KIND: EvidenceKind<EyeEvidence> = {
  kind: 'eye',
  halfLifeDays: 120,
  lingers: true,
  thingsOf: (item) => (item.answer === 'unsure' ? [] : [`eye:${item.finding}:${item.by ?? ''}`]),
  looksAt: (item) => (item.answer === 'unsure' ? [] : [item.finding]),
  says(item, { situation, requireHere }) {
    requireHere(situation.inPlay.has(item.finding), 'finding', item.finding);
    if (item.answer === 'unsure') return SILENT;
    const likelihood = eyeLikelihood(item.finding, item.answer, situation, item.weighs);
    return { on: [{ finding: item.finding, likelihood }], about: [item.finding] };
  },
  numbers(item, { numbers }) {
    const visibility = visibilityOf(findingById(item.finding));
    if (item.weighs !== undefined)
      return [house('This eye’s look, as it has earned it: log of the likelihood ratio', item.weighs, '', true)];
    const trust = eyeWith(numbers, visibility);
    const own = (part: 'sensitivity' | 'specificity') => numbers?.model?.[eyeKey(visibility, part)] !== undefined;
    return [
      house('An eye says yes when it is there', 100 * trust.sensitivity, PERCENT, own('sensitivity')),
      house('An eye says no when it is not', 100 * trust.specificity, PERCENT, own('specificity')),
    ];
  },
  words: (item, say) =>
    `${say.title(item.finding)}: ${item.answer === 'unsure' ? 'could not tell' : item.answer === 'yes' ? 'seen' : 'not seen'}`,
};
