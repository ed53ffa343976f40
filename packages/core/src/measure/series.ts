/** Values over time: slopes, peaks and arrivals from marked frames. */

export interface Sample {
  /** Frames. */
  readonly t: number;
  readonly v: number;
}

interface Line {
  readonly slope: number;
  /** Height of the line at zero. */
  readonly base: number;
}

/** A straight line through samples, least squares; null with fewer than three. */
function lineThrough(samples: readonly Sample[], from: number, to: number): Line | null {
  const n = to - from;
  if (n < 3) return null;
  let [mt, mv] = [0, 0];
  for (let i = from; i < to; i++) {
    mt += samples[i]!.t / n;
    mv += samples[i]!.v / n;
  }
  let [top, bottom] = [0, 0];
  for (let i = from; i < to; i++) {
    top += (samples[i]!.t - mt) * (samples[i]!.v - mv);
    bottom += (samples[i]!.t - mt) ** 2;
  }
  return bottom === 0 ? null : { slope: top / bottom, base: mv - (top / bottom) * mt };
}

/** What lines through each sample and its neighbours within `half` frames say there. Samples are in order of time. */
function alongLines(samples: readonly Sample[], half: number, read: (line: Line, t: number) => number): Sample[] {
  const found: Sample[] = [];
  let [from, to] = [0, 0];
  for (const { t } of samples) {
    while (samples[from]!.t < t - half) from++;
    while (to < samples.length && samples[to]!.t <= t + half) to++;
    const line = lineThrough(samples, from, to);
    if (line) found.push({ t, v: read(line, t) });
  }
  return found;
}

/** Slopes, a frame, at every sample that has enough neighbours within `half` frames. Samples are in order of time. */
export const slopes = (samples: readonly Sample[], half: number): Sample[] => alongLines(samples, half, (line) => line.slope);

/** Samples with their jitter taken out: the height at each of the line through its neighbours within `half` frames. */
export const smooth = (samples: readonly Sample[], half: number): Sample[] =>
  alongLines(samples, half, (line, t) => line.base + line.slope * t);

/** Time and height of the greatest value, between samples by a parabola through the greatest and its neighbours. */
export function peakOf(samples: readonly Sample[]): Sample | null {
  let best = -1;
  samples.forEach((s, i) => {
    if (best < 0 || s.v > samples[best]!.v) best = i;
  });
  const here = samples[best];
  if (!here) return null;
  const [before, after] = [samples[best - 1], samples[best + 1]];
  if (!before || !after) return here;
  const curve = before.v - 2 * here.v + after.v;
  if (curve >= 0) return here;
  const shift = (0.5 * (before.v - after.v)) / curve;
  return { t: here.t + shift * ((after.t - before.t) / 2), v: here.v - 0.25 * (before.v - after.v) * shift };
}

/** Last time before the peak at which the value crosses a share of it upward, between samples on a straight line. */
export function onsetOf(samples: readonly Sample[], peak: Sample, share: number): number | null {
  const level = share * peak.v;
  for (let i = samples.length - 1; i > 0; i--) {
    const [a, b] = [samples[i - 1]!, samples[i]!];
    if (b.t > peak.t || a.v >= level || b.v < level) continue;
    return a.t + ((level - a.v) / (b.v - a.v)) * (b.t - a.t);
  }
  return null;
}

/** First time after the peak at which the value falls below a share of it. */
export function arrivalOf(samples: readonly Sample[], peak: Sample, share: number): number | null {
  const level = share * peak.v;
  for (let i = 1; i < samples.length; i++) {
    const [a, b] = [samples[i - 1]!, samples[i]!];
    if (a.t < peak.t || a.v < level || b.v >= level) continue;
    return a.t + ((a.v - level) / (a.v - b.v)) * (b.t - a.t);
  }
  return null;
}
