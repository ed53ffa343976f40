import { drillById, DRILLS } from '../drills/catalogue';
import { EQUIPMENT } from '../drills/types';
import { resolveSchools } from '../shared/schools';
import { chooseAtOrBelow, chooseDrill, mayDo, treatmentOf } from './choose';
import type { ChoiceContext } from './choose';
import { outlineClimb } from './climb';
import { fullDistance, minutesFor } from './fit';
import { openLedger } from './ledger';
import { makePlan } from './plan';
import type { PlanRequest } from './types';

const request: PlanRequest = {
  on: '2026-05-04', // a Monday
  athlete: { discipline: 'overhand', throws: 'R', birthDate: '2009-02-11', heightM: 1.8, massKg: 74, level: 'high-school' },
  focus: [{ finding: 'stall', rung: 2 }],
  weeks: 4,
  availability: [
    { weekday: 'mon', minutes: 60, place: 'cage' },
    { weekday: 'thu', minutes: 40, place: 'home' },
    { weekday: 'sat', minutes: 60, place: 'mound' },
  ],
  equipment: [...EQUIPMENT],
  partner: true,
  season: 'off',
  games: [],
  recentLoad: [],
  pain: [],
  leagueDailyLimit: null,
  flags: [],
  pinned: [],
};
const context = (more: Partial<ChoiceContext> = {}): ChoiceContext => ({
  request,
  schools: resolveSchools(undefined, 'overhand', 17),
  age: 17,
  place: 'cage',
  canThrow: true,
  hardOpen: true,
  highestEffort: 100,
  legsClosed: false,
  used: new Map(),
  inSession: new Set(),
  ...more,
});
const plan = (more: Partial<PlanRequest> = {}) => makePlan({ ...request, ...more });

describe('choosing a drill', () => {
  it('says in words why one may not be done', () => {
    const strap = drillById('strap-lower');
    expect(mayDo(strap, context())).toBeNull();
    expect(mayDo(strap, context({ request: { ...request, equipment: [] } }))).toBe('it needs strap');
    expect(mayDo(strap, context({ age: 8 }))).toBe('it is for ages from 9');
    expect(mayDo(drillById('kneeling-circle'), context())).toContain('other discipline');
    expect(mayDo(drillById('wall-hip-fall'), context({ place: 'mound' }))).toContain('not done at the mound');
    expect(mayDo(drillById('late-hand-clap'), context({ request: { ...request, partner: false } }))).toBe('it needs a partner');
    expect(mayDo(drillById('knee-gate'), context({ canThrow: false }))).toBe('there is no room for throws');
    expect(
      mayDo(drillById('wall-hip-fall'), context({ request: { ...request, focus: [{ finding: 'hip-lead-overdone', rung: 1 }] } })),
    ).toContain('not for now');
  });

  it('counts a cause and a consequence for less than the focus itself', () => {
    const drill = drillById('strap-lower');
    expect(treatmentOf(drill, 'stall')!.weight).toBe(1);
    expect(treatmentOf(drill, 'glove-pull')!.words).toContain('cause behind it');
    expect(treatmentOf(drill, 'long-lever')).toBeNull();
  });

  it('lets a drill settle, and moves on after four sessions', () => {
    const first = chooseDrill('stall', 2, context())!.drill.id;
    expect(chooseDrill('stall', 2, context({ used: new Map([[first, 2]]) }))!.drill.id).toBe(first);
    expect(chooseDrill('stall', 2, context({ used: new Map([[first, 4]]) }))!.drill.id).not.toBe(first);
  });

  it('never offers the same drill twice in a session, and goes lower where the rung is out of reach', () => {
    const first = chooseDrill('stall', 2, context())!.drill.id;
    expect(chooseDrill('stall', 2, context({ inSession: new Set([first]) }))!.drill.id).not.toBe(first);
    const dry = chooseAtOrBelow('stall', 5, context({ canThrow: false }))!;
    expect([dry.rung < 5, dry.drill.throws]).toEqual([true, 'none']);
  });

  it('prefers what the academy’s school teaches', () => {
    const score = (driveLeg: 'fall' | 'push') =>
      chooseDrill('jump-off', 2, context({ schools: { ...resolveSchools(undefined, 'overhand', 17), driveLeg } }))!.score;
    expect(score('fall')).toBeGreaterThan(score('push'));
  });
});

describe('the climb', () => {
  it('rises a rung when the gate is expected to have passed', () => {
    const rungs = outlineClimb({ ...request, weeks: 6 }).map((o) => o.focus[0]!.main);
    expect(rungs.slice(0, 6)).toEqual([2, 2, 3, 3, 3, 4]);
    expect(Math.max(...rungs)).toBeGreaterThan(5);
  });

  it('stops where the places end', () => {
    const top = (place: 'home' | 'cage' | 'mound') =>
      Math.max(
        ...outlineClimb({
          ...request,
          weeks: 20,
          availability: [
            { weekday: 'mon', minutes: 60, place },
            { weekday: 'thu', minutes: 60, place },
          ],
        }).flatMap((o) => o.focus.map((f) => f.main)),
      );
    expect([top('home'), top('cage'), top('mound')]).toEqual([5, 6, 8]);
  });

  it('tests every second week, and leaves game days alone', () => {
    const outlines = outlineClimb({ ...request, weeks: 6, games: [{ date: '2026-05-09', pitches: 40 }] });
    expect(outlines.filter((o) => o.testDay).length).toBe(3);
    expect(outlines.map((o) => o.date)).not.toContain('2026-05-09');
  });
});

