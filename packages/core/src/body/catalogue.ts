import type { AthleteProfile, JumpNorms } from '../athlete/athlete';
import { ageOn } from '../shared/dates';
import type { IsoDate } from '../shared/dates';
import type { TestOf, Thresholds } from './test';
import { BODY_TESTS as TESTS } from './tests';

export type TestId = (typeof TESTS)[number]['id'];
export type BodyTest = TestOf<TestId>;
/** The tests of the catalogue, in its order. */
export const BODY_TESTS: readonly BodyTest[] = TESTS;
export const TEST_IDS: readonly TestId[] = TESTS.map((test) => test.id);
export type Grade = 'pass' | 'watch' | 'limit';

const BY_ID = new Map(BODY_TESTS.map((test) => [test.id, test]));

/** @throws RangeError for an unknown id */
export function bodyTestById(id: TestId): BodyTest {
  const test = BY_ID.get(id);
  if (!test) throw new RangeError(`unknown test “${id}”`);
  return test;
}

/** An academy's own thresholds of tests, over the catalogue's. */
export type Bands = Partial<Record<TestId, Thresholds>>;

/** The norms of the jumps: those chosen for the athlete, and by discipline where none are. */
export const jumpNormsOf = ({ jumpNorms, discipline }: Pick<AthleteProfile, 'jumpNorms' | 'discipline'>): JumpNorms =>
  jumpNorms ?? (discipline === 'windmill' ? 'women' : 'men');

/**
 * The thresholds that apply to this athlete: an academy's own, else the test's for such an athlete.
 */
export function bandFor(test: BodyTest, athlete: AthleteProfile, on: IsoDate, bands: Bands = {}): Thresholds {
  const own = bands[test.id];
  if (own) return own;
  const band = { pass: test.pass, watch: test.watch };
  if (!test.bandOf) return band;
  const age = ageOn(athlete.birthDate, on);
  const young = age < 18 || (athlete.level !== 'college' && athlete.level !== 'adult');
  return test.bandOf(band, { age, young, heightM: athlete.heightM, norms: jumpNormsOf(athlete) });
}

/** Grade by ≥, so that there are no holes between whole numbers. */
export function gradeOf(value: number, band: Thresholds): Grade {
  return value >= band.pass ? 'pass' : value >= band.watch ? 'watch' : 'limit';
}

/** Whether two sides differ enough to be a finding of its own: 10° for angles, 15 % for everything else. */
export function isAsymmetric(test: BodyTest, drive: number, lead: number): boolean {
  const difference = Math.abs(drive - lead);
  return test.unit === 'deg' ? difference >= 10 : difference >= 0.15 * Math.max(Math.abs(drive), Math.abs(lead));
}

/** Lowest and highest reading of a test that this athlete can show on a day. */
export function readingRange(
  test: TestId,
  athlete: Pick<AthleteProfile, 'birthDate'>,
  on: IsoDate,
): { readonly low: number; readonly high: number } {
  const { low, high, young = [] } = bodyTestById(test).range;
  const age = ageOn(athlete.birthDate, on);
  return { low, high: young.find((row) => age < row.under)?.high ?? high };
}
