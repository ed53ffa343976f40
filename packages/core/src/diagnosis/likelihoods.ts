import { measureById } from '../delivery/measures';
import { findingById } from '../findings/catalogue';
import type { CueId, FindingId } from '../findings/ids';
import { LIMIT_IDS } from '../findings/ids';
import { eyeWith } from '../settings/numbers';
import { effortGain, spikeGap } from '../progress/spread';
import { bandFor, bodyTestById } from '../screen/tests';
import type { BodyTest } from '../screen/tests';
import { ageOn } from '../shared/dates';
import { densities } from './densities';
import type { TwoDensities } from './densities';
import { EvidenceError } from './evidence';
import type { DatedEvidence, Evidence } from './evidence';
import { visibilityOf } from './eye';
import { faded, stillHolds } from './fading';
import { signLikelihood, signsOf, speaksFirst } from './measured';
import type { Likelihood } from './network';
import { isYouth } from './situation';
import type { Situation } from './situation';

/** Weight of a look (as an exponent) when the same eye has looked again since. */
export const OLDER_LOOK = 0.2;
export const SLOW = { cannotIfLimited: 0.8, cannotOtherwise: 0.1 } as const;
export const MISS = { weight: 0.5, leak: 0.12 } as const;
export const SPIKE = { weight: 0.45, leak: 0.05 } as const;

/** A node that exists only because something was observed: its causes bring the observation about. */
export interface Observation {
  readonly id: string;
  readonly leak: number;
  readonly causes: readonly { readonly finding: FindingId; readonly weight: number }[];
  readonly likelihood: Likelihood;
}

/** What one evidence item says. */
export interface Contribution {
  /** Likelihood ratios on findings. */
  readonly on: readonly { readonly finding: FindingId; readonly likelihood: Likelihood }[];
  readonly observation?: Observation;
  /** An arrow that exists for this athlete only. */
  readonly arrow?: { readonly cause: CueId; readonly consequence: FindingId; readonly weight: number };
  /** Findings that the item is about: items about the same finding are weighed together. */
  readonly about: readonly string[];
}

const ratio = (present: number): Likelihood => [1, present];
const soften = ([absent, present]: Likelihood, exponent: number): Likelihood => [absent ** exponent, present ** exponent];

/** Densities of a screen value under "limited" and "free", from the bands of the test. */
export function screenDensities(
  test: BodyTest,
  { athlete, on, numbers }: Pick<Situation, 'athlete' | 'on' | 'numbers'>,
): TwoDensities {
  const band = bandFor(test, athlete, on, numbers?.tests);
  const gap = band.pass - band.watch;
  // A score has whole steps: the grades themselves are the means.
  const reach = test.unit === 'score' ? 0 : 0.5 * gap;
  const presentMean = test.unit === 'score' ? band.watch - 1 : band.watch - reach;
  return { absentMean: band.pass + reach, presentMean, sd: Math.hypot(0.55 * gap, test.readingSd) };
}

/** What a look says; `weighs` where this very eye is known better than eyes in general. */
export function eyeLikelihood(
  finding: FindingId,
  answer: 'yes' | 'no',
  { schools, numbers }: Pick<Situation, 'schools' | 'numbers'>,
  weighs?: number,
): Likelihood {
  const eye = eyeWith(numbers, visibilityOf(findingById(finding)));
  const usual: Likelihood = answer === 'yes' ? [1 - eye.specificity, eye.sensitivity] : [eye.specificity, 1 - eye.sensitivity];
  const likelihood: Likelihood = weighs === undefined ? usual : [Math.exp(-Math.max(0, weighs)), Math.exp(Math.min(0, weighs))];
  // A heel that rolls up early is what the inside-edge school teaches; seeing it says little.
  return finding === 'early-peel' && schools.backFoot === 'inside-edge' ? soften(likelihood, 0.5) : likelihood;
}

export function slowObservation(finding: FindingId, situation: Situation): Omit<Observation, 'likelihood'> {
  return {
    id: `slow:${finding}`,
    leak: 0,
    causes: situation.limitsBehind(finding).map((limit) => ({ finding: limit, weight: 1 })),
  };
}

