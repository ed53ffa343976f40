/** Speeds that a gun read of something else: a bat, a car, a ball on its way back, half or twice a throw. */
import { median } from 'simple-statistics';
import { dayNumber } from '../shared/dates';
import type { IsoDate } from '../shared/dates';
import { SPEED_PER_EFFORT } from './spread';
import type { Setting } from './trend';

export interface Read {
  readonly date: IsoDate;
  readonly mph: number;
  readonly effort: number;
  readonly setting: Setting;
}

/** Days on either side whose readings say what is usual. */
const NEAR_DAYS = 60;
/** Readings that must be there to say so. */
const FEWEST = 3;
/** Shares of the usual speed outside of which nobody throws; drills may be done at any speed. Provenance `house`. */
const USUAL = { mound: [0.8, 1.2], flat: [0.75, 1.25], drill: [0.55, 1.45] } as const;
/** Residuals beyond so many robust standard deviations are of something else. */
const BEYOND = 4.5;
/** A gun shows tenths, and an arm is never steadier than this, mph. */
const STEADIEST = 0.4;
/** SD of a normal distribution from its median absolute deviation. */
const SD_PER_MAD = 1.4826;

/** What the reading would have been at full effort, by the usual effort curve. */
const atFullEffort = ({ mph, effort }: Read): number => mph / (1 - SPEED_PER_EFFORT * (100 - Math.min(100, effort)));

/** The middle of sorted values without the one at a place. */
function middleWithout(sorted: readonly number[], at: number): number {
  const left = sorted.length - 1;
  const value = (n: number) => sorted[n < at ? n : n + 1]!;
  return left % 2 === 1 ? value((left - 1) / 2) : (value(left / 2 - 1) + value(left / 2)) / 2;
}

/** What is usual around a reading, at full effort, without the reading itself; null where too little is known. */
function usualAround(readings: readonly Read[]): (reading: Read) => number | null {
  const kept = new Map<string, readonly number[]>();
  const bySpeed = readings
    .map((reading) => ({ day: dayNumber(reading.date), setting: reading.setting, mph: atFullEffort(reading) }))
    .sort((a, b) => a.mph - b.mph);
  const near = (date: IsoDate, setting: Setting | null): readonly number[] => {
    const key = `${date} ${setting ?? ''}`;
    const known = kept.get(key);
    if (known) return known;
    const day = dayNumber(date);
    const found = bySpeed
      .filter((r) => (setting === null || r.setting === setting) && Math.abs(day - r.day) <= NEAR_DAYS)
      .map((r) => r.mph);
    kept.set(key, found);
    return found;
  };
  return (reading) => {
    const alike = near(reading.date, reading.setting);
    const known = alike.length > FEWEST ? alike : near(reading.date, null);
    return known.length > FEWEST ? middleWithout(known, known.indexOf(atFullEffort(reading))) : null;
  };
}

/** How a reading differs from what is usual, as one would say it. */
function howFar(share: number): string {
  if (share > 0.45 && share < 0.55) return 'about half of what is usual';
  if (share > 1.85 && share < 2.15) return 'about twice what is usual';
  return share < 1 ? 'far below what is usual' : 'far above what is usual';
}

/**
 * Readings that are plainly of something else, by their place in the list, each with what gives it away. The order of the list does not
 * matter.
 */
export function plainMisreads(readings: readonly Read[]): ReadonlyMap<number, string> {
  const found = new Map<number, string>();
  const usualOf = usualAround(readings);
  readings.forEach((reading, i) => {
    const usual = usualOf(reading);
    if (usual === null) return;
    const share = atFullEffort(reading) / usual;
    const [low, high] = USUAL[reading.setting];
    if (share < low || share > high) found.set(i, howFar(share));
  });
  return found;
}

/** Of what is left over after the trend, what does not belong to it: places in the list. */
export function strayFrom(residuals: readonly number[]): number[] {
  if (residuals.length < 2 * FEWEST) return [];
  const middle = median([...residuals]);
  const sd = Math.max(STEADIEST, SD_PER_MAD * median(residuals.map((r) => Math.abs(r - middle))));
  return residuals.flatMap((r, i) => (Math.abs(r - middle) > BEYOND * sd ? [i] : []));
}
