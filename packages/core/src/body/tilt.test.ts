import fc from 'fast-check';
import { isSteady, tiltSince, turnSince } from './tilt';

const level = { alpha: 0, beta: 0, gamma: 0 };

describe('a phone as an inclinometer', () => {
  it('reads a tilt about either of its axes', () => {
    for (const deg of [0, 5, 38, 90, 120]) {
      expect(tiltSince(level, { alpha: 0, beta: deg, gamma: 0 })).toBeCloseTo(deg, 9);
      if (deg <= 90) expect(tiltSince(level, { alpha: 0, beta: 0, gamma: deg })).toBeCloseTo(deg, 9);
    }
  });

  it('does not mind how it was strapped on, nor which way it faced', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: -80, max: 80 }),
        fc.integer({ min: 0, max: 60 }),
        fc.integer({ min: 0, max: 359 }),
        (from, by, alpha) => {
          expect(tiltSince({ alpha: 0, beta: from, gamma: 0 }, { alpha, beta: from + by, gamma: 0 })).toBeCloseTo(by, 6);
        },
      ),
    );
  });

  it('is the same there and back', () => {
    const attitude = fc.record({
      alpha: fc.integer({ min: 0, max: 359 }),
      beta: fc.integer({ min: -179, max: 179 }),
      gamma: fc.integer({ min: -89, max: 89 }),
    });
    fc.assert(fc.property(attitude, attitude, (a, b) => expect(tiltSince(a, b)).toBeCloseTo(tiltSince(b, a), 9)));
  });

  it('reads a turn round the vertical, also over north', () => {
    expect(turnSince({ ...level, alpha: 350 }, { ...level, alpha: 30 })).toBeCloseTo(40, 9);
    expect(turnSince({ ...level, alpha: 30 }, { ...level, alpha: 350 })).toBeCloseTo(40, 9);
    expect(turnSince(level, { ...level, alpha: 180 })).toBe(180);
  });
});

describe('steadiness', () => {
  const held = (degrees: readonly number[]) => degrees.map((deg, i) => ({ at: 100 * i, deg }));
  it('wants a while within two degrees', () => {
    expect(isSteady(held([38, 38.5, 37.8, 38, 38.2, 38, 38.1, 38.4, 38]))).toBe(true);
    expect(isSteady(held([38, 38, 38]))).toBe(false);
    expect(isSteady(held([20, 24, 28, 31, 34, 36, 37, 38, 38.5]))).toBe(false);
    expect(isSteady([])).toBe(false);
  });
});
