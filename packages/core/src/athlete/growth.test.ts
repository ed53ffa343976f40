import { THROWER } from '../testing/athletes';
import { diagnose } from '../diagnosis/diagnose';
import type { DatedEvidence } from '../evidence/evidence';
import { addDays } from '../shared/dates';
import { grownSince, spurtOf } from './growth';

const on = '2026-05-04';
const size = (days: number, heightM: number, massKg = 50) => ({ on: addDays(on, -days), heightM, massKg });

describe('growth', () => {
  it('is counted from the size of that day, in whatever order sizes come', () => {
    const sizes = [size(0, 1.66), size(200, 1.6), size(100, 1.62)];
    expect(grownSince(sizes, addDays(on, -100), on)).toBe(4);
    expect(grownSince(sizes, addDays(on, -150), on)).toBe(6);
    // Before the first size nothing is known: from then on.
    expect(grownSince(sizes, addDays(on, -900), on)).toBe(6);
    expect(grownSince(sizes, on, on)).toBe(0);
    expect(grownSince([], on, on)).toBe(0);
    expect(grownSince([size(0, 1.6), size(100, 1.62)], addDays(on, -100), on)).toBe(0);
  });

  it('is a spurt when it is fast, or heavy with some height, and not when it is slow, old or shrinking', () => {
    expect(spurtOf([size(60, 1.6), size(0, 1.625)], on)).toEqual({ since: addDays(on, -60), cm: 2.5, kg: 0 });
    expect(spurtOf([size(150, 1.6, 50), size(0, 1.61, 54)], on)).toMatchObject({ kg: 4 });
    expect(spurtOf([size(180, 1.6), size(0, 1.62)], on)).toBeNull();
    expect(spurtOf([size(400, 1.6), size(300, 1.66)], on)).toBeNull();
    expect(spurtOf([size(60, 1.6), size(0, 1.6)], on)).toBeNull();
    expect(spurtOf([size(30, 1.6, 50), size(0, 1.6, 60)], on)).toBeNull();
    expect(spurtOf([], on)).toBeNull();
  });

  it('makes older tests and measures count less, and looks not', () => {
    const old = { on: addDays(on, -30) };
    const hip = { kind: 'screen', test: 'hip-internal-rotation', side: 'drive', value: 22, unit: 'deg', ...old } as DatedEvidence;
    const eye = { kind: 'eye', finding: 'stall', answer: 'yes', ...old } as DatedEvidence;
    const judged = (evidence: DatedEvidence, grown: number) =>
      diagnose({ on, athlete: THROWER, evidence: [evidence], sizes: [size(60, 1.6), size(0, 1.6 + grown)] }).posterior;
    expect(judged(hip, 0.06)['drive-hip-ir']!).toBeLessThan(judged(hip, 0)['drive-hip-ir']! - 0.1);
    expect(judged(eye, 0.06).stall).toBe(judged(eye, 0).stall);
  });
});
