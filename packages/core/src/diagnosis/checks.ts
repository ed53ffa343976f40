import type { MeasureId } from '../delivery/measures';
import type { TestSide } from '../delivery/sides';
import type { FindingId } from '../findings/ids';
import { bodyTestById } from '../body/catalogue';
import type { TestId } from '../body/catalogue';
import { candidates } from './candidates';
import type { Candidate } from './candidates';
import { answersOf, mix } from './check-answers';
import type { WhenKnown } from './check-answers';
import type { Evidence } from '../evidence/evidence';
import type { Model } from './model';
import type { Inference } from './roots';
import type { Situation } from '../evidence/situation';

export type Check =
  | { readonly kind: 'eye'; readonly finding: FindingId }
  | { readonly kind: 'screen'; readonly test: TestId; readonly side: TestSide }
  | { readonly kind: 'measure'; readonly measure: MeasureId }
  | { readonly kind: 'slow'; readonly finding: FindingId };

export interface WeighedCheck {
  readonly check: Check;
  /** Expected reduction of the entropy of which root it is, bits. */
  readonly expectedGain: number;
  /** The coach's time, minutes. */
  readonly minutes: number;
  /** Which root would come first on either side of the answer; empty where that was not worked out. */
  readonly answers: readonly CheckAnswer[];
}

/** “If the answer is so, it is that”: the likeliest root on one side of an answer. */
export interface CheckAnswer {
  readonly when: 'yes' | 'no' | 'below' | 'above' | 'within' | 'outside';
  /** The reading's bound, in the unit of the test or measure; null for yes and no. */
  readonly value: number | null;
  /** The upper of two bounds, for what lies within or outside them. */
  readonly upTo?: number;
  /** Likeliest root then; null when none would be raised. */
  readonly first: FindingId | null;
  readonly probability: number;
}

/** Entropy, bits, of which root it is: the shares by which each root was raised above its prior, and "none". */
export function rootEntropy(root: ArrayLike<number>, prior: ArrayLike<number>): number {
  let total = 0;
  let sum = 0; // Σ x log x
  const add = (share: number) => {
    if (share > 0) sum += share * Math.log2(share);
  };
  for (let i = 0; i < root.length; i++) {
    const excess = root[i]! - prior[i]!;
    if (excess <= 0) continue;
    total += excess;
    add(excess);
  }
  add(1 - total);
  const all = Math.max(1, total);
  return Math.max(0, Math.log2(all) - sum / all);
}

/** Bits below which a check tells nothing. */
const TELLS_NOTHING = 0.001;
/** From this probability of a root on there is nothing left to ask for its sake. */
const SURE_OF_ROOT = 0.7;
/** So few telling checks say that the question was too narrow. */
const FEW = 3;
/** From this probability on only what tells more of the root itself is proposed. */
export const KNOWN_ROOT = 0.9;
/** Candidates whose exact gain is computed after a first ranking: each costs an evaluation. */
const REFINED = 6;
const RAISED = 0.002;
/** Raised roots that the first ranking follows: the likeliest of them. */
const FOLLOWED = 5;

/** By total probability, so that one evaluation serves both answers. */
function bothAnswers(root: Float64Array, probability: number, present: Float64Array): WhenKnown {
  const absent = present.map((given, i) =>
    probability < 1 ? Math.max(0, (root[i]! - probability * given) / (1 - probability)) : 0,
  );
  return { probability, absent, present };
}

const binaryEntropy = (p: number): number => (p <= 0 || p >= 1 ? 0 : -p * Math.log2(p) - (1 - p) * Math.log2(1 - p));

/** Uncertainty about the roots taken one by one: what is asked while nothing has been raised above its prior yet. */
const singleEntropies = (root: ArrayLike<number>): number => {
  let total = 0;
  for (let i = 0; i < root.length; i++) total += binaryEntropy(root[i]!);
  return total;
};

function expectedGain(candidate: Candidate, when: WhenKnown, entropy: (root: Float64Array) => number, before: number): number {
  let after = 0;
  const root = new Float64Array(when.absent.length);
  for (const [whenAbsent, whenPresent] of candidate.outcomes) {
    const a = whenAbsent * (1 - when.probability);
    const p = whenPresent * when.probability;
    if (a + p <= 0) continue;
    after += (a + p) * entropy(mix(when, a, p, root));
  }
  return Math.max(0, before - after);
}

/** One glance that could still be taken, with what the roots would be after either answer. */
export interface Glance {
  readonly finding: FindingId;
  readonly answers: readonly { readonly probability: number; readonly root: Float64Array }[];
}

export interface Weighing {
  /** Checks not yet made, best first by expected gain per minute. */
  readonly checks: WeighedCheck[];
  /** All glances not yet taken, the most telling first. */
  readonly glances: readonly Glance[];
}

/**
 * Weighs what could be checked next. Every check is ranked by what each raised root makes of them; the gain of the best is then
 * computed exactly.
 */
