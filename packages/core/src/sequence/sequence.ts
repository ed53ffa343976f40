/** The relay of body speeds: who peaks when, what is passed on, and who started the turn. */
import { mean, sampleStandardDeviation } from 'simple-statistics';
import { SEGMENTS } from '../evidence/kinds/sequence';
import type { Segment, SequenceEvidence } from '../evidence/kinds/sequence';
import { round } from '../shared/maths';
import { cutOffFor, smoothed } from './butterworth';
import { topOf, valueAt } from './peaks';
import type { Consistency, Peak, SensorThrow, SequenceAnswer, SequenceRequest, Step, ThrowSequence } from './types';
import { startedByGlove, verdictOf } from './verdict';

/** The hands through which speed goes, in order; the glove arm goes along with the trunk. */
const RELAY = ['pelvis', 'trunk', 'upper-arm', 'forearm'] as const satisfies readonly Segment[];
const STEPS: readonly (readonly [Segment, Segment])[] = [
  ['pelvis', 'trunk'],
  ['trunk', 'upper-arm'],
  ['upper-arm', 'forearm'],
  ['glove-arm', 'trunk'],
];

/** Seconds before contact, after release, and before release where contact is not known, that are looked at. */
const WINDOW = { beforeContact: 0.25, afterRelease: 0.1, beforeRelease: 0.45 } as const;
/** Efforts that count as full, and as less, percent. */
const EFFORT = { full: 95, less: 85 } as const;

/**
 * Peaks, order, gaps, gains and verdict of each throw, and how alike they are. Speeds are smoothed first (zero-lag Butterworth, 10–20 Hz
 * by residual analysis).
 */
export function readSequence({ throws }: SequenceRequest): SequenceAnswer {
  const read = throws.map(readThrow);
  return { throws: read, consistency: consistencyOf(throws, read), evidence: evidenceOf(read) };
}

const clean = (series: readonly number[], rate: number): number[] => smoothed(series, cutOffFor(series, rate), rate);

function readThrow(thrown: SensorThrow): ThrowSequence {
  const { rateHz: rate, contactS, linear } = thrown;
  const series = Object.fromEntries(
    SEGMENTS.flatMap((s) => (thrown.series[s] ? [[s, clean(thrown.series[s], rate)]] : [])),
  ) as Partial<Record<Segment, number[]>>;
  const last = Math.max(...Object.values(series).map((s) => s.length)) - 1;
  const release = thrown.releaseS === undefined ? releaseOf(series, last) : thrown.releaseS * rate;
  const begins = contactS === undefined ? release - WINDOW.beforeRelease * rate : (contactS - WINDOW.beforeContact) * rate;
  const [from, to] = [Math.max(0, Math.ceil(begins)), Math.min(last, Math.floor(release + WINDOW.afterRelease * rate))];
  const toMs = (at: number) => round((1000 * (at - release)) / rate, 2);
  const peaks: Partial<Record<Segment, Peak>> = {};
  for (const segment of SEGMENTS) {
    const own = series[segment];
    if (!own) continue;
    const top = topOf(own, from, to);
    peaks[segment] = { value: round(top.value, 1), timeMs: toMs(top.at), onsetMs: top.onset === null ? null : toMs(top.onset) };
  }
  const order = SEGMENTS.filter((s) => peaks[s]).sort((a, b) => peaks[a]!.timeMs - peaks[b]!.timeMs);
  const gapsMs: Partial<Record<Step, number>> = {};
  const gains: Partial<Record<Step, number>> = {};
  for (const [first, next] of STEPS) {
    const [a, b] = [peaks[first], peaks[next]];
    if (!a || !b) continue;
    gapsMs[`${first}-${next}`] = round(b.timeMs - a.timeMs, 2);
    if (a.value > 0) gains[`${first}-${next}`] = round(b.value / a.value, 3);
  }
  const lost = (own: readonly number[] | undefined): number | undefined => {
    if (!own) return undefined;
    const { value } = topOf(own, from, to);
    return value > 0 ? round(1 - valueAt(own, release) / value, 3) : undefined;
  };
  const forward = (part: 'hip' | 'trunk') => linear?.[part] && clean(linear[part], rate);
  const [pelvisLost, trunkLost] = [lost(forward('hip') ?? series.pelvis), lost(forward('trunk') ?? series.trunk)];
  const separation = contactS === undefined ? undefined : separationOf(series, rate, from, to, contactS * rate);
  const known = {
    peaks,
    order,
    gapsMs,
    gains,
    shutOff: {
      ...(pelvisLost === undefined ? {} : { pelvis: pelvisLost }),
      ...(trunkLost === undefined ? {} : { trunk: trunkLost }),
    },
    startedBy: starterOf(peaks),
    ...(separation ? { separation } : {}),
  };
  return { ...known, verdict: verdictOf(known, linear?.hip !== undefined) };
}