export const slowLikelihood = (canDoSlowly: 'yes' | 'no'): Likelihood =>
  canDoSlowly === 'no' ? [SLOW.cannotOtherwise, SLOW.cannotIfLimited] : [1 - SLOW.cannotOtherwise, 1 - SLOW.cannotIfLimited];

const MISS_CAUSES: Record<'overhand' | 'windmill', Partial<Record<string, readonly FindingId[]>>> = {
  overhand: {
    high: ['fly-open', 'chest-behind'],
    'arm-side-high': ['fly-open', 'late-arm'],
    'inside-outside': ['glove-pull'],
    middle: ['early-peel', 'fly-open'],
  },
  windmill: { high: ['fold-and-lift'], 'inside-outside': ['shoulder-finish', 'off-line-arm'] },
};

function fromMiss(pattern: string, situation: Situation): Contribution {
  const causes = MISS_CAUSES[situation.athlete.discipline];
  const findings =
    pattern === 'none' ? [...new Set(Object.values(causes).flatMap((list) => list ?? []))] : (causes[pattern] ?? []);
  if (findings.length === 0) return { on: [], about: [] };
  return {
    on: [],
    about: [`miss:${pattern}`],
    observation: {
      id: `miss:${pattern}`,
      leak: MISS.leak,
      causes: findings.map((finding) => ({ finding, weight: MISS.weight })),
      // "No pattern" is a weaker statement than a pattern that was counted.
      likelihood: pattern === 'none' ? [1, 0.3] : [0.02, 1],
    },
  };
}

/** Means and SD of what a sequence shows when a finding is there and when it is not. */
export const SEQUENCE = {
  together: { presentMean: 3, absentMean: 37, sd: 12 },
  spun: { presentMean: 40, absentMean: -5, sd: 16 },
  slowPelvis: { presentMean: 400, absentMean: 600, sd: 90 },
} as const;
/** Clean in the drill alone speaks for what was not carried over, and puts an arrow from it to the finding. */
export const TRANSFER = { onlyInDrill: 8, cleanOnMound: 0.3, arrow: 0.35 } as const;
/** How a result that is good or poor changes the odds of what usually stands behind it. */
export const OUTCOME_TIMES = { good: 0.75, poor: 1.25 } as const;

function fromSequence(item: Extract<Evidence, { kind: 'sequence' }>): Contribution['on'] {
  const { pelvis, trunk, 'glove-arm': glove } = item.peaksMs;
  const on: { finding: FindingId; likelihood: Likelihood }[] = [];
  const pelvisSpeed = item.peaksDegPerS?.pelvis;
  /** 1 for a pelvis below 80 % of the usual range's lower end (500 deg/s), falling to 0 at the lower end. */
  const lowPelvis = pelvisSpeed === undefined ? 0.5 : Math.min(1, Math.max(0, (500 - pelvisSpeed) / 100));
  if (pelvis !== undefined && trunk !== undefined)
    on.push({
      finding: 'turn-together',
      likelihood: densities(trunk - pelvis, SEQUENCE.together),
    });
  if (glove !== undefined && trunk !== undefined) {
    const spun = densities(trunk - glove, SEQUENCE.spun);
    on.push({ finding: 'glove-pull', likelihood: soften(spun, trunk - glove > 15 ? 0.3 + 0.7 * lowPelvis : 0.7) });
  }
  if (pelvisSpeed !== undefined) {
    const slow = densities(pelvisSpeed, SEQUENCE.slowPelvis);
    on.push({ finding: 'late-hips', likelihood: soften(slow, 0.4) });
    on.push({ finding: 'idle-drive-leg', likelihood: soften(slow, 0.3) });
  }
  return on;
}

