/** Median, fastest and slowest of some timings, in a line. */
export function line(name: string, times: readonly number[], note = ''): string {
  const sorted = times.slice().sort((a, b) => a - b);
  const at = (share: number) => sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))]!;
  return `${name.padEnd(52)} median ${at(0.5).toFixed(1).padStart(7)} ms   min ${sorted[0]!.toFixed(1).padStart(7)}   p95 ${at(0.95).toFixed(1).padStart(7)}   n ${sorted.length}${note ? `   ${note}` : ''}`;
}

export async function timed(times: number, work: (n: number) => unknown): Promise<number[]> {
  const found: number[] = [];
  for (let n = 0; n < times; n++) {
    const from = performance.now();
    await work(n);
    found.push(performance.now() - from);
  }
  return found;
}
