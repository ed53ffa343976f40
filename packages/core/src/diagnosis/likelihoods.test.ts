import { bodyTestById } from '../body/catalogue';
import type { AthleteProfile } from '../athlete/athlete';
import { resolveSchools } from '../athlete/schools';
import { EvidenceError } from '../evidence/evidence';
import type { Evidence } from '../evidence/evidence';
import { densities } from '../evidence/densities';
import { signsOf } from '../evidence/measured';
import { eyeLikelihood } from '../evidence/kinds/eye';
import { contributionsOf } from './likelihoods';
import { screenDensities } from '../evidence/screened';
import type { Situation } from '../evidence/situation';
import { graphFor, leakOf } from './model';
import { findingById } from '../findings/catalogue';
import { THROWER } from '../testing/athletes';

const on = '2026-04-18';
const athlete = THROWER;
const situation = (more: Partial<AthleteProfile> = {}, backFoot: 'heel-long' | 'inside-edge' = 'heel-long'): Situation => {
  const who = { ...athlete, ...more };
  const { ids, limitsBehind } = graphFor(who.discipline);
  return { athlete: who, on, schools: resolveSchools({ backFoot }, who.discipline, 16), inPlay: ids, limitsBehind };
};
const ratio = ([absent, present]: readonly [number, number]) => present / absent;
const one = (item: Evidence, where = situation()) => contributionsOf([item], where)[0]!;

describe('densities', () => {
  it('are neutral half way, symmetric, and never conclusive', () => {
    const model = { absentMean: 45, presentMean: 25, sd: 6 };
    expect(ratio(densities(35, model))).toBeCloseTo(1, 9);
    expect(ratio(densities(30, model)) * ratio(densities(40, model))).toBeCloseTo(1, 9);
    for (const extreme of [-500, 500]) expect(Math.abs(Math.log(ratio(densities(extreme, model))))).toBeCloseTo(Math.log(99), 1);
  });

  it('put the grades of a test on the right sides', () => {
    for (const id of [
      'hip-internal-rotation',
      'abductor-hold',
      'knee-to-wall',
      'side-plank',
      'single-leg-squat',
      'squat-strength',
    ] as const) {
      const test = bodyTestById(id);
      const model = screenDensities(test, { athlete, on });
      expect(ratio(densities(test.pass, model))).toBeLessThan(1);
      expect(ratio(densities(test.watch - (test.unit === 'score' ? 1 : 0.01 * test.watch), model))).toBeGreaterThan(1);
    }
  });
});

describe('the eye', () => {
  it('is trusted less where it is hard to see', () => {
    expect(ratio(eyeLikelihood('stall', 'yes', situation()))).toBeCloseTo(0.85 / 0.12, 9);
    expect(ratio(eyeLikelihood('arm-drag', 'yes', situation()))).toBeCloseTo(0.75 / 0.2, 9);
    expect(ratio(eyeLikelihood('stall', 'no', situation()))).toBeCloseTo(0.15 / 0.88, 9);
  });

  it('reads an early heel by the academy’s school', () => {
    const heel = (school: 'heel-long' | 'inside-edge') => ratio(eyeLikelihood('early-peel', 'yes', situation({}, school)));
    expect(heel('inside-edge')).toBeLessThan(heel('heel-long'));
    expect(signsOf('heel-peel-lead', null, situation({}, 'inside-edge'))[0]!.at).toBe(120);
  });
});