function fromVelocity(item: Extract<Evidence, { kind: 'velocity' }>): Pick<Contribution, 'on' | 'observation'> {
  const on: { finding: FindingId; likelihood: Likelihood }[] = [];
  const gain = effortGain(item.readings);
  if (gain)
    on.push({
      finding: 'wasted-effort',
      likelihood: densities(gain.percent, { presentMean: 0, absentMean: 8, sd: Math.hypot(2.2, gain.sd) }),
    });
  const spike = spikeGap(item.readings);
  if (!spike?.outlying) return { on };
  on.push({ finding: 'low-power', likelihood: ratio(0.4) });
  return {
    on,
    observation: {
      id: 'velocity:spike',
      leak: SPIKE.leak,
      causes: (['early-peel', 'fly-open'] as const).map((finding) => ({ finding, weight: SPIKE.weight })),
      likelihood: [0.02, 1],
    },
  };
}

export const HISTORY: Record<string, readonly [FindingId, number][]> = {
  'time-away': [['drill-not-transferred', 1.6]],
  'told-to-push': [['push-misread', 8]],
  'balance-drilled': [['balance-overtaught', 8]],
  'arm-pain': [
    ['arm-drag', 1.5],
    ['late-arm', 1.3],
    ['drive-hip-ir', 1.3],
    ['lead-hip-ir', 1.3],
  ],
  'elbow-surgery': [
    ['arm-drag', 1.3],
    ['drive-hip-ir', 1.3],
    ['lead-hip-ir', 1.3],
  ],
};

const OUTCOME: Record<'velocity' | 'strikes' | 'movement', readonly FindingId[]> = {
  velocity: ['low-power', 'turn-together', 'late-hips', 'idle-drive-leg', 'no-brace'],
  strikes: ['fly-open', 'glove-pull', 'stride-offline', 'fold-and-lift', 'off-line-arm'],
  movement: ['fly-open', 'arm-drag'],
};

const limitSet: ReadonlySet<string> = new Set(LIMIT_IDS);

/** Both sides of a test that speak of one limit: the worse side counts. */
function screenContribution(
  items: readonly { item: Extract<Evidence, { kind: 'screen' }>; index: number }[],
  situation: Situation,
  finding: FindingId,
): Likelihood {
  const test = bodyTestById(items[0]!.item.test);
  const model = screenDensities(test, situation);
  const bySide = new Map(items.map(({ item }) => [item.side, item]));
  const values = [...bySide.values()].map((item) => item.value);
  const needsBoth = test.sides.filter((side) => test.speaksOf[side] === finding).length > 1;
  const likelihood = densities(Math.min(...values), model);
  const speaksAgainst = likelihood[1] < likelihood[0];
  // A free first side says less while the other side has not been looked at.
  const untested = needsBoth && bySide.size === 1 && speaksAgainst;
  const first = bySide.has(test.firstSide);
  const trust = (limitSet.has(finding) ? 1 : 0.5) * (untested ? (first ? 0.75 : 0.45) : 1);
  return soften(likelihood, test.id === 'squat-strength' ? 0.5 : trust);
}

/**
 * Translates evidence into likelihoods, one contribution per item and in its order. Of several looks at one finding the newest
 * counts fully; of several readings of one test or measure the newest counts.
 * @throws EvidenceError for an item that cannot be about this athlete
 */
export function contributionsOf(evidence: readonly DatedEvidence[], situation: Situation): Contribution[] {
  const late = evidence.findIndex((item) => item.on !== undefined && item.on > situation.on);
  if (late >= 0)
    throw new EvidenceError(late, 'on', `${evidence[late]!.on} is still to come: the day of the evaluation is ${situation.on}`);
  const holds = (item: DatedEvidence, finding: FindingId | null) =>
    stillHolds(item.kind, item.on, situation.on, finding, situation.work ?? []);
  return sayings(evidence, situation).map((said, index): Contribution => {
    const item = evidence[index]!;
    if (item.on === undefined) return said;
    const on = said.on.map(({ finding, likelihood }) => ({ finding, likelihood: faded(likelihood, holds(item, finding)) }));
    const { observation } = said;
    if (!observation) return { ...said, on };
    return { ...said, on, observation: { ...observation, likelihood: faded(observation.likelihood, holds(item, null)) } };
  });
}

