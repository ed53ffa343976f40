import { median } from 'simple-statistics';
import type { Discipline } from '../delivery/links';

/** A speed as a gun tells it. */
export interface GunReading {
  /** Miles per hour. */
  readonly mph: number;
  /** Instant, milliseconds. */
  readonly at: number;
}

/**
 * What is odd about a reading: the same ball read twice, too slow for a ball of this athlete (a bat, a glove, a bounce), or faster
 * than anybody of the age throws (a car, the other unit).
 */
export type Doubt = 'double' | 'slow' | 'fast';

/** A gun that hears the same ball again does so while it is still in the air, and reads it slower. Provenance `house`. */
const DOUBLE = { ms: 1500, slowerShare: 0.12 } as const;
/** Against the athlete's own speeds of late. Provenance `house`. */
const OWN = { slow: 0.6, fast: 1.12, least: 3 } as const;
/** Where the athlete has no speeds: faster than anybody of the age. Provenance `house`, miles per hour by age. */
const FASTEST: Readonly<Record<Discipline, readonly (readonly [age: number, mph: number])[]>> = {
  overhand: [
    [8, 55],
    [10, 62],
    [12, 76],
    [14, 86],
    [16, 96],
    [18, 102],
    [120, 108],
  ],
  windmill: [
    [8, 45],
    [10, 52],
    [12, 60],
    [14, 66],
    [16, 72],
    [120, 78],
  ],
};
const SLOWEST_MPH = 20;

/**
 * Whether a reading is to be asked about before it counts.
 * @param before the reading before it, or null
 * @param own the athlete's speeds of the last weeks at this effort, mph; empty when none are known
 * @example doubtOf({ mph: 34, at: 0 }, null, [68, 70, 69], 15, 'overhand') // 'slow'
 */
export function doubtOf(
  reading: GunReading,
  before: GunReading | null,
  own: readonly number[],
  age: number,
  discipline: Discipline,
): Doubt | null {
  if (
    before !== null &&
    reading.at - before.at <= DOUBLE.ms &&
    reading.mph <= before.mph &&
    reading.mph >= (1 - DOUBLE.slowerShare) * before.mph
  )
    return 'double';
  const [slowest, fastest] =
    own.length >= OWN.least
      ? [OWN.slow * median([...own]), OWN.fast * Math.max(...own)]
      : [SLOWEST_MPH, FASTEST[discipline].find(([upTo]) => age <= upTo)![1]];
  if (reading.mph < slowest) return 'slow';
  return reading.mph > fastest ? 'fast' : null;
}

/** A throw that may have been what a gun read. */
export interface ThrownAt {
  readonly id: string;
  /** Instant of the tap, milliseconds. */
  readonly at: number;
}

/** A throw is tapped so long after it was read, at most; and so long before, where the gun is slow to tell. Provenance `house`. */
export const PAIRED = { tapAfterMs: 15_000, tapBeforeMs: 3000 } as const;

/**
 * Which throw a reading belongs to: the only one without a speed in its window. More than one is nobody's to guess.
 * @returns the throw, `null` while none is there, or `'ask'` when there are several
 */
export function throwOf(reading: GunReading, throws: readonly ThrownAt[]): ThrownAt | null | 'ask' {
  const near = throws.filter((t) => t.at >= reading.at - PAIRED.tapBeforeMs && t.at <= reading.at + PAIRED.tapAfterMs);
  return near.length === 0 ? null : near.length === 1 ? near[0]! : 'ask';
}

/** Keeps what a gun sends in order and once: a resent message is no reading, and a gap says how many were lost. */
export function takeIn(last: number | null, n: number): { readonly isNew: boolean; readonly lost: number } {
  if (last === null) return { isNew: true, lost: 0 };
  return n <= last ? { isNew: false, lost: 0 } : { isNew: true, lost: n - last - 1 };
}
