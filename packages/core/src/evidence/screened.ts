/** What tests of the body say of findings. */
import type { TestSide } from '../delivery/sides';
import type { FindingId } from '../findings/ids';
import { LIMIT_IDS } from '../findings/ids';
import { valueOf } from '../body/readings';
import { bandFor, bodyTestById, gradeOf, isAsymmetric } from '../body/catalogue';
import type { BodyTest } from '../body/catalogue';
import { ageOn } from '../shared/dates';
import { densities } from './densities';
import type { TwoDensities } from './densities';
import type { DatedEvidence } from './evidence';
import { faded, holdsStill } from './fading';
import type { Ageing } from './kind';
import type { ScreenEvidence as Screened } from './kinds/screen';
import { power } from './likelihood';
import type { Likelihood } from './likelihood';
import type { Situation } from './situation';
import type { Standing } from './standing';

/** How a reading of the body grows old. */
export const BODY_AGEING: Ageing = { halfLifeDays: 240, ofTheBody: true };

const limitSet: ReadonlySet<string> = new Set(LIMIT_IDS);

/** A limit read twice is a fact: so much likelier is the pair of readings where it is there. Provenance of all numbers here: `house`. */
const FACT: Likelihood = [0.001, 1];
const READINGS_OF_A_FACT = 2;
/** A side that stands clearly behind the other: so much likelier where it is limited. */
const UNEVEN = 1.6;
/** How much one free side says of a limit that could sit on either. */
const ONE_SIDE = { first: 0.75, other: 0.45 } as const;

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

/** How far a test is believed of what it speaks of. */
const trustIn = (test: BodyTest, finding: FindingId): number =>
  (limitSet.has(finding) ? 1 : 0.5) * (test.id === 'squat-strength' ? 0.5 : 1);

const scaled = ([absent, present]: Likelihood): Likelihood => [absent / (absent + present), present / (absent + present)];

/** What was read of one side on the newest day it was tested. */
interface SideRead {
  readonly side: TestSide;
  readonly items: readonly number[];
  readonly value: number;
  /** It was read as limited, and so once more. */
  readonly fact: boolean;
  /** Chance that it still holds. */
  readonly holds: number;
}

function sideRead(
  test: BodyTest,
  side: TestSide,
  evidence: readonly DatedEvidence[],
  standing: Standing,
  situation: Situation,
): SideRead | null {
  const read = evidence.flatMap((item, index) =>
    item.kind === 'screen' && item.test === test.id && item.side === side ? [{ item, index, day: standing.dayOf(index) }] : [],
  );
  if (read.length === 0) return null;
  const newest = read.filter(({ index }) => standing.isNewest(index));
  const band = bandFor(test, situation.athlete, situation.on, situation.numbers?.tests);
  const isLimit = (item: Screened) => gradeOf(item.value, band) === 'limit';
  const count = (some: typeof read) => some.reduce((n, { item }) => n + (item.readings ?? 1), 0);
  const days = [...new Set(read.map((r) => r.day))].sort().reverse();
  // One reading of the newest day is held against those of the day before it.
  const both =
    count(newest) >= READINGS_OF_A_FACT ? newest : read.filter((r) => days.slice(0, READINGS_OF_A_FACT).includes(r.day));
  return {
    side,
    items: newest.map((r) => r.index),
    value: valueOf(
      test,
      newest.map((r) => r.item.value),
      band,
    ).value,
    fact: count(both) >= READINGS_OF_A_FACT && both.every((r) => isLimit(r.item)),
    holds: holdsStill(BODY_AGEING, newest[0]!.day, situation.on, test.speaksOf[side] ?? null, situation),
  };
}

/**
 * What all sides of a test that speak of one finding say of it together: the worse side counts, each fades by its own day, and a
 * free side says less while the other was not looked at or is long ago.
 */
