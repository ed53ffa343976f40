import { drillById, DRILLS } from '../drills/catalogue';
import { drillsAt } from '../drills/ladders';
import { STANDARD_LIBRARY } from '../drills/library';
import { treatsDirectly } from '../drills/types';
import { randomFrom } from '../shared/random';
import { makePlanRequest } from '../simulate/plan-request';
import { planRequest as request } from '../testing/plan';
import { addDays } from '../shared/dates';
import { resolveSchools } from '../athlete/schools';
import { directOn, whyNot, workRung } from './choose';
import type { Context } from './choose';
import { aidsToday, fullDistance, minutesFor } from './dose';
import { openLedger } from './ledger';
import { dayAt } from './places';
import { makePlan } from './plan';
import type { PlanRequest, PlanSession } from './types';

/** Weeks of steady training, so that there is something to climb from. */
const trained: PlanRequest['recentLoad'] = Array.from({ length: 8 }, (_, week) =>
  [0, 2, 4].map((day) => ({
    date: new Date(Date.UTC(2026, 2, 9 + 7 * week + day)).toISOString().slice(0, 10),
    throws: 70,
    highEffort: 0,
  })),
).flat();
const plan = (more: Partial<PlanRequest> = {}) => makePlan({ ...request, recentLoad: trained, ...more });
const roles = (session: PlanSession) => session.items.map((i) => i.role);

function context(more: Partial<PlanRequest> = {}, date = '2026-05-04', throwing = true): Context {
  const asked = { ...request, recentLoad: trained, ...more };
  return {
    request: asked,
    schools: resolveSchools(asked.schools, asked.athlete.discipline, 17),
    day: dayAt(asked, date)!,
    allowance: openLedger(asked).allowance(date),
    throwing,
    used: new Map(),
    before: new Set(),
    kept: new Set(),
  };
}

describe('choosing a drill', () => {
  it('says in words why one may not be done', () => {
    const strap = drillById('strap-lower');
    expect(whyNot(strap, context())).toBeNull();
    expect(whyNot(strap, context({ equipment: [] }))).toBe('it needs strap');
    // A slot's own kit replaces the athlete's.
    const slot = [{ weekday: 'mon' as const, minutes: 60, place: 'cage' as const, equipment: [] }];
    expect(whyNot(strap, context({ availability: slot }))).toBe('it needs strap');
    expect(whyNot(strap, context({ athlete: { ...request.athlete, birthDate: '2018-01-01' } }))).toBe('it is for ages from 9');
    expect(whyNot(drillById('kneeling-circle'), context())).toContain('other discipline');
    expect(whyNot(drillById('wall-hip-fall'), context({}, '2026-05-09'))).toContain('not done at the mound');
    expect(whyNot(drillById('late-hand-clap'), context({ partner: false }))).toBe('it needs a partner');
    expect(whyNot(drillById('knee-gate'), context({}, '2026-05-04', false))).toContain('no room for throws');
    expect(whyNot(drillById('wall-hip-fall'), context({ focus: [{ finding: 'hip-lead-overdone', rung: 1 }] }))).toContain(
      'not for now',
    );
    expect(whyNot(drillById('broad-jump-stick'), context({ games: [{ date: '2026-05-05', pitches: 20 }] }))).toContain(
      'after the game',
    );
    const hurt = context({ pain: [{ date: '2026-05-03', site: 'elbow', score: 4 }] });
    expect(whyNot(drillById('towel-one-picture'), hurt)).toContain('arm rests');
  });

  it('offers only direct drills of the rung, and none above what the place allows', () => {
    const here = context();
    for (const rung of [1, 2, 3, 4, 5] as const)
      for (const drill of directOn('stall', rung, here))
        expect(treatsDirectly(drill, 'stall') && drill.rungs.includes(rung)).toBe(true);
    expect(directOn('wasted-effort', 6, context({}, '2026-05-07'))).toEqual([]);
    expect(workRung('stall', 4, context({}, '2026-05-04', false))).toBe(2);
  });

  it('lets a drill settle, and moves on when it has had its time', () => {
    const fresh = directOn('stall', 4, context())[0]!;
    const used = (times: number) => directOn('stall', 4, { ...context(), used: new Map([[fresh.id, times]]) })[0]!.id;
    expect(used(1)).toBe(fresh.id);
    expect(used(5)).not.toBe(fresh.id);
    const stuck = context({ recentDrills: [{ drill: fresh.id, sessions: 4, stuck: true }] });
    expect(directOn('stall', 4, { ...stuck, used: new Map([[fresh.id, 4]]) })[0]!.id).not.toBe(fresh.id);
  });

  it('takes aids off one at a time, last on first off, and says what is left without them', () => {
    const hurdle = drillById('step-over-hurdle');
    const at = (times: number, gone?: string[]) =>
      aidsToday(hurdle, {
        ...context({ recentDrills: [{ drill: hurdle.id, sessions: times, ...(gone ? { aidsGone: gone } : {}) }] }),
        used: new Map([[hurdle.id, times]]),
      });
    expect(at(0)).toEqual({ aids: ['hurdle'], add: ['hurdle'], remove: [] });
    expect(at(1).aids).toEqual([]);
    expect(at(1).remove[0]).toContain('nothing to clear');
    expect(at(0, ['hurdle'])).toEqual({ aids: [], add: [], remove: [] });
  });
});

