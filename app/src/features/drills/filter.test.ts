import { DRILLS, makePlan } from '@wrightonic/core';
import type { Drill } from '@wrightonic/core';
import { planRequestOf } from '../../testing/work';
import { filtersSet, matches, NO_FILTER, passes } from './filter';
import type { DrillFilter } from './filter';

const shown = (more: Partial<DrillFilter>): readonly Drill[] => DRILLS.filter((d) => passes(d, { ...NO_FILTER, ...more }));

describe('the filters of the library', () => {
  it('show everything while none is set', () => {
    expect(shown({})).toEqual(DRILLS);
    expect(filtersSet(NO_FILTER)).toBe(0);
    expect(filtersSet({ ...NO_FILTER, ball: false, kit: [] })).toBe(2);
  });

  it('show each drill for one of the answers, and for no other', () => {
    expect(shown({ ball: true }).length + shown({ ball: false }).length).toBe(DRILLS.length);
    expect(shown({ partner: true }).length + shown({ partner: false }).length).toBe(DRILLS.length);
    for (const d of shown({ ball: false })) expect(d.throws).toBe('none');
  });

  it('show what can be done without kit', () => {
    const bare = shown({ kit: [] });
    expect(bare.length).toBeGreaterThan(10);
    for (const d of bare)
      expect(['strap', 'net', 'band', 'hurdle', 'box'].filter((k) => d.equipment.includes(k as never))).toEqual([]);
    // More kit never shows less.
    const more = shown({ kit: ['strap', 'box'] });
    for (const d of bare) expect(more).toContain(d);
    expect(more.length).toBeGreaterThan(bare.length);
  });

  it('show for a finding the drills that a plan works it with', () => {
    const stall = new Set(shown({ finding: 'stall' }).map((d) => d.id));
    const worked = makePlan(planRequestOf({ weeks: 6 })).sessions.flatMap((s) =>
      s.items.filter((i) => i.role === 'main' && i.rung < 7).map((i) => i.drill),
    );
    expect(worked.length).toBeGreaterThan(4);
    for (const drill of worked) expect([drill, stall.has(drill)]).toEqual([drill, true]);
  });

  it('hold age, place, rung and minutes together', () => {
    const some = shown({ age: 8, place: 'home', rung: 2, minutes: 5 });
    expect(some.length).toBeGreaterThan(0);
    for (const d of some) {
      expect(d.minAge).toBeLessThanOrEqual(8);
      expect(d.place).toContain('home');
      expect(d.rungs).toContain(2);
    }
    expect(shown({ minutes: 1 }).length).toBeLessThan(shown({ minutes: 10 }).length);
  });

  it('find a drill by its name in the academy’s words and in the catalogue’s', () => {
    const [drill] = DRILLS;
    const own = { ...drill!, name: 'The Quiet One' };
    expect(matches(own, 'quiet')).toBe(true);
    expect(matches(own, drill!.name.toLowerCase())).toBe(true);
    expect(matches(own, 'zzz')).toBe(false);
    expect(matches(own, '')).toBe(true);
  });
});
