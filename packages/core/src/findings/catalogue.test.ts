import { DRILLS } from '../drills/catalogue';
import { drillPoses } from '../drills/poses';
import { MEASURES } from '../delivery/measures';
import { POSES } from '../delivery/poses';
import { DISCIPLINES } from '../delivery/links';
import { BODY_TESTS } from '../body/catalogue';
import { ARROWS } from './arrows';
import { FINDINGS } from './catalogue';
import { FINDING_IDS } from './ids';
import { behind, causesOf, consequencesOf } from './paths';
import { SIGNS } from './signs';

describe('catalogues', () => {
  it('hold every finding once, with words', () => {
    expect(FINDINGS.map((f) => f.id).sort()).toEqual([...FINDING_IDS].sort());
    for (const f of FINDINGS)
      for (const words of [f.title, f.seen, f.forAthlete, f.eyeCheck]) expect(words.length).toBeGreaterThan(10);
  });

  it('have no cycle, and limits and cues have no causes', () => {
    const state = new Map<string, 'open' | 'done'>();
    const visit = (id: string): void => {
      if (state.get(id) === 'done') return;
      if (state.get(id) === 'open') throw new Error(`cycle through ${id}`);
      state.set(id, 'open');
      ARROWS.filter((a) => a.cause === id).forEach((a) => visit(a.consequence));
      state.set(id, 'done');
    };
    FINDINGS.forEach((f) => visit(f.id));
    const inner = new Set(FINDINGS.filter((f) => f.kind !== 'habit').map((f) => f.id));
    expect(ARROWS.filter((a) => inner.has(a.consequence))).toEqual([]);
    expect(new Set(ARROWS.map((a) => `${a.cause}>${a.consequence}`)).size).toBe(ARROWS.length);
  });

  it('tell what each habit costs, and what tells a finding from its look-alikes', () => {
    for (const f of FINDINGS) {
      expect({ id: f.id, costs: f.cost !== null }).toEqual({ id: f.id, costs: f.kind === 'habit' });
      if (f.healthFlag) expect(f.cost!.of).toContain('health');
      if (f.lookAlikes) expect((f.tellApart ?? '').length).toBeGreaterThan(20);
      for (const other of f.lookAlikes ?? []) {
        expect(other).not.toBe(f.id);
        expect(FINDINGS.find((o) => o.id === other)!.disciplines.some((d) => f.disciplines.includes(d))).toBe(true);
      }
    }
  });

  it('read the arrows the same in both directions', () => {
    for (const f of FINDINGS) {
      for (const consequence of consequencesOf(f.id)) expect(causesOf(consequence)).toContain(f.id);
      for (const cause of causesOf(f.id)) expect(consequencesOf(cause)).toContain(f.id);
      expect(behind(f.id).has(f.id)).toBe(false);
    }
    expect(FINDINGS.flatMap((f) => consequencesOf(f.id))).toHaveLength(ARROWS.length);
  });

  it('give every finding drills on at least two rungs, in each of its disciplines', () => {
    for (const discipline of DISCIPLINES)
      for (const f of FINDINGS.filter((x) => x.disciplines.includes(discipline))) {
        const drills = DRILLS.filter((d) => d.disciplines.includes(discipline) && d.treats.some((t) => t.finding === f.id));
        expect({ finding: f.id, discipline, enough: new Set(drills.flatMap((d) => d.rungs)).size >= 2 }).toEqual({
          finding: f.id,
          discipline,
          enough: true,
        });
      }
  });

  it('link drills only to drills, and give each every field', () => {
    const ids = new Set(DRILLS.map((d) => d.id));
    expect(ids.size).toBe(DRILLS.length);
    for (const d of DRILLS) {
      for (const link of [d.regressTo, d.progressTo]) if (link !== null) expect(ids.has(link)).toBe(true);
      expect(d.steps.length).toBeGreaterThan(0);
      expect(d.cheats.length).toBeGreaterThan(0);
      expect(d.rungs.length).toBeGreaterThan(0);
      expect(d.throws === 'none').toBe(d.effort[1] === 0);
      for (const discipline of d.disciplines) for (const pose of drillPoses(d, discipline)) expect(POSES[pose]).toBeDefined();
    }
  });

  it('name only measures, tests and findings that exist', () => {
    const findings = new Set<string>(FINDING_IDS);
    const measures = new Set(MEASURES.map((m) => m.id));
    for (const sign of SIGNS)
      expect([findings.has(sign.finding), measures.has(sign.measure), sign.spread > 0]).toEqual([true, true, true]);
    for (const test of BODY_TESTS) for (const finding of Object.values(test.speaksOf)) expect(findings.has(finding)).toBe(true);
  });
});
