import fc from 'fast-check';
import { doubtOf, takeIn, throwOf } from './radar';

const OWN = [66, 68, 69, 70, 67];
const ask = (mph: number, before: { mph: number; at: number } | null = null, own = OWN, age = 15) =>
  doubtOf({ mph, at: 10_000 }, before, own, age, 'overhand');

describe('an odd reading', () => {
  it.each([
    ['a throw like the others', 69, null, null],
    ['a best that is believable', 74, null, null],
    ['a bat', 34, null, 'slow'],
    ['a car', 85, null, 'fast'],
    ['the same ball, slower, a second later', 64, { mph: 69, at: 9000 }, 'double'],
    ['a second ball of the same speed, five seconds later', 69, { mph: 69, at: 5000 }, null],
    ['a faster one straight after: not the same ball', 70, { mph: 66, at: 9500 }, null],
  ] as const)('%s', (_, mph, before, expected) => {
    expect(ask(mph, before)).toBe(expected);
  });

  it('is held against the age where no speeds are known', () => {
    expect([ask(70, null, [], 11), ask(80, null, [], 11), ask(80, null, [], 17), ask(15, null, [], 11)]).toEqual([
      null,
      'fast',
      null,
      'slow',
    ]);
    expect(doubtOf({ mph: 70, at: 0 }, null, [], 13, 'windmill')).toBe('fast');
    // A speed in the other unit reads 1.6 times as fast.
    expect(ask(69 * 1.609)).toBe('fast');
  });

  it('leaves nine in ten of an athlete’s own throws alone', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.9, max: 1.08, noNaN: true }), (share) => {
        expect(ask(68 * share)).toBeNull();
      }),
    );
  });
});

describe('which throw it was', () => {
  const at = (seconds: number) => ({ id: String(seconds), at: 1000 * seconds });
  const reading = { mph: 70, at: 100_000 };
  it('is the one that is tapped after it, or was just before', () => {
    expect(throwOf(reading, [at(104)])).toEqual(at(104));
    expect(throwOf(reading, [at(98)])).toEqual(at(98));
  });
  it('is none of long ago or much later', () => {
    expect(throwOf(reading, [at(90), at(120)])).toBeNull();
  });
  it('is asked when two may have been it', () => {
    expect(throwOf(reading, [at(99), at(106)])).toBe('ask');
  });
});

it('counts a resent message once and says what was lost', () => {
  expect(takeIn(null, 7)).toEqual({ isNew: true, lost: 0 });
  expect(takeIn(7, 7)).toEqual({ isNew: false, lost: 0 });
  expect(takeIn(7, 5)).toEqual({ isNew: false, lost: 0 });
  expect(takeIn(7, 8)).toEqual({ isNew: true, lost: 0 });
  expect(takeIn(7, 11)).toEqual({ isNew: true, lost: 3 });
});
