import { findingById } from '../findings/catalogue';
import type { FindingId } from '../findings/ids';
import type { Times } from '../findings/types';
import { measureById } from '../delivery/measures';
import { bandFor, bodyTestById } from '../body/catalogue';
import { eyeKey, eyeWith, signId } from '../settings/numbers';
import { round } from '../shared/maths';
import type { Provenance } from '../load/tables';
import type { DatedEvidence } from '../evidence/evidence';
import { visibilityOf } from '../evidence/eye';
import { HALF_LIFE_DAYS, stillHolds } from './fading';
import { MEASURE_MISTAKEN, MISTAKEN } from './densities';
import { signDensities, signsOf } from './measured';
import { whatIsSaid } from './facts';
import { glanceSays } from '../evidence/glances';
import { thoughtById } from '../evidence/thoughts';
import { isYouth } from './situation';
import { standingOf, thingsOf } from './standing';
import { historySays, MISS, OUTCOME_TIMES, SEQUENCE, SLOW, SPIKE, TRANSFER } from './likelihoods';
import type { Situation } from './situation';
import { situationOf } from './request';
import type { DiagnosisRequest } from './request';

/** A number behind what an item says. */
export interface TracedNumber {
  readonly name: string;
  readonly value: number;
  readonly unit: string;
  readonly provenance: Provenance;
  /** The academy, or what is known of this eye, has put it in place of the catalogue's. */
  readonly changed: boolean;
}

/** Where the pull of an evidence item comes from. */
export interface Trace {
  /** How likely the observation is if the finding is there and if it is not, on any common scale. */
  readonly says: readonly { readonly finding: FindingId; readonly ifThere: number; readonly ifNot: number }[];
  readonly numbers: readonly TracedNumber[];
  /** Chance that what was observed still holds. */
  readonly holds: number;
}

const PERCENT = '%';
const house = (name: string, value: number, unit = '', changed = false): TracedNumber => ({
  name,
  value: round(value, 3),
  unit,
  provenance: 'house',
  changed,
});

const timesBehind = (says: Times, { inPlay }: Situation): TracedNumber[] =>
  says
    .filter(([finding]) => inPlay.has(finding))
    .map(([finding, times]) => house(`Makes “${findingById(finding).title.toLowerCase()}” likelier, times`, times));

