/** What two days of one gun say of a camper's speed, and what they do not. */
import { USUAL_SESSION_SPREAD_MPH } from '../progress/trend-filter';
import { FULL_EFFORT, fromMph } from '../progress/spread';
import { groupBy } from '../shared/group-by';
import type { IsoDate } from '../shared/dates';
import { tQuantile } from '../shared/distributions';
import { round, sum } from '../shared/maths';

/** A radar reading at a camp, in one unit. */
export interface CampReading {
  readonly date: IsoDate;
  readonly speed: number;
  /** Percent of full effort. */
  readonly effort: number;
  readonly gun: string;
}

/** Mean of a day's readings, with the half width of its 90 % interval. */
export interface DayMean {
  readonly date: IsoDate;
  readonly mean: number;
  readonly error: number;
  readonly throws: number;
}

export interface CampGain {
  readonly gun: string | null;
  readonly first: DayMean | null;
  readonly last: DayMean | null;
  /** Last less first, with the half width of its 90 % interval; null where there are no two days of one gun. */
  readonly change: { readonly by: number; readonly error: number; readonly differs: boolean } | null;
  readonly sentence: string;
}

/** One athlete’s throws of a day spread by about this share of their speed; it counts as so many readings. `house` */
const SPREAD = { share: 0.018, weight: 6 } as const;
const LEVEL = 0.95;

const meanOf = (values: readonly number[]): number => sum(values) / values.length;

/** The gun that read on most of the days, then the one with the most readings, then the first by name. */
function gunOf(readings: readonly CampReading[]): string | null {
  const guns = [...groupBy(readings, (r) => r.gun)].map(([gun, own]) => ({
    gun,
    days: new Set(own.map((r) => r.date)).size,
    many: own.length,
  }));
  guns.sort((a, b) => b.days - a.days || b.many - a.many || (a.gun < b.gun ? -1 : 1));
  return guns[0]?.gun ?? null;
}

/**
 * First against last day of the camp by the gun that read both. Its offset is the same on both days and falls out of the difference.
 * Spread of throws: that of the readings, drawn towards the usual one; that of days: as the trend takes it to be. Intervals by Student’s t.
 * @param readings of the usual throw, all in `unit`
 * @param days how many days the camp has
 */
export function campGain(readings: readonly CampReading[], days: number, unit: 'mph' | 'km/h'): CampGain {
  const full = readings.filter((r) => r.effort >= FULL_EFFORT);
  const gun = gunOf(full);
  if (gun === null)
    return {
      gun,
      first: null,
      last: null,
      change: null,
      sentence:
        readings.length > 0
          ? `No throw at ${FULL_EFFORT} % and more was read: nothing is said of the speed.`
          : 'No speed was read at the camp.',
    };
  const own = full.filter((r) => r.gun === gun);
  const byDay = [...groupBy(own, (r) => r.date)].sort(([a], [b]) => (a < b ? -1 : 1));
  const prior = (SPREAD.share * meanOf(own.map((r) => r.speed))) ** 2 * SPREAD.weight;
  const inside = sum(
    byDay.map(([, read]) => {
      const mean = meanOf(read.map((r) => r.speed));
      return sum(read.map((r) => (r.speed - mean) ** 2));
    }),
  );
  const df = SPREAD.weight + own.length - byDay.length;
  const variance = (prior + inside) / df;
  const t = tQuantile(LEVEL, df);
  const dayMean = ([date, read]: (typeof byDay)[number]): DayMean => ({
    date,
    mean: round(meanOf(read.map((r) => r.speed)), 1),
    error: round(t * Math.sqrt(variance / read.length), 1),
    throws: read.length,
  });
  const first = dayMean(byDay[0]!);
  if (byDay.length < 2)
    return {
      gun,
      first,
      last: null,
      change: null,
      sentence: `${inUnit(first, unit)} on ${gun}. ${
        days < 2
          ? 'A camp of one day reads once; it says nothing of a change.'
          : 'Read on one day alone: nothing is said of a change.'
      }`,
    };
  const final = byDay.at(-1)!;
  const last = dayMean(final);
  const by = meanOf(final[1].map((r) => r.speed)) - meanOf(byDay[0]![1].map((r) => r.speed));
  // A day has its own form, which no number of its throws tells.
  const form = 2 * fromMph(USUAL_SESSION_SPREAD_MPH, unit) ** 2;
  const error = t * Math.sqrt(variance * (1 / first.throws + 1 / last.throws) + form);
  const differs = Math.abs(by) > error;
  return {
    gun,
    first,
    last,
    change: { by: round(by, 1), error: round(error, 1), differs },
    sentence: `${inUnit(first, unit)} on the first day and ${inUnit(last, unit)} on the last, on ${gun}: ${saying(by, error, unit)} ${
      differs
        ? `${by > 0 ? 'Faster' : 'Slower'} by more than days differ by themselves; a few days show how they went, and not yet what stays.`
        : 'One athlete’s days differ by as much by themselves: no change can be told from these.'
    }`,
  };
}

const inUnit = ({ mean, error }: DayMean, unit: string): string => `${mean.toFixed(1)} ± ${error.toFixed(1)} ${unit}`;
const saying = (by: number, error: number, unit: string): string =>
  `${by < 0 ? '−' : '+'}${Math.abs(by).toFixed(1)} ± ${error.toFixed(1)} ${unit}.`;