describe('a session', () => {
  it('goes from preparation over warm-up throws to direct work, whole throws and the arm’s own', () => {
    const session = plan({ focus: [{ finding: 'stall', rung: 4 }] }).sessions.find((s) => s.throws > 0 && !s.testDay)!;
    const order = roles(session).filter((r, i, all) => all.indexOf(r) === i);
    expect(order[0]).toBe('prepare');
    expect(order.indexOf('warm-throws')).toBeLessThan(order.indexOf('carry-over'));
    const warm = session.items.findIndex((i) => i.role === 'warm-throws');
    expect(session.items.slice(0, warm).every((i) => i.throws === 0)).toBe(true);
    expect(
      session.items
        .slice(warm + 1)
        .filter((i) => i.role === 'main')
        .every((i) => i.rung === 4),
    ).toBe(true);
    expect(session.items.find((i) => i.role === 'carry-over')!.cue).toBe(session.cues.stall);
  });

  it('throws catch only at a dry rung: a healthy arm does not stop', () => {
    const session = plan({ focus: [{ finding: 'stall', rung: 2 }] }).sessions.find((s) => s.throws > 0)!;
    expect(new Set(session.items.filter((i) => i.throws > 0).map((i) => i.role))).toEqual(new Set(['warm-throws', 'arm-work']));
    expect(session.items.filter((i) => i.role === 'main').every((i) => i.rung === 2 && i.throws === 0)).toBe(true);
  });

  it('puts the test straight after the warm-up, hard only from rung 6', () => {
    const low = plan({ focus: [{ finding: 'stall', rung: 4 }], weeks: 6 }).sessions.filter((s) => s.testDay);
    expect(low.length).toBeGreaterThan(1);
    for (const s of low) expect(roles(s).indexOf('test')).toBe(roles(s).indexOf('warm-throws') + 1);
    expect(Math.max(...low[0]!.items.map((i) => i.effort[1]))).toBeLessThan(90);
    const high = plan({ focus: [{ finding: 'late-hips', rung: 6 }] }).sessions.find((s) => s.testDay)!;
    expect(high.items.find((i) => i.role === 'test')!.effort).toEqual([95, 100]);
    expect(high.highEffort).toBe(6);
  });

  it('treats no consequence and nothing that was cleared', () => {
    const judgement = { present: { stall: 0.9, 'sit-avoided': 0.8 }, cleared: ['hip-lead-overdone' as const] };
    const { sessions } = plan({ focus: [{ finding: 'stall', rung: 3 }], judgement, weeks: 6 });
    const support = sessions.flatMap((s) => s.items.filter((i) => i.role === 'support'));
    expect(support.length).toBeGreaterThan(0);
    for (const item of support) expect(treatsDirectly(drillById(item.drill), 'sit-avoided')).toBe(true);
    expect(support[0]!.why).toContain('80 %');
    const none = plan({ focus: [{ finding: 'stall', rung: 3 }], weeks: 6 }).sessions;
    expect(none.flatMap((s) => s.items).some((i) => i.role === 'support')).toBe(false);
  });

  it('works a limit in preparation, and on what it held back', () => {
    const limited = plan({
      focus: [{ finding: 'drive-hip-ir', rung: 0 }],
      judgement: { present: { 'late-hips': 0.8 } },
      weeks: 6,
    });
    const session = limited.sessions[0]!;
    const own = session.items.filter((i) => i.role === 'prepare' && treatsDirectly(drillById(i.drill), 'drive-hip-ir'));
    expect(own.length).toBeGreaterThan(0);
    for (const item of session.items.filter((i) => i.role === 'main'))
      expect(treatsDirectly(drillById(item.drill), 'late-hips')).toBe(true);
    expect(limited.sessions.some((s) => s.note?.includes('again before the session'))).toBe(true);
  });

  it('adds the counter of a cheat that was seen in a fifth of the reps', () => {
    const first = plan({ focus: [{ finding: 'stall', rung: 4 }] })
      .sessions.flatMap((s) => s.items)
      .find((i) => i.role === 'main' && i.rung === 4)!;
    const { cheat, counter } = drillById(first.drill).cheats[0]!;
    const counters = (seen: number) =>
      plan({ focus: [{ finding: 'stall', rung: 4 }], cheats: [{ drill: first.drill, cheat, reps: 10, seen }] })
        .sessions.flatMap((s) => s.items)
        .find((i) => i.drill === first.drill)!.constraints.add;
    expect(counters(2)).toContain(counter);
    expect(counters(1)).not.toContain(counter);
  });

  it('keeps what is pinned, and says why it could not', () => {
    const kept = plan({ pinned: [{ date: '2026-05-04', drill: 'crossover-tap' }] });
    expect(kept.sessions[0]!.items.find((i) => i.drill === 'crossover-tap')!.role).toBe('pinned');
    expect(kept.violations).toEqual([]);
    const wrong = plan({
      pinned: [
        { date: '2026-05-04', drill: 'kneeling-circle' },
        { date: '2026-05-05', drill: 'crossover-tap' },
      ],
    });
    expect(wrong.violations.map((v) => v.detail)).toEqual([
      'kneeling-circle on 2026-05-04 was left out: it belongs to the other discipline.',
      'crossover-tap on 2026-05-05 was left out: there is no session on that day.',
    ]);
  });

  it('gives the second focus one drill, and its own cue', () => {
    const both = plan({
      focus: [
        { finding: 'stall', rung: 4 },
        { finding: 'long-lever', rung: 3 },
      ],
    });
    const session = both.sessions.find((s) => s.items.some((i) => i.focus === 'long-lever'))!;
    expect(session.items.filter((i) => i.focus === 'long-lever')).toHaveLength(1);
    expect(Object.keys(session.cues).sort()).toEqual(['long-lever', 'stall']);
  });

  it('stays calm with a health flag, calmer where the focus is the flag', () => {
    const top = (more: Partial<PlanRequest>) =>
      Math.max(...plan({ weeks: 6, ...more }).sessions.flatMap((s) => s.items.map((i) => i.effort[1])));
    expect(top({ flags: ['arm-drag'], focus: [{ finding: 'wasted-effort', rung: 6 }] })).toBeLessThanOrEqual(85);
    const own = plan({ flags: ['arm-drag'], focus: [{ finding: 'arm-drag', rung: 5 }], weeks: 4 });
    for (const item of own.sessions.flatMap((s) => s.items.filter((i) => i.role === 'main')))
      expect([item.rung <= 5, item.effort[1] <= 70]).toEqual([true, true]);
  });

  it('says what to relax, smallest first', () => {
    expect(plan({ focus: [] }).infeasible!.relax[0]).toContain('focus');
    expect(plan({ availability: [] }).infeasible!.relax[0]).toContain('weekday');
    const games = { availability: [{ weekday: 'sat' as const, minutes: 60, place: 'mound' as const }], weeks: 1 };
    expect(plan({ ...games, games: [{ date: '2026-05-09', pitches: 20 }] }).infeasible!.reason).toContain('game day');
    expect(plan({ availability: [{ weekday: 'mon', minutes: 1, place: 'cage' }] }).infeasible!.relax.join()).toContain(
      '15 minutes',
    );
  });

  it('is the same for the same request, in whatever order the request lists things', () => {
    const asked = { ...request, recentLoad: trained, weeks: 3, focus: [{ finding: 'stall' as const, rung: 4 as const }] };
    const turned = {
      ...asked,
      availability: [...asked.availability].reverse(),
      recentLoad: [...trained].reverse(),
      equipment: [...asked.equipment].reverse(),
    };
    expect(JSON.stringify(makePlan(turned).sessions)).toBe(JSON.stringify(makePlan(asked).sessions));
  });
});

