import type { Discipline } from '../delivery/links';
import { ARROWS, STRENGTH } from '../findings/arrows';
import { LEAKS } from '../findings/leaks';
import { findingById } from '../findings/catalogue';
import type { FindingId } from '../findings/ids';
import { randomFrom } from '../shared/random';
import type { Random } from '../shared/random';
import { presenceByStates } from '../testing/enumeration';
import { graphFindings } from './model';
import { buildNetwork, infer } from './network';
import type { Likelihood, NetworkNode } from './network';

/** Nodes and arrows of the catalogue's own graph between some findings. */
function subNetwork(ids: readonly FindingId[]): NetworkNode[] {
  return ids.map((id) => ({
    id,
    leak: LEAKS[findingById(id).leak],
    parents: ARROWS.filter((a) => a.consequence === id && ids.includes(a.cause)).map((a) => ({
      node: ids.indexOf(a.cause),
      weight: STRENGTH[a.strength] as number,
    })),
  }));
}

/** A connected part of the graph, grown from a finding by chance. */
function connected(discipline: Discipline, size: number, random: Random): FindingId[] {
  const all = graphFindings(discipline).map((f) => f.id);
  const near = (id: FindingId) =>
    ARROWS.flatMap((a) => (a.cause === id ? [a.consequence] : a.consequence === id ? [a.cause] : [])).filter((n) =>
      all.includes(n),
    );
  const linked = all.filter((id) => near(id).length > 0);
  const ids = new Set<FindingId>([random.pick(linked)]);
  for (let tries = 0; ids.size < size && tries < 400; tries++) {
    const around = [...ids].flatMap(near).filter((n) => !ids.has(n));
    if (around.length > 0) ids.add(random.pick(around));
  }
  return [...ids];
}

const likelihoodsOf = (nodes: readonly NetworkNode[], random: Random): Map<number, Likelihood> =>
  new Map(
    nodes.flatMap((_, i) => (random.chance(0.5) ? [[i, [0.02 + random.uniform(), 0.02 + random.uniform()]] as const] : [])),
  );

describe('the catalogue’s own graph against enumeration', () => {
  it.each(
    (['overhand', 'windmill'] as const).flatMap((discipline) =>
      [3, 6, 9, 12, 14, 16, 17, 18].map((size, n) => [discipline, size, 40 + n] as const),
    ),
  )('%s, a connected part of %i findings', (discipline, size, seed) => {
    const random = randomFrom(seed);
    const ids = connected(discipline, size, random);
    const nodes = subNetwork(ids);
    const likelihoods = likelihoodsOf(nodes, random);
    const exact = presenceByStates(nodes, likelihoods);
    const { present } = infer(buildNetwork(nodes), likelihoods);
    ids.forEach((id, i) => expect([id, present[i]]).toEqual([id, expect.closeTo(exact[i]!, 9)]));
  });

  it('every finding with all its causes and consequences, up to 14 of them', () => {
    for (const discipline of ['overhand', 'windmill'] as const)
      for (const { id } of graphFindings(discipline)) {
        const ids = [
          id,
          ...ARROWS.flatMap((a) => (a.cause === id ? [a.consequence] : a.consequence === id ? [a.cause] : [])),
        ].filter((other, i, list) => list.indexOf(other) === i && findingById(other).disciplines.includes(discipline));
        if (ids.length < 2 || ids.length > 14) continue;
        const nodes = subNetwork(ids);
        const likelihoods = likelihoodsOf(nodes, randomFrom(ids.length));
        const exact = presenceByStates(nodes, likelihoods);
        const { present } = infer(buildNetwork(nodes), likelihoods);
        exact.forEach((p, i) => expect(present[i]).toBeCloseTo(p, 9));
      }
  });
});