/** What each item said on its day. */
function sayings(evidence: readonly DatedEvidence[], situation: Situation): Contribution[] {
  const requireInPlay = (finding: FindingId, index: number) => {
    if (!situation.inPlay.has(finding))
      throw new EvidenceError(index, 'finding', `“${finding}” does not occur in the ${situation.athlete.discipline} delivery`);
  };
  const newest = newestOf(evidence);
  const youth = isYouth(situation);
  return evidence.map((item, index): Contribution => {
    switch (item.kind) {
      case 'eye': {
        requireInPlay(item.finding, index);
        if (item.answer === 'unsure') return { on: [], about: [] };
        const full = eyeLikelihood(item.finding, item.answer, situation, item.weighs);
        const isNewest = newest.has(index);
        return {
          on: [{ finding: item.finding, likelihood: isNewest ? full : soften(full, OLDER_LOOK) }],
          about: [item.finding],
        };
      }
      case 'screen': {
        const test = bodyTestById(item.test);
        if (!test.sides.includes(item.side))
          throw new EvidenceError(index, 'side', `${test.id} is done on ${test.sides.join(' or ')}, not on “${item.side}”`);
        if (test.unit !== item.unit)
          throw new EvidenceError(index, 'unit', `${test.id} is read in ${test.unit}, not in “${item.unit}”`);
        const finding = test.speaksOf[item.side];
        const adult = ageOn(situation.athlete.birthDate, situation.on) >= 18;
        if (!finding || !situation.inPlay.has(finding) || (test.adultsOnly && !adult)) return { on: [], about: [] };
        // All newest readings of this test that speak of the same finding are one statement; the last of them carries it.
        const together = evidence.flatMap((other, at) =>
          other.kind === 'screen' && other.test === item.test && test.speaksOf[other.side] === finding && newest.has(at)
            ? [{ item: other, index: at }]
            : [],
        );
        const carrier = together[together.length - 1]!.index === index;
        if (item.test === 'trunk-rotation-slouched') return slouched(item, index, evidence, finding);
        return {
          on: carrier ? [{ finding, likelihood: screenContribution(together, situation, finding) }] : [],
          about: [finding],
        };
      }
      case 'measure': {
        const measure = measureById(item.measure);
        if (measure.unit !== item.unit)
          throw new EvidenceError(index, 'unit', `${measure.id} is measured in ${measure.unit}, not in “${item.unit}”`);
        const signs = signsOf(item.measure, item.event, situation);
        const isNewest = newest.has(index);
        return {
          on: isNewest
            ? signs
                .filter((sign) => !sign.firstOnly || speaksFirst(sign, item, evidence, newest))
                .map((sign) => ({ finding: sign.finding, likelihood: signLikelihood(sign, item, youth, measure.typicalSd) }))
            : [],
          about: signs.map((sign) => sign.finding),
        };
      }
      case 'sequence': {
        const on = newest.has(index) ? fromSequence(item).filter((c) => situation.inPlay.has(c.finding)) : [];
        return { on, about: on.map((c) => c.finding) };
      }
      case 'miss':
        return fromMiss(item.pattern, situation);
      case 'velocity': {
        const { on, observation } = fromVelocity(item);
        const about = [...on.map((c) => c.finding as string), ...(observation ? [observation.id] : [])];
        return { on, about, ...(observation ? { observation } : {}) };
      }
      case 'slow': {
        requireInPlay(item.finding, index);
        const observation = slowObservation(item.finding, situation);
        if (observation.causes.length === 0 || !newest.has(index)) return { on: [], about: [] };
        return {
          on: [],
          about: [observation.id],
          observation: { ...observation, likelihood: slowLikelihood(item.canDoSlowly) },
        };
      }
      case 'transfer':
        requireInPlay(item.finding, index);
        return fromTransfer(item, situation);
      case 'history': {
        const on = (HISTORY[item.event] ?? [])
          .filter(([finding]) => situation.inPlay.has(finding))
          .map(([finding, present]) => ({ finding, likelihood: ratio(present) }));
        return { on, about: on.map((c) => c.finding) };
      }
      case 'outcome': {
        const on = (['velocity', 'strikes', 'movement'] as const).flatMap((key) => {
          const answer = item[key];
          if (!answer) return [];
          const likelihood = ratio(OUTCOME_TIMES[answer]);
          return OUTCOME[key].filter((f) => situation.inPlay.has(f)).map((finding) => ({ finding, likelihood }));
        });
        return { on, about: ['outcome'] };
      }
      case 'style':
        return { on: [], about: [] };
    }
  });
}

