import { randomFrom } from '../shared/random';
import { fatigueOf } from './fatigue';
import type { Judgement } from '../log/entries';

const mph = (speeds: readonly number[], effort = 100) => speeds.map((speed) => ({ speed, unit: 'mph' as const, effort }));
const reps = (text: string): Judgement[] => [...text].map((c) => ({ g: 'good', c: 'close', o: 'off' })[c] as Judgement);

describe('fatigue in speed', () => {
  it('says nothing with fewer than three throws in a third', () => {
    expect(fatigueOf(mph([70, 70, 70, 66, 66, 66, 60, 60]), [])).toEqual({ speed: null, good: null, stop: null });
  });

  it('sees a loss of five per cent over fifteen throws, with its interval, in any unit', () => {
    const speeds = [70, 70.6, 69.6, 70.2, 69.8, 69, 68.4, 68.8, 67.9, 68.2, 66.4, 66.9, 66.2, 66.6, 66.4];
    const { speed, stop } = fatigueOf(mph(speeds), []);
    // By hand: 70.04 and 66.50, 5.05 %.
    expect(speed!.percent).toBeCloseTo(5.05, 1);
    expect(speed!.n).toBe(5);
    expect(speed!.low).toBeGreaterThan(3);
    expect(stop).toContain('the last 5 throws are 5.1 % slower than the first 5');
    const kmh = speeds.map((s) => ({ speed: s * 1.609344, unit: 'km/h' as const, effort: 100 }));
    expect(fatigueOf(kmh, []).speed!.percent).toBeCloseTo(speed!.percent, 9);
  });

  it('holds throws against throws of the same kind, ball and gun, however the session goes on', () => {
    const steady = [70, 70.4, 69.8, 70.1, 70.2, 69.9, 70.3, 70, 69.7];
    const mound = mph(steady).map((r) => ({ ...r, gun: 'A', setting: 'mound', pitch: 'fastball' }));
    const others = [
      mph(steady.map((s) => s - 5)).map((r) => ({ ...r, gun: 'A', setting: 'drill' })),
      mph(steady.map((s) => s - 6)).map((r) => ({ ...r, gun: 'A', setting: 'mound', pitch: 'changeup' })),
      mph(steady.map((s) => s - 4)).map((r) => ({ ...r, gun: 'B', setting: 'mound', pitch: 'fastball' })),
    ];
    for (const other of others) {
      // Slower because it is something else, before or after: neither tires anybody, nor hides who is tired.
      for (const session of [
        [...mound, ...other],
        [...other, ...mound],
      ]) {
        expect(fatigueOf(session, []).stop).toBeNull();
        expect(fatigueOf(session, []).speed!.n).toBe(3);
      }
      const tiring = mound.map((r, n) => ({ ...r, speed: r.speed - (n >= 6 ? 5 : 0) }));
      expect(fatigueOf([...other, ...tiring], []).stop).toContain('slower');
      // One throw of another kind after that makes nobody fresh.
      expect(fatigueOf([...tiring, other[0]!], []).stop).toContain('slower');
    }
  });

  it('calls an athlete who is steady in two kinds of throw tired in fewer than one session of ten', () => {
    const random = randomFrom(77);
    const steady = (speed: number, setting: string) =>
      Array.from({ length: 15 }, () => ({
        speed: speed * (1 + random.normal(0, 0.016)),
        unit: 'mph' as const,
        effort: 100,
        setting,
      }));
    let told = 0;
    for (let n = 0; n < 400; n++) if (fatigueOf([...steady(64, 'drill'), ...steady(70, 'mound')], []).stop !== null) told++;
    expect(told).toBeLessThan(40);
  });

  it('reads a set that climbs in effort at one effort', () => {
    const climbing = [80, 80, 80, 90, 90, 90, 100, 100, 100].map((effort) => ({
      speed: 75 * (1 - 0.006 * (100 - effort)),
      unit: 'mph' as const,
      effort,
    }));
    expect(fatigueOf(climbing, []).speed!.percent).toBeCloseTo(0, 9);
    expect(fatigueOf(mph([50, 50, 50, 40, 40, 40, 30, 30, 30], 60), []).speed).toBeNull();
  });

  it('calls a steady athlete tired in fewer than one session of twenty, and a loss of six per cent in most', () => {
    const called = (loss: number) => {
      let stops = 0;
      for (let n = 0; n < 400; n++) {
        const random = randomFrom(81_000 + n);
        const speeds = Array.from({ length: 18 }, (_, k) => 70 * (1 - (loss * k) / 17) * (1 + random.normal(0, 0.016)));
        if (fatigueOf(mph(speeds), []).stop) stops++;
      }
      return stops / 400;
    };
    expect(called(0)).toBeLessThan(0.05);
    expect(called(0.06)).toBeGreaterThan(0.6);
  });
});

describe('fatigue in reps', () => {
  it('sees nine good of ten go to three', () => {
    const { good, stop } = fatigueOf([], reps('ggggggggog' + 'ggcgogcggc' + 'oogoogogoo'));
    expect(good).toMatchObject({ first: 0.9, last: 0.3, n: 10 });
    expect(good!.probability).toBeGreaterThan(0.99);
    expect(stop).toBe('It looks like fatigue: good reps have fallen from 90 % to 30 %. Better to stop here.');
  });

  it('keeps quiet where it is steady, where it gets better, and where it is too early', () => {
    expect(fatigueOf([], reps('gogogogogogogogogogogogo')).stop).toBeNull();
    expect(fatigueOf([], reps('ooooogogoggggggggggggggg')).stop).toBeNull();
    expect(fatigueOf([], reps('ggggoooogggg')).good).toBeNull();
  });

  it('is half sure of the same in both thirds', () => {
    expect(fatigueOf([], reps('gogog' + 'ggggg' + 'gogog')).good!.probability).toBeCloseTo(0.5, 2);
  });
});
