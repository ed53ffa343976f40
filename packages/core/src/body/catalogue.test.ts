import fc from 'fast-check';
import { bodySide, legRole } from '../delivery/sides';
import type { AthleteProfile } from '../athlete/athlete';
import { bandFor, BODY_TESTS, bodyTestById, gradeOf, isAsymmetric } from './catalogue';

const on = '2026-04-18';
const athlete = (age: number, more: Partial<AthleteProfile> = {}): AthleteProfile => ({
  discipline: 'overhand',
  throws: 'R',
  birthDate: `${2026 - age}-01-01`,
  heightM: 1.83,
  massKg: 80,
  level: age >= 18 ? 'college' : 'high-school',
  ...more,
});

describe('grades', () => {
  it('have no holes: every value has exactly one, and more is never worse', () => {
    const rank = { limit: 0, watch: 1, pass: 2 };
    fc.assert(
      fc.property(
        fc.constantFrom(...BODY_TESTS),
        fc.double({ min: 0, max: 200, noNaN: true }),
        fc.double({ min: 0, max: 20, noNaN: true }),
        (test, value, more) => {
          const band = bandFor(test, athlete(20), on);
          return rank[gradeOf(value + more, band)] >= rank[gradeOf(value, band)];
        },
      ),
    );
  });

  it.each([
    ['hip-internal-rotation', 40, 'pass'],
    ['hip-internal-rotation', 39.9, 'watch'],
    ['hip-internal-rotation', 29.9, 'limit'],
    ['knee-to-wall', 7, 'watch'],
    ['single-leg-squat', 2, 'watch'],
    ['squat-strength', 1.2, 'limit'],
    ['vertical-jump', 28, 'pass'],
  ] as const)('%s at %d is %s for an adult', (id, value, grade) => {
    expect(gradeOf(value, bandFor(bodyTestById(id), athlete(20), on))).toBe(grade);
  });

  it('ask less of a side plank under twelve, and scale jumps of the young by height', () => {
    expect(bandFor(bodyTestById('side-plank'), athlete(11), on)).toEqual({ pass: 25, watch: 12 });
    expect(bandFor(bodyTestById('side-plank'), athlete(12), on)).toEqual({ pass: 45, watch: 25 });
    const small = bandFor(bodyTestById('vertical-jump'), athlete(13, { heightM: 1.5 }), on);
    const tall = bandFor(bodyTestById('vertical-jump'), athlete(13, { heightM: 1.8 }), on);
    expect(small.pass).toBeLessThan(tall.pass);
    expect(tall.pass).toBeLessThan(28);
  });
});

describe('sides', () => {
  it('differ enough from ten degrees, or fifteen percent', () => {
    expect(isAsymmetric(bodyTestById('hip-internal-rotation'), 40, 30)).toBe(true);
    expect(isAsymmetric(bodyTestById('hip-internal-rotation'), 40, 31)).toBe(false);
    expect(isAsymmetric(bodyTestById('abductor-hold'), 20, 17)).toBe(true);
    expect(isAsymmetric(bodyTestById('abductor-hold'), 20, 17.5)).toBe(false);
  });

  it('are roles, the same for either hand', () => {
    expect([bodySide('drive', 'R'), bodySide('lead', 'R'), bodySide('to-glove', 'R')]).toEqual(['right', 'left', 'left']);
    expect([bodySide('drive', 'L'), bodySide('lead', 'L'), bodySide('to-throwing', 'L')]).toEqual(['left', 'right', 'left']);
    for (const hand of ['R', 'L'] as const)
      for (const side of ['left', 'right'] as const) expect(bodySide(legRole(side, hand), hand)).toBe(side);
  });
});