/** Without an event the ball leaves as the forearm, or else the last of the relay that there is, turns fastest. */
function releaseOf(series: Partial<Record<Segment, number[]>>, last: number): number {
  const segment = [...RELAY].reverse().find((s) => series[s]) ?? 'glove-arm';
  return topOf(series[segment]!, 0, last).at;
}

function starterOf(peaks: Partial<Record<Segment, Peak>>): Segment {
  if (startedByGlove(peaks)) return 'glove-arm';
  const known = RELAY.filter((s) => peaks[s]);
  const onset = (s: Segment) => peaks[s]!.onsetMs ?? -Infinity;
  return known.length === 0 ? 'glove-arm' : known.reduce((first, s) => (onset(s) < onset(first) ? s : first));
}

function separationOf(
  { pelvis, trunk }: Partial<Record<Segment, number[]>>,
  rate: number,
  from: number,
  to: number,
  contact: number,
): ThrowSequence['separation'] {
  if (!pelvis || !trunk) return undefined;
  const turned = [0];
  for (let n = from + 1; n <= to; n++) {
    const [before, now] = [pelvis[n - 1]! - trunk[n - 1]!, pelvis[n]! - trunk[n]!];
    turned.push(turned[turned.length - 1]! + (before + now) / (2 * rate));
  }
  const top = topOf(turned, 0, turned.length - 1);
  return {
    atContact: round(valueAt(turned, contact - from), 1),
    max: round(top.value, 1),
    maxAfterContactMs: round((1000 * (top.at + from - contact)) / rate, 1),
  };
}

const breaksOrder = ({ peaks }: ThrowSequence): boolean => {
  const times = RELAY.flatMap((s) => (peaks[s] ? [peaks[s].timeMs] : []));
  return times.some((time, n) => n > 0 && time < times[n - 1]!);
};

function consistencyOf(throws: readonly SensorThrow[], read: readonly ThrowSequence[]): Consistency {
  const sd = (values: readonly number[]) => (values.length < 2 ? 0 : round(sampleStandardDeviation([...values]), 2));
  const peaks: { -readonly [K in keyof Consistency['peaks']]: Consistency['peaks'][K] } = {};
  const byEffort: { -readonly [K in Segment]?: { full: number; less: number } } = {};
  for (const segment of SEGMENTS) {
    const own = read.flatMap((r, n) => (r.peaks[segment] ? [{ ...r.peaks[segment], effort: throws[n]!.effort }] : []));
    if (own.length === 0) continue;
    const [times, values] = [own.map((p) => p.timeMs), own.map((p) => p.value)];
    peaks[segment] = { timeMs: round(mean(times), 2), timeSd: sd(times), value: round(mean(values), 1), valueSd: sd(values) };
    const full = own.filter((p) => p.effort >= EFFORT.full).map((p) => p.value);
    const less = own.filter((p) => p.effort <= EFFORT.less).map((p) => p.value);
    if (full.length > 0 && less.length > 0) byEffort[segment] = { full: round(mean(full), 1), less: round(mean(less), 1) };
  }
  const gapsMs: { -readonly [K in Step]?: { mean: number; sd: number } } = {};
  for (const [first, next] of STEPS) {
    const step = `${first}-${next}` as const;
    const gaps = read.flatMap((r) => r.gapsMs[step] ?? []);
    if (gaps.length > 0) gapsMs[step] = { mean: round(mean(gaps), 2), sd: sd(gaps) };
  }
  return {
    throws: read.length,
    peaks,
    gapsMs,
    brokenOrder: read.flatMap((r, n) => (breaksOrder(r) ? [n] : [])),
    byEffort: Object.keys(byEffort).length > 0 ? byEffort : null,
  };
}

/** The mean of what the throws show of each segment, as evidence. */
function evidenceOf(read: readonly ThrowSequence[]): SequenceEvidence | null {
  if (read.length === 0) return null;
  const meanOf = (of: (peak: Peak) => number) =>
    Object.fromEntries(
      SEGMENTS.flatMap((s) => {
        const own = read.flatMap((r) => (r.peaks[s] ? [of(r.peaks[s])] : []));
        return own.length === 0 ? [] : [[s, round(mean(own), 1)]];
      }),
    ) as SequenceEvidence['peaksMs'];
  return { kind: 'sequence', peaksMs: meanOf((p) => p.timeMs), peaksDegPerS: meanOf((p) => p.value) };
}
