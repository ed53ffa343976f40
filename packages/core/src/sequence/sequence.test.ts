import { randomFrom } from '../shared/random';
import { cutOffFor, smoothed } from './butterworth';
import { topOf } from './peaks';
import { readSequence } from './sequence';
import type { SensorThrow, Series } from './types';

const RATE = 500;
const SECONDS = 0.8;
const RELEASE = 0.6;

/** One turn of a segment: fastest at a time before release, wide so many ms (1 SD), deg/s. */
const turn = (ms: number, wide: number, peak: number, rate = RATE): number[] =>
  Array.from(
    { length: Math.round(SECONDS * rate) },
    (_, n) => peak * Math.exp(-0.5 * (((n / rate - RELEASE) * 1000 - ms) / wide) ** 2),
  );
const GOOD = {
  pelvis: [-80, 45, 620],
  trunk: [-45, 45, 1050],
  'glove-arm': [-50, 45, 800],
  'upper-arm': [-15, 40, 1600],
  forearm: [4, 30, 2300],
} as const;
type Shape = Partial<Record<keyof typeof GOOD, readonly [number, number, number]>>;
const seriesOf = (shape: Shape, rate = RATE): Series =>
  Object.fromEntries(Object.entries({ ...GOOD, ...shape }).map(([s, [ms, wide, peak]]) => [s, turn(ms, wide, peak, rate)]));
const thrown = (shape: Shape = {}, more: Partial<SensorThrow> = {}): SensorThrow => ({
  rateHz: RATE,
  contactS: 0.45,
  releaseS: RELEASE,
  effort: 100,
  series: seriesOf(shape, more.rateHz),
  ...more,
});
const one = (shape: Shape = {}, more: Partial<SensorThrow> = {}) => readSequence({ throws: [thrown(shape, more)] }).throws[0]!;

describe('smoothing', () => {
  const wave = (hz: number) => Array.from({ length: 1000 }, (_, n) => Math.sin((2 * Math.PI * hz * n) / RATE));
  const size = (series: readonly number[]) => Math.max(...series.slice(300, 700));

  it('lets half of the power through at its cut-off, nearly all far below and nearly nothing far above, without delay', () => {
    expect(size(smoothed(wave(12), 12, RATE))).toBeCloseTo(Math.SQRT1_2, 2);
    expect(size(smoothed(wave(3), 12, RATE))).toBeGreaterThan(0.99);
    expect(size(smoothed(wave(60), 12, RATE))).toBeLessThan(0.01);
    const top = topOf(smoothed(turn(-37, 40, 1000), 15, RATE), 0, 399);
    expect(top.at).toBeCloseTo((RELEASE - 0.037) * RATE, 1);
  });

  it('leaves what stands still, or is a line, as it is', () => {
    const line = Array.from({ length: 200 }, (_, n) => 5 + 0.3 * n);
    smoothed(line, 12, RATE).forEach((y, n) => expect(y).toBeCloseTo(line[n]!, 1));
  });

  it('cuts lower where there is more noise, and never below ten or above twenty', () => {
    const noisy = (sd: number) => {
      const random = randomFrom(4);
      return turn(-40, 45, 1000).map((x) => x + random.normal(0, sd));
    };
    const cuts = [0, 5, 40, 150].map((sd) => cutOffFor(noisy(sd), RATE));
    expect([...cuts].sort((a, b) => b - a)).toEqual(cuts);
    expect(cuts[0]).toBeGreaterThan(cuts[3]!);
    expect(Math.min(...cuts)).toBeGreaterThanOrEqual(10);
    expect(Math.max(...cuts)).toBeLessThanOrEqual(20);
  });
});

