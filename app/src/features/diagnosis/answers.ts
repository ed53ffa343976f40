import { bodyTestById, measureById } from '@wrightonic/core';
import type { Check, CheckAnswer, Units, Vocabulary, WeighedCheck } from '@wrightonic/core';
import { percent } from '../../ui/words';

const unitOf = (check: Check): string =>
  check.kind === 'screen' ? bodyTestById(check.test).unit : check.kind === 'measure' ? measureById(check.measure).unit : '';

function ifText(check: Check, { when, value, upTo }: CheckAnswer, units: Units): string {
  if (value !== null && upTo !== undefined)
    return `${when === 'within' ? 'Between' : 'Outside'} ${units.text(value, unitOf(check))} and ${units.text(upTo, unitOf(check))}`;
  if (value !== null) return `${when === 'below' ? 'Under' : 'From'} ${units.text(value, unitOf(check))}`;
  if (check.kind === 'slow') return when === 'yes' ? 'If it can be done slowly' : 'If it cannot';
  return when === 'yes' ? 'If yes' : 'If no';
}

const thenText = ({ first, probability }: CheckAnswer, say: Vocabulary): string =>
  first === null ? 'no cause stands out' : `${say.title(first).toLowerCase()} (${percent(probability)})`;

/** “Under 34°: the drive hip …; from 40°: the hips start late”: what each answer would make of the likeliest cause. */
export function answersText({ check, answers }: WeighedCheck, units: Units, say: Vocabulary): string {
  const [a, b] = answers;
  if (!a || !b) return '';
  if (a.first === b.first && a.first !== null)
    return `Either way ${say.title(a.first).toLowerCase()} stays first: ${percent(a.probability)} or ${percent(b.probability)}.`;
  if (a.first === null && b.first === null) return 'Neither answer alone would make a cause stand out.';
  return `${ifText(check, a, units)}: ${thenText(a, say)}. ${ifText(check, b, units)}: ${thenText(b, say)}.`;
}