describe('the climb', () => {
  it('waits for ten direct reps on two days, and for the aids to be gone', () => {
    const { sessions } = plan({ focus: [{ finding: 'stride-offline', rung: 3 }], weeks: 4 });
    const at = (rung: number) =>
      sessions.flatMap((s) => s.items.filter((i) => i.role === 'main' && i.rung === rung).map((i) => ({ date: s.date, ...i })));
    const four = at(4)[0]!.date;
    const before = at(3).filter((i) => i.date < four);
    expect(new Set(before.map((i) => i.date)).size).toBeGreaterThanOrEqual(2);
    expect(before.reduce((n, i) => n + i.sets * i.reps, 0)).toBeGreaterThanOrEqual(10);
    const last = before[before.length - 1]!;
    expect(last.aids).toEqual([]);
  });

  it('takes a rung that the ladder skips for the nearest that it does not', () => {
    expect(drillsAt(STANDARD_LIBRARY.ladder('stall', 'overhand'), 6)).toEqual([]);
    const { sessions } = plan({
      focus: [{ finding: 'stall', rung: 6 }],
      availability: [{ weekday: 'mon', minutes: 60, place: 'cage' }],
    });
    const rungs = sessions.flatMap((s) => s.items.filter((i) => i.role === 'main' && i.throws > 0).map((i) => i.rung));
    expect(Math.max(...rungs)).toBe(5);
  });
});

