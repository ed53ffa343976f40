import { speedKinds, usualSpeeds } from './speed-kinds';
import type { ThrownKind } from './speed-kinds';

const labels = (readings: readonly ThrownKind[], discipline: 'overhand' | 'windmill' = 'overhand') =>
  speedKinds(readings, discipline).map((k) => [k.label, k.readings.length]);

it('takes what nobody named as the fastball with the usual ball over the whole distance', () => {
  expect(labels([{}, { pitch: null, ballG: null, distanceM: null }, { pitch: 'fastball', ballG: 145, distanceM: 18.4 }])).toEqual(
    [['fastball', 3]],
  );
});

it('tells pitches, balls and short throws apart, the usual first, then by how many there are', () => {
  const readings = [
    { pitch: 'change' },
    { pitch: 'change', distanceM: 18 },
    { ballG: 200 },
    { distanceM: 18 },
    { distanceM: 9 },
    { pitch: 'breaking', ballG: 100, distanceM: 5 },
  ];
  expect(labels(readings)).toEqual([
    ['fastball', 1],
    ['change', 2],
    ['breaking, ball of 100 g, short distance', 1],
    ['fastball, ball of 200 g', 1],
    ['fastball, short distance', 1],
  ]);
  expect(usualSpeeds(readings, 'overhand')).toEqual([{ distanceM: 18 }]);
});

it('takes no throw for short because one went far', () => {
  const game = Array.from({ length: 12 }, () => ({ distanceM: 18.4 }));
  expect(labels([...game, { distanceM: 60 }])).toEqual([
    ['fastball', 12],
    ['fastball, long distance', 1],
  ]);
  expect(labels([...game, ...Array.from({ length: 30 }, () => ({ distanceM: 9 }))])).toEqual([
    ['fastball', 12],
    ['fastball, short distance', 30],
  ]);
});

it('knows the ball of each discipline', () => {
  expect(labels([{ ballG: 188 }], 'windmill')).toEqual([['fastball', 1]]);
  expect(labels([{ ballG: 188 }])).toEqual([['fastball, ball of 188 g', 1]]);
  expect(labels([{ ballG: 142 }], 'windmill')).toEqual([['fastball, ball of 142 g', 1]]);
});

it('keeps the order within a kind, and is nothing of nothing', () => {
  const readings = [1, 2, 3].map((n) => ({ n, pitch: n === 2 ? 'rise' : null }));
  expect(usualSpeeds(readings, 'windmill').map((r) => r.n)).toEqual([1, 3]);
  expect(speedKinds([], 'overhand')).toEqual([]);
  expect(usualSpeeds([{ pitch: 'rise' }], 'windmill')).toEqual([]);
});
