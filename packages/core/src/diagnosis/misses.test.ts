import fc from 'fast-check';
import { missPattern } from './misses';
import type { Landing } from './misses';

const at = (...points: readonly (readonly [number, number])[]): Landing[] => points.map(([x, y]) => ({ x, y }));

describe('where throws went', () => {
  it.each([
    ['high', at([0.2, 1.4], [-0.9, 1.3], [0.1, 1.8], [-0.6, 1.2], [0.4, 0.2])],
    ['arm-side-high', at([1.2, 1.4], [0.9, 1.3], [1.4, 1.8], [0.8, 1.2], [0.4, 0.2])],
    ['inside-outside', at([1.4, 0.1], [-1.5, 0.2], [1.2, -0.4], [-1.2, 0.3], [0.1, 0.4])],
    ['middle', at([0.1, 0.1], [-0.2, 0.3], [0.3, -0.4], [-0.1, 0.2], [1.2, 0.4])],
    ['none', at([0.8, 0.9], [-0.7, -0.9], [1.2, 0.1], [0.1, -1.3], [0.7, -0.6])],
  ] as const)('%s', (pattern, landings) => {
    expect(missPattern(landings, 'R')).toBe(pattern);
    // Mirrored for the other hand, in whatever order.
    const mirrored = landings.map(({ x, y }) => ({ x: -x, y })).reverse();
    expect(missPattern(mirrored, 'L')).toBe(pattern);
  });

  it('says nothing of a few, and does not hang on their order', () => {
    expect(missPattern(at([0, 2], [0, 2], [0, 2], [0, 2]), 'R')).toBeNull();
    const point = fc.record({ x: fc.double({ min: -2, max: 2, noNaN: true }), y: fc.double({ min: -2, max: 2, noNaN: true }) });
    fc.assert(
      fc.property(fc.array(point, { maxLength: 12 }), (list) => {
        expect(missPattern([...list].reverse(), 'L')).toBe(missPattern(list, 'L'));
      }),
    );
  });
});
