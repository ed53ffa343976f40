import type { FindingId } from '../findings/ids';
import { resolveSchools } from '../athlete/schools';
import { slowTriesWorthAsking } from './candidates';
import { rootEntropy, weighChecks } from './checks';
import { diagnose } from './diagnose';
import type { Evidence } from '../evidence/evidence';
import { eyeLikelihood } from '../evidence/kinds/eye';
import { contributionsOf } from './likelihoods';
import type { Situation } from '../evidence/situation';
import { buildModel, graphFor } from './model';
import { infer } from './network';
import { beliefs, priorRoots } from './roots';
import { THROWER } from '../testing/athletes';

const on = '2026-04-18';
const athlete = THROWER;
const { ids, limitsBehind } = graphFor('overhand');
const situation: Situation = { athlete, on, schools: resolveSchools(undefined, 'overhand', 16), inPlay: ids, limitsBehind };
const eye = (finding: FindingId, answer: 'yes' | 'no' = 'yes'): Evidence => ({ kind: 'eye', finding, answer });
const modelOf = (evidence: readonly Evidence[]) => buildModel(situation, contributionsOf(evidence, situation));

describe('root entropy', () => {
  it('is nought without a raised root, one bit between two, and counts “none”', () => {
    expect(rootEntropy([0.1, 0.1], [0.1, 0.1])).toBe(0);
    expect(rootEntropy([0.5, 0.5], [0, 0])).toBeCloseTo(1, 12);
    expect(rootEntropy([0.5, 0], [0, 0])).toBeCloseTo(1, 12);
    expect(rootEntropy([0.9, 0.9], [0, 0])).toBeCloseTo(1, 12);
  });
});

describe('the next best check', () => {
  const evidence = [eye('turn-together'), eye('late-hips'), eye('early-arm', 'no')];

  it('has the gain that asking and diagnosing anew gives on average', () => {
    const model = modelOf(evidence);
    const now = beliefs(model, model.likelihoods());
    const prior = priorRoots(model);
    const checks = weighChecks(model, now, prior, evidence, situation).checks.filter((c) => c.check.kind === 'eye');
    expect(checks.length).toBeGreaterThan(0);
    for (const { check, expectedGain } of checks.slice(0, 3)) {
      if (check.kind !== 'eye') continue;
      const node = model.indexOf(check.finding);
      const present = now.present[node]!;
      let after = 0;
      for (const answer of ['yes', 'no'] as const) {
        const [whenAbsent, whenPresent] = eyeLikelihood(check.finding, answer, situation);
        const total = (1 - present) * whenAbsent + present * whenPresent;
        // The answer as evidence on the same network, so that nothing else differs.
        const likelihoods = new Map(model.likelihoods()).set(node, [whenAbsent, whenPresent]);
        after += total * rootEntropy(beliefs(model, likelihoods).root, prior);
      }
      expect(expectedGain).toBeCloseTo(Math.max(0, rootEntropy(now.root, prior) - after), 2);
    }
  });

  it('asks for nothing that has been answered, and orders by gain per minute', () => {
    const { nextChecks } = diagnose({
      on,
      athlete,
      evidence: [...evidence, { kind: 'screen', test: 'hip-internal-rotation', side: 'drive', value: 44, unit: 'deg' }],
    });
    const asked = nextChecks.map((c) => JSON.stringify(c.check));
    expect(asked.some((c) => c.includes('"late-hips"') && c.includes('"eye"'))).toBe(false);
    expect(asked.some((c) => c.includes('hip-internal-rotation') && c.includes('drive'))).toBe(false);
    const worth = nextChecks.map((c) => c.expectedGain / c.minutes);
    expect(worth).toEqual([...worth].sort((a, b) => b - a));
  });

  it('still asks when a single look has hardly begun to tell', () => {
    for (const discipline of ['overhand', 'windmill'] as const) {
      const { roots, nextChecks, lookNext } = diagnose({
        on,
        athlete: { ...athlete, discipline },
        evidence: [eye('unstable-base')],
      });
      expect(roots[0]!.probability).toBeLessThan(0.7);
      expect(nextChecks.length).toBeGreaterThan(2);
      expect(lookNext).not.toContain('unstable-base');
    }
  });

  it('tells what either answer would make of the first root: the ranges do not overlap, and the limit is on the low side', () => {
    const { nextChecks } = diagnose({ on, athlete, evidence });
    const hip = nextChecks.find(
      (c) => c.check.kind === 'screen' && c.check.test === 'hip-internal-rotation' && c.check.side === 'drive',
    )!;
    const [below, above] = hip.answers;
    expect(below).toMatchObject({ when: 'below', first: 'drive-hip-ir' });
    expect(above).toMatchObject({ when: 'above' });
    expect(above!.first).not.toBe('drive-hip-ir');
    expect(below!.value!).toBeLessThanOrEqual(above!.value!);
    // Said and done: a reading on either side gives the root that was told of.
    const firstAfter = (value: number) =>
      diagnose({
        on,
        athlete,
        evidence: [...evidence, { kind: 'screen', test: 'hip-internal-rotation', side: 'drive', value, unit: 'deg' }],
      }).roots[0]!.finding;
    expect(firstAfter(below!.value! - 4)).toBe(below!.first);
    expect(firstAfter(above!.value! + 4)).toBe(above!.first);
  });

  it('asks for one test of a strength, not for two', () => {
    const { nextChecks } = diagnose({
      on,
      athlete,
      evidence: [eye('knee-caves'), { kind: 'screen', test: 'abductor-hold', side: 'lead', value: 14, unit: 's' }],
    });
    expect(nextChecks.some((c) => c.check.kind === 'screen' && c.check.test === 'abductor-force')).toBe(false);
  });

  it('offers a slow try where the body could stand behind what was seen', () => {
    expect(slowTriesWorthAsking([eye('late-hips')], situation)).toEqual(['late-hips']);
    expect(slowTriesWorthAsking([eye('early-hands')], situation)).toEqual([]);
    expect(
      slowTriesWorthAsking([eye('late-hips'), { kind: 'slow', finding: 'late-hips', canDoSlowly: 'no' }], situation),
    ).toEqual([]);
  });
});

