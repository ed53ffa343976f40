/** What could be checked next in an athlete. */
import { MEASURES } from '../delivery/measures';
import { findingById } from '../findings/catalogue';
import type { FindingId } from '../findings/ids';
import type { Sign } from '../findings/signs';
import { BODY_TESTS, bodyTestById } from '../body/catalogue';
import type { TestId } from '../body/catalogue';
import type { Check } from './checks';
import type { TwoDensities } from '../evidence/densities';
import type { Evidence } from '../evidence/evidence';
import { eyeLikelihood } from '../evidence/kinds/eye';
import { slowLikelihood } from '../evidence/kinds/slow';
import { kindOf } from '../evidence/registry';
import { mainSignOf, signDensities } from '../evidence/measured';
import type { Model } from './model';
import type { Likelihood } from './network';
import { screenDensities, speaksFor } from '../evidence/screened';
import { isYouth } from '../evidence/situation';
import type { Situation } from '../evidence/situation';

/** Coach's minutes. Provenance `house`. */
const MINUTES = { eye: 1, slow: 1, measure: 3 } as const;
const GRID = 12;
/** Slow tries weighed at once: each costs an evaluation. */
const SLOW_TRIES = 2;

export interface Candidate {
  readonly check: Check;
  readonly minutes: number;
  /** The finding that the check looks at, or all limits that a slow try would show. */
  readonly node: number | readonly number[];
  /** P(outcome | absent), P(outcome | present) for each outcome; each column sums to one. */
  readonly outcomes: readonly Likelihood[];
  /** For readings: the two densities from which the outcomes come. */
  readonly reading?: TwoDensities;
  /** The sign by which a measure would be read. */
  readonly sign?: Sign;
}

/** Movements seen, for which a slow try would tell body from timing; a limit of the body is tested, never tried slowly. */
export function slowTriesWorthAsking(evidence: readonly Evidence[], situation: Situation): FindingId[] {
  const seen = evidence.flatMap((item) => (item.kind === 'eye' && item.answer === 'yes' ? [item.finding] : []));
  const tried = new Set(evidence.flatMap((item) => kindOf(item).tries?.(item) ?? []));
  return [...new Set(seen)]
    .filter((finding) => findingById(finding).kind === 'habit' && !tried.has(finding))
    .map((finding) => ({ finding, limits: situation.limitsBehind(finding).length }))
    .filter(({ limits }) => limits > 0)
    .sort((a, b) => b.limits - a.limits || (a.finding < b.finding ? -1 : 1))
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

export function candidates(model: Model, evidence: readonly Evidence[], situation: Situation): Candidate[] {
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
  for (const test of BODY_TESTS) {
    // What needs a gauge or a bar is proposed only where it has been used before.
    if (test.id === 'trunk-rotation-slouched' || (test.onRequest && !screened.some((e) => e.test === test.id))) continue;
    const told = new Set<FindingId | undefined>(answered(test.id));
    for (const side of [test.firstSide, ...test.sides.filter((s) => s !== test.firstSide)]) {
      const finding = speaksFor(test, side, situation);
      if (!finding || told.has(finding)) continue;
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
      sign,
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
