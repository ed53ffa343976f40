import { MEASURES } from '../delivery/measures';
import type { MeasureId } from '../delivery/measures';
import type { TestSide } from '../delivery/sides';
import type { FindingId } from '../findings/ids';
import { BODY_TESTS, bodyTestById } from '../screen/tests';
import type { TestId } from '../screen/tests';
import { ageOn } from '../shared/dates';
import { round } from '../shared/maths';
import type { Evidence } from './evidence';
import { densities } from './densities';
import { mainSignOf, signDensities } from './measured';
import { isYouth } from './situation';
import { eyeLikelihood, slowLikelihood } from './likelihoods';
import { screenDensities } from './screened';
import type { TwoDensities } from './densities';
import type { Situation } from './situation';
import type { Model } from './model';
import type { Likelihood } from './network';
import type { Inference } from './roots';

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
  readonly when: 'yes' | 'no' | 'below' | 'above';
  /** The reading's bound, in the unit of the test or measure; null for yes and no. */
  readonly value: number | null;
  /** Likeliest root then; null when none would be raised. */
  readonly first: FindingId | null;
  readonly probability: number;
}

/** Coach's minutes. Provenance `house`. */
const MINUTES = { eye: 1, slow: 1, measure: 3 } as const;
const GRID = 12;
/** Slow tries weighed at once: each costs an evaluation. */
const SLOW_TRIES = 2;

interface Candidate {
  readonly check: Check;
  readonly minutes: number;
  /** The finding that the check looks at, or all limits that a slow try would show. */
  readonly node: number | readonly number[];
  /** P(outcome | absent), P(outcome | present) for each outcome; each column sums to one. */
  readonly outcomes: readonly Likelihood[];
  /** For readings: the two densities from which the outcomes come. */
  readonly reading?: TwoDensities;
}

/** Findings seen, for which a slow try would tell body from timing. */
export function slowTriesWorthAsking(evidence: readonly Evidence[], situation: Situation): FindingId[] {
  const seen = evidence.flatMap((item) => (item.kind === 'eye' && item.answer === 'yes' ? [item.finding] : []));
  const tried = new Set(evidence.flatMap((item) => (item.kind === 'slow' || item.kind === 'transfer' ? [item.finding] : [])));
  return [...new Set(seen)]
    .filter((finding) => !tried.has(finding))
    .map((finding) => ({ finding, limits: situation.limitsBehind(finding).length }))
    .filter(({ limits }) => limits > 0)
    .sort((a, b) => b.limits - a.limits)
    .slice(0, SLOW_TRIES)
    .map(({ finding }) => finding);
}

/** Outcomes of reading a value: an even grid over both densities, each cell's probability under either. */
function gridOutcomes(model: TwoDensities): Likelihood[] {
  const low = Math.min(model.absentMean, model.presentMean) - 2.5 * model.sd;
  const high = Math.max(model.absentMean, model.presentMean) + 2.5 * model.sd;
  const cells = Array.from({ length: GRID }, (_, i) => low + ((i + 0.5) / GRID) * (high - low));
  const mass = (mean: number) => {
    const raw = cells.map((x) => Math.exp(-0.5 * ((x - mean) / model.sd) ** 2));
    const total = raw.reduce((a, b) => a + b, 0);
    return raw.map((r) => r / total);
  };
  const absent = mass(model.absentMean);
  const present = mass(model.presentMean);
  return cells.map((_, i) => [absent[i]!, present[i]!]);
}

