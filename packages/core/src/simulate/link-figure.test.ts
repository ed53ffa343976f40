import { JOINTS } from '../delivery/body';
import { DISCIPLINES, LINKS } from '../delivery/links';
import { FINDINGS, findingById } from '../findings/catalogue';
import type { FindingId } from '../findings/ids';
import { BODY_PARTS, partOf } from '../findings/parts';
import { linkMovement, shownFault } from './link-figure';

describe.each(DISCIPLINES)('the %s figure of a link', (discipline) => {
  it.each(LINKS)('moves through “%s” and loops without a jump', (link) => {
    const at = linkMovement(link, discipline, 1.6, 13);
    const apart = (a: number, b: number) => {
      const [from, to] = [at(a), at(b)];
      return Math.max(...JOINTS.map((j) => Math.hypot(...[0, 1, 2].map((axis) => from[j][axis]! - to[j][axis]!))));
    };
    expect(apart(0, 0.999)).toBeLessThan(0.02);
    let way = 0;
    for (let t = 0; t < 1; t += 0.01) {
      // The hand is fastest; a jump would be a metre.
      expect(apart(t, t + 0.01)).toBeLessThan(0.25);
      way += apart(t, t + 0.01);
    }
    expect(way).toBeGreaterThan(0.05);
    for (const joint of JOINTS) expect(at(0.4)[joint][2]).toBeGreaterThan(-0.03);
  });
});

describe('a fault beside the clean throw', () => {
  const differs = (discipline: 'overhand' | 'windmill', id: FindingId): number => {
    const { phase } = findingById(id);
    const [right, wrong] = [undefined, shownFault(id, discipline)!].map((fault) =>
      linkMovement(phase!, discipline, 1.75, 16, fault ?? undefined),
    );
    let most = 0;
    for (let t = 0; t < 1; t += 0.05) {
      const [a, b] = [right!(t), wrong!(t)];
      for (const joint of Object.keys(a) as (keyof typeof a)[])
        most = Math.max(most, Math.hypot(...a[joint].map((c, axis) => c - b[joint][axis]!)));
    }
    return most;
  };

  it.each(['overhand', 'windmill'] as const)('is seen on its own link, %s', (discipline) => {
    const shown = FINDINGS.filter((f) => f.phase && f.disciplines.includes(discipline) && shownFault(f.id, discipline));
    expect(shown.length).toBeGreaterThan(10);
    for (const { id } of shown) {
      expect([id, differs(discipline, id) > 0.02]).toEqual([id, true]);
      expect(BODY_PARTS).toContain(partOf(id));
    }
  });

  it('is not made up where nothing can be shown', () => {
    expect(shownFault('slouch', 'overhand')).toBeNull();
    expect(shownFault('straight-whip', 'overhand')).toBeNull();
    expect(partOf('drive-hip-ir')).toBeNull();
  });
});