describe('doses', () => {
  it('take time that grows with reps, and distances that grow with age', () => {
    for (const drill of DRILLS) expect(minutesFor(drill, 3, 10, 'cage')).toBeGreaterThan(minutesFor(drill, 1, 5, 'cage'));
    // 2 × 5 drill throws: a minute to set up, 250 seconds, half a minute between.
    expect(minutesFor(drillById('knee-gate'), 2, 5, 'cage')).toBe(Math.round((60 + 250 + 30) / 60));
    expect(minutesFor(drillById('mound-with-cue'), 2, 5, 'mound')).toBe(Math.round((60 + 350 + 30) / 60));
    expect([
      fullDistance('overhand', 12),
      fullDistance('overhand', 13),
      fullDistance('windmill', 10),
      fullDistance('windmill', 12),
      fullDistance('windmill', 16),
    ]).toEqual([14, 18.4, 10.7, 12.2, 13.1]);
  });
});

describe('work after throwing', () => {
  it('looks after the shoulder blades at the end of a long session with throws, and of no other', () => {
    for (const session of plan({ focus: [{ finding: 'stall', rung: 4 }] }).sessions) {
      const at = session.items.findIndex((i) => i.drill === 'blade-slides');
      if (at < 0) continue;
      expect(session.throws).toBeGreaterThan(0);
      expect(session.items.slice(at).every((i) => i.throws === 0)).toBe(true);
    }
    const has = (more: Partial<PlanRequest>) =>
      plan({ focus: [{ finding: 'stall', rung: 4 }], ...more }).sessions.some((s) =>
        s.items.some((i) => i.drill === 'blade-slides'),
      );
    expect(has({})).toBe(true);
    expect(has({ athlete: { ...request.athlete, birthDate: '2015-02-11', level: 'youth' } })).toBe(false);
    expect(has({ pain: [{ date: '2026-05-03', site: 'shoulder', score: 5 }] })).toBe(false);
  });
});

