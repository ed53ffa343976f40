import { FINDINGS } from '../findings/catalogue';
import { ARROWS } from '../findings/arrows';
import type { PlanItem } from '../plan/types';
import type { AthleteProfile } from '../athlete/athlete';
import { doRep, drawFindings, lookAt, readSpeed, readTest, successRate } from './athlete';
import { randomFrom } from '../shared/random';

const on = '2026-04-18';
const athlete: AthleteProfile = {
  discipline: 'overhand',
  throws: 'R',
  birthDate: '2010-02-11',
  heightM: 1.8,
  massKg: 74,
  level: 'high-school',
};
const truth = (more = {}) => ({
  ...drawFindings(randomFrom(1), athlete, on, ['stall']),
  speedMph: 72,
  repairMph: 3,
  learning: 0.3,
  flatEffort: false,
  spike: false,
  ...more,
});
const item = { drill: 'knee-gate', rung: 3 } as PlanItem;
const mean = (n: number, draw: () => number) => Array.from({ length: n }, draw).reduce((a, b) => a + b, 0) / n;

describe('randomness', () => {
  it('is the same for the same seed, and not alike for neighbours', () => {
    expect(randomFrom(7).uniform()).toBe(randomFrom(7).uniform());
    const firsts = Array.from({ length: 400 }, (_, seed) => randomFrom(seed).uniform());
    expect(Math.abs(firsts.reduce((a, b) => a + b, 0) / 400 - 0.5)).toBeLessThan(0.05);
    const random = randomFrom(3);
    expect(Math.abs(mean(4000, () => random.normal(5, 2)) - 5)).toBeLessThan(0.15);
  });
});

describe('a made-up athlete', () => {
  it('has what was asked for, and what it brings about as often as the arrows say', () => {
    const random = randomFrom(11);
    let pulled = 0;
    for (let n = 0; n < 1500; n++) {
      const { present } = drawFindings(random, athlete, on, ['stall']);
      expect(present.has('stall')).toBe(true);
      if (present.has('glove-pull')) pulled++;
    }
    const direct = ARROWS.find((a) => a.cause === 'stall' && a.consequence === 'glove-pull')!;
    expect(direct.strength).toBe('strong');
    expect(pulled / 1500).toBeGreaterThan(0.6);
    expect(pulled / 1500).toBeLessThan(0.85);
  });

  it('counts limits and cues as roots only when they have done something', () => {
    const random = randomFrom(12);
    for (let n = 0; n < 200; n++) {
      const { roots, present } = drawFindings(random, athlete, on, ['ankle']);
      if (roots.has('ankle')) expect(present.has('knee-led-load')).toBe(true);
      for (const root of roots) expect(FINDINGS.find((f) => f.id === root)!.disciplines).toContain('overhand');
    }
  });

  it('is seen and tested with the noise that the model allows for', () => {
    const random = randomFrom(13);
    const has = truth();
    const seen = mean(1500, () => ((lookAt(random, has, 'stall') as { answer: string }).answer === 'yes' ? 1 : 0));
    expect(Math.abs(seen - 0.85)).toBeLessThan(0.04);
    const limited = { ...has, present: new Set(['drive-hip-ir'] as const) };
    const read = (t: typeof has) =>
      mean(300, () => (readTest(random, t, athlete, on, 'hip-internal-rotation', 'drive') as { value: number }).value);
    expect(read({ ...has, present: new Set() })).toBeGreaterThan(40);
    expect(read(limited as never)).toBeLessThan(30);
  });

  it('gets better with practice, and finds it harder higher up', () => {
    expect(successRate(truth(), item, 3)).toBeGreaterThan(successRate(truth(), item, 0));
    expect(successRate(truth(), { ...item, rung: 7 }, 0)).toBeLessThan(successRate(truth(), { ...item, rung: 1 }, 0));
    const random = randomFrom(14);
    const good = mean(1500, () => (doRep(random, truth(), item, 1).judged === 'good' ? 1 : 0));
    expect(Math.abs(good - successRate(truth(), item, 1))).toBeLessThan(0.04);
  });

  it('throws faster with effort and repair, unless effort is wasted', () => {
    const random = randomFrom(15);
    const speed = (t: ReturnType<typeof truth>, effort: number, repaired: number) =>
      mean(300, () => readSpeed(random, t, athlete, { on, since: on, repaired, effort, setting: 'mound', sessionEffect: 0 }));
    expect(speed(truth(), 100, 0)).toBeGreaterThan(speed(truth(), 80, 0) + 5);
    expect(speed(truth(), 100, 1) - speed(truth(), 100, 0)).toBeCloseTo(3, 0);
    expect(Math.abs(speed(truth({ flatEffort: true }), 100, 0) - speed(truth({ flatEffort: true }), 80, 0))).toBeLessThan(0.4);
  });
});