describe('a throw', () => {
  it.each([100, 240, 500, 1000])('is read at %d a second as it was made: peaks within 2 ms and 4 %', (rateHz) => {
    const { peaks, order } = one({}, { rateHz });
    for (const [segment, [ms, , peak]] of Object.entries(GOOD)) {
      const found = peaks[segment as keyof typeof GOOD]!;
      expect(Math.abs(found.timeMs - ms)).toBeLessThan(2);
      expect(Math.abs(found.value / peak - 1)).toBeLessThan(0.04);
    }
    expect(order).toEqual(['pelvis', 'glove-arm', 'trunk', 'upper-arm', 'forearm']);
  });

  it('begins to turn where a fifth of the peak is passed', () => {
    // A bell has a fifth of its height 1.794 SD before its middle.
    expect(one().peaks.pelvis!.onsetMs!).toBeCloseTo(-80 - 1.794 * 45, -0.7);
  });

  it('is found in noise', () => {
    const random = randomFrom(12);
    const series = Object.fromEntries(
      Object.entries(seriesOf({})).map(([s, list]) => [s, list.map((x) => x + random.normal(0, 25))]),
    );
    const { gapsMs, verdict } = readSequence({ throws: [{ ...thrown(), series }] }).throws[0]!;
    expect(Math.abs(gapsMs['pelvis-trunk']! - 35)).toBeLessThan(8);
    expect(verdict).toEqual([]);
  });

  it('that is good has nothing said against it', () => {
    const good = one();
    expect(good.verdict).toEqual([]);
    expect(good.startedBy).toBe('pelvis');
    expect(good.gains['pelvis-trunk']).toBeCloseTo(1050 / 620, 1);
  });

  it.each([
    ['turn-together', { trunk: [-76, 45, 1050], 'glove-arm': [-78, 45, 800] }, 'gapMs', 4],
    ['late-hips', { pelvis: [-80, 45, 350] }, 'pelvisDegPerS', 345],
    ['arm-only', { 'upper-arm': [-70, 40, 1600] }, 'leadMs', 25],
    ['push-arm', { forearm: [-30, 30, 2300] }, 'leadMs', 15],
    ['glove-pull', { 'glove-arm': [-110, 45, 900] }, 'leadMs', 30],
  ] as const)('with %s says so, and with what number', (finding, shape, name, about) => {
    const { verdict } = one(shape);
    expect(verdict.map((v) => v.finding)).toEqual([finding]);
    const number = verdict[0]!.numbers[name]!;
    expect(Math.abs(number - about)).toBeLessThan(6);
    expect(verdict[0]!.sentence).toContain(String(number));
  });

  it('is not said to start with the glove that goes along, however fast; only early, or early beside a slow pelvis', () => {
    expect(one({ 'glove-arm': [-50, 45, 1500] }).startedBy).toBe('pelvis');
    const along: Shape = { 'glove-arm': [-70, 30, 900] };
    expect(one(along).startedBy).toBe('pelvis');
    expect(one({ ...along, pelvis: [-80, 45, 350] }).startedBy).toBe('glove-arm');
  });

  it('says how much of their speed hips and trunk have lost by release', () => {
    const stops = (left: number) =>
      Array.from({ length: Math.round(SECONDS * RATE) }, (_, n) => {
        const s = n / RATE;
        return s < 0.4 ? 2 : s > 0.58 ? 2 * left : 2 - (2 - 2 * left) * ((s - 0.4) / 0.18);
      });
    const braced = one({}, { linear: { hip: stops(0.3), trunk: stops(0.6) } });
    expect(braced.shutOff.pelvis).toBeCloseTo(0.7, 1);
    expect(braced.shutOff.trunk).toBeCloseTo(0.4, 1);
    expect(braced.verdict).toEqual([]);
    expect(one({}, { linear: { hip: stops(0.8) } }).verdict.map((v) => v.finding)).toEqual(['no-brace']);
  });

  it('has the separation that the two turns make', () => {
    // The area under a bell is height × SD × √(2π); both are done at the end, the pelvis sooner.
    const { separation } = one({ pelvis: [-150, 40, 600], trunk: [-60, 40, 600] });
    expect(separation!.max).toBeGreaterThan(40);
    expect(separation!.max).toBeLessThan(0.6 * 40 * Math.sqrt(2 * Math.PI));
    expect(separation!.maxAfterContactMs).toBeCloseTo(45, -1);
    expect(one({}, { contactS: undefined }).separation).toBeUndefined();
  });

  it('without a release is told against the fastest moment of the forearm', () => {
    const { contactS: _, releaseS: __, ...bare } = thrown();
    const { peaks } = readSequence({ throws: [bare] }).throws[0]!;
    expect(peaks.forearm!.timeMs).toBeCloseTo(0, 1);
    expect(peaks.pelvis!.timeMs).toBeCloseTo(-84, -0.5);
  });
});

describe('several throws', () => {
  it('are told together, with who breaks the order and what effort does', () => {
    const answer = readSequence({
      throws: [
        thrown(),
        thrown({ pelvis: [-78, 45, 600] }),
        thrown({ 'upper-arm': [-70, 40, 1600] }),
        thrown({ pelvis: [-80, 45, 500] }, { effort: 80 }),
      ],
    });
    expect(answer.consistency.brokenOrder).toEqual([2]);
    expect(answer.consistency.gapsMs['pelvis-trunk']!.mean).toBeCloseTo(34.5, -0.5);
    expect(answer.consistency.byEffort!.pelvis!.less).toBeLessThan(answer.consistency.byEffort!.pelvis!.full);
    expect(answer.evidence!.peaksMs.trunk).toBeCloseTo(-45, -0.5);
  });

  it('are the same each, whatever their order', () => {
    const list = [thrown(), thrown({ trunk: [-70, 45, 1000] }), thrown({ pelvis: [-90, 45, 300] })];
    const there = readSequence({ throws: list });
    const back = readSequence({ throws: [...list].reverse() });
    expect([...back.throws].reverse()).toEqual(there.throws);
    expect(back.evidence).toEqual(there.evidence);
    expect(back.consistency.peaks).toEqual(there.consistency.peaks);
  });
});
