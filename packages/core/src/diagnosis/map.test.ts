import { ARROWS } from '../findings/arrows';
import { arrowKey } from '../settings/numbers';
import { randomFrom } from '../shared/random';
import { firedByEnumeration } from '../testing/enumeration';
import { diagnose } from './diagnose';
import type { Evidence } from '../evidence/evidence';
import { causeMap } from './map';
import { buildNetwork, firedArrows } from './network';
import type { Likelihood, NetworkNode } from './network';
import { THROWER } from '../testing/athletes';

const on = '2026-05-04';
const athlete = THROWER;
const evidence: Evidence[] = [
  { kind: 'eye', finding: 'late-hips', answer: 'yes' },
  { kind: 'eye', finding: 'glove-pull', answer: 'yes' },
  { kind: 'eye', finding: 'stall', answer: 'no' },
  { kind: 'screen', test: 'hip-internal-rotation', side: 'drive', value: 20, unit: 'deg' },
];

describe('arrows that fired', () => {
  it.each([1, 2, 3, 4])('agree with enumeration, network %i', (seed) => {
    const random = randomFrom(seed);
    // Up to five causes, so that both ways of laying a family out are met.
    const nodes = Array.from({ length: 7 }, (_, i): NetworkNode => ({
      id: `n${i}`,
      leak: 0.05 + 0.2 * random.uniform(),
      parents: Array.from({ length: i }, (__, node) => ({ node, weight: 0.2 + 0.6 * random.uniform() }))
        .filter(() => i > 5 || random.chance(0.4))
        .slice(0, 5),
    }));
    const likelihoods = new Map<number, Likelihood>([
      [2, [0.2, 0.9]],
      [5, [0.9, 0.3]],
      [6, [0.1, 0.8]],
    ]);
    const exact = firedByEnumeration(nodes, likelihoods);
    const found = firedArrows(buildNetwork(nodes), likelihoods);
    expect(found.length).toBe(nodes.reduce((n, node) => n + node.parents.length, 0));
    for (const { cause, consequence, probability } of found)
      expect(probability).toBeCloseTo(exact.get(`${cause}>${consequence}`)!, 9);
  });
});

describe('the map of causes', () => {
  const map = causeMap({ on, athlete, evidence });
  const state = (finding: string) => map.nodes.find((n) => n.finding === finding)!.state;

  it('holds every finding of the delivery and every arrow between them, with the weight in use', () => {
    const ids = new Set<string>(map.nodes.map((n) => n.finding));
    const within = ARROWS.filter((a) => ids.has(a.cause) && ids.has(a.consequence));
    expect(map.arrows.map(arrowKey).sort()).toEqual(within.map(arrowKey).sort());
    const { posterior } = diagnose({ on, athlete, evidence });
    for (const node of map.nodes) expect(node.present).toBeCloseTo(posterior[node.finding]!, 3);
  });

  it('tells seen from likely from ruled out', () => {
    expect(state('late-hips')).toBe('seen');
    expect(state('stall')).toBe('ruled-out');
    expect(state('turn-together')).toBe('likely');
    expect(state('locked-landing')).toBe('open');
    expect(map.nodes.find((n) => n.finding === 'late-hips')!.evidence).toEqual([0]);
  });

  it('never lets an arrow do more than both its ends are there', () => {
    const present = new Map(map.nodes.map((n) => [n.finding, n.present]));
    for (const { cause, consequence, influence } of map.arrows) {
      expect(influence).toBeGreaterThanOrEqual(0);
      expect(influence).toBeLessThanOrEqual(Math.min(present.get(cause)!, present.get(consequence)!) + 1e-3);
    }
    const drive = map.arrows.find((a) => a.cause === 'drive-hip-ir' && a.consequence === 'late-hips')!;
    expect(drive.influence).toBeGreaterThan(0.5);
  });

  it('marks what the academy has set, and what the coach has ruled', () => {
    const own = causeMap({
      on,
      athlete,
      evidence,
      numbers: { model: { 'drive-hip-ir>late-hips': 0 } },
      overrules: [{ finding: 'stall', as: 'present' }],
    });
    const arrow = own.arrows.find((a) => a.cause === 'drive-hip-ir' && a.consequence === 'late-hips')!;
    expect(arrow).toMatchObject({ influence: 0, weight: 0, changed: true });
    expect(own.nodes.find((n) => n.finding === 'stall')).toMatchObject({ ruled: true, state: 'seen' });
  });
});