describe('the ledger', () => {
  it('owes rest after a game, keeps the day of the game free, and spaces hard days', () => {
    const ledger = openLedger({
      ...request,
      recentLoad: [{ date: '2026-04-20', throws: 90, highEffort: 0 }],
      games: [{ date: '2026-05-06', pitches: 50 }],
    });
    expect(ledger.allowance('2026-05-06').because).toContain('game');
    expect(ledger.allowance('2026-05-07').because).toContain('Rest after pitching');
    expect(ledger.allowance('2026-05-08').throws).toBe(0);
    expect(ledger.allowance('2026-05-05').highEffort).toBe(0);
  });

  it('closes hard throws for a health flag, and everything for a lock', () => {
    expect(openLedger({ ...request, flags: ['arm-drag'] }).allowance('2026-05-04').highEffort).toBe(0);
    const locked = openLedger({ ...request, pain: [{ date: '2026-05-02', site: 'shoulder', score: 4 }] });
    expect(locked.allowance('2026-06-01')).toMatchObject({ throws: 0, because: expect.stringContaining('locked') });
    const cleared = openLedger({
      ...request,
      pain: [{ date: '2026-05-02', site: 'shoulder', score: 4 }],
      clearances: [{ date: '2026-05-03', by: 'Dr. Made-Up' }],
    });
    expect(cleared.allowance('2026-05-04').throws).toBeGreaterThan(0);
  });

  it('takes what is booked off the week', () => {
    const weeks = ['2026-04-06', '2026-04-13', '2026-04-20', '2026-04-27'];
    const ledger = openLedger({ ...request, recentLoad: weeks.map((date) => ({ date, throws: 200, highEffort: 0 })) });
    // The rolling week may hold 15 % above the usual 200.
    expect(ledger.allowance('2026-05-05').throws).toBe(120);
    ledger.book('2026-05-04', 100, 0);
    ledger.book('2026-05-06', 100, 0);
    expect(ledger.allowance('2026-05-07').throws).toBe(30);
  });

  it('starts somebody of whom nothing is known with half a daily budget a week, and then builds', () => {
    const ledger = openLedger(request);
    expect(ledger.allowance('2026-05-04')).toMatchObject({ throws: 60, highestEffort: 70, highEffort: 0 });
    ledger.book('2026-05-04', 40, 0);
    expect(ledger.allowance('2026-05-06').throws).toBe(20);
    ledger.book('2026-05-06', 20, 0);
    // A week later three quarters of a budget, at 80 %.
    expect(ledger.allowance('2026-05-12')).toMatchObject({ throws: 90 - 20, highestEffort: 80 });
  });

  it('reads the age on each day: a birthday within the plan changes its budget', () => {
    const usual = ['2026-04-06', '2026-04-13', '2026-04-20', '2026-04-27'].map((date) => ({ date, throws: 400, highEffort: 0 }));
    const turning = { ...request, recentLoad: usual, athlete: { ...request.athlete, birthDate: '2009-05-08' } };
    const ledger = openLedger(turning);
    expect([ledger.allowance('2026-05-07').throws, ledger.allowance('2026-05-08').throws]).toEqual([110, 120]);
  });

  it('keeps the league’s day, week and rest', () => {
    const usual = ['2026-04-06', '2026-04-13', '2026-04-20', '2026-04-27'].map((date) => ({ date, throws: 200, highEffort: 0 }));
    const ledger = openLedger({
      ...request,
      recentLoad: [...usual, { date: '2026-05-01', pitches: 25, throws: 25, highEffort: 0 }],
      league: { daily: 40, weekly: 90, rest: [{ from: 20, days: 3 }] },
    });
    expect(ledger.allowance('2026-05-04')).toMatchObject({ throws: 0, because: expect.stringContaining('Rest') });
    expect(ledger.allowance('2026-05-05').throws).toBe(40);
    ledger.book('2026-05-05', 40, 0);
    expect(ledger.allowance('2026-05-07').throws).toBe(90 - 25 - 40);
  });

  it('keeps the windmill’s third day, for practice and for a game to come', () => {
    const young = { ...request, athlete: { ...request.athlete, discipline: 'windmill' as const, birthDate: '2015-02-01' } };
    const usual = ['2026-04-06', '2026-04-13', '2026-04-20', '2026-04-27'].map((date) => ({ date, throws: 200, highEffort: 0 }));
    const inARow = ['2026-05-02', '2026-05-03'].map((date) => ({ date, pitches: 30, throws: 30, highEffort: 0 }));
    expect(openLedger({ ...young, recentLoad: [...usual, ...inARow] }).allowance('2026-05-04').throws).toBe(0);
    // Heavy practice on both days before a game would make it a third day.
    const before = openLedger({ ...young, recentLoad: usual, games: [{ date: '2026-05-06', pitches: 40 }] });
    before.book('2026-05-04', 60, 0);
    expect(before.allowance('2026-05-05').throws).toBeLessThanOrEqual(31);
  });

  it('throws nothing past a clearance’s last day, and keeps its numbers before it', () => {
    const ledger = openLedger({
      ...request,
      recentLoad: ['2026-04-06', '2026-04-13', '2026-04-20'].map((date) => ({ date, throws: 200, highEffort: 0 })),
      pain: [{ date: '2026-05-02', site: 'shoulder', score: 4 }],
      clearances: [{ date: '2026-05-03', by: 'A. Clinician', until: '2026-05-10', mostThrows: 12, highestEffort: 60 }],
    });
    expect(ledger.allowance('2026-05-08')).toMatchObject({ throws: 12, highEffort: 0, highestEffort: 60 });
    expect(ledger.allowance('2026-05-11')).toMatchObject({ throws: 0, because: expect.stringContaining('run out') });
  });
});

