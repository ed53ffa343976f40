import { diagnose } from '../diagnosis/diagnose';
import { SIGNS } from '../findings/signs';
import { judgeGate } from '../plan/gate';
import type { AthleteProfile } from '../athlete/athlete';
import { gateSettings, numbersFaults, settableNumbers, signId, signsWith } from './numbers';

const ON = '2026-05-04';
const athlete: AthleteProfile = {
  discipline: 'overhand',
  throws: 'R',
  birthDate: '2000-02-11',
  heightM: 1.78,
  massKg: 70,
  level: 'adult',
};

describe('an academy’s own numbers', () => {
  it('have a name each, lie within their bounds as they come, and tell where they come from', () => {
    const all = settableNumbers();
    expect(new Set(SIGNS.map(signId)).size).toBe(SIGNS.length);
    expect(new Set(all.map((n) => `${n.group}:${n.key}:${n.part}`)).size).toBe(all.length);
    for (const n of all) {
      expect(n.standard).toBeGreaterThanOrEqual(n.low);
      expect(n.standard).toBeLessThanOrEqual(n.high);
      expect(['published', 'convention', 'house']).toContain(n.provenance);
    }
    expect(numbersFaults({})).toEqual([]);
  });

  it('change the diagnosis: a lower threshold makes the same reading free', () => {
    const evidence = [{ kind: 'screen', test: 'hip-internal-rotation', side: 'drive', value: 30, unit: 'deg' }] as const;
    const limited = (numbers?: object) =>
      diagnose({ on: ON, athlete, evidence, ...(numbers ? { numbers } : {}) }).posterior['drive-hip-ir']!;
    expect(limited({ tests: { 'hip-internal-rotation': { pass: 28, watch: 18 } } })).toBeLessThan(0.6 * limited());
    expect(limited({})).toBe(limited());
  });

  it('change what a measured value says', () => {
    const evidence = [{ kind: 'measure', measure: 'hip-travel-dip', event: 'contact', value: 36, unit: '%', sd: 2 }] as const;
    const stall = (at?: number) =>
      diagnose({
        on: ON,
        athlete,
        evidence,
        ...(at === undefined ? {} : { numbers: { signs: { 'stall.hip-travel-dip.both': at } } }),
      }).posterior.stall!;
    expect(stall(50)).toBeLessThan(stall());
    expect(signsWith({ signs: { 'stall.hip-travel-dip.both': 50 } }).find((s) => s.finding === 'stall')!.at).toBe(50);
  });

  it('change the gate', () => {
    const log = [
      { date: '2026-05-01', reps: 10, good: 8, close: 1, off: 1, cheats: {}, pain: 0 },
      { date: '2026-05-02', reps: 10, good: 9, close: 0, off: 1, cheats: {}, pain: 0 },
    ];
    expect(judgeGate(log, gateSettings(undefined), 3).verdict).toBe('advance');
    expect(judgeGate(log, gateSettings({ gate: { minimumSessions: 3 } }), 3).verdict).toBe('hold');
  });

  it('are refused by name when they make no sense', () => {
    const paths = (numbers: object) => numbersFaults(numbers).map((f) => f.path);
    expect(paths({ tests: { 'hip-internal-rotation': { pass: 20, watch: 30 } } })).toEqual(['tests.hip-internal-rotation.watch']);
    expect(paths({ tests: { 'hip-internal-rotation': { pass: 500, watch: 30 } } })).toEqual(['tests.hip-internal-rotation.pass']);
    expect(paths({ signs: { nothing: 3 } })).toEqual(['signs.nothing']);
    expect(paths({ gate: { confidence: 7 } })).toEqual(['gate.confidence']);
    expect(paths({ gate: { advanceRate: 0.4 } })).toEqual(['gate.regressRate']);
  });
});
