import { mean, median, quantile } from 'simple-statistics';
import type { SpeedReading } from './spread';
import { FULL_EFFORT, spikeGap, toMph } from './spread';
import type { SpikeGap } from './spread';

export interface SessionSummary {
  readonly n: number;
  readonly top: number;
  readonly bestThree: number;
  readonly median: number;
  /** Middle half of the readings, mph. */
  readonly spread: number;
  /** Readings at 90 % effort and more. */
  readonly fullEffort: number;
  /** Mean of the last third less mean of the first third; null with fewer than six. */
  readonly fade: number | null;
  readonly spike: SpikeGap | null;
}

/** Summary of one session's readings in the order thrown, mph; null without any. */
export function summariseSession(readings: readonly SpeedReading[]): SessionSummary | null {
  if (readings.length === 0) return null;
  const speeds = readings.map(toMph);
  const sorted = speeds.slice().sort((a, b) => b - a);
  const third = Math.floor(speeds.length / 3);
  return {
    n: speeds.length,
    top: sorted[0]!,
    bestThree: mean(sorted.slice(0, 3)),
    median: median(speeds),
    spread: speeds.length > 1 ? quantile(speeds, 0.75) - quantile(speeds, 0.25) : 0,
    fullEffort: readings.filter((r) => r.effort >= FULL_EFFORT).length,
    fade: third >= 2 ? mean(speeds.slice(-third)) - mean(speeds.slice(0, third)) : null,
    spike: spikeGap(readings),
  };
}

/**
 * Share of full-effort throws within 1.5 % of the athlete's top.
 * @param readings those of the last eight weeks; null without a full-effort throw
 */
export function ownBestShare(readings: readonly SpeedReading[]): number | null {
  const speeds = readings.filter((r) => r.effort >= FULL_EFFORT).map(toMph);
  if (speeds.length === 0) return null;
  const top = Math.max(...speeds);
  return speeds.filter((s) => s >= 0.985 * top).length / speeds.length;
}
