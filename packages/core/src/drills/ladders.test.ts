import { POSES } from '../delivery/poses';
import { FINDINGS } from '../findings/catalogue';
import { DRILLS } from './catalogue';
import { LADDERS, ladderFaults, standingRungs } from './ladders';
import { kitSaid, saidOf } from './kit-words';
import { STANDARD_LIBRARY } from './library';
import { drillPoses } from './poses';
import { ALWAYS_THERE, treatsDirectly } from './types';

describe('ladders', () => {
  it('stand for every finding of both disciplines, without exception', () => {
    expect(LADDERS.length).toBe(FINDINGS.flatMap((f) => f.disciplines).length);
    expect(LADDERS.flatMap((ladder) => ladderFaults(ladder))).toEqual([]);
  });

  it('say why they skip a rung, and name no drill that treats the finding less than directly', () => {
    for (const { finding, rungs } of LADDERS)
      for (const r of rungs)
        if ('drills' in r)
          for (const id of r.drills)
            expect(
              treatsDirectly(
                DRILLS.find((d) => d.id === id)!,
                finding,
              ),
            ).toBe(true);
        else expect(r.skip.length).toBeGreaterThan(20);
  });

  it('end where they should: limits at rung 1, flagged findings at rung 5', () => {
    for (const f of FINDINGS)
      for (const d of f.disciplines) {
        const top = Math.max(...standingRungs(STANDARD_LIBRARY.ladder(f.id, d)));
        if (f.kind === 'limit') expect([f.id, top]).toEqual([f.id, 1]);
        if (f.healthFlag) expect([f.id, top <= 5]).toEqual([f.id, true]);
      }
    expect(() => STANDARD_LIBRARY.ladder('straight-whip', 'overhand')).toThrow(RangeError);
  });
});

describe('the catalogue', () => {
  it('throws something from rung 3 on, and nothing below', () => {
    for (const d of DRILLS)
      for (const rung of d.rungs) expect([d.id, rung, rung >= 3]).toEqual([d.id, rung, d.throws !== 'none']);
  });

  it('knows two or three cheats of every drill, and what answers each', () => {
    for (const d of DRILLS) {
      expect([d.id, d.cheats.length >= 2 && d.cheats.length <= 3]).toEqual([d.id, true]);
      expect(new Set(d.cheats.map((c) => c.cheat)).size).toBe(d.cheats.length);
      for (const c of d.cheats) expect(c.counter.length).toBeGreaterThan(8);
    }
  });

  it('says the kit and the partner that it lists, and lists those that it says', () => {
    for (const d of DRILLS) {
      for (const kit of kitSaid(d)) expect([d.id, kit, d.equipment.includes(kit)]).toEqual([d.id, kit, true]);
      if (/\bpartner\b/.test(saidOf(d))) expect([d.id, d.partner]).toEqual([d.id, true]);
      for (const aid of d.aids) {
        expect([d.id, aid.kit, d.equipment.includes(aid.kit)]).toEqual([d.id, aid.kit, true]);
        expect(aid.without.length).toBeGreaterThan(15);
      }
    }
  });

  it('lets nobody catch who is strapped in, and keeps bands away from a moving leg', () => {
    for (const d of DRILLS) {
      if (d.equipment.includes('strap') || d.equipment.includes('belt-cord')) expect([d.id, d.throws]).toEqual([d.id, 'none']);
      if (d.equipment.includes('band')) expect([d.id, d.cautions.length > 0 && d.throws === 'none']).toEqual([d.id, true]);
      if (d.strain === 'jump') expect([d.id, d.cautions.length > 0]).toEqual([d.id, true]);
    }
  });

  it('throws at home only over a short distance', () => {
    for (const d of DRILLS)
      if (d.place.includes('home') && d.throws !== 'none' && d.part === null)
        expect([d.id, (d.distanceM ?? 99) <= 9]).toEqual([d.id, true]);
  });

  it('moves every drill in its own way', () => {
    for (const discipline of ['overhand', 'windmill'] as const) {
      const seen = new Map<string, string>();
      for (const d of DRILLS.filter((x) => x.disciplines.includes(discipline))) {
        const poses = drillPoses(d, discipline);
        expect(poses.length).toBeGreaterThan(1);
        for (const pose of poses) expect(POSES[pose]).toBeDefined();
        const key = poses.join();
        expect([discipline, d.id, seen.get(key)]).toEqual([discipline, d.id, undefined]);
        seen.set(key, d.id);
      }
    }
  });

  it('has what a whole session is made of, for both disciplines and all ages', () => {
    for (const discipline of ['overhand', 'windmill'] as const)
      for (const part of ['pulse', 'warm-throws', 'catch', 'game', 'whole', 'blocks', 'mound', 'game-like', 'test'] as const)
        expect(DRILLS.some((d) => d.part === part && d.disciplines.includes(discipline) && !d.partner)).toBe(true);
    expect(ALWAYS_THERE).toEqual(['tape', 'towel']);
  });
});
