import { DRILLS } from '../drills/catalogue';
import { EQUIPMENT } from '../drills/types';
import { planRequest } from '../testing/plan';
import { handOut } from './hand-out';
import { makePlan } from './plan';
import type { PlanRequest } from './types';

const BASE: PlanRequest = {
  ...planRequest,
  weeks: 2,
  availability: [
    { weekday: 'mon', minutes: 60, place: 'cage' },
    { weekday: 'thu', minutes: 60, place: 'cage' },
  ],
  equipment: EQUIPMENT.filter((kit) => kit !== 'net' && kit !== 'radar'),
  partner: false,
  recentLoad: ['2026-04-13', '2026-04-20', '2026-04-27'].map((date) => ({ date, throws: 60, highEffort: 10 })),
};
const dry = DRILLS.find(
  (d) =>
    d.throws === 'none' &&
    d.place.includes('home') &&
    d.equipment.length === 0 &&
    d.disciplines.includes('overhand') &&
    d.treats.length > 0,
)!;
const thrown = DRILLS.find(
  (d) =>
    d.throws !== 'none' &&
    d.part === null &&
    d.place.includes('home') &&
    d.equipment.length === 0 &&
    d.disciplines.includes('overhand') &&
    d.effort[1] < 90,
)!;
const at = (more: Partial<PlanRequest>, drills: readonly string[], place: 'home' | 'cage' = 'home', date = '2026-05-06') =>
  handOut({ ...BASE, ...more }, [], { date, place, drills });

describe('work handed out', () => {
  it('is a drill in its own dose, on a day on which nothing else is planned', () => {
    const { session, left } = at({}, [dry.id]);
    expect(left).toEqual([]);
    expect(session).toMatchObject({ date: '2026-05-06', place: 'home', throws: 0 });
    expect(session!.items.map((i) => [i.drill, i.sets, i.reps])).toEqual([[dry.id, dry.dose.sets, dry.dose.reps]]);
    expect(session!.minutes).toBe(session!.items[0]!.minutes);
  });

  it('throws nothing at home without a net or somebody who catches it, and nothing alone under ten', () => {
    expect(at({}, [thrown.id])).toMatchObject({
      session: null,
      left: [{ why: 'Nothing is thrown at home without a net or a partner.' }],
    });
    const net = at({ equipment: [...BASE.equipment, 'net'] }, [thrown.id]);
    // Warmed up first, and no more than the arm has.
    expect(net.session!.items.map((i) => i.role)).toEqual(['warm-throws', 'pinned']);
    expect(at({ partner: true }, [thrown.id]).session!.throws).toBeGreaterThan(0);
    const child = { ...BASE.athlete, birthDate: '2017-06-02', heightM: 1.3, massKg: 28 };
    expect(at({ athlete: child, equipment: [...BASE.equipment, 'net'] }, [thrown.id]).session).toBeNull();
  });

  it('throws nothing under a lock, and nothing that the day does not hold any more', () => {
    const pain = [{ date: '2026-05-05', site: 'elbow' as const, score: 5 }];
    const locked = at({ pain, partner: true }, [thrown.id, dry.id]);
    expect(locked.left.map((l) => l.drill)).toContain(thrown.id);
    expect(locked.session?.throws ?? 0).toBe(0);
    // A budget of the day that the plan's own session has used up.
    const request = { ...BASE, partner: true, leagueDailyLimit: 30 };
    const plan = makePlan({ ...request, weeks: 1 });
    const busy = { ...plan.sessions[0]!, date: '2026-05-06', throws: 30, highEffort: 0 };
    expect(handOut(request, [busy], { date: '2026-05-06', place: 'home', drills: [thrown.id] }).session).toBeNull();
    expect(handOut(request, [], { date: '2026-05-06', place: 'home', drills: [thrown.id] }).session!.throws).toBeLessThanOrEqual(
      30,
    );
  });

  it('leaves out what stands in the day already, what is unknown and what its place has no kit for, and says why', () => {
    const plan = makePlan(BASE);
    const session = plan.sessions[0]!;
    const kit = DRILLS.find((d) => d.equipment.includes('radar'))!;
    const { left } = handOut(BASE, plan.sessions, {
      date: session.date,
      place: session.place,
      drills: [session.items[0]!.drill, 'no-such-drill', kit.id],
    });
    expect(left.map((l) => l.why)).toEqual([
      'it stands in that day’s session already',
      'it is no drill of the catalogue, and none of your own',
      expect.stringMatching(/needs|not done at/),
    ]);
  });

  it('is nothing on a game day, and says the same of any order and of a drill named twice', () => {
    expect(at({ games: [{ date: '2026-05-06', pitches: 40 }] }, [dry.id]).left[0]!.why).toContain('is a game day');
    const drills = DRILLS.filter(
      (d) => d.throws === 'none' && d.equipment.length === 0 && d.place.includes('home') && d.disciplines.includes('overhand'),
    )
      .slice(0, 3)
      .map((d) => d.id);
    const names = (list: readonly string[]) =>
      at({}, list)
        .session!.items.map((i) => i.drill)
        .sort();
    const all = names(drills);
    expect(names([...drills, ...drills])).toEqual(all);
    // Which of them fit hangs on which is named first; that they hold no more minutes than there are does not.
    for (const order of [drills, [...drills].reverse(), [drills[1]!, drills[2]!, drills[0]!]])
      expect(at({}, order).session!.minutes).toBeLessThanOrEqual(20);
  });
});