describe('each kind of evidence', () => {
  it('speaks of what the discipline has', () => {
    expect(one({ kind: 'miss', pattern: 'high' }).observation!.causes.map((c) => c.finding)).toEqual([
      'fly-open',
      'chest-behind',
    ]);
    expect(
      one({ kind: 'miss', pattern: 'high' }, situation({ discipline: 'windmill' })).observation!.causes.map((c) => c.finding),
    ).toEqual(['fold-and-lift']);
    expect(one({ kind: 'miss', pattern: 'middle' }, situation({ discipline: 'windmill' }))).toEqual({ on: [], about: [] });
  });

  it('reads a value at its event only', () => {
    const knee = (event: 'contact' | 'release') =>
      one({ kind: 'measure', measure: 'lead-knee-flexion', event, value: 60, unit: 'deg', sd: 3 }).about;
    expect(knee('release')).toEqual([]);
    expect(knee('contact')).toEqual(['locked-landing']);
    const elbow = (event: 'contact' | 'release') =>
      one({ kind: 'measure', measure: 'elbow-flexion', event, value: 30, unit: 'deg', sd: 3 }).about;
    // Nearly straight is usual when the ball leaves, and a long lever at contact.
    expect([elbow('contact'), elbow('release')]).toEqual([['long-lever'], []]);
  });

  it('takes a sign that shows in some only for little where it is not there', () => {
    const start = (value: number) =>
      one({ kind: 'measure', measure: 'pelvis-start-lead', event: 'contact', value, unit: 'ms', sd: 5 }).on[0]!;
    const [absent, present] = start(40).likelihood;
    expect(present / absent).toBeCloseTo(0.5, 2);
    expect(start(-40).likelihood[1]).toBeGreaterThan(10 * start(-40).likelihood[0]);
    // Late hips that started before contact all the same: the angle decides.
    const angle = one({ kind: 'measure', measure: 'pelvis-rotation', event: 'contact', value: 10, unit: 'deg', sd: 4 }).on[0]!;
    expect(angle.likelihood[1]).toBeGreaterThan(10 * angle.likelihood[0]);
  });

  it('takes separation at contact, at its most and at foot flat for one statement, whatever their order', () => {
    const at = (event: 'contact' | 'foot-flat' | 'max', value: number) =>
      ({ kind: 'measure', measure: 'hip-shoulder-separation', event, value, unit: 'deg', sd: 5 }) as const;
    const speaking = (items: readonly ReturnType<typeof at>[]) =>
      contributionsOf(items, situation()).flatMap((c, i) => (c.on.length > 0 ? [items[i]!.event] : []));
    const all = [at('foot-flat', 8), at('max', 20), at('contact', 10)];
    expect(speaking(all)).toEqual(['contact']);
    expect(speaking([...all].reverse())).toEqual(['contact']);
    expect(speaking(all.slice(0, 2))).toEqual(['max']);
    expect(speaking(all.slice(0, 1))).toEqual(['foot-flat']);
  });

  it('reads a stride outside either edge', () => {
    const stride = (value: number) =>
      ratio(
        one({ kind: 'measure', measure: 'stride-direction', event: 'contact', value, unit: 'in', sd: 0.5 }).on[0]!.likelihood,
      );
    expect(stride(1)).toBeLessThan(1);
    expect(stride(8)).toBeGreaterThan(5);
    expect(stride(-6)).toBeGreaterThan(5);
  });

  it('sees who started the turn', () => {
    const pull = (gloveMs: number, pelvis: number) =>
      ratio(
        one({ kind: 'sequence', peaksMs: { pelvis: -60, trunk: -25, 'glove-arm': gloveMs }, peaksDegPerS: { pelvis } }).on.find(
          (c) => c.finding === 'glove-pull',
        )!.likelihood,
      );
    expect(pull(-80, 380)).toBeGreaterThan(pull(-80, 600));
    expect(pull(-25, 600)).toBeLessThan(1);
    const together = one({ kind: 'sequence', peaksMs: { pelvis: -50, trunk: -47 } }).on.find(
      (c) => c.finding === 'turn-together',
    )!;
    expect(ratio(together.likelihood)).toBeGreaterThan(10);
  });

  it('finds wasted effort and spikes in speeds', () => {
    const speeds = (easy: number, full: number[]) => ({
      kind: 'velocity' as const,
      readings: [
        ...[0, 0.2, -0.2].map((d) => ({ speed: easy + d, unit: 'mph' as const, effort: 80 })),
        ...full.map((speed) => ({ speed, unit: 'mph' as const, effort: 100 })),
      ],
    });
    const wasted = one(speeds(80, [80.1, 79.9, 80, 80.2, 79.8]));
    expect(ratio(wasted.on.find((c) => c.finding === 'wasted-effort')!.likelihood)).toBeGreaterThan(10);
    const honest = one(speeds(72, [80.1, 79.9, 80, 80.2, 79.8]));
    expect(ratio(honest.on.find((c) => c.finding === 'wasted-effort')!.likelihood)).toBeLessThan(0.2);
    expect(one(speeds(72, [80.1, 79.9, 80, 80.2, 84])).observation!.id).toBe('velocity:spike');
    expect(honest.observation).toBeUndefined();
  });

  it('takes a slow try as one about the limits behind the finding', () => {
    const slow = one({ kind: 'slow', finding: 'late-hips', canDoSlowly: 'no' }).observation!;
    expect(slow.causes.map((c) => c.finding)).toContain('drive-hip-ir');
    expect(ratio(slow.likelihood)).toBeCloseTo(8, 9);
    // Nothing in the body stands behind an early hand.
    expect(one({ kind: 'slow', finding: 'early-hands', canDoSlowly: 'no' })).toEqual({ on: [], about: [] });
  });

  it('adds an arrow for what is clean in the drill only', () => {
    const transfer = one({ kind: 'transfer', finding: 'glove-pull', cleanInDrill: 'yes', cleanOnMound: 'no' });
    expect(transfer.arrow).toMatchObject({ cause: 'drill-not-transferred', consequence: 'glove-pull' });
    expect(one({ kind: 'transfer', finding: 'glove-pull', cleanInDrill: 'yes', cleanOnMound: 'yes' }).arrow).toBeUndefined();
  });

  it('compares slouched with tall on the same side', () => {
    const turn = (test: 'trunk-rotation' | 'trunk-rotation-slouched', value: number): Evidence => ({
      kind: 'screen',
      test,
      side: 'to-glove',
      value,
      unit: 'deg',
    });
    const [, posture] = contributionsOf([turn('trunk-rotation', 50), turn('trunk-rotation-slouched', 33)], situation());
    expect(ratio(posture!.on[0]!.likelihood)).toBeGreaterThan(1.5);
    expect(contributionsOf([turn('trunk-rotation-slouched', 33)], situation())[0]!.on).toEqual([]);
  });

  it('leaves strength numbers to adults', () => {
    const squat: Evidence = { kind: 'screen', test: 'squat-strength', side: 'none', value: 1, unit: 'xBW' };
    expect(one(squat).on).toEqual([]);
    expect(one(squat, situation({ birthDate: '2000-01-01', level: 'adult' })).on[0]!.finding).toBe('low-power');
  });

  it.each<[string, Evidence, string]>([
    ['another discipline', { kind: 'eye', finding: 'straight-whip', answer: 'yes' }, 'finding'],
    ['another side', { kind: 'screen', test: 'broad-jump', side: 'lead', value: 100, unit: '%height' }, 'side'],
    ['another unit', { kind: 'screen', test: 'broad-jump', side: 'none', value: 100, unit: 'in' }, 'unit'],
    ['another unit of a measure', { kind: 'measure', measure: 'stride-length', event: 'contact', value: 80, unit: 'in' }, 'unit'],
  ])('refuses %s and says where', (_what, item, field) => {
    try {
      contributionsOf([{ kind: 'style', item: 'rubber-side' }, item], situation());
      throw new Error('was taken');
    } catch (error) {
      expect(error).toBeInstanceOf(EvidenceError);
      expect(error).toMatchObject({ index: 1, field });
    }
  });
});

describe('leaks', () => {
  it('shift with level and age, a little', () => {
    const leak = (finding: 'stall' | 'drive-hip-ir' | 'fear-of-falling', more: Partial<AthleteProfile>) =>
      leakOf(findingById(finding), { ...athlete, ...more }, on);
    expect(leak('stall', { level: 'beginner' })).toBeGreaterThan(leak('stall', { level: 'college' }));
    expect(leak('fear-of-falling', { birthDate: '2016-01-01' })).toBeGreaterThan(leak('fear-of-falling', {}));
    expect(leak('drive-hip-ir', { discipline: 'windmill', birthDate: '2000-01-01' })).toBe(0.08);
    expect(leak('drive-hip-ir', { birthDate: '2000-01-01' })).toBeCloseTo(0.02, 9);
  });
});
