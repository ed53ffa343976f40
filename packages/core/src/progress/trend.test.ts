import { addDays } from '../shared/dates';
import { randomFrom } from '../shared/random';
import type { AthleteProfile } from '../athlete/athlete';
import { expectedGrowthMph } from './growth';
import { ownBestShare, summariseSession } from './session-summary';
import { spikeGap } from './spread';
import { trend } from './trend';
import type { TrendReading } from './trend';

const athlete: AthleteProfile = {
  discipline: 'overhand',
  throws: 'R',
  birthDate: '2004-01-01',
  heightM: 1.85,
  massKg: 85,
  level: 'college',
};
const start = '2026-01-05';

/** A season with a known gain, gun offset and effort slope. */
function season(seed: number, gain: number, { offset = 0, slope = 0.006, weeks = 12 } = {}): TrendReading[] {
  const random = randomFrom(seed);
  return Array.from({ length: weeks }, (_, week) => {
    const effect = random.normal(0, 0.6);
    return Array.from({ length: 7 }, (_, n): TrendReading => {
      const effort = n < 3 ? 80 : 100;
      const level = 80 + (gain * week) / (weeks - 1) + effect;
      const gun = week >= weeks / 2 && offset !== 0 ? 'B' : 'A';
      const speed = level * (1 - slope * (100 - effort)) + (gun === 'B' ? offset : 0) + random.normal(0, 0.8);
      return {
        date: addDays(start, 7 * week),
        speed: Math.round(10 * speed) / 10,
        unit: 'mph',
        effort,
        gun,
        angleDeg: 0,
        setting: 'mound',
      };
    });
  }).flat();
}
const read = (readings: TrendReading[], more = {}) => trend({ on: '2026-06-01', athlete, readings, ...more });

describe('trend', () => {
  it('holds the true gain about as often as it says', () => {
    const random = randomFrom(5);
    let inside = 0;
    const seasons = 40;
    for (let n = 0; n < seasons; n++) {
      const gain = 5 * random.uniform() - 1;
      const { low, high } = read(season(100 + n, gain)).gain!;
      if (low <= gain && gain <= high) inside++;
    }
    expect(inside / seasons).toBeGreaterThan(0.78);
  });

  it('finds a clear gain and says so, and does not see one that is not there', () => {
    const clear = read(season(1, 5));
    expect(clear.gain!.low).toBeGreaterThan(1);
    expect(clear.sentence).toMatch(/^Up /);
    expect(clear.beyondGrowth!.probability).toBeGreaterThan(0.95);
    const none = read(season(2, 0));
    expect(none.gain!.low).toBeLessThan(0);
    expect(none.gain!.high).toBeGreaterThan(0);
  });

  it('learns a gun’s offset from shared throws, and widens the band without any', () => {
    const readings = season(3, 2, { offset: 1.5 });
    const pairs = Array.from({ length: 8 }, (_, n) => ({
      date: addDays(start, n),
      gunA: 'B',
      gunB: 'A',
      difference: 1.4 + 0.05 * n,
    }));
    const known = read(readings, { pairs });
    const blind = read(readings);
    const b = known.guns.find((g) => g.gun === 'B')!;
    expect(b.low).toBeLessThan(1.5);
    expect(b.high).toBeGreaterThan(1.5);
    expect(blind.gain!.high - blind.gain!.low).toBeGreaterThan(known.gain!.high - known.gain!.low);
    expect(blind.warnings.join()).toContain('never seen on the same day');
  });

  it('tells effort that buys speed from effort that does not', () => {
    expect(read(season(4, 1)).effort.flatAbove80).toBe(false);
    expect(read(season(4, 1, { slope: 0 })).effort.flatAbove80).toBe(true);
  });

  it('corrects the angle of the gun and leaves out what is too far off', () => {
    const readings = season(6, 0).map((r) => ({ ...r, angleDeg: 15, speed: r.speed * Math.cos((15 * Math.PI) / 180) }));
    const straight = read(season(6, 0)).series[0]!.level;
    expect(read(readings).series[0]!.level).toBeCloseTo(straight, 0);
    expect(read(season(6, 0).map((r, i) => (i === 0 ? { ...r, angleDeg: 50 } : r))).warnings.join()).toContain('left out');
  });

  it('gives the same in km/h', () => {
    const mph = read(season(7, 3));
    const kmh = read(season(7, 3).map((r) => ({ ...r, speed: r.speed * 1.609344, unit: 'km/h' as const })));
    expect(kmh.gain!.mean / 1.609344).toBeCloseTo(mph.gain!.mean, 1);
  });

  it('is moved little by one misread, whatever was read and when, and names it', () => {
    const plain = season(11, 3);
    const gain = read(plain).gain!.mean;
    for (const [at, speed] of [
      [0, 40],
      [5, 160],
      [6, 22],
      [40, 41],
      [40, 110],
      [80, 39.5],
      [83, 158],
      [83, 63],
    ] as const) {
      const slipped = read(plain.map((r, i) => (i === at ? { ...r, speed } : r)));
      expect([at, speed, Math.abs(slipped.gain!.mean - gain) < 0.8]).toEqual([at, speed, true]);
      expect(slipped.misreads.map((m) => m.reading)).toEqual([at]);
      expect(slipped.warnings.join()).toContain(`${speed} mph on`);
    }
    expect(read(plain).misreads).toEqual([]);
    expect(read(plain.map((r, i) => (i === 83 ? { ...r, speed: 40 } : r))).warnings.join()).toContain('about half');
  });

  it('believes a day of few readings that is merely good, and one of an honest drop', () => {
    const best = season(12, 1).map((r, i) => (i === 45 ? { ...r, speed: r.speed + 3 } : r));
    expect(read(best).misreads).toEqual([]);
    const hurt = season(13, 0).map((r) => (r.date > addDays(start, 60) ? { ...r, speed: r.speed - 6 } : r));
    expect(read(hurt).misreads).toEqual([]);
    expect(read(hurt).gain!.high).toBeLessThan(-2);
  });

  it('admits a step that came within ten days and stays', () => {
    for (let seed = 20; seed < 32; seed++)
      for (const step of [3, -3]) {
        const stepped = season(seed, 0).map((r) => (r.date >= addDays(start, 42) ? { ...r, speed: r.speed + step } : r));
        const { low, high } = read(stepped).gain!;
        expect([seed, step, low - 0.5 <= step && step <= high + 0.5]).toEqual([seed, step, true]);
      }
  });

  it('takes no change of gun for a change of speed', () => {
    const changed = read(season(14, 0, { offset: 1.4 }));
    expect(changed.gain!.low).toBeLessThan(0);
    expect(changed.gain!.high).toBeGreaterThan(0);
    const b = changed.guns.find((g) => g.offset !== 0 || g.low !== g.high)!;
    expect(b.low).toBeLessThan(1.4);
    expect(b.high).toBeGreaterThan(1.4);
  });

  it('says the same in any order of the readings', () => {
    const readings = season(15, 2);
    const { misreads: _, ...same } = read(readings);
    const { misreads: __, ...turned } = read([...readings].reverse());
    expect(turned.gain!.mean).toBeCloseTo(same.gain!.mean, 1);
    expect(turned.sentence).toBe(same.sentence);
  });

  it('says what is missing with no day and with one', () => {
    expect(read([]).sentence).toBe('No speed has been read yet.');
    expect(read(season(8, 0).slice(0, 7)).gain).toBeNull();
  });
});