export function weighChecks(
  model: Model,
  now: Inference,
  prior: Float64Array,
  evidence: readonly Evidence[],
  situation: Situation,
  {
    wanted = () => true,
    refined = REFINED,
    all: everything = false,
  }: { wanted?: (check: Check) => boolean; refined?: number; all?: boolean } = {},
): Weighing {
  const raised = [...now.root.keys()]
    .filter((i) => now.root[i]! - prior[i]! > RAISED)
    .sort((a, b) => now.root[b]! - prior[b]! - (now.root[a]! - prior[a]!))
    .slice(0, FOLLOWED);
  const givenRoot = raised.map((i) => now.nodesGivenRoot(i));
  const byGain = (x: WeighedCheck, y: WeighedCheck) => y.expectedGain / y.minutes - x.expectedGain / x.minutes;
  const exactly = ({ node }: Candidate): WhenKnown => {
    if (typeof node === 'number') {
      const known = now.knowing(node, 1);
      return bothAnswers(now.root, Math.min(1, Math.max(0, known.weight)), known.root);
    }
    const none = now.noneOf(node);
    const probability = Math.min(1, Math.max(0, 1 - none.weight));
    const present = none.root.map((given, i) =>
      probability > 0 ? Math.max(0, (now.root[i]! - (1 - probability) * given) / probability) : 0,
    );
    return { probability, absent: none.root, present };
  };
  /** Exact for the raised roots that are followed and for the finding itself; the others stay as they are. */
  const roughly = (candidate: Candidate): WhenKnown => {
    const { node } = candidate;
    if (typeof node !== 'number') return exactly(candidate);
    const probability = now.nodes[node]!;
    const present = now.root.slice();
    if (probability > 0) {
      present[node] = Math.min(1, now.root[node]! / probability);
      raised.forEach((root, k) => (present[root] = Math.min(1, (givenRoot[k]![node]! * now.root[root]!) / probability)));
    }
    return bothAnswers(now.root, probability, present);
  };
  const top = now.root.reduce((best, p, i) => (p > now.root[best]! ? i : best), 0);
  const weighed = candidates(model, evidence, situation).map((candidate) => ({ candidate, when: roughly(candidate) }));
  /** With the root as good as known only what tells more of that very thing is left to check. */
  const stillMatters = ({ node, check }: Candidate) =>
    now.root[top]! < KNOWN_ROOT || !raised.includes(top) || (node === top && check.kind !== 'eye');
  /** Of two ways to check one limit the better one is enough. */
  const once = () => {
    const seen = new Set<FindingId>();
    return ({ check }: { readonly check: Check }) => {
      const limit = check.kind === 'screen' ? bodyTestById(check.test).speaksOf[check.side] : undefined;
      if (!limit) return true;
      const first = !seen.has(limit);
      seen.add(limit);
      return first;
    };
  };
  const exact = new Map<number | readonly number[], WhenKnown>();
  /** Ranks all checks by what they tell of something, and weighs the best exactly. */
  const weigh = (entropy: (root: Float64Array) => number) => {
    const before = entropy(now.root);
    const ranked = weighed
      .filter(({ candidate }) => wanted(candidate.check))
      .map(({ candidate, when }) => {
        const { check, minutes } = candidate;
        return { candidate, when, check, minutes, expectedGain: expectedGain(candidate, when, entropy, before), answers: [] };
      })
      .sort(byGain);
    const checks = ranked
      .filter(({ candidate }) => everything || stillMatters(candidate))
      .filter(everything ? () => true : once())
      .slice(0, refined)
      .map(({ candidate }): WeighedCheck => {
        const when = exact.get(candidate.node) ?? exactly(candidate);
        exact.set(candidate.node, when);
        return {
          check: candidate.check,
          expectedGain: expectedGain(candidate, when, entropy, before),
          minutes: candidate.minutes,
          answers: answersOf(candidate, when, prior, model),
        };
      })
      .sort(byGain);
    return { ranked, checks };
  };
  let { ranked, checks } = weigh(raised.length > 0 ? (root) => rootEntropy(root, prior) : singleEntropies);
  // With little seen an answer rather brings new roots up than settles which it is: then what is asked is what tells most of all.
  const telling = checks.filter((c) => c.expectedGain > TELLS_NOTHING);
  if (raised.length > 0 && telling.length < FEW && now.root[top]! < SURE_OF_ROOT) ({ ranked, checks } = weigh(singleEntropies));
  const glances = ranked.flatMap(({ candidate, when }): Glance[] => {
    if (candidate.check.kind !== 'eye') return [];
    const answers = candidate.outcomes.map(([absent, present]) => {
      const [a, p] = [absent * (1 - when.probability), present * when.probability];
      return { probability: a + p, root: mix(when, a, p) };
    });
    return [{ finding: candidate.check.finding, answers }];
  });
  return { checks, glances };
}
