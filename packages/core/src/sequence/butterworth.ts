/** Smoothing without delay, and how much of it. After Winter, Biomechanics and Motor Control of Human Movement, ch. 2. */
import { linearRegression } from 'simple-statistics';

/** Two passes of a second-order filter cut lower than one: the cut-off of each is set higher by this, (√2 − 1)^¼. */
const TWO_PASSES = (Math.SQRT2 - 1) ** 0.25;
/** Cut-offs that are tried for a body, Hz. */
const CUT_OFFS = Array.from({ length: 11 }, (_, n) => 10 + n);
/** Cut-offs beyond which only noise is left, as shares of the rate. */
const NOISE_ONLY = [0.2, 0.24, 0.28, 0.32] as const;

/** One pass of a second-order Butterworth low-pass. */
function onePass(series: readonly number[], cutOff: number, rate: number): number[] {
  const w = Math.tan((Math.PI * cutOff) / rate);
  const [k1, k2] = [Math.SQRT2 * w, w * w];
  const a0 = k2 / (1 + k1 + k2);
  const k3 = (2 * a0) / k2;
  const [b1, b2] = [-2 * a0 + k3, 1 - 2 * a0 - k3];
  const first = series[0] ?? 0;
  let [x1, x2, y1, y2] = [first, first, first, first];
  return series.map((x) => {
    const y = a0 * (x + 2 * x1 + x2) + b1 * y1 + b2 * y2;
    [x1, x2, y1, y2] = [x, x1, y, y1];
    return y;
  });
}

/**
 * Zero-lag Butterworth low-pass, fourth order in effect: forwards, then backwards. The ends are turned about themselves, so that they
 * do not swing.
 * @param cutOff Hz, at which half of the power is left; a rate too low for it leaves the series as it is
 */
export function smoothed(series: readonly number[], cutOff: number, rate: number): number[] {
  const own = cutOff / TWO_PASSES;
  if (own >= 0.45 * rate || series.length < 3) return [...series];
  const pad = Math.min(series.length - 1, Math.ceil((1.5 * rate) / cutOff));
  const [first, last] = [series[0]!, series[series.length - 1]!];
  const before = Array.from({ length: pad }, (_, n) => 2 * first - series[pad - n]!);
  const after = Array.from({ length: pad }, (_, n) => 2 * last - series[series.length - 2 - n]!);
  const there = onePass([...before, ...series, ...after], own, rate);
  const back = onePass(there.reverse(), own, rate).reverse();
  return back.slice(pad, pad + series.length);
}

const residual = (series: readonly number[], cutOff: number, rate: number): number => {
  const kept = smoothed(series, cutOff, rate);
  return Math.sqrt(series.reduce((total, x, n) => total + (x - kept[n]!) ** 2, 0) / series.length);
};

/**
 * The cut-off that takes off as much as noise alone would: what cut-offs far above the movement take off lies on a line, and where that
 * line meets nought is how much noise there is.
 * @returns 10 to 20 Hz
 */
export function cutOffFor(series: readonly number[], rate: number): number {
  const most = CUT_OFFS[CUT_OFFS.length - 1]!;
  const beyond = NOISE_ONLY.map((share) => share * rate);
  // A slow sensor has no frequencies to spare.
  if (beyond[0]! < 1.5 * most) return most;
  const noise = linearRegression(beyond.map((f) => [f, residual(series, f, rate)])).b;
  return CUT_OFFS.find((f) => residual(series, f, rate) <= noise) ?? most;
}
