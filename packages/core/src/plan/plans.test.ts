/** Plans of a few hundred made-up athletes, read by the reader, which shares no code with the planner or the load engine. */
import { DRILLS } from '../drills/catalogue';
import { EQUIPMENT, PLACES, RUNGS } from '../drills/types';
import { FINDINGS } from '../findings/catalogue';
import { readPlan } from '../plan-reader/read';
import { dateOf, time } from '../plan-reader/tables';
import { PLAN_CHECKS } from '../plan-reader/types';
import type { PlanCheck } from '../plan-reader/types';
import { makePlanRequest, PLAN_KINDS } from '../simulate/plan-request';
import { randomFrom } from '../shared/random';
import type { Random } from '../shared/random';
import { makePlan } from './plan';
import type { PlanRequest } from './types';

/** A clearance given on the first day of the plan, with an end and sometimes limits. */
const clearedFrom = (on: string, random: Random) => ({
  date: on,
  at: '08:00',
  by: 'A. Clinician',
  until: dateOf(time(on) + 5 + Math.floor(20 * random.uniform())),
  ...(random.chance(0.5) ? { mostThrows: 15 + Math.floor(20 * random.uniform()), highestEffort: 70 } : {}),
});

/** An athlete with whatever a request may hold, likely or not. */
function anything(random: Random): PlanRequest {
  const on = dateOf(time('2026-02-01') + Math.floor(300 * random.uniform()));
  const age = 8 + Math.floor(13 * random.uniform());
  const discipline = random.chance(0.5) ? ('overhand' as const) : ('windmill' as const);
  const days = ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'] as const;
  const openDays = days.filter(() => random.chance(0.5));
  const findings = FINDINGS.filter((f) => f.disciplines.includes(discipline));
  const lower = random.pick(findings.filter((f) => f.area !== 'arm-action'));
  const arm = random.pick(findings.filter((f) => f.area === 'arm-action'));
  const armPain = random.chance(0.1);
  return {
    on,
    athlete: {
      discipline,
      throws: random.chance(0.7) ? 'R' : 'L',
      birthDate: dateOf(time(on) - Math.floor((age + random.uniform()) * 365.25)),
      heightM: 1.3 + 0.04 * (age - 8),
      massKg: 30 + 4 * (age - 8),
      level: age < 13 ? 'youth' : 'high-school',
    },
    focus: [lower, ...(random.chance(0.3) ? [arm] : [])].map((f) => ({ finding: f.id, rung: random.pick(RUNGS) })),
    weeks: 2 + Math.floor(6 * random.uniform()),
    availability: openDays.map((weekdayName) => ({
      weekday: weekdayName,
      minutes: 15 + Math.floor(60 * random.uniform()),
      place: random.pick(PLACES),
    })),
    equipment: EQUIPMENT.filter(() => random.chance(0.6)),
    partner: random.chance(0.5),
    season: random.pick(['off', 'pre', 'in'] as const),
    games: Array.from({ length: Math.floor(4 * random.uniform()) }, () => ({
      date: dateOf(time(on) + Math.floor(40 * random.uniform())),
      pitches: 10 + Math.floor(70 * random.uniform()),
    })),
    recentLoad: Array.from({ length: Math.floor(12 * random.uniform()) }, () => ({
      date: dateOf(time(on) - 1 - Math.floor(27 * random.uniform())),
      throws: 20 + Math.floor(70 * random.uniform()),
      highEffort: random.chance(0.3) ? 12 : 0,
    })),
    pain: armPain
      ? [{ date: dateOf(time(on) - Math.floor(3 * random.uniform())), site: 'elbow' as const, score: random.pick([1, 4]) }]
      : [],
    leagueDailyLimit: null,
    league: random.chance(0.3)
      ? {
          daily: 30 + Math.floor(50 * random.uniform()),
          weekly: 60 + Math.floor(100 * random.uniform()),
          rest: [{ from: 20, days: 2 }],
        }
      : {},
    clearances: armPain && random.chance(0.5) ? [clearedFrom(on, random)] : [],
    flags: random.chance(0.2) ? [discipline === 'overhand' ? ('arm-drag' as const) : ('locked-landing' as const)] : [],
    pinned: random.chance(0.2) ? [{ date: on, drill: random.pick(DRILLS).id }] : [],
  };
}

/** What must never be found, in whatever athlete. */
const NEVER: readonly PlanCheck[] = [
  'hard rules',
  'cold throws',
  'home throws',
  'eve of a game',
  'what is treated',
  'rung and place',
  'neighbours',
];

describe('plans', () => {
  it('obey every hard rule, for three hundred requests of any kind', () => {
    let sessions = 0;
    let throws = 0;
    for (let seed = 1; seed <= 300; seed++) {
      const given = anything(randomFrom(9000 + seed));
      const plan = makePlan(given);
      const broken = readPlan(given, plan).filter(
        (p) => !p.ok && (p.check === 'hard rules' || p.check === 'cold throws' || p.check === 'home throws'),
      );
      expect({ seed, broken }).toEqual({ seed, broken: [] });
      for (const pin of given.pinned) {
        const kept = plan.sessions.some((s) => s.date === pin.date && s.items.some((i) => i.drill === pin.drill));
        expect([seed, kept || plan.violations.some((v) => v.detail.includes(pin.drill))]).toEqual([seed, true]);
      }
      if (plan.sessions.length === 0) expect(plan.infeasible!.relax.length).toBeGreaterThan(0);
      sessions += plan.sessions.length;
      throws += plan.sessions.reduce((n, s) => n + s.throws, 0);
    }
    // A planner that plans nothing breaks no rule either.
    expect(sessions / 300).toBeGreaterThan(8);
    expect(throws / sessions).toBeGreaterThan(15);
  });

  it('are what a coach would hand over, for ten athletes of every kind', () => {
    const looked = new Map<PlanCheck, { all: number; right: number; wrong: string[] }>(
      PLAN_CHECKS.map((check) => [check, { all: 0, right: 0, wrong: [] }]),
    );
    for (const kind of PLAN_KINDS)
      for (let n = 0; n < 10; n++) {
        const { request } = makePlanRequest(randomFrom(52_000 + n), kind);
        for (const point of readPlan(request, makePlan(request))) {
          const tally = looked.get(point.check)!;
          tally.all++;
          if (point.ok) tally.right++;
          else tally.wrong.push(`${kind} ${n} ${point.at}: ${point.what}`);
        }
      }
    for (const [check, { all, right, wrong }] of looked) {
      expect([check, all > 10]).toEqual([check, true]);
      if (NEVER.includes(check)) expect([check, wrong]).toEqual([check, []]);
      else expect([check, right / all >= 0.97]).toEqual([check, true]);
    }
  });

  it('keep the legs working while throwing is locked', () => {
    const { request } = makePlanRequest(randomFrom(7), 'locked');
    const plan = makePlan(request);
    expect(plan.sessions.length).toBeGreaterThan(0);
    expect(plan.sessions.every((s) => s.throws === 0)).toBe(true);
    expect(plan.summary).toContain('until throwing is cleared');
  });
});
