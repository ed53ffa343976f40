import fc from 'fast-check';
import { inTurningOrder, POSITIONS, positionOf, turnCost, turningOver } from './order';
import type { TestStep } from './order';
import { BODY_TESTS } from './catalogue';

const EVERY: TestStep[] = BODY_TESTS.flatMap((test) => test.sides.map((side) => ({ test: test.id, side })));
const someSteps = fc.subarray(EVERY, { minLength: 1 });
const keyOf = (s: TestStep) => `${s.test}:${s.side}`;

describe('the order of a body check', () => {
  it('keeps every step once and takes up each position once', () => {
    fc.assert(
      fc.property(someSteps, (steps) => {
        const ordered = inTurningOrder(steps);
        expect(ordered.map(keyOf).sort()).toEqual(steps.map(keyOf).sort());
        const positions = ordered.map(positionOf).filter((p, i, all) => p !== all[i - 1]);
        expect(new Set(positions).size).toBe(positions.length);
      }),
    );
  });

  it('never makes the athlete turn over more than any other order of positions would', () => {
    fc.assert(
      fc.property(fc.shuffledSubarray(EVERY, { minLength: 1 }), fc.constantFrom(...POSITIONS), (steps, start) => {
        expect(turningOver(inTurningOrder(steps, start), start)).toBeLessThanOrEqual(turningOver(steps, start) + 1e-9);
      }),
    );
  });

  it('does not depend on the order in which the tests were named', () => {
    fc.assert(
      fc.property(fc.shuffledSubarray(EVERY, { minLength: EVERY.length }), (steps) => {
        expect(inTurningOrder(steps).map(keyOf)).toEqual(inTurningOrder(EVERY).map(keyOf));
      }),
    );
  });

  it('lies on the other side for a lifted leg, on the same side for a plank', () => {
    expect(positionOf({ test: 'abductor-hold', side: 'lead' })).toBe('on-drive-side');
    expect(positionOf({ test: 'side-plank', side: 'drive' })).toBe('on-drive-side');
    expect(positionOf({ test: 'side-plank', side: 'lead' })).toBe('on-lead-side');
  });

  it('costs the same there and back, nothing to stay, and two quarter turns from back to face', () => {
    for (const a of POSITIONS)
      for (const b of POSITIONS) {
        expect(turnCost(a, b)).toBe(turnCost(b, a));
        expect(turnCost(a, b) > 0).toBe(a !== b);
      }
    expect(turnCost('supine', 'prone')).toBe(2);
    expect(turnCost('on-lead-side', 'prone')).toBe(1);
  });
});