describe('a plan', () => {
  it('holds the main rung, the one below, and a taste of the next', () => {
    const session = plan().sessions[0]!;
    const rungOf = (role: string) => session.items.filter((i) => i.role === role).map((i) => i.rung);
    expect(rungOf('main')[0]).toBe(2);
    expect(rungOf('warm')).toEqual([1]);
    expect(rungOf('taste').every((r) => r === 3)).toBe(true);
    expect(session.items.every((i) => i.focus === 'stall')).toBe(true);
  });

  it('brings supports in and takes them away again, least needed first', () => {
    const uses = plan({ weeks: 6 })
      .sessions.flatMap((s) => s.items)
      .filter((i) => i.drill === 'strap-lower');
    expect(uses[0]!.constraints.add).toEqual(['heavy strap', 'strap']);
    expect(uses[1]!.constraints).toEqual({ add: [], remove: ['heavy strap'] });
    expect(uses[2]!.constraints.remove).toEqual(['strap']);
  });

  it('remembers what has settled before', () => {
    const uses = plan({ recentDrills: [{ drill: 'strap-lower', sessions: 1 }] })
      .sessions.flatMap((s) => s.items)
      .filter((i) => i.drill === 'strap-lower');
    expect(uses[0]!.constraints).toEqual({ add: [], remove: ['heavy strap'] });
  });

  it('keeps what is pinned, and says why it could not', () => {
    const kept = plan({ pinned: [{ date: '2026-05-04', drill: 'crossover-tap' }] });
    expect(kept.sessions[0]!.items.map((i) => i.drill)).toContain('crossover-tap');
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

  it('works on a lower-half and an arm focus in one session', () => {
    const both = plan({
      focus: [
        { finding: 'stall', rung: 2 },
        { finding: 'long-lever', rung: 3 },
      ],
    }).sessions[0]!;
    expect(new Set(both.items.map((i) => i.focus))).toEqual(new Set(['stall', 'long-lever']));
  });

  it('stays calm with a health flag', () => {
    const flagged = plan({ flags: ['arm-drag'], focus: [{ finding: 'wasted-effort', rung: 6 }], weeks: 6 });
    expect(Math.max(...flagged.sessions.flatMap((s) => s.items.map((i) => i.effort[1])))).toBeLessThanOrEqual(85);
  });

  it('gives more minutes more work, and never goes over', () => {
    const total = (minutes: number) =>
      plan({ availability: [{ weekday: 'mon', minutes, place: 'cage' }] }).sessions[0]?.minutes ?? 0;
    for (const minutes of [8, 15, 25, 60]) expect(total(minutes)).toBeLessThanOrEqual(minutes);
    expect(total(60)).toBeGreaterThan(total(8));
  });

  it('says what to relax, smallest first', () => {
    expect(plan({ focus: [] }).infeasible!.relax[0]).toContain('focus');
    expect(
      plan({
        availability: [{ weekday: 'sat', minutes: 60, place: 'mound' }],
        weeks: 1,
        games: [{ date: '2026-05-09', pitches: 20 }],
      }).infeasible!.reason,
    ).toContain('game day');
    expect(plan({ availability: [{ weekday: 'mon', minutes: 1, place: 'cage' }] }).infeasible!.relax.join()).toContain(
      'at least 5 minutes',
    );
  });
});

describe('doses', () => {
  it('take time that grows with reps, and distances that grow with age', () => {
    for (const drill of DRILLS) expect(minutesFor(drill, 2, 10)).toBeGreaterThan(minutesFor(drill, 1, 5));
    expect([
      fullDistance('overhand', 12),
      fullDistance('overhand', 13),
      fullDistance('windmill', 10),
      fullDistance('windmill', 12),
      fullDistance('windmill', 16),
    ]).toEqual([14, 18.4, 10.7, 12.2, 13.1]);
  });
});