describe('what is known without asking again', () => {
  const evidence = [eye('stall'), eye('glove-pull'), eye('late-hips'), eye('knee-led-load', 'no')];
  const model = modelOf(evidence);
  const likelihoods = model.likelihoods();
  const now = beliefs(model, likelihoods);

  it.each(['stall', 'late-hips', 'stuck-back', 'drive-hip-ir', 'hip-lead-overdone'] as const)(
    'leaving out one look: %s',
    (root) => {
      for (const left of ['glove-pull', 'late-hips'] as const) {
        const node = model.indexOf(left);
        const without = new Map(likelihoods);
        without.delete(node);
        expect(now.rootWithout(model.indexOf(root), node, likelihoods.get(node)!)).toBeCloseTo(
          beliefs(model, without).root[model.indexOf(root)]!,
          9,
        );
      }
    },
  );

  it('knowing one node: the same as evidence that leaves no doubt', () => {
    const node = model.indexOf('swing-open');
    const known = now.knowing(node, 1);
    const certain = beliefs(model, new Map(likelihoods).set(node, [1e-12, 1]));
    for (const finding of ['stall', 'early-tip', 'stuck-back', 'hip-abduction'] as const)
      expect(known.root[model.indexOf(finding)]).toBeCloseTo(certain.root[model.indexOf(finding)]!, 6);
    expect(known.weight).toBeCloseTo(now.present[node]!, 9);
  });

  it('given a root: its consequences are likelier, and the average over root and not is what is believed', () => {
    const root = model.indexOf('stall');
    const given = now.nodesGivenRoot(root);
    expect(given[root]).toBeCloseTo(1, 9);
    expect(given[model.indexOf('swing-open')]!).toBeGreaterThan(now.present[model.indexOf('swing-open')]!);
    const joint = infer(model.network, likelihoods, { node: root, leakFired: true });
    expect(joint.weight / infer(model.network, likelihoods).weight).toBeCloseTo(now.root[root]!, 9);
  });
});
