import fc from 'fast-check';
import { randomFrom } from '../shared/random';
import { judgeGate, passProbability } from './gate';
import { GATE_DEFAULTS } from './gate-settings';
import type { RepRow } from './gate';

const row = (date: string, good: number, close: number, off: number, more: Partial<RepRow> = {}): RepRow => ({
  date,
  reps: good + close + off,
  good,
  close,
  off,
  cheats: {},
  pain: 0,
  ...more,
});

/** P(X ≤ x) of Beta(a, b) by Simpson's rule: no code shared with the gate. */
function betaBySimpson(x: number, a: number, b: number): number {
  // At the ends a power of nought is one: 0^0 = 1, as the density has it for a or b of one.
  const density = (t: number) => t ** (a - 1) * (1 - t) ** (b - 1);
  const integral = (to: number) => {
    const n = 4000;
    let sum = density(0) + density(to);
    for (let i = 1; i < n; i++) sum += density((i * to) / n) * (i % 2 === 1 ? 4 : 2);
    return (sum * to) / (3 * n);
  };
  return integral(x) / integral(1);
}

describe('gate', () => {
  it('gives the exact Beta posterior for any tally', () => {
    fc.assert(
      fc.property(fc.nat(25), fc.nat(10), fc.nat(25), (good, close, off) => {
        const { probability } = judgeGate([row('2026-01-01', good, close, off)]);
        const [a, b] = [1 + good + close / 2, 1 + off + close / 2];
        expect(probability.atLeast70).toBeCloseTo(1 - betaBySimpson(0.7, a, b), 3);
        expect(probability.below50).toBeCloseTo(betaBySimpson(0.5, a, b), 3);
      }),
      { numRuns: 60 },
    );
  });

  it('lets pain decide before everything else, but only in the newest session', () => {
    const good = [row('2026-01-01', 10, 0, 0), row('2026-01-03', 10, 0, 0, { pain: 1 })];
    expect(judgeGate(good).verdict).toBe('regress');
    expect(judgeGate([...good, row('2026-01-05', 10, 0, 0)]).verdict).toBe('advance');
  });

  it('holds instead of going below rung 0', () => {
    const bad = [row('2026-01-01', 1, 0, 9), row('2026-01-02', 2, 0, 8)];
    expect(judgeGate(bad).verdict).toBe('regress');
    expect(judgeGate(bad, GATE_DEFAULTS, 0).verdict).toBe('hold');
  });

  it('names the counter of a cheat seen in three reps of ten, before advancing', () => {
    const log = [
      row('2026-01-01', 9, 0, 1, { drill: 'knee-gate', cheats: { 'swing-around': 3 } }),
      row('2026-01-02', 9, 0, 1, { drill: 'knee-gate', cheats: { 'swing-around': 3 } }),
    ];
    const result = judgeGate(log);
    expect(result.verdict).toBe('hold');
    expect(result.counter).toBe('swing-around');
    expect(result.counterAction).toBe('Add the step-over hurdle');
    expect(judgeGate(log.map((r) => ({ ...r, cheats: { 'swing-around': 2 } }))).verdict).toBe('advance');
  });

  it('counts the last three sessions only, and two rows of one day as one session', () => {
    const old = row('2026-01-01', 0, 0, 30);
    const fresh = [
      row('2026-01-05', 10, 0, 0),
      row('2026-01-06', 5, 0, 0),
      row('2026-01-06', 5, 0, 0),
      row('2026-01-07', 10, 0, 0),
    ];
    expect(judgeGate([old, ...fresh]).counted).toEqual({ reps: 30, sessions: 3 });
    expect(judgeGate([row('2026-01-05', 10, 0, 0), row('2026-01-05', 10, 0, 0)]).verdict).toBe('hold');
  });

  it('never goes back because of one more good rep', () => {
    fc.assert(
      fc.property(fc.nat(20), fc.nat(20), fc.nat(20), (g1, o1, g2) => {
        const rank = { regress: 0, hold: 1, advance: 2 };
        const before = judgeGate([row('2026-01-01', g1, 0, o1), row('2026-01-02', g2, 0, 5)]).verdict;
        const after = judgeGate([row('2026-01-01', g1, 0, o1), row('2026-01-02', g2 + 1, 0, 5)]).verdict;
        // The tenth rep may be the one that lets the gate speak.
        return g1 + o1 + g2 + 5 < 10 || rank[after] >= rank[before];
      }),
    );
  });

  it('states error rates that simulation confirms', () => {
    const random = randomFrom(77);
    const passes = (rate: number) => {
      let passed = 0;
      for (let athlete = 0; athlete < 1500; athlete++) {
        const log: RepRow[] = [];
        for (let session = 0; session < 6; session++) {
          const good = Array.from({ length: 10 }, () => random.chance(rate)).filter(Boolean).length;
          log.push(row(`2026-01-0${session + 1}`, good, 0, 10 - good));
          const { verdict } = judgeGate(log);
          if (verdict === 'advance') passed++;
          if (verdict !== 'hold') break;
        }
      }
      return passed / 1500;
    };
    for (const rate of [0.65, 0.8]) expect(Math.abs(passes(rate) - passProbability(rate))).toBeLessThan(0.035);
  });
});
