import { UNITS } from '@wrightonic/core';
import { drawingFrom, drawingPoints, isDrawn } from './draw';
import { angleBetween, leanOf } from './paint';
import { rateSentence, setupWarnings, unevenWarning, unlikeSetups } from '../media/set-up';

describe('a drawing', () => {
  it('takes from the way of the finger what its kind needs', () => {
    const stroke = [
      [0, 0],
      [5, 0],
      [6, 0],
      [20, 10],
    ] as const;
    expect(drawingPoints('line', stroke)).toEqual([
      [0, 0],
      [20, 10],
    ]);
    expect(drawingPoints('angle', stroke)).toEqual([[20, 10]]);
    expect(drawingPoints('path', stroke)).toEqual([
      [0, 0],
      [5, 0],
      [20, 10],
    ]);
    const long = Array.from({ length: 3000 }, (_, i) => [5 * i, 0] as const);
    const thinned = drawingPoints('path', long);
    expect(thinned).toHaveLength(400);
    expect([thinned[0], thinned[399]]).toEqual([
      [0, 0],
      [14995, 0],
    ]);
    expect(drawingPoints('line', [])).toEqual([]);
  });

  it('is none when it was only a touch, or a note without words', () => {
    const at = (kind: 'line' | 'note' | 'angle', points: [number, number][], note = '') =>
      isDrawn(drawingFrom(kind, points, note, 3));
    expect(
      at('line', [
        [1, 1],
        [2, 2],
      ]),
    ).toBe(false);
    expect(
      at('line', [
        [1, 1],
        [20, 2],
      ]),
    ).toBe(true);
    expect(at('note', [[1, 1]], '  ')).toBe(false);
    expect(at('note', [[1, 1]], ' late ')).toBe(true);
    expect(
      at('angle', [
        [1, 1],
        [20, 2],
      ]),
    ).toBe(false);
    expect(drawingFrom('note', [[1, 1]], ' late ', 3)).toMatchObject({ text: 'late', from: 3, to: 3 });
  });

  it('says its angle whichever way it was drawn', () => {
    expect(
      angleBetween([
        [10, 0],
        [0, 0],
        [0, 10],
      ]),
    ).toBeCloseTo(90, 9);
    expect(
      angleBetween([
        [0, 10],
        [0, 0],
        [10, 0],
      ]),
    ).toBeCloseTo(90, 9);
    expect(
      angleBetween([
        [-10, -1],
        [0, 0],
        [-10, 1],
      ]),
    ).toBeCloseTo(11.42, 1);
    expect(
      leanOf([
        [0, 0],
        [10, -10],
      ]),
    ).toBeCloseTo(45, 9);
  });
});

describe('a set-up', () => {
  const plain = { view: 'side-open', distanceM: 6, cameraHeightM: 1, level: true, whole: true } as const;
  it('that is right has no warning; each fault has one', () => {
    expect(setupWarnings(plain, UNITS.cm)).toEqual([]);
    expect(setupWarnings({ ...plain, level: false, whole: false, cameraHeightM: 0.2, distanceM: 2 }, UNITS.cm)).toHaveLength(4);
    expect(setupWarnings({ ...plain, distanceM: null, cameraHeightM: null }, UNITS.cm)).toEqual([]);
  });
  it('unlike another says in what', () => {
    expect(unlikeSetups(plain, { ...plain, distanceM: 7 }, UNITS.cm)).toEqual([]);
    expect(unlikeSetups(plain, { ...plain, distanceM: null }, UNITS.cm)).toEqual([]);
    expect(
      unlikeSetups(plain, { view: 'front', distanceM: 9, cameraHeightM: 2, level: false, whole: false }, UNITS.cm),
    ).toHaveLength(5);
  });
  it('is told in the academy’s own lengths', () => {
    const [near, far] = [
      { ...plain, distanceM: 3 },
      { ...plain, distanceM: 9 },
    ];
    expect(setupWarnings(near, UNITS.cm)).toEqual(['The camera stood nearer than 4 m: what is nearer to it looks larger.']);
    expect(setupWarnings(near, UNITS.in)).toEqual(['The camera stood nearer than 13.1 ft: what is nearer to it looks larger.']);
    expect(unlikeSetups(near, far, UNITS.cm)).toEqual(['the camera stood 3 m and 9 m away']);
    expect(unlikeSetups(near, far, UNITS.in)).toEqual(['the camera stood 9.8 ft and 29.5 ft away']);
  });
  it('says what frames that do not come evenly do to times', () => {
    expect(unevenWarning(0.3, 240)).toBeNull();
    expect(unevenWarning(1.2, 240)).toContain('off by 10 ms');
  });
  it('doubts a rate that makes a throw too short or too long', () => {
    expect(rateSentence(160, 30, 120)).toMatchObject({
      doubtful: false,
      text: expect.stringContaining('4.0 times as slowly') as string,
    });
    expect(rateSentence(60, 30, 240).doubtful).toBe(true);
    expect(rateSentence(60, 30, 30).text).toBe('At 30 a second the 60 frames are 2.0 s of real time.');
  });
});