function sidesSay(test: BodyTest, finding: FindingId, sides: readonly SideRead[], situation: Situation): Likelihood {
  const model = screenDensities(test, situation);
  const trust = trustIn(test, finding);
  const possible = test.sides.filter((side) => test.speaksOf[side] === finding).length;
  const saysOf = (some: readonly SideRead[]): Likelihood => {
    if (some.length === 0) return [1, 1];
    if (trust === 1 && some.some((s) => s.fact)) return FACT;
    const likelihood = densities(Math.min(...some.map((s) => s.value)), model);
    const oneSide =
      likelihood[1] < likelihood[0] && possible > 1 && some.length === 1
        ? some[0]!.side === test.firstSide
          ? ONE_SIDE.first
          : ONE_SIDE.other
        : 1;
    return power(likelihood, trust * oneSide);
  };
  // Which of the sides still hold is not known: each way is weighed by its chance.
  const ways = 2 ** sides.length;
  let [absent, present] = [0, 0];
  for (let way = 0; way < ways; way++) {
    const holding = sides.filter((_, i) => (way >> i) & 1);
    const chance = sides.reduce((p, s, i) => p * ((way >> i) & 1 ? s.holds : 1 - s.holds), 1);
    const [a, p] = scaled(saysOf(holding));
    absent += chance * a;
    present += chance * p;
  }
  return [absent, present];
}

/** The side that stands clearly behind the other, on what was read last. */
function behindTheOther(test: BodyTest, sides: readonly SideRead[]): SideRead | null {
  const [a, b] = sides;
  if (!a || !b || !isAsymmetric(test, a.value, b.value)) return null;
  return a.value < b.value ? a : b;
}

/** Whether a test counts for this athlete, and of what it then speaks on a side. */
export function speaksFor(test: BodyTest, side: TestSide, situation: Situation): FindingId | null {
  const finding = test.speaksOf[side];
  if (!finding || !situation.inPlay.has(finding)) return null;
  return test.adultsOnly && ageOn(situation.athlete.birthDate, situation.on) < 18 ? null : finding;
}

interface Says {
  readonly on: readonly { readonly finding: FindingId; readonly likelihood: Likelihood }[];
  /** A limit that was read twice. */
  readonly fact?: { readonly finding: FindingId; readonly holds: number };
}

/** What one item of a test says; of the items that are one statement the first in the list speaks for all. */
export function screenSays(
  item: Screened,
  index: number,
  evidence: readonly DatedEvidence[],
  standing: Standing,
  situation: Situation,
): Says {
  const test = bodyTestById(item.test);
  const finding = speaksFor(test, item.side, situation);
  if (!finding || !standing.isNewest(index)) return { on: [] };
  if (test.id === 'trunk-rotation-slouched') return { on: slouchSays(item, index, evidence, standing, situation, finding) };
  const all = test.sides.flatMap((side) => sideRead(test, side, evidence, standing, situation) ?? []);
  const together = all.filter((s) => speaksFor(test, s.side, situation) === finding);
  if (Math.min(...together.flatMap((s) => s.items)) !== index) return { on: [] };
  const on = [{ finding, likelihood: sidesSay(test, finding, together, situation) }];
  const behind = behindTheOther(test, all);
  if (behind && together.includes(behind)) {
    const uneven = faded([1, UNEVEN ** trustIn(test, finding)], Math.min(...all.map((s) => s.holds)));
    on.push({ finding, likelihood: uneven });
  }
  const facts = trustIn(test, finding) === 1 ? together.filter((s) => s.fact) : [];
  return facts.length === 0 ? { on } : { on, fact: { finding, holds: Math.max(...facts.map((s) => s.holds)) } };
}

/** Ten degrees less slouched than tall, on one side and one day, says that posture takes the turn away. */
function slouchSays(
  item: Screened,
  index: number,
  evidence: readonly DatedEvidence[],
  standing: Standing,
  situation: Situation,
  finding: FindingId,
): readonly { readonly finding: FindingId; readonly likelihood: Likelihood }[] {
  const day = standing.dayOf(index);
  const sameDay = (test: Screened['test']) =>
    evidence.flatMap((other, at) =>
      other.kind === 'screen' && other.test === test && other.side === item.side && standing.dayOf(at) === day
        ? [{ value: other.value, at }]
        : [],
    );
  const mean = (of: readonly { value: number }[]) => of.reduce((t, r) => t + r.value, 0) / of.length;
  const [tall, slouched] = [sameDay('trunk-rotation'), sameDay('trunk-rotation-slouched')];
  if (tall.length === 0 || Math.min(...slouched.map((r) => r.at)) !== index) return [];
  const likelihood = densities(mean(tall) - mean(slouched), { presentMean: 16, absentMean: 4, sd: 6 });
  return [{ finding, likelihood: faded(power(likelihood, 0.5), holdsStill(BODY_AGEING, day, situation.on, finding, situation)) }];
}