describe('growth', () => {
  it('is the table’s rate, birthdays counted where they fall', () => {
    expect(expectedGrowthMph('overhand', '2013-01-01', '2026-01-01', '2027-01-01')).toBeCloseTo(5, 1);
    expect(expectedGrowthMph('windmill', '2008-07-02', '2026-01-01', '2027-01-01')).toBeCloseTo(0.75, 1);
    expect(expectedGrowthMph('overhand', '2000-01-01', '2026-01-01', '2027-01-01')).toBe(0);
  });
});

describe('session', () => {
  const set = (speeds: number[], effort = 100) => speeds.map((speed) => ({ speed, unit: 'mph' as const, effort }));

  it('is summed up in the order thrown', () => {
    const summary = summariseSession(set([70, 72, 74, 71, 69, 68]))!;
    expect(summary).toMatchObject({ n: 6, top: 74, median: 70.5, fullEffort: 6 });
    expect(summary.bestThree).toBeCloseTo(72.33, 2);
    expect(summary.fade).toBeCloseTo(-2.5, 9);
    expect(summariseSession([])).toBeNull();
  });

  it('counts a spike only when it stands out', () => {
    expect(spikeGap(set([73.9, 74.4, 73.6, 74.1, 77.3, 74.2, 73.7, 74.5]))).toMatchObject({ outlying: true });
    expect(spikeGap(set([73.9, 74.4, 73.6, 74.1, 74.9, 74.2, 73.7, 74.5]))).toMatchObject({ outlying: false });
    expect(spikeGap(set([73, 74, 75]))).toBeNull();
  });

  it('knows how often the best is repeated', () => {
    expect(ownBestShare([...set([80, 79.5, 78, 70]), ...set([90], 60)])).toBe(0.5);
    expect(ownBestShare(set([80], 60))).toBeNull();
  });
});
