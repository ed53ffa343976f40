import type { TestSide } from '../delivery/sides';
import type { AthleteProfile } from '../athlete/athlete';
import { ageOn } from '../shared/dates';
import type { IsoDate } from '../shared/dates';
import { round } from '../shared/maths';
import type { Thresholds } from './test';
import { bandFor, bodyTestById, gradeOf, isAsymmetric, readingRange } from './catalogue';
import type { Bands, BodyTest, Grade, TestId } from './catalogue';

/** How often a test is read: the second reading tells how far the first can be trusted. */
export const READINGS_WANTED = 2;
/** Two readings further apart than this many reading SDs ask for a third. Provenance `house`. */
const APART = 2.5;

export interface TestValue {
  /** Mean of the readings; the best of a jump, a hold or a push. */
  readonly value: number;
  /** 1 SD of the value. */
  readonly sd: number;
  /** Largest minus smallest reading. */
  readonly spread: number;
  readonly count: number;
  readonly grade: Grade;
  /** The readings do not agree: one more is wanted. */
  readonly again: boolean;
}

/**
 * What some readings of one test and side, of one day, come to. The SD is the reading error of the test over √n, or the
 * readings' own where they differ more.
 * @throws RangeError without readings
 */
export function valueOf(test: BodyTest, readings: readonly number[], band: Thresholds): TestValue {
  if (readings.length === 0) throw new RangeError('a value needs at least one reading');
  const mean = readings.reduce((a, b) => a + b, 0) / readings.length;
  const value = test.counts === 'best' ? Math.max(...readings) : mean;
  const spread = Math.max(...readings) - Math.min(...readings);
  const own = readings.length < 2 ? 0 : Math.sqrt(readings.reduce((t, r) => t + (r - mean) ** 2, 0) / (readings.length - 1));
  const sd = Math.max(test.readingSd, own) / Math.sqrt(test.counts === 'best' ? 1 : readings.length);
  return {
    value: round(value, 2),
    sd: round(sd, 2),
    spread: round(spread, 2),
    count: readings.length,
    grade: gradeOf(round(value, 2), band),
    again: readings.length === READINGS_WANTED && test.counts !== 'best' && spread > APART * Math.SQRT2 * test.readingSd,
  };
}

export interface Asymmetry {
  readonly test: TestId;
  /** First minus second side of the test, in its unit. */
  readonly difference: number;
  readonly weaker: TestSide;
}

/** A side-to-side difference that is a finding of its own (10° or 15 %), or null. */
export function asymmetryOf(test: BodyTest, values: ReadonlyMap<TestSide, number>): Asymmetry | null {
  const [first, second] = test.sides;
  const a = first === undefined ? undefined : values.get(first);
  const b = second === undefined ? undefined : values.get(second);
  if (a === undefined || b === undefined || !isAsymmetric(test, a, b)) return null;
  return { test: test.id, difference: round(a - b, 1), weaker: a < b ? first! : second! };
}

/** Slouched at least so much less than tall is a posture finding, degrees. */
export const SLOUCH_FROM = 10;

/** Degrees of turn that slouching takes away on one side, and whether that is a finding. */
export function slouchLoss(tall: number, slouched: number): { readonly lost: number; readonly finding: boolean } {
  return { lost: round(tall - slouched, 1), finding: tall - slouched >= SLOUCH_FROM };
}

/** Whether a reading straight after a hold or release moved further than two readings differ by chance. */
export function movedBy(
  test: BodyTest,
  before: readonly number[],
  after: readonly number[],
): { readonly change: number; readonly sd: number; readonly real: boolean } | null {
  if (before.length === 0 || after.length === 0) return null;
  const mean = (list: readonly number[]) => list.reduce((a, b) => a + b, 0) / list.length;
  const change = mean(after) - mean(before);
  const sd = test.readingSd * Math.sqrt(1 / before.length + 1 / after.length);
  return { change: round(change, 1), sd: round(sd, 1), real: Math.abs(change) > 1.64 * sd };
}

/**
 * Peak power of a standing jump, W and W per kg, from its height and the body mass: a jump is judged with the mass it lifts.
 * @param heightIn jump height, in
 * @param massKg body mass, kg
 * @see Sayers et al. 1999, Med Sci Sports Exerc 31(4): 60.7 · height (cm) + 45.3 · mass (kg) − 2055
 */
export function peakPower(heightIn: number, massKg: number): { readonly watts: number; readonly perKg: number } {
  const watts = Math.max(0, 60.7 * heightIn * 2.54 + 45.3 * massKg - 2055);
  return { watts: Math.round(watts), perKg: round(watts / massKg, 1) };
}

/** Why a reading cannot be right, or null. */
export function readingFault(test: TestId, side: TestSide, value: number, athlete: AthleteProfile, on: IsoDate): string | null {
  const body = bodyTestById(test);
  if (!body.sides.includes(side)) return `${body.name} is done on ${body.sides.join(' or ')}, not on “${side}”`;
  if (body.adultsOnly && ageOn(athlete.birthDate, on) < 18) return `${body.name} is for adults only`;
  const { low, high } = readingRange(test, athlete, on);
  if (value < low || value > high) return `${value} ${body.unit} cannot be a reading: it lies between ${low} and ${high}`;
  if (body.unit === 'score' && !Number.isInteger(value)) return 'a score is 0, 1, 2 or 3';
  return null;
}

/** Grade of a value for this athlete. */
export const gradeFor = (test: TestId, value: number, athlete: AthleteProfile, on: IsoDate, bands?: Bands): Grade =>
  gradeOf(value, bandFor(bodyTestById(test), athlete, on, bands));