/** What makes two items statements about one and the same thing, of which the newest counts; null for those that add up. */
export function sameThing(item: DatedEvidence): string | null {
  switch (item.kind) {
    case 'eye':
      return item.answer === 'unsure' ? null : `eye:${item.finding}:${item.by ?? ''}`;
    case 'screen':
      return `screen:${item.test}:${item.side}`;
    case 'measure':
      return `measure:${item.measure}:${item.event}`;
    case 'slow':
      return `slow:${item.finding}`;
    case 'sequence':
      return 'sequence';
    default:
      return null;
  }
}

/** Indices of the items that are the newest of their kind: by day, and by place in the list where the days are the same. */
export function newestOf(evidence: readonly DatedEvidence[]): ReadonlySet<number> {
  const newest = new Map<string, number>();
  evidence.forEach((item, index) => {
    const key = sameThing(item);
    if (key === null) return;
    const known = newest.get(key);
    const knownOn = known === undefined ? undefined : evidence[known]!.on;
    if (known === undefined || item.on === undefined || knownOn === undefined || item.on >= knownOn) newest.set(key, index);
  });
  return new Set(newest.values());
}

/** Ten degrees less slouched than tall says that posture takes the turn away. */
function slouched(
  item: Extract<Evidence, { kind: 'screen' }>,
  index: number,
  evidence: readonly Evidence[],
  finding: FindingId,
): Contribution {
  const tall = evidence.findLast(
    (other): other is Extract<Evidence, { kind: 'screen' }> =>
      other.kind === 'screen' && other.test === 'trunk-rotation' && other.side === item.side,
  );
  const later = evidence.some(
    (other, at) => at > index && other.kind === 'screen' && other.test === item.test && other.side === item.side,
  );
  if (!tall || later) return { on: [], about: [] };
  const likelihood = densities(tall.value - item.value, { presentMean: 16, absentMean: 4, sd: 6 });
  return { on: [{ finding, likelihood: soften(likelihood, 0.5) }], about: [finding] };
}

function fromTransfer(item: Extract<Evidence, { kind: 'transfer' }>, situation: Situation): Contribution {
  const mound = eyeLikelihood(item.finding, item.cleanOnMound === 'yes' ? 'no' : 'yes', situation);
  const on: { finding: FindingId; likelihood: Likelihood }[] = [{ finding: item.finding, likelihood: mound }];
  const slow = slowObservation(item.finding, situation);
  const onlyInDrill = item.cleanInDrill === 'yes' && item.cleanOnMound === 'no';
  if (onlyInDrill) on.push({ finding: 'drill-not-transferred', likelihood: ratio(TRANSFER.onlyInDrill) });
  else if (item.cleanOnMound === 'yes') on.push({ finding: 'drill-not-transferred', likelihood: ratio(TRANSFER.cleanOnMound) });
  return {
    on,
    about: [item.finding, 'drill-not-transferred', `transfer:${item.finding}`],
    // Clean in the drill is a slow try that came off.
    ...(slow.causes.length > 0
      ? { observation: { ...slow, id: `transfer:${item.finding}`, likelihood: slowLikelihood(item.cleanInDrill) } }
      : {}),
    // What was not carried over shows in this very finding.
    ...(onlyInDrill
      ? { arrow: { cause: 'drill-not-transferred' as const, consequence: item.finding, weight: TRANSFER.arrow } }
      : {}),
  };
}
