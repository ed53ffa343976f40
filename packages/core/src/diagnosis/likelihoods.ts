import { measureById } from '../delivery/measures';
import { findingById } from '../findings/catalogue';
import type { CueId, FindingId } from '../findings/ids';
import type { Times } from '../findings/types';
import { thoughtById } from '../evidence/thoughts';
import { eyeWith } from '../settings/numbers';
import { effortGain, spikeGap } from '../progress/spread';
import { bodyTestById } from '../body/catalogue';
import { densities } from './densities';
import { EvidenceError } from '../evidence/evidence';
import type { DatedEvidence, Evidence } from '../evidence/evidence';
import { visibilityOf } from '../evidence/eye';
import { faded, stillHolds } from './fading';
import { detailById, glanceSays } from '../evidence/glances';
import { signLikelihood, signsOf, speaksFirst } from './measured';
import type { Likelihood } from './network';
import { eyeCountsIn } from './schools-say';
import { screenSays, speaksFor } from './screened';
import { isYouth } from './situation';
import type { Situation } from './situation';
import { OUTCOMES, outcomeThing, standingOf, thingsOf, weightOfRepeat } from './standing';
import type { OutcomeOf, Standing } from './standing';

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
  /** The item completes a limit that was read twice; the first of `on` is what it says of it. */
  readonly fact?: { readonly finding: FindingId; readonly holds: number };
  /** Findings that the item is about: items about the same finding are weighed together. */
  readonly about: readonly string[];
}

const ratio = (present: number): Likelihood => [1, present];
const soften = ([absent, present]: Likelihood, exponent: number): Likelihood => [absent ** exponent, present ** exponent];

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
  return soften(likelihood, eyeCountsIn(finding, { athlete, schools }));
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

