/** What the answers to a check would make of the first root. */
import { round } from '../shared/maths';
import type { Candidate } from './candidates';
import type { CheckAnswer } from './checks';
import { densities } from '../evidence/densities';
import type { Model } from './model';
import type { Likelihood } from './network';

/** Beliefs in each root when the node is absent and when it is present. */
export interface WhenKnown {
  readonly probability: number;
  readonly absent: Float64Array;
  readonly present: Float64Array;
}

/** What the roots are when the node is there with the odds of two likelihoods. */
export function mix(
  { absent, present }: WhenKnown,
  whenAbsent: number,
  whenPresent: number,
  into = new Float64Array(absent.length),
) {
  const a = whenAbsent / (whenAbsent + whenPresent);
  for (let i = 0; i < into.length; i++) into[i] = a * absent[i]! + (1 - a) * present[i]!;
  return into;
}

/** Values tried along a reading to find where the first root changes. */
const READINGS_TRIED = 40;
/** A root is named when it stands so far above its prior. */
const NAMED_FROM = 0.02;

/** A root leads clearly when the next one is so much less likely. */
const CLEAR_LEAD = 1.5;

/** The likeliest root after an answer, by its likelihood, and whether it leads clearly. */
function leaderAfter(when: WhenKnown, prior: Float64Array, [absent, present]: Likelihood) {
  const root = mix(when, absent * (1 - when.probability), present * when.probability);
  let first = -1;
  let next = 0;
  root.forEach((p, i) => {
    if (p - prior[i]! < NAMED_FROM) return;
    if (first < 0 || p > root[first]!) {
      next = first < 0 ? 0 : root[first]!;
      first = i;
    } else next = Math.max(next, p);
  });
  const probability = first < 0 ? 0 : root[first]!;
  return { first, probability, clear: probability >= CLEAR_LEAD * next };
}

const wholeFrom = (spread: number): number => (spread >= 8 ? 1 : spread >= 1 ? 0.5 : 0.05);

/** What each answer would make of the first root. */
export function answersOf(candidate: Candidate, when: WhenKnown, prior: Float64Array, model: Model): CheckAnswer[] {
  const { reading } = candidate;
  const named = (first: number) => (first < 0 ? null : model.findings[first]!.id);
  if (!reading)
    return candidate.outcomes.map((outcome, i) => {
      const { first, probability } = leaderAfter(when, prior, outcome);
      return { when: i === 0 ? 'yes' : 'no', value: null, first: named(first), probability: round(probability) };
    });
  const lowMean = Math.min(reading.absentMean, reading.presentMean);
  const low = lowMean - 2 * reading.sd;
  const high = Math.max(reading.absentMean, reading.presentMean) + 2 * reading.sd;
  const start = candidate.check.kind === 'screen' ? Math.min(lowMean, Math.max(0, low)) : low;
  const values = Array.from({ length: READINGS_TRIED }, (_, i) => start + (i / (READINGS_TRIED - 1)) * (high - start));
  const leaders = values.map((value) => leaderAfter(when, prior, densities(value, reading)));
  const whole = wholeFrom(high - start);
  const lowest = leaders[0]!;
  const highest = leaders[leaders.length - 1]!;
  // The stretches at either end in which one root leads clearly; between them it could be either.
  const upTo = leaders.findIndex((l) => l.first !== lowest.first || (lowest.clear && !l.clear));
  const downTo = leaders.findLastIndex((l) => l.first !== highest.first || (highest.clear && !l.clear));
  /** The bound between two values tried. */
  const between = (left: number) => (values[left]! + values[left + 1]!) / 2;
  const half = values[READINGS_TRIED >> 1]!;
  const [under, from] = upTo < 0 ? [half, half] : [between(upTo - 1), between(downTo)];
  const told = (bound: number, end: typeof lowest, far: 'below' | 'above'): CheckAnswer => {
    const rest = { first: named(end.first), probability: round(end.probability) };
    const at = (value: number) => round(Math.round(value / whole) * whole, 2);
    const { sign } = candidate;
    if (sign?.side !== 'outside') return { when: far, value: at(bound), ...rest };
    // Weighed by how far the nearer edge is passed; told by both edges.
    const beyond = bound - sign.at;
    return { when: far === 'below' ? 'within' : 'outside', value: at(sign.at - beyond), upTo: at(sign.upTo! + beyond), ...rest };
  };
  return [told(under, lowest, 'below'), told(from, highest, 'above')];
}
