import { bandFor, bodyTestById, gradeOf } from '../body/catalogue';
import type { AthleteProfile } from '../athlete/athlete';
import { endOfRange, inclinometerAt, TRY_SECONDS } from './inclinometer';

const ON = '2026-05-04';
const athlete: AthleteProfile = {
  discipline: 'overhand',
  throws: 'R',
  birthDate: '2010-02-11',
  heightM: 1.78,
  massKg: 70,
  level: 'high-school',
};
const drive = { test: 'hip-internal-rotation', side: 'drive' } as const;

describe('the stand-in inclinometer', () => {
  it('ends where the truth has it', () => {
    const test = bodyTestById('hip-internal-rotation');
    const band = bandFor(test, athlete, ON);
    const grades = (present: readonly 'drive-hip-ir'[]) =>
      Array.from({ length: 60 }, (_, seed) => gradeOf(endOfRange(seed, { present: new Set(present) }, athlete, ON, drive), band));
    expect(grades(['drive-hip-ir']).filter((g) => g === 'limit').length).toBeGreaterThan(45);
    expect(grades([]).filter((g) => g === 'pass').length).toBeGreaterThan(45);
  });

  it('goes out, is held, and comes back, the same for the same seed', () => {
    const at = (seconds: number) => inclinometerAt(7, 40, drive, seconds);
    expect(Math.abs(at(0))).toBeLessThan(2);
    expect(Math.abs(at(2) - at(3))).toBeLessThan(2);
    expect(at(2.5)).toBeGreaterThan(30);
    expect(Math.abs(at(TRY_SECONDS - 0.1))).toBeLessThan(2);
    expect(at(2.5)).toBe(inclinometerAt(7, 40, drive, 2.5));
    expect(at(2.5)).not.toBe(at(2.5 + TRY_SECONDS));
  });
});