function numbersBehind(item: DatedEvidence, situation: Situation): TracedNumber[] {
  const { numbers } = situation;
  switch (item.kind) {
    case 'eye': {
      const visibility = visibilityOf(findingById(item.finding));
      if (item.weighs !== undefined)
        return [house('This eye’s look, as it has earned it: log of the likelihood ratio', item.weighs, '', true)];
      const trust = eyeWith(numbers, visibility);
      const own = (part: 'sensitivity' | 'specificity') => numbers?.model?.[eyeKey(visibility, part)] !== undefined;
      return [
        house('An eye says yes when it is there', 100 * trust.sensitivity, PERCENT, own('sensitivity')),
        house('An eye says no when it is not', 100 * trust.specificity, PERCENT, own('specificity')),
      ];
    }
    case 'screen': {
      const test = bodyTestById(item.test);
      const band = bandFor(test, situation.athlete, situation.on, numbers?.tests);
      const changed = numbers?.tests?.[test.id] !== undefined;
      const { provenance, unit } = test;
      return [
        { name: 'Free from', value: band.pass, unit, provenance, changed },
        { name: 'A limit below', value: band.watch, unit, provenance, changed },
        house('Error of one reading, SD', test.readingSd, unit),
        house('Readings that say nothing', 100 * MISTAKEN, PERCENT),
      ];
    }
    case 'measure': {
      const measure = measureById(item.measure);
      return [
        ...signsOf(item.measure, item.event, situation).flatMap((sign): TracedNumber[] => {
          const { absentMean, presentMean } = signDensities(sign, isYouth(situation), 0);
          const title = findingById(sign.finding).title.toLowerCase();
          return [
            {
              name: `Speaks neither way for “${title}” at`,
              value: round((absentMean + presentMean) / 2, 2),
              unit: measure.unit,
              provenance: 'convention',
              changed: numbers?.signs?.[signId(sign)] !== undefined,
            },
            house('Speaks clearly so far from there', sign.spread, measure.unit),
            ...(sign.shows === undefined ? [] : [house('Shows in so many who have it', 100 * sign.shows, PERCENT)]),
          ];
        }),
        house('Error of the value, SD', item.sd ?? measure.typicalSd, measure.unit, item.sd !== undefined),
        house('Values that say nothing', 100 * MEASURE_MISTAKEN, PERCENT),
      ];
    }
    case 'slow':
      return [
        house('Cannot do it slowly, if a limit stands behind it', 100 * SLOW.cannotIfLimited, PERCENT),
        house('Cannot do it slowly otherwise', 100 * SLOW.cannotOtherwise, PERCENT),
      ];
    case 'miss':
      return [
        house('A finding behind it brings this miss about', 100 * MISS.weight, PERCENT),
        house('This miss of itself', 100 * MISS.leak, PERCENT),
      ];
    case 'velocity':
      return [
        house('A finding behind it brings an outlying throw about', 100 * SPIKE.weight, PERCENT),
        house('An outlying throw of itself', 100 * SPIKE.leak, PERCENT),
      ];
    case 'history':
      return timesBehind(historySays(item.event, situation), situation);
    case 'sequence':
      return [
        house('Trunk after pelvis, when they turn together', SEQUENCE.together.presentMean, 'ms'),
        house('Trunk after pelvis, when they do not', SEQUENCE.together.absentMean, 'ms'),
        house('Glove before trunk, when it starts the turn', SEQUENCE.spun.presentMean, 'ms'),
        house('Glove before trunk, when it moves along', SEQUENCE.spun.absentMean, 'ms'),
        house('Pelvis speed, when the hips are late', SEQUENCE.slowPelvis.presentMean, 'deg/s'),
        house('Pelvis speed, when they are not', SEQUENCE.slowPelvis.absentMean, 'deg/s'),
      ];
    case 'transfer':
      return [
        house('Clean in the drill alone: not carried over is likelier, times', TRANSFER.onlyInDrill),
        house('Clean on the mound: not carried over is likelier, times', TRANSFER.cleanOnMound),
        house('What is not carried over brings the finding about', 100 * TRANSFER.arrow, PERCENT),
      ];
    case 'outcome':
      return [
        house('A good result: what could stand behind a poor one is likelier, times', OUTCOME_TIMES.good),
        house('A poor result: what could stand behind it is likelier, times', OUTCOME_TIMES.poor),
      ];
    case 'told':
      return timesBehind(thoughtById(item.thought).points, situation);
    case 'glance':
      return timesBehind(glanceSays(item.detail, item.answer, situation.schools) ?? [], situation);
    case 'style':
      return []; // style says nothing about any finding
  }
}

/**
 * Where the pull of one item comes from: its likelihoods, the numbers behind them with their provenance, and how far it has faded.
 * @throws RangeError when there is no such item
 */
export function traceOf(request: DiagnosisRequest, index: number): Trace {
  const item = request.evidence[index];
  if (!item) throw new RangeError(`there is no evidence item ${index}`);
  const situation = situationOf(request);
  const { on } = whatIsSaid(request.evidence, situation)[index]!;
  const weight = thingsOf(item).length === 0 ? 1 : standingOf(request.evidence, situation.on).weight(index);
  const finding = on.length === 1 ? on[0]!.finding : null;
  const holds = stillHolds(item.kind, item.on, situation.on, finding, situation);
  return {
    says: on.map(({ finding: id, likelihood: [absent, present] }) => ({
      finding: id,
      ifThere: round(present),
      ifNot: round(absent),
    })),
    numbers: [
      ...numbersBehind(item, situation),
      ...(weight < 1 ? [house('Weight beside what was said of the same again', weight)] : []),
      ...(holds < 1 ? [house('Half of what was seen has changed after', HALF_LIFE_DAYS[item.kind], 'days')] : []),
    ],
    holds: round(holds),
  };
}
