import type { PlanItem } from '@wrightonic/core';
import fc from 'fast-check';
import { doseOf, effortsOf } from './dose';

describe('efforts that may be asked for', () => {
  it.each([
    [[50, 70], 100, [50, 60, 70]],
    [[55, 75], 100, [55, 60, 70, 75]],
    [[60, 60], 100, [60]],
    [[50, 100], 69, [50, 60]],
    [[80, 100], 60, [60]],
    [[80, 100], 40, [50]],
  ] as const)('%j with at most %i %%', (range, ceiling, expected) => {
    expect(effortsOf(range, ceiling)).toEqual(expected);
  });

  it('are never none, never above the range, and above what today allows only where nothing less can be asked', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 50, max: 100 }),
        fc.integer({ min: 0, max: 50 }),
        fc.integer({ min: 50, max: 100 }),
        (from, wide, ceiling) => {
          const to = Math.min(100, from + wide);
          const efforts = effortsOf([from, to], ceiling);
          expect(efforts.length).toBeGreaterThan(0);
          for (const effort of efforts) expect(effort).toBeLessThanOrEqual(Math.min(to, ceiling));
        },
      ),
    );
  });
});

describe('the dose of a day', () => {
  const item = { sets: 2, reps: 8 } as PlanItem;
  it('takes from throws and leaves dry work whole', () => {
    expect([doseOf(item, true, 0.75), doseOf(item, true, 0.5), doseOf(item, false, 0.5)]).toEqual([12, 8, 16]);
  });
});