function candidates(model: Model, evidence: readonly Evidence[], situation: Situation): Candidate[] {
  const looked = new Set(evidence.flatMap((e) => (e.kind === 'eye' && e.answer !== 'unsure' ? [e.finding] : [])));
  const screened = evidence.flatMap((e) => (e.kind === 'screen' ? [e] : []));
  const tested = new Set(screened.map((e) => `${e.test}:${e.side}`));
  /** Findings that another test has already spoken of. */
  const answered = (test: TestId) =>
    new Set(screened.flatMap((e) => (e.test === test ? [] : [bodyTestById(e.test).speaksOf[e.side]])));
  const measured = new Set(evidence.flatMap((e) => (e.kind === 'measure' ? [e.measure] : [])));
  const found: Candidate[] = [];
  for (const finding of model.findings) {
    // Limits are tested, not seen; cues are heard by asking, which is a glance.
    if (finding.kind === 'limit' || looked.has(finding.id)) continue;
    const yes = eyeLikelihood(finding.id, 'yes', situation);
    const no = eyeLikelihood(finding.id, 'no', situation);
    const absentTotal = yes[0] + no[0];
    const presentTotal = yes[1] + no[1];
    found.push({
      check: { kind: 'eye', finding: finding.id },
      minutes: MINUTES.eye,
      node: model.indexOf(finding.id),
      outcomes: [yes, no].map(([a, p]): Likelihood => [a / absentTotal, p / presentTotal]),
    });
  }
  const adult = ageOn(situation.athlete.birthDate, situation.on) >= 18;
  for (const test of BODY_TESTS) {
    if ((test.adultsOnly && !adult) || test.id === 'trunk-rotation-slouched') continue;
    const told = new Set<FindingId | undefined>(answered(test.id));
    for (const side of [test.firstSide, ...test.sides.filter((s) => s !== test.firstSide)]) {
      const finding = test.speaksOf[side];
      if (!finding || !situation.inPlay.has(finding) || told.has(finding)) continue;
      told.add(finding);
      if (tested.has(`${test.id}:${side}`)) continue;
      const reading = screenDensities(test, situation);
      found.push({
        check: { kind: 'screen', test: test.id, side },
        minutes: test.minutes,
        node: model.indexOf(finding),
        outcomes: gridOutcomes(reading),
        reading,
      });
    }
  }
  for (const measure of MEASURES) {
    const sign = measured.has(measure.id) ? undefined : mainSignOf(measure.id, situation);
    if (!sign) continue;
    const reading = signDensities(sign, isYouth(situation), measure.typicalSd);
    found.push({
      check: { kind: 'measure', measure: measure.id },
      minutes: MINUTES.measure,
      node: model.indexOf(sign.finding),
      outcomes: gridOutcomes(reading),
      reading,
    });
  }
  for (const finding of slowTriesWorthAsking(evidence, situation))
    found.push({
      check: { kind: 'slow', finding },
      minutes: MINUTES.slow,
      node: situation.limitsBehind(finding).map(model.indexOf),
      outcomes: [slowLikelihood('yes'), slowLikelihood('no')],
    });
  return found;
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
/** Candidates whose exact gain is computed after a first ranking: each costs an evaluation. */
const REFINED = 6;
const RAISED = 0.002;
/** Raised roots that the first ranking follows: the likeliest of them. */
const FOLLOWED = 5;

/** Beliefs in each root when the node is absent and when it is present. */
interface WhenKnown {
  readonly probability: number;
  readonly absent: Float64Array;
  readonly present: Float64Array;
}

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

function mix({ absent, present }: WhenKnown, whenAbsent: number, whenPresent: number, into = new Float64Array(absent.length)) {
  const a = whenAbsent / (whenAbsent + whenPresent);
  for (let i = 0; i < into.length; i++) into[i] = a * absent[i]! + (1 - a) * present[i]!;
  return into;
}

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
function answersOf(candidate: Candidate, when: WhenKnown, prior: Float64Array, model: Model): CheckAnswer[] {
  const { reading } = candidate;
  const named = (first: number) => (first < 0 ? null : model.findings[first]!.id);
  if (!reading)
    return candidate.outcomes.map((outcome, i) => {
      const { first, probability } = leaderAfter(when, prior, outcome);
      return { when: i === 0 ? 'yes' : 'no', value: null, first: named(first), probability: round(probability) };
    });
  const low = Math.max(0, Math.min(reading.absentMean, reading.presentMean) - 2 * reading.sd);
  const high = Math.max(reading.absentMean, reading.presentMean) + 2 * reading.sd;
  const from = Math.min(low, Math.min(reading.absentMean, reading.presentMean));
  const values = Array.from({ length: READINGS_TRIED }, (_, i) => from + (i / (READINGS_TRIED - 1)) * (high - from));
  const leaders = values.map((value) => leaderAfter(when, prior, densities(value, reading)));
  const whole = wholeFrom(high - from);
  const lowest = leaders[0]!;
  const highest = leaders[leaders.length - 1]!;
  // The stretches at either end in which one root leads clearly; between them it could be either.
  const upTo = leaders.findIndex((l) => l.first !== lowest.first || (lowest.clear && !l.clear));
  const downTo = leaders.findLastIndex((l) => l.first !== highest.first || (highest.clear && !l.clear));
  const at = (index: number) => round(Math.round(values[index]! / whole) * whole, 2);
  if (upTo < 0)
    return [
      { when: 'below', value: at(READINGS_TRIED >> 1), first: named(lowest.first), probability: round(lowest.probability) },
      { when: 'above', value: at(READINGS_TRIED >> 1), first: named(highest.first), probability: round(highest.probability) },
    ];
  return [
    { when: 'below', value: at(upTo), first: named(lowest.first), probability: round(lowest.probability) },
    { when: 'above', value: at(downTo), first: named(highest.first), probability: round(highest.probability) },
  ];
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
 * Weighs what could be checked next. All checks are ranked by what each raised root makes of them; the gain of the best is then
 * computed exactly.
 */
export function weighChecks(
  model: Model,
  now: Inference,
  prior: Float64Array,
  evidence: readonly Evidence[],
  situation: Situation,
  { wanted = () => true, refined = REFINED }: { wanted?: (check: Check) => boolean; refined?: number } = {},
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
  const all = candidates(model, evidence, situation).map((candidate) => ({ candidate, when: roughly(candidate) }));
  const exact = new Map<number | readonly number[], WhenKnown>();
  /** Ranks all checks by what they tell of something, and weighs the best exactly. */
  const weigh = (entropy: (root: Float64Array) => number) => {
    const before = entropy(now.root);
    const ranked = all
      .filter(({ candidate }) => wanted(candidate.check))
      .map(({ candidate, when }) => {
        const { check, minutes } = candidate;
        return { candidate, when, check, minutes, expectedGain: expectedGain(candidate, when, entropy, before), answers: [] };
      })
      .sort(byGain);
    const checks = ranked
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
  if (raised.length > 0 && checks.every((c) => c.expectedGain <= TELLS_NOTHING) && Math.max(...now.root) < SURE_OF_ROOT)
    ({ ranked, checks } = weigh(singleEntropies));
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