export const HISTORY: Record<string, Times> = {
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

/** What something told says: in the school that owns the pause at the top, having been drilled to balance is nothing odd. */
export function historySays(event: string, { schools }: Pick<Situation, 'schools'>): Times {
  const says = HISTORY[event] ?? [];
  return event === 'balance-drilled' && schools.lift === 'pause'
    ? says.map(([finding, times]) => [finding, times ** 0.5] as const)
    : says;
}

const OUTCOME: Record<OutcomeOf, readonly FindingId[]> = {
  velocity: ['low-power', 'turn-together', 'late-hips', 'idle-drive-leg', 'no-brace'],
  strikes: ['fly-open', 'glove-pull', 'stride-offline', 'fold-and-lift', 'off-line-arm'],
  movement: ['fly-open', 'arm-drag'],
};

/**
 * Translates evidence into likelihoods, one contribution per item and in its place. The order of the list says nothing: of several
 * statements about one thing the newest by day counts, and what is said again weighs little, however often.
 * @throws EvidenceError for an item that cannot be about this athlete
 */
export function contributionsOf(evidence: readonly DatedEvidence[], situation: Situation): Contribution[] {
  const late = evidence.findIndex((item) => item.on !== undefined && item.on > situation.on);
  if (late >= 0)
    throw new EvidenceError(late, 'on', `${evidence[late]!.on} is still to come: the day of the evaluation is ${situation.on}`);
  const standing = standingOf(evidence, situation.on);
  const holds = (item: DatedEvidence, finding: FindingId | null) =>
    stillHolds(item.kind, item.on, situation.on, finding, situation);
  const said = sayings(evidence, standing, situation).map((one, index): Contribution => {
    const item = evidence[index]!;
    // Tests fade and are weighed side by side, each by its own day: that is in what they say already.
    if (item.kind === 'screen') return one;
    const weight = standing.weight(index);
    const { observation, arrow, ...rest } = one;
    const on = one.on
      .map(({ finding, likelihood, thing }) => ({
        finding,
        likelihood: soften(faded(likelihood, holds(item, finding)), standing.weight(index, thing)),
      }))
      .filter(({ likelihood: [absent, present] }) => absent !== present);
    if (!observation || weight === 0) return { ...rest, on, ...(arrow && weight > 0 ? { arrow } : {}) };
    const likelihood = soften(faded(observation.likelihood, holds(item, null)), weight);
    return { ...rest, on, observation: { ...observation, likelihood }, ...(arrow ? { arrow } : {}) };
  });
  return boundRepeats(evidence, said);
}

/** Kinds whose statements about one finding are hearsay of one kind: together they weigh little more than the strongest of them. */
const HEARSAY: ReadonlySet<Evidence['kind']> = new Set(['history', 'told', 'transfer']);

/** Things told and tries in drills that speak of one and the same finding share one bounded weight, the strongest first. */
function boundRepeats(evidence: readonly DatedEvidence[], said: readonly Contribution[]): Contribution[] {
  /** What each thing said says of a finding, log of the likelihood ratio, by kind and finding. */
  const heard = new Map<string, Map<string, number>>();
  const keyOf = (index: number, finding: FindingId) => `${evidence[index]!.kind === 'transfer' ? 'tried' : 'told'}:${finding}`;
  const thingOf = (index: number) => thingsOf(evidence[index]!)[0]!;
  said.forEach(({ on }, index) => {
    if (!HEARSAY.has(evidence[index]!.kind)) return;
    for (const { finding, likelihood } of on) {
      const things = heard.get(keyOf(index, finding)) ?? new Map<string, number>();
      things.set(thingOf(index), (things.get(thingOf(index)) ?? 0) + Math.log(likelihood[1] / likelihood[0]));
      heard.set(keyOf(index, finding), things);
    }
  });
  const rankOf = (index: number, finding: FindingId): number => {
    const things = heard.get(keyOf(index, finding))!;
    const mine = things.get(thingOf(index))!;
    const stronger = ([thing, says]: [string, number]) =>
      Math.abs(says) > Math.abs(mine) || (Math.abs(says) === Math.abs(mine) && thing < thingOf(index));
    return [...things].filter(stronger).length;
  };
  return said.map((one, index) => {
    if (!HEARSAY.has(evidence[index]!.kind)) return one;
    const share = (finding: FindingId) => weightOfRepeat(rankOf(index, finding));
    const { arrow } = one;
    return {
      ...one,
      on: one.on.map((o) => ({ ...o, likelihood: soften(o.likelihood, share(o.finding)) })),
      ...(arrow ? { arrow: { ...arrow, weight: arrow.weight * share(arrow.cause) } } : {}),
    };
  });
}

/** What an item said on its day, before it is weighed and faded; `thing` where a part of it has a weight of its own. */
type Saying = Omit<Contribution, 'on'> & {
  readonly on: readonly { readonly finding: FindingId; readonly likelihood: Likelihood; readonly thing?: string }[];
};

/** What each item said on its day. */
function sayings(evidence: readonly DatedEvidence[], standing: Standing, situation: Situation): Saying[] {
  const { discipline } = situation.athlete;
  const require = (here: boolean, index: number, field: string, what: string) => {
    if (!here) throw new EvidenceError(index, field, `“${what}” does not occur in the ${discipline} delivery`);
  };
  const requireInPlay = (finding: FindingId, index: number) => require(situation.inPlay.has(finding), index, 'finding', finding);
  const youth = isYouth(situation);
  return evidence.map((item, index): Saying => {
    switch (item.kind) {
      case 'eye': {
        requireInPlay(item.finding, index);
        if (item.answer === 'unsure') return SILENT;
        const likelihood = eyeLikelihood(item.finding, item.answer, situation, item.weighs);
        return { on: [{ finding: item.finding, likelihood }], about: [item.finding] };
      }
      case 'screen': {
        const test = bodyTestById(item.test);
        if (!test.sides.includes(item.side))
          throw new EvidenceError(index, 'side', `${test.id} is done on ${test.sides.join(' or ')}, not on “${item.side}”`);
        if (test.unit !== item.unit)
          throw new EvidenceError(index, 'unit', `${test.id} is read in ${test.unit}, not in “${item.unit}”`);
        const finding = speaksFor(test, item.side, situation);
        return { ...screenSays(item, index, evidence, standing, situation), about: finding ? [finding] : [] };
      }
      case 'measure': {
        const measure = measureById(item.measure);
        if (measure.unit !== item.unit)
          throw new EvidenceError(index, 'unit', `${measure.id} is measured in ${measure.unit}, not in “${item.unit}”`);
        const signs = signsOf(item.measure, item.event, situation);
        return {
          on: signs
            .filter((sign) => !sign.firstOnly || speaksFirst(sign, item, evidence, standing))
            .map((sign) => ({ finding: sign.finding, likelihood: signLikelihood(sign, item, youth, measure.typicalSd) })),
          about: signs.map((sign) => sign.finding),
        };
      }
      case 'sequence': {
        const on = fromSequence(item).filter((c) => situation.inPlay.has(c.finding));
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
        if (observation.causes.length === 0) return SILENT;
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
        return timesEach(historySays(item.event, situation), situation);
      }
      case 'outcome': {
        const on = OUTCOMES.flatMap((key) => {
          const answer = item[key];
          if (!answer) return [];
          const likelihood = ratio(OUTCOME_TIMES[answer]);
          return OUTCOME[key]
            .filter((f) => situation.inPlay.has(f))
            .map((finding) => ({ finding, likelihood, thing: outcomeThing(key) }));
        });
        return { on, about: ['outcome'] };
      }
      case 'told': {
        const thought = thoughtById(item.thought);
        require(thought.disciplines.includes(discipline), index, 'thought', item.thought);
        return timesEach(thought.points, situation);
      }
      case 'glance': {
        const detail = detailById(item.detail);
        require(detail.disciplines.includes(discipline), index, 'detail', item.detail);
        const says = glanceSays(item.detail, item.answer, situation.schools);
        if (!says)
          throw new EvidenceError(
            index,
            'answer',
            `is one of ${detail.answers.map((a) => a.id).join(', ')} for “${item.detail}”`,
          );
        return timesEach(says, situation);
      }
      case 'style':
        return SILENT;
    }
  });
}

const SILENT: Saying = { on: [], about: [] };

/** So many times likelier each, of what this delivery has. */
function timesEach(says: Times, situation: Situation): Saying {
  const on = says
    .filter(([finding]) => situation.inPlay.has(finding))
    .map(([finding, times]) => ({ finding, likelihood: ratio(times) }));
  return { on, about: on.map((c) => c.finding) };
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
