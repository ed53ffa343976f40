import { mean, median, sampleStandardDeviation } from 'simple-statistics';
import { tQuantile } from '../shared/distributions';

export type SpeedUnit = 'mph' | 'km/h';

export interface SpeedReading {
  readonly speed: number;
  readonly unit: SpeedUnit;
  /** Effort, percent. */
  readonly effort: number;
}

const KMH_PER_MPH = 1.609344;
export const FULL_EFFORT = 90;
/** Share of the speed that one percent of effort is worth, above the knee of the effort curve. Provenance `house`. */
export const SPEED_PER_EFFORT = 0.006;

/** @returns miles per hour */
export const toMph = (reading: { speed: number; unit: 'mph' | 'km/h' }): number =>
  reading.unit === 'mph' ? reading.speed : reading.speed / KMH_PER_MPH;
export const fromMph = (mph: number, unit: 'mph' | 'km/h'): number => (unit === 'mph' ? mph : mph * KMH_PER_MPH);

/**
 * Upper 95 % points of (top − mean of the rest) / (SD of the rest) for the largest of n normal throws, by Bonferroni over the
 * n throws on Student's t with n − 2 degrees of freedom, as in Grubbs' outlier test.
 */
function outlierLimit(n: number): number {
  return tQuantile(1 - 0.05 / n, n - 2) * Math.sqrt(n / (n - 1));
}

export interface SpikeGap {
  /** (top − median) / median of full-effort throws. */
  readonly gap: number;
  /** Whether the top lies beyond what the largest of n from the rest would give in 1 of 20 sets. */
  readonly outlying: boolean;
}

/** Spike gap of full-effort throws; null with fewer than five. */
export function spikeGap(readings: readonly SpeedReading[]): SpikeGap | null {
  const speeds = readings
    .filter((r) => r.effort >= FULL_EFFORT)
    .map(toMph)
    .sort((a, b) => a - b);
  if (speeds.length < 5) return null;
  const top = speeds[speeds.length - 1]!;
  const rest = speeds.slice(0, -1);
  const middle = median(speeds);
  const sd = sampleStandardDeviation(rest);
  const beyond = (top - mean(rest)) / Math.max(sd, 1e-9);
  return { gap: (top - middle) / middle, outlying: top > mean(rest) && beyond > outlierLimit(speeds.length) };
}

/** Mean full-effort speed against mean four-fifths speed: difference in percent with its SD, or null without both. */
export function effortGain(readings: readonly SpeedReading[]): { percent: number; sd: number; n: number } | null {
  const full = readings.filter((r) => r.effort >= 95).map(toMph);
  const easy = readings.filter((r) => r.effort >= 75 && r.effort <= 85).map(toMph);
  if (full.length < 3 || easy.length < 3) return null;
  const base = mean(easy);
  const variance = sampleStandardDeviation(full) ** 2 / full.length + sampleStandardDeviation(easy) ** 2 / easy.length;
  return { percent: (100 * (mean(full) - base)) / base, sd: (100 * Math.sqrt(variance)) / base, n: full.length + easy.length };
}
