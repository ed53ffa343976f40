import { randomFrom } from '../shared/random';
import { campGain } from './gain';
import type { CampReading } from './gain';

const [FIRST, LAST] = ['2026-06-01', '2026-06-03'];
const read = (date: string, speeds: readonly number[], gun = 'Mill gun', effort = 95): CampReading[] =>
  speeds.map((speed) => ({ date, speed, effort, gun }));

it('tells first against last by the gun that read both, and nothing by a gun that read one', () => {
  const gain = campGain(
    [...read(FIRST, [60, 61, 62]), ...read(LAST, [66, 67, 68]), ...read(LAST, [90, 91, 92, 93, 94], 'Other')],
    3,
    'mph',
  );
  expect([gain.gun, gain.first!.mean, gain.last!.mean, gain.change!.by, gain.change!.differs]).toEqual([
    'Mill gun',
    61,
    67,
    6,
    true,
  ]);
  expect(gain.sentence).toContain('not yet what stays');
});

it('calls no change what throws differ by themselves, in either direction', () => {
  for (const last of [
    [61, 61.5, 62],
    [59.5, 60, 60.5],
  ]) {
    const { change, sentence } = campGain([...read(FIRST, [60, 61, 62]), ...read(LAST, last)], 3, 'mph');
    expect(change!.differs).toBe(false);
    expect(sentence).toContain('no change can be told');
  }
});

it('promises nothing of one day, of easy throws and of nothing', () => {
  expect(campGain(read(FIRST, [60, 61]), 1, 'mph').sentence).toContain('A camp of one day reads once');
  expect(campGain(read(FIRST, [60, 61]), 2, 'mph').sentence).toContain('Read on one day alone');
  expect(campGain(read(FIRST, [60], 'Mill gun', 80), 2, 'mph')).toMatchObject({ gun: null, first: null, change: null });
  expect(campGain([], 2, 'mph').sentence).toBe('No speed was read at the camp.');
});

it('is the same in whatever order readings come, and turns its sign with the days', () => {
  const readings = [...read(FIRST, [60, 62, 61]), ...read(LAST, [63, 64])];
  expect(campGain([...readings].reverse(), 3, 'mph')).toEqual(campGain(readings, 3, 'mph'));
  const turned = readings.map((r) => ({ ...r, date: r.date === FIRST ? LAST : FIRST }));
  expect(campGain(turned, 3, 'mph').change!.by).toBe(-campGain(readings, 3, 'mph').change!.by);
});

it.each([
  ['as throws usually are', 0.018],
  ['steady', 0.012],
  ['wild', 0.026],
])('covers the true change about nine times in ten: %s', (_, spread) => {
  const random = randomFrom(871);
  const camps = 2000;
  let inside = 0;
  let called = 0;
  for (let camp = 0; camp < camps; camp++) {
    const [level, truth] = [40 + 45 * random.uniform(), random.normal(0, 1.5)];
    // Each day has its own form.
    const throws = (mean: number) => {
      const form = random.normal(0, 0.5);
      return Array.from({ length: 3 }, () => random.normal(mean + form, spread * level));
    };
    const { change } = campGain([...read(FIRST, throws(level)), ...read(LAST, throws(level + truth))], 2, 'mph');
    if (Math.abs(change!.by - truth) <= change!.error) inside++;
    const still = campGain([...read(FIRST, throws(level)), ...read(LAST, throws(level))], 2, 'mph');
    if (still.change!.differs) called++;
  }
  expect(inside / camps).toBeGreaterThan(spread > 0.02 ? 0.84 : 0.87);
  expect(inside / camps).toBeLessThan(spread < 0.015 ? 0.98 : 0.94);
  // Where nothing has changed, a change is called one time in ten at most, or near it for wild arms.
  expect(called / camps).toBeLessThan(spread > 0.02 ? 0.16 : 0.12);
});
