import { mean } from 'simple-statistics';
import type { Judgement } from '../log/entries';
import { betaCdf, tQuantile } from '../shared/distributions';
import { groupBy } from '../shared/group-by';
import { SPEED_PER_EFFORT, toMph } from './spread';
import type { SpeedReading } from './spread';
import { KNEE } from './trend-filter';

/** Last third of a session against its first, in speed. */
export interface SpeedFade {
  /** Loss of speed, percent of the first third; negative when it grew. */
  readonly percent: number;
  /** 90 % interval of it. */
  readonly low: number;
  readonly high: number;
  /** Throws in each third. */
  readonly n: number;
}

/** Last third of a drill's reps against its first, in how many are good. */
export interface GoodFade {
  readonly first: number;
  readonly last: number;
  /** Probability that the share of good reps has really fallen. */
  readonly probability: number;
  readonly n: number;
}

export interface Fatigue {
  readonly speed: SpeedFade | null;
  readonly good: GoodFade | null;
  /** Why to stop, or null while nothing shows it. */
  readonly stop: string | null;
}

/** A speed, and how it was thrown and read. */
export interface ThrownSpeed extends SpeedReading {
  readonly gun?: string;
  readonly setting?: string;
  readonly pitch?: string | null;
  /** Grams. */
  readonly ballG?: number | null;
  /** Metres. */
  readonly distanceM?: number | null;
}

/** What makes two speeds differ in an arm that is as fresh. */
const THROWN_AS = ['gun', 'setting', 'pitch', 'ballG', 'distanceM'] as const;

/** Speeds of throws of one kind each: a drill’s are held against the drill’s, a gun’s against the same gun’s. */
const byKind = (readings: readonly ThrownSpeed[]): readonly (readonly ThrownSpeed[])[] => [
  ...groupBy(readings, (r) => JSON.stringify(THROWN_AS.map((way) => r[way] ?? null))).values(),
];

/** Fewest in a third. */
const LEAST = { speeds: 3, reps: 5 } as const;
/** Usual spread of an athlete's speeds within a session, percent, and how many throws it is worth. Provenance `house`. */
const USUAL = { sdPercent: 1.6, throws: 4 } as const;
/** Loss from which it is worth a word, and how sure it has to be. Provenance `house`. */
const STOP = { percent: 3, share: 0.25, sure: 0.95 } as const;
const STEPS = 400;

const thirds = <T>(list: readonly T[]): readonly [readonly T[], readonly T[], number] => {
  const n = Math.floor(list.length / 3);
  return [list.slice(0, n), list.slice(list.length - n), n];
};
const squares = (list: readonly number[]): number => {
  const middle = mean([...list]);
  return list.reduce((sum, x) => sum + (x - middle) ** 2, 0);
};

/** What a throw would have been at full effort, by the usual loss of speed. */
const atFull = (reading: SpeedReading): number => toMph(reading) / (1 - SPEED_PER_EFFORT * (100 - reading.effort));

/** Of the kinds of throw the one that is surest to have faded: one throw of another kind in between makes nobody fresh. */
function surestFade(readings: readonly ThrownSpeed[]): SpeedFade | null {
  const fades = byKind(readings).flatMap((kind) => speedFade(kind) ?? []);
  return fades.reduce<SpeedFade | null>((surest, fade) => (surest === null || fade.low > surest.low ? fade : surest), null);
}

function speedFade(readings: readonly ThrownSpeed[]): SpeedFade | null {
  const [first, last, n] = thirds(readings.filter((r) => r.effort >= KNEE).map(atFull));
  if (n < LEAST.speeds) return null;
  const [before, after] = [mean([...first]), mean([...last])];
  // The spread of these throws, and the usual one as some throws more: a few equal speeds do not make it certain.
  const usual = (USUAL.sdPercent / 100) * before;
  const df = 2 * (n - 1) + USUAL.throws;
  const variance = (squares(first) + squares(last) + USUAL.throws * usual ** 2) / df;
  const percent = (100 * (before - after)) / before;
  const half = (tQuantile(0.95, df) * 100 * Math.sqrt((2 * variance) / n)) / before;
  return { percent, low: percent - half, high: percent + half, n };
}

/** P(p < q) of two independent Beta variables, by the midpoints of equal parts of q's range. */
function probabilityBelow(p: readonly [number, number], q: readonly [number, number]): number {
  let sum = 0;
  for (let k = 0; k < STEPS; k++) {
    const [from, to] = [k / STEPS, (k + 1) / STEPS];
    sum += (betaCdf(to, ...q) - betaCdf(from, ...q)) * betaCdf((from + to) / 2, ...p);
  }
  return sum;
}

function goodFade(judged: readonly Judgement[]): GoodFade | null {
  const [first, last, n] = thirds(judged);
  if (n < LEAST.reps) return null;
  const good = (list: readonly Judgement[]) => list.reduce((sum, j) => sum + (j === 'good' ? 1 : j === 'close' ? 0.5 : 0), 0);
  const beta = (list: readonly Judgement[]): [number, number] => [1 + good(list), 1 + n - good(list)];
  return { first: good(first) / n, last: good(last) / n, probability: probabilityBelow(beta(last), beta(first)), n };
}

const percentText = (share: number): string => `${Math.round(100 * share)} %`;

/**
 * Whether a session shows fatigue: the last third of what was thrown against the first. Speeds are set to full effort by the usual
 * slope first, so that a set that climbs in effort does not hide a loss, nor make one.
 * @param readings today's speeds in the order thrown, each kind of throw by itself; those below the knee of the effort curve say little
 *   and are left out
 * @param judged today's reps of one drill in the order done; “close” counts half
 * @returns both comparisons with their error, null where there are too few, and why to stop
 */
export function fatigueOf(readings: readonly ThrownSpeed[], judged: readonly Judgement[]): Fatigue {
  const speed = surestFade(readings);
  const good = goodFade(judged);
  const slower = speed !== null && speed.percent >= STOP.percent && speed.low > 0;
  const worse = good !== null && good.first - good.last >= STOP.share && good.probability >= STOP.sure;
  const reasons = [
    ...(slower
      ? [
          `the last ${speed.n} throws are ${speed.percent.toFixed(1)} % slower than the first ${speed.n} (${speed.low.toFixed(1)} to ${speed.high.toFixed(1)})`,
        ]
      : []),
    ...(worse ? [`good reps have fallen from ${percentText(good.first)} to ${percentText(good.last)}`] : []),
  ];
  return {
    speed,
    good,
    stop: reasons.length === 0 ? null : `It looks like fatigue: ${reasons.join(', and ')}. Better to stop here.`,
  };
}
