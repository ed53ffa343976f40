/** Errors of the mean of some throws of one set-up, and how many lie within one and within 1.645 of what was stated. */
import type { MeasuredValue } from '@wrightonic/core';

/** A measured value beside its truth. */
export interface Found {
  readonly found: MeasuredValue;
  readonly truth: number;
}

/** Values that could be told, each beside the truth of the same measure at the same event. */
export function beside(measured: readonly MeasuredValue[], exact: readonly MeasuredValue[]): Found[] {
  const truth = new Map(exact.map((m) => [`${m.measure}|${m.event}`, m.value]));
  return measured.flatMap((found) => {
    const real = truth.get(`${found.measure}|${found.event}`);
    return found.valid && found.value !== null && typeof real === 'number' ? [{ found, truth: real }] : [];
  });
}

interface Count {
  n: number;
  one: number;
  wide: number;
}

export class Coverage {
  private readonly counts = new Map<string, Count>();

  /** Takes in the throws of one set-up; `keys` name what they count for. */
  note(throws: readonly (readonly Found[])[], keys: (measure: string) => readonly string[]): void {
    const byMeasure = new Map<string, { error: number; shared: number; jitter: number; n: number }>();
    for (const { found, truth } of throws.flat()) {
      const key = `${found.measure}|${found.event}`;
      const sum = byMeasure.get(key) ?? { error: 0, shared: 0, jitter: 0, n: 0 };
      const shared = (found.shared ?? 0) ** 2;
      byMeasure.set(key, {
        error: sum.error + found.value! - truth,
        shared: sum.shared + shared,
        jitter: sum.jitter + Math.max(0, found.sd! ** 2 - shared),
        n: sum.n + 1,
      });
    }
    for (const [measure, { error, shared, jitter, n }] of byMeasure)
      if (n === throws.length)
        for (const key of keys(measure.split('|')[0]!))
          this.count(key, Math.abs(error / n) / Math.sqrt(shared / n + jitter / n / n));
  }

  private count(key: string, z: number): void {
    const count = this.counts.get(key) ?? { n: 0, one: 0, wide: 0 };
    count.n++;
    if (z <= 1) count.one++;
    if (z <= 1.645) count.wide++;
    this.counts.set(key, count);
  }

  /**
   * Lines of the shares in order of their keys. The standard error counts whole set-ups, not values, when `clusters` says how many
   * stand behind a key: values of one set-up err together.
   */
  lines(clusters?: (key: string) => number): string[] {
    return [...this.counts]
      .sort(([a], [b]) => a.localeCompare(b, 'en', { numeric: true }))
      .map(([key, { n, one, wide }]) => {
        const independent = clusters?.(key) ?? n;
        const percent = (share: number): string =>
          `${(100 * share).toFixed(1)} ± ${(100 * Math.sqrt((share * (1 - share)) / independent)).toFixed(1)} %`;
        return `${key.padEnd(44)} ${String(n).padStart(5)} values: within 1 SD ${percent(one / n)}, within 1.645 SD ${percent(wide / n)}`;
      });
  }
}
