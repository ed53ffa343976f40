import type { AthleteProfile } from '../athlete/athlete';
import { ageOn } from '../shared/dates';
import type { IsoDate } from '../shared/dates';
import type { TestId } from './tests';

/** What a body can show in a test: anything beyond is a slip of the hand, the unit or the decimal point. */
export interface ReadingRange {
  readonly low: number;
  readonly high: number;
  /** Highest for the young, by completed years, rising; where none fits, `high` holds. */
  readonly young?: readonly { readonly under: number; readonly high: number }[];
}

/** The one table of ranges: for dial, keypad, API, commands and lists. Provenance `house`, wide of what is published. */
export const READING_RANGES: Readonly<Record<TestId, ReadingRange>> = {
  'hip-internal-rotation': { low: 0, high: 80 },
  'hip-external-rotation': { low: 0, high: 90 },
  'hip-abduction': { low: 0, high: 85 },
  'hip-flexion': { low: 60, high: 155 },
  'hip-extension': { low: -20, high: 45 },
  'trunk-rotation': { low: 0, high: 95 },
  'trunk-rotation-slouched': { low: 0, high: 95 },
  'knee-to-wall': { low: 0, high: 25 },
  'abductor-hold': { low: 0, high: 300 },
  'abductor-force': { low: 0, high: 60 },
  'hip-flexor-hold': { low: 0, high: 300 },
  'side-plank': { low: 0, high: 300 },
  'single-leg-balance': { low: 0, high: 300 },
  'single-leg-squat': { low: 0, high: 3 },
  'vertical-jump': {
    low: 0,
    high: 48,
    young: [
      { under: 9, high: 18 },
      { under: 12, high: 26 },
      { under: 15, high: 34 },
    ],
  },
  'broad-jump': {
    low: 0,
    high: 200,
    young: [
      { under: 9, high: 140 },
      { under: 12, high: 150 },
      { under: 15, high: 170 },
    ],
  },
  'squat-strength': { low: 0, high: 4 },
};

/** Lowest and highest reading of a test that this athlete can show on a day. */
export function readingRange(
  test: TestId,
  athlete: Pick<AthleteProfile, 'birthDate'>,
  on: IsoDate,
): { low: number; high: number } {
  const { low, high, young = [] } = READING_RANGES[test];
  const age = ageOn(athlete.birthDate, on);
  return { low, high: young.find((row) => age < row.under)?.high ?? high };
}