describe('a plan among games', () => {
  const daily = (from: string, days: number, every: number, pitches: number) =>
    Array.from({ length: days }, (_, n) => ({
      date: new Date(Date.parse(from) + 86_400_000 * every * n).toISOString().slice(0, 10),
      pitches,
    }));
  const among = (games: PlanRequest['games'], rung: 2 | 4, more: Partial<PlanRequest> = {}) =>
    plan({
      season: 'in',
      games,
      weeks: 3,
      focus: [{ finding: 'late-hips', rung }],
      availability: (['mon', 'wed', 'fri'] as const).map((weekday) => ({ weekday, minutes: 50, place: 'cage' as const })),
      ...more,
    });
  // Tuesday, Thursday, Saturday: every session lies on the day before a game.
  const eves = daily('2026-05-05', 21, 1, 25).filter((g) => [2, 4, 6].includes(new Date(g.date).getUTCDay()));

  it('says that no day is hard where every day is the eve of a game', () => {
    expect(among(eves, 4).summary).toContain('the games leave no hard day');
    expect(among([], 4).summary).not.toContain('no hard day');
    // What is dry anyway, or locked, cleared for little or thrown nowhere, is not so because of the games.
    expect(among(eves, 2).summary).not.toContain('no hard day');
    const sore = [{ date: '2026-05-03', site: 'elbow', score: 4 }] as const;
    expect(among(eves, 4, { pain: sore }).summary).not.toContain('no hard day');
    expect(
      among(eves, 4, { pain: sore, clearances: [{ date: '2026-05-04', by: 'a clinician', mostThrows: 20, highestEffort: 60 }] })
        .summary,
    ).not.toContain('no hard day');
    const home = [{ weekday: 'mon', minutes: 30, place: 'home', equipment: [] }] as const;
    expect(among(eves, 4, { partner: false, availability: home }).summary).not.toContain('no hard day');
  });

  it('gives the team’s warm-up a drill of the focus where games use the week up, in words and not on top', () => {
    let said = 0;
    for (let n = 0; n < 40; n++) {
      const { request: asked } = makePlanRequest(randomFrom(5000 + n), 'in season');
      for (const session of makePlan(asked).sessions) {
        const words = /do 10 of “(.+?)” instead of 10 of the warm-up throws, not on top of them/.exec(session.note ?? '');
        if (!words) continue;
        said++;
        const drill = DRILLS.find((d) => d.name === words[1])!;
        const bare = drill.equipment.every((kit) => kit === 'tape' || kit === 'towel');
        expect([session.throws, asked.flags, drill.throws !== 'none', bare]).toEqual([0, [], true, true]);
        expect(treatsDirectly(drill, asked.focus[0]!.finding)).toBe(true);
      }
    }
    expect(said).toBeGreaterThan(3);
  });

  it('sends no arm to the team’s practice that is cleared for little, on its way back, or has just hurt', () => {
    const says = (more: (asked: PlanRequest) => Partial<PlanRequest>) =>
      Array.from({ length: 40 }, (_, n) => makePlanRequest(randomFrom(5000 + n), 'in season').request).filter((asked) =>
        makePlan({ ...asked, ...more(asked) }).sessions.some((s) => s.note?.includes('team’s practice')),
      ).length;
    const sore = (asked: PlanRequest, score: number) => [{ date: asked.on, site: 'elbow' as const, score }];
    expect(says(() => ({}))).toBeGreaterThan(3);
    expect(says((asked) => ({ pain: sore(asked, 5) }))).toBe(0);
    expect(
      says((asked) => ({
        pain: sore(asked, 5),
        clearances: [{ date: asked.on, at: '23:00', by: 'a clinician', mostThrows: 30, highestEffort: 75 }],
      })),
    ).toBe(0);
    // Two weeks after weeks without a throw it still builds up.
    expect(says((asked) => ({ recentLoad: [], weekTold: 0, weeks: 2, until: addDays(asked.on, 13) }))).toBe(0);
  });
});
