import * as fc from 'fast-check';
import { MARKED_JOINTS } from '@wrightonic/core';
import { EMPTY_MARKS, clipMarksSchema, measureRequestSchema, withoutGlances } from '../index';
import { check } from '../schema/schema';

const isNumber = (value: unknown): boolean => typeof value === 'number' && Math.abs(value) <= Number.MAX_SAFE_INTEGER;

/** The rules of a marked frame's joints, told once more in other words. */
function right(joints: unknown): boolean {
  if (Object.prototype.toString.call(joints) !== '[object Object]') return false;
  return Object.entries(joints as object).every(([joint, point]: [string, unknown]) => {
    if (!(MARKED_JOINTS as readonly string[]).includes(joint)) return false;
    if (Object.prototype.toString.call(point) !== '[object Object]') return false;
    const { x, y, z = 0, sd = 0, by = 'track', ...more } = point as Record<string, unknown>;
    return (
      Object.keys(more).length === 0 &&
      [x, y, z, sd].every(isNumber) &&
      (sd as number) >= 0 &&
      (sd as number) <= 1000 &&
      by === 'track'
    );
  });
}

const junk = fc.oneof(
  fc.double({ noDefaultInfinity: true }),
  fc.integer({ min: -2000, max: 2000 }),
  fc.constantFrom(null, '', '4', true, [], {}, NaN, 1e300, -0, 1000, 1000.0001, -1e-9),
);
const number = fc.double({ min: -5000, max: 5000, noNaN: true });
const point = fc.oneof(
  {
    weight: 5,
    arbitrary: fc.record(
      { x: number, y: number, z: number, sd: fc.double({ min: 0, max: 1000, noNaN: true }), by: fc.constant('track') },
      { requiredKeys: ['x', 'y'] },
    ),
  },
  { weight: 1, arbitrary: fc.record({ x: junk, y: junk, z: junk, sd: junk, by: junk, more: junk }, { requiredKeys: [] }) },
  { weight: 1, arbitrary: junk },
);
const joints = fc.oneof(
  { weight: 8, arbitrary: fc.dictionary(fc.constantFrom(...MARKED_JOINTS), point, { maxKeys: 4 }) },
  {
    weight: 1,
    arbitrary: fc.dictionary(fc.constantFrom('elbow', 'toString', 'constructor', ...MARKED_JOINTS), point, { maxKeys: 3 }),
  },
  { weight: 1, arbitrary: junk },
);

describe('joints that are passed at a glance', () => {
  const marks = (of: unknown) => ({ ...EMPTY_MARKS, frames: [{ frame: 3, joints: of }] });

  it('are the same as those that every rule passes', () => {
    let passed = 0;
    fc.assert(
      fc.property(joints, (of) => {
        const found = check(clipMarksSchema, marks(of));
        expect(found.ok).toBe(right(of));
        if (found.ok) passed++;
      }),
      { numRuns: 3000, seed: 20260511 },
    );
    expect(passed).toBeGreaterThan(600);
    expect(passed).toBeLessThan(2700);
  });

  it('come back as they were, and what is wrong in one is told with its place', () => {
    const good = { head: { x: 1.5, y: -2 }, 'lead-knee': { x: 3, y: 4, sd: 2, by: 'track' } };
    const found = check(clipMarksSchema, marks(good));
    expect(found.ok && found.value.frames[0]!.joints).toEqual(good);
    const wrong = check(clipMarksSchema, marks({ ...good, 'lead-knee': { x: 3, sd: 1001 } }));
    expect(wrong.ok ? [] : wrong.problem.errors.map((e) => e.path)).toEqual(
      expect.arrayContaining(['frames[0].joints.lead-knee.y', 'frames[0].joints.lead-knee.sd']),
    );
  });

  it('still need a third coordinate in 3d', () => {
    const request = {
      discipline: 'overhand',
      throws: 'L',
      fps: 240,
      view: '3d',
      heightM: 1.8,
      scale: null,
      events: {},
      frames: [{ frame: 0, joints: { head: { x: 0, y: 0 } } }],
    };
    const found = check(measureRequestSchema, request);
    expect(found.ok ? '' : found.problem.detail).toContain('frames[0].joints.head.z is missing');
  });
});

describe('a schema for reading', () => {
  const anything = { type: ['array', 'null'] };

  it('says what stands behind a glance, at any depth', () => {
    const told = withoutGlances({
      items: [
        { properties: { joints: { if: anything, then: anything, else: { properties: { a: { if: 1, then: 1, else: 2 } } } } } },
      ],
    });
    expect(told).toEqual({ items: [{ properties: { joints: { properties: { a: 2 } } } }] });
  });

  it('leaves a true condition alone', () => {
    const condition = { if: { const: 1 }, then: { const: 2 }, else: { const: 3 } };
    expect(withoutGlances(condition)).toEqual(condition);
    expect(withoutGlances({ if: anything, then: anything })).toEqual({ if: anything, then: anything });
  });
});
