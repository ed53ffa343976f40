import fc from 'fast-check';
import { asymmetryOf, movedBy, peakPower, readingFault, slouchLoss, valueOf } from './readings';
import { bandFor, bodyTestById } from './catalogue';
import type { AthleteProfile } from '../athlete/athlete';

const ON = '2026-05-04';
const adult: AthleteProfile = {
  discipline: 'overhand',
  throws: 'R',
  birthDate: '2000-01-01',
  heightM: 1.83,
  massKg: 85,
  level: 'adult',
};
const youth: AthleteProfile = { ...adult, birthDate: '2012-01-01', level: 'youth' };
const hip = bodyTestById('hip-internal-rotation');
const band = bandFor(hip, adult, ON);

describe('a value from readings', () => {
  it('is their mean with the reading error over √n, graded by ≥', () => {
    expect(valueOf(hip, [28, 32], band)).toEqual({ value: 30, sd: 2.12, spread: 4, count: 2, grade: 'watch', again: false });
    expect(valueOf(hip, [29.9], band)).toMatchObject({ grade: 'limit', sd: 3 });
    expect(valueOf(hip, [40, 40], band).grade).toBe('pass');
  });

  it('asks for a third where two are further apart than readings are', () => {
    expect(valueOf(hip, [30, 41], band)).toMatchObject({ again: true, spread: 11 });
    expect(valueOf(hip, [30, 41], band).sd).toBeGreaterThan(5);
    expect(valueOf(hip, [30, 41, 36], band).again).toBe(false);
  });

  it('takes the best of a jump, a hold of balance or a push', () => {
    const jump = bodyTestById('vertical-jump');
    expect(valueOf(jump, [24, 27, 26], bandFor(jump, adult, ON))).toMatchObject({ value: 27, again: false });
  });

  it('lies between its readings, and is surer with more of them', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 20, max: 50 }), { minLength: 1, maxLength: 6 }), (readings) => {
        const { value, sd } = valueOf(hip, readings, band);
        expect(value).toBeGreaterThanOrEqual(Math.min(...readings));
        expect(value).toBeLessThanOrEqual(Math.max(...readings));
        expect(sd).toBeGreaterThan(0);
        const mean = valueOf(hip, [30, 30], band).sd;
        expect(valueOf(hip, [30, 30, 30, 30], band).sd).toBeLessThan(mean);
      }),
    );
    expect(() => valueOf(hip, [], band)).toThrow(RangeError);
  });
});

describe('two sides', () => {
  it('differ from ten degrees on, or from fifteen per cent on', () => {
    expect(
      asymmetryOf(
        hip,
        new Map([
          ['drive', 30],
          ['lead', 40],
        ]),
      ),
    ).toEqual({ test: hip.id, difference: -10, weaker: 'drive' });
    expect(
      asymmetryOf(
        hip,
        new Map([
          ['drive', 30.5],
          ['lead', 40],
        ]),
      ),
    ).toBeNull();
    const wall = bodyTestById('knee-to-wall');
    expect(
      asymmetryOf(
        wall,
        new Map([
          ['drive', 10],
          ['lead', 8.5],
        ]),
      ),
    ).toMatchObject({ weaker: 'lead' });
    expect(
      asymmetryOf(
        wall,
        new Map([
          ['drive', 10],
          ['lead', 8.6],
        ]),
      ),
    ).toBeNull();
    expect(asymmetryOf(wall, new Map([['drive', 10]]))).toBeNull();
  });
});

describe('other judgements', () => {
  it('call ten degrees lost by slouching a finding', () => {
    expect(slouchLoss(45, 35)).toEqual({ lost: 10, finding: true });
    expect(slouchLoss(45, 35.5).finding).toBe(false);
  });

  it('call a change after a hold real only beyond what readings differ by', () => {
    expect(movedBy(hip, [30, 30], [31, 32])).toMatchObject({ change: 1.5, real: false });
    expect(movedBy(hip, [30, 30], [37, 38])).toMatchObject({ real: true });
    expect(movedBy(hip, [30], [])).toBeNull();
  });

  it('work out the power of a jump as published', () => {
    // 60.7 · 50 cm + 45.3 · 80 kg − 2055 = 4604 W
    expect(peakPower(50 / 2.54, 80)).toEqual({ watts: 4604, perKg: 57.6 });
    expect(peakPower(0, 20).watts).toBe(0);
  });

  it('name a reading that cannot be', () => {
    expect(readingFault('hip-internal-rotation', 'drive', 300, adult, ON)).toContain('cannot be a reading');
    expect(readingFault('hip-internal-rotation', 'none', 30, adult, ON)).toContain('drive or lead');
    expect(readingFault('single-leg-squat', 'drive', 1.5, adult, ON)).toContain('0, 1, 2 or 3');
    expect(readingFault('squat-strength', 'none', 1.5, youth, ON)).toContain('adults');
    expect(readingFault('squat-strength', 'none', 1.5, adult, ON)).toBeNull();
  });
});
