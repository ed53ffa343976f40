import { MEASURES } from '../delivery/measures';
import type { MeasureId } from '../delivery/measures';
import type { TestSide } from '../delivery/sides';
import type { FindingId } from '../findings/ids';
import { BODY_TESTS, bodyTestById } from '../screen/tests';
import type { TestId } from '../screen/tests';
import { ageOn } from '../shared/dates';
import type { Evidence } from './evidence';
import { eyeLikelihood, isYouth, screenDensities, signDensities, signsOf, slowLikelihood, slowObservation } from './likelihoods';
import type { Observation, Situation, TwoDensities } from './likelihoods';
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
}

/** Coach's minutes. Provenance `house`. */
const MINUTES = { eye: 1, slow: 1, measure: 3 } as const;
const GRID = 12;
/** Each slow try that might be asked for makes the network wider. */
const SLOW_TRIES = 1;

interface Candidate {
  readonly check: Check;
  readonly minutes: number;
  readonly node: number;
  /** P(outcome | absent), P(outcome | present) for each outcome; each column sums to one. */
  readonly outcomes: readonly Likelihood[];
}

/** Findings seen, for which a slow try would tell body from timing. */
export function slowTriesWorthAsking(evidence: readonly Evidence[], situation: Situation): Omit<Observation, 'likelihood'>[] {
  const seen = evidence.flatMap((item) => (item.kind === 'eye' && item.answer === 'yes' ? [item.finding] : []));
  const tried = new Set(evidence.flatMap((item) => (item.kind === 'slow' || item.kind === 'transfer' ? [item.finding] : [])));
  return [...new Set(seen)]
    .filter((finding) => !tried.has(finding))
    .map((finding) => slowObservation(finding, situation))
    .filter((observation) => observation.causes.length > 0)
    .sort((a, b) => b.causes.length - a.causes.length)
    .slice(0, SLOW_TRIES);
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
    const yes = eyeLikelihood(finding.id, 'yes', situation.schools);
    const no = eyeLikelihood(finding.id, 'no', situation.schools);
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
      const outcomes = gridOutcomes(screenDensities(test, situation));
      found.push({
        check: { kind: 'screen', test: test.id, side },
        minutes: test.minutes,
        node: model.indexOf(finding),
        outcomes,
      });
    }
  }
  for (const measure of MEASURES) {
    const sign = measured.has(measure.id) ? undefined : signsOf(measure.id, null, situation)[0];
    if (!sign) continue;
    found.push({
      check: { kind: 'measure', measure: measure.id },
      minutes: MINUTES.measure,
      node: model.indexOf(sign.finding),
      outcomes: gridOutcomes(signDensities(sign, isYouth(situation), measure.typicalSd)),
    });
  }
  for (const [id, node] of model.observationIndex) {
    const finding = /^slow:(.*)$/.exec(id)?.[1] as FindingId | undefined;
    if (!finding || evidence.some((e) => e.kind === 'slow' && e.finding === finding)) continue;
    found.push({
      check: { kind: 'slow', finding },
      minutes: MINUTES.slow,
      node,
      outcomes: [slowLikelihood('no'), slowLikelihood('yes')],
    });
  }
  return found;
}

/** Entropy, bits, of which root it is: the shares by which each root was raised above its prior, and "none". */
export function rootEntropy(root: ArrayLike<number>, prior: ArrayLike<number>): number {
  let total = 0;
  let entropy = 0;
  const shares: number[] = [];
  for (let i = 0; i < root.length; i++) {
    const excess = root[i]! - prior[i]!;
    if (excess > 0) {
      shares.push(excess);
      total += excess;
    }
  }
  shares.push(Math.max(0, 1 - total));
  const all = Math.max(1, total);
  for (const share of shares) if (share > 0) entropy -= (share / all) * Math.log2(share / all);
  return entropy;
}

/** Candidates whose exact gain is computed after a first ranking. */
const REFINED = 6;
const RAISED = 0.002;

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

function expectedGain(candidate: Candidate, when: WhenKnown, entropy: (root: Float64Array) => number, before: number): number {
  let after = 0;
  for (const [whenAbsent, whenPresent] of candidate.outcomes) {
    const a = whenAbsent * (1 - when.probability);
    const p = whenPresent * when.probability;
    if (a + p <= 0) continue;
    const mixed = when.absent.map((r, i) => (r * a + when.present[i]! * p) / (a + p));
    after += (a + p) * entropy(mixed);
  }
  return Math.max(0, before - after);
}

/**
 * Checks not yet made, best first by expected gain per minute. All are ranked by what each raised root makes of them; the gain
 * of the best is then computed exactly.
 */
export function weighChecks(
  model: Model,
  now: Inference,
  prior: Float64Array,
  evidence: readonly Evidence[],
  situation: Situation,
  { wanted = () => true, refined = REFINED }: { wanted?: (check: Check) => boolean; refined?: number } = {},
): WeighedCheck[] {
  const anything = now.root.some((r, i) => r - prior[i]! > RAISED);
  const entropy = anything ? (root: Float64Array) => rootEntropy(root, prior) : singleEntropies;
  const before = entropy(now.root);
  const raised = [...now.root.keys()].filter((i) => now.root[i]! - prior[i]! > RAISED);
  const givenRoot = raised.map((i) => now.nodesGivenRoot(i));
  const byGain = (x: WeighedCheck, y: WeighedCheck) => y.expectedGain / y.minutes - x.expectedGain / x.minutes;
  const ranked = candidates(model, evidence, situation)
    .filter(({ check }) => wanted(check))
    .map((candidate) => {
      const probability = now.nodes[candidate.node]!;
      const present = now.root.slice();
      if (candidate.node < model.count && probability > 0)
        present[candidate.node] = Math.min(1, now.root[candidate.node]! / probability);
      raised.forEach((root, k) => {
        if (probability > 0) present[root] = Math.min(1, (givenRoot[k]![candidate.node]! * now.root[root]!) / probability);
      });
      const gain = expectedGain(candidate, bothAnswers(now.root, probability, present), entropy, before);
      return { candidate, check: candidate.check, minutes: candidate.minutes, expectedGain: gain };
    })
    .sort(byGain);
  const exact = new Map<number, WhenKnown>();
  return ranked
    .slice(0, refined)
    .map(({ candidate }) => {
      let when = exact.get(candidate.node);
      if (!when) {
        const known = now.knowing(candidate.node, 1);
        when = bothAnswers(now.root, Math.min(1, Math.max(0, known.weight)), known.root);
        exact.set(candidate.node, when);
      }
      return {
        check: candidate.check,
        expectedGain: expectedGain(candidate, when, entropy, before),
        minutes: candidate.minutes,
      };
    })
    .sort(byGain);
}
