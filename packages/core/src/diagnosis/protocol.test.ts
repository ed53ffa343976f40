import { bodyInsight } from './body-insight';
import type { Evidence } from '../evidence/evidence';
import type { AthleteProfile } from '../athlete/athlete';
import { fullCheck, shortCheck, SHORT_MINUTES, testsFor, worthAndSkip } from './protocol';
import { bodyTestById } from '../body/catalogue';

const ON = '2026-05-04';
const boy: AthleteProfile = {
  discipline: 'overhand',
  throws: 'R',
  birthDate: '2010-02-11',
  heightM: 1.78,
  massKg: 70,
  level: 'high-school',
};
const late: Evidence[] = [
  { kind: 'eye', finding: 'late-hips', answer: 'yes' },
  { kind: 'eye', finding: 'turn-together', answer: 'yes' },
  { kind: 'eye', finding: 'stall', answer: 'no' },
  { kind: 'slow', finding: 'late-hips', canDoSlowly: 'no' },
];
const insight = (evidence: readonly Evidence[], athlete = boy) => bodyInsight({ on: ON, athlete, evidence });

describe('the full check', () => {
  it('has every test on every side, and none for grown-ups only', () => {
    const steps = fullCheck(boy, ON);
    expect(
      steps
        .filter((s) => s.test === 'hip-internal-rotation')
        .map((s) => s.side)
        .sort(),
    ).toEqual(['drive', 'lead']);
    expect(steps.some((s) => s.test === 'squat-strength')).toBe(false);
    expect(testsFor(boy, ON).some((t) => t.id === 'squat-strength')).toBe(false);
    expect(testsFor({ ...boy, birthDate: '2000-01-01' }, ON).some((t) => t.id === 'squat-strength')).toBe(true);
  });
});

describe('the short check', () => {
  it('starts with what tells most, on both sides, within its minutes', () => {
    const { worthDoing } = insight(late);
    const steps = shortCheck(worthDoing, true);
    const best = worthDoing[0]!.check;
    expect(best.kind === 'screen' && steps.some((s) => s.test === best.test)).toBe(true);
    expect(steps.reduce((minutes, s) => minutes + bodyTestById(s.test).minutes, 0)).toBeLessThanOrEqual(SHORT_MINUTES);
    for (const { test } of steps) expect(steps.filter((s) => s.test === test)).toHaveLength(bodyTestById(test).sides.length);
  });

  it('takes the usual tests while nothing has been seen', () => {
    const steps = shortCheck(insight([]).worthDoing, false);
    expect(new Set(steps.map((s) => s.test))).toEqual(new Set(['hip-internal-rotation', 'trunk-rotation', 'single-leg-balance']));
  });

  it('changes with what was found: late hips ask for the drive hip, and once it is read something else comes first', () => {
    const before = insight(late);
    expect(before.worthDoing[0]!.check).toMatchObject({ kind: 'screen', test: 'hip-internal-rotation', side: 'drive' });
    const stiff: Evidence = { kind: 'screen', test: 'hip-internal-rotation', side: 'drive', value: 24, unit: 'deg' };
    const after = insight([...late, stiff]);
    expect(after.worthDoing[0]!.check).not.toEqual(before.worthDoing[0]!.check);
    const limit = after.limits.find((l) => l.finding === 'drive-hip-ir')!;
    expect(limit.probability).toBeGreaterThan(0.8);
    expect(limit.eases[0]!.finding).toBe('late-hips');
    const free = insight([...late, { ...stiff, value: 48 }]);
    expect(free.limits.some((l) => l.finding === 'drive-hip-ir')).toBe(false);
  });

  it('says which tests can be skipped today', () => {
    const { worth, skip } = worthAndSkip(insight(late).worthDoing);
    expect(worth.length).toBeGreaterThan(0);
    expect(skip.length).toBeGreaterThan(worth.length);
    const rate = (c: (typeof worth)[number]) => c.expectedGain / c.minutes;
    expect(Math.max(...skip.map(rate))).toBeLessThan(Math.min(...worth.map(rate)));
    expect(worthAndSkip([])).toEqual({ worth: [], skip: [] });
  });
});

describe('two hands', () => {
  it('have the same judgement for mirrored bodies', () => {
    const stiff: Evidence = { kind: 'screen', test: 'hip-internal-rotation', side: 'drive', value: 24, unit: 'deg' };
    expect(insight([...late, stiff], { ...boy, throws: 'L' })).toEqual(insight([...late, stiff]));
  });
});
