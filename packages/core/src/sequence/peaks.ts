/** The moment at which a segment turns fastest, and when it began to. */

export interface Top {
  readonly value: number;
  /** In samples, between two of them as well. */
  readonly at: number;
  /** In samples; null where the series begins above it. */
  readonly onset: number | null;
}

/** Share of the peak at which a segment counts as turning. */
const ONSET = 0.2;

/**
 * The highest value of a series between two samples, by a parabola through it and its neighbours.
 * @param from first sample of the window, @param to its last
 */
export function topOf(series: readonly number[], from: number, to: number): Top {
  let best = from;
  for (let n = from; n <= to; n++) if (series[n]! > series[best]!) best = n;
  const [before, middle, after] = [series[best - 1], series[best]!, series[best + 1]];
  let [at, value] = [best, middle];
  if (before !== undefined && after !== undefined) {
    const bend = before - 2 * middle + after;
    if (bend < 0) {
      const shift = (0.5 * (before - after)) / bend;
      at = best + shift;
      value = middle - 0.25 * (before - after) * shift;
    }
  }
  return { value, at, onset: onsetOf(series, best, ONSET * value) };
}

function onsetOf(series: readonly number[], peak: number, threshold: number): number | null {
  for (let n = peak; n > 0; n--) {
    const [low, high] = [series[n - 1]!, series[n]!];
    if (low < threshold && high >= threshold) return n - 1 + (threshold - low) / (high - low);
  }
  return null;
}

/** A value between two samples. */
export function valueAt(series: readonly number[], at: number): number {
  const last = series.length - 1;
  const clamped = Math.min(last, Math.max(0, at));
  const low = Math.floor(clamped);
  const high = Math.min(last, low + 1);
  return series[low]! + (clamped - low) * (series[high]! - series[low]!);
}
