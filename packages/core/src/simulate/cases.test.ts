import { diagnose } from '../diagnosis/diagnose';
import { graphFindings } from '../diagnosis/model';
import { findingById } from '../findings/catalogue';
import { behind } from '../findings/paths';
import { Answerer, brokenWorld, drawTruth } from './cases';
import { randomFrom } from '../shared/random';
import { THROWER } from '../testing/athletes';

const on = '2026-05-04';
const athlete = THROWER;

describe('made-up cases', () => {
  it('have roots that are there, and nothing that is there without a root behind it or in it', () => {
    for (let seed = 1; seed <= 60; seed++) {
      const { present, roots } = drawTruth(randomFrom(seed), athlete, on);
      for (const root of roots) expect(present.has(root)).toBe(true);
      for (const id of present)
        if (findingById(id).kind === 'habit')
          expect([seed, id, roots.has(id) || [...behind(id)].some((cause) => roots.has(cause))]).toEqual([seed, id, true]);
    }
  });

  it('are drawn as often as the model says: presence matches the prior', () => {
    const cases = 600;
    const counts = new Map<string, number>();
    for (let seed = 1; seed <= cases; seed++)
      for (const id of drawTruth(randomFrom(7000 + seed), athlete, on).present) counts.set(id, (counts.get(id) ?? 0) + 1);
    const { posterior } = diagnose({ on, athlete, evidence: [] });
    for (const { id } of graphFindings('overhand')) {
      const p = posterior[id]!;
      const share = (counts.get(id) ?? 0) / cases;
      // Five standard deviations: 57 findings are compared.
      expect([id, Math.abs(share - p) < 5 * Math.sqrt((p * (1 - p)) / cases)]).toEqual([id, true]);
    }
  });

  it('answer the same check the same, and every kind of check in the form of evidence', () => {
    const random = randomFrom(5);
    const answerer = new Answerer(random, athlete, on, drawTruth(random, athlete, on));
    const checks = [
      { kind: 'eye', finding: 'stall' },
      { kind: 'screen', test: 'hip-internal-rotation', side: 'drive' },
      { kind: 'measure', measure: 'stride-direction' },
      { kind: 'slow', finding: 'late-hips' },
    ] as const;
    const evidence = checks.map((check) => answerer.answer(check)!);
    expect(evidence.map((e) => e.kind)).toEqual(['eye', 'screen', 'measure', 'slow']);
    expect(checks.map((check) => answerer.answer(check))).toEqual(evidence);
    expect(() => diagnose({ on, athlete, evidence })).not.toThrow();
    expect(answerer.answer({ kind: 'slow', finding: 'early-hands' })).toBeNull();
  });

  it('break the model where they are meant to, within bounds', () => {
    const world = brokenWorld(randomFrom(3), athlete, on);
    const weights = [...Array(40).keys()].map((n) => world.weight('stall', graphFindings('overhand')[n]!.id, 0.6));
    expect(new Set(weights).size).toBeGreaterThan(30);
    for (const w of weights) expect(w > 0.25 && w <= 0.95).toBe(true);
    expect(world.weight('stall', 'late-hips', 0.6)).toBe(world.weight('stall', 'late-hips', 0.6));
  });
});
