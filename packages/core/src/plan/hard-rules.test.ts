/**
 * An independent reader of the hard rules, written from the rules alone: it shares no code with the planner or the workload
 * room, only the catalogue of drills. It reads a few hundred plans for made-up athletes.
 */
import { DRILLS } from '../drills/catalogue';
import { EQUIPMENT, PLACES, RUNGS } from '../drills/types';
import { FINDINGS } from '../findings/catalogue';
import { randomFrom } from '../simulate/random';
import type { Random } from '../simulate/random';
import { makePlan } from './plan';
import type { Plan, PlanRequest } from './types';

const DAYS = ['sun', 'mon', 'tue', 'wed', 'thu', 'fri', 'sat'] as const;
const time = (date: string) => Date.parse(`${date}T00:00:00Z`) / 86_400_000;
const dateOf = (day: number) => new Date(day * 86_400_000).toISOString().slice(0, 10);
const weekday = (date: string) => DAYS[new Date(`${date}T00:00:00Z`).getUTCDay()]!;
const ageAt = (birth: string, date: string) => {
  const [b, d] = [birth, date].map((x) => x.split('-').map(Number)) as [number[], number[]];
  return d[0]! - b[0]! - (d[1]! < b[1]! || (d[1] === b[1] && d[2]! < b[2]!) ? 1 : 0);
};
const budgetAt = (discipline: string, age: number) =>
  discipline === 'windmill'
    ? age < 11
      ? 90
      : age < 13
        ? 105
        : age < 15
          ? 125
          : 150
    : age < 9
      ? 60
      : age < 11
        ? 85
        : age < 13
          ? 95
          : age < 15
            ? 105
            : age < 17
              ? 110
              : age < 19
                ? 120
                : 135;
const hardAt = (age: number) => (age < 13 ? 20 : age < 15 ? 30 : age < 19 ? 40 : 50);
const restAt = (age: number, pitches: number) => {
  const steps =
    age < 15 ? [1, 21, 36, 51, 66] : age < 17 ? [1, 31, 46, 61, 76] : age < 19 ? [1, 31, 46, 61, 81] : [1, 31, 46, 61, 81, 106];
  return Math.max(0, steps.filter((s) => pitches >= s).length - 1);
};

/** A clearance given on the first day of the plan, with an end and sometimes limits. */
const clearedFrom = (on: string, random: Random) => ({
  date: on,
  at: '08:00',
  by: 'A. Clinician',
  until: dateOf(time(on) + 5 + Math.floor(20 * random.uniform())),
  ...(random.chance(0.5) ? { mostThrows: 15 + Math.floor(20 * random.uniform()), highestEffort: 70 } : {}),
});

function request(random: Random): PlanRequest {
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

interface DayLoad {
  throws: number;
  hard: number;
  pitches: number;
  /** A planned practice with throws. */
  planned: boolean;
}

/** Every broken rule, in words. */
function brokenRules(plan: Plan, r: PlanRequest): string[] {
  const broken: string[] = [];
  const days = new Map<number, DayLoad>();
  const at = (day: number) => {
    const known = days.get(day) ?? { throws: 0, hard: 0, pitches: 0, planned: false };
    days.set(day, known);
    return known;
  };
  for (const row of r.recentLoad) {
    at(time(row.date)).throws += row.throws;
    at(time(row.date)).hard += row.highEffort;
  }
  for (const game of r.games) {
    at(time(game.date)).pitches += game.pitches;
    at(time(game.date)).throws += game.pitches;
  }
  const lockedForGood = r.pain.some((p) => p.site === 'elbow' && p.score >= 3);
  const seen = new Set<string>();
  for (const session of plan.sessions) {
    const say = (rule: string) => broken.push(`${session.date}: ${rule}`);
    const age = ageAt(r.athlete.birthDate, session.date);
    const slot = r.availability.find((a) => a.weekday === weekday(session.date));
    if (seen.has(session.date)) say('two sessions on one day');
    seen.add(session.date);
    if (!slot || slot.place !== session.place || session.minutes > slot.minutes) say('not in the given day, place or minutes');
    if (time(session.date) < time(r.on) || time(session.date) >= time(r.on) + 7 * r.weeks) say('outside the weeks');
    let throws = 0;
    let hard = 0;
    let minutes = 0;
    for (const item of session.items) {
      const drill = DRILLS.find((d) => d.id === item.drill);
      if (!drill) {
        say(`unknown drill ${item.drill}`);
        continue;
      }
      const fits =
        drill.disciplines.includes(r.athlete.discipline) &&
        drill.place.includes(session.place) &&
        drill.equipment.every((e) => r.equipment.includes(e)) &&
        (!drill.partner || r.partner) &&
        age >= drill.minAge &&
        drill.rungs.includes(item.rung);
      if (!fits) say(`${item.drill} does not fit place, kit, partner, age or rung`);
      if (drill.notWhile.some((f) => r.flags.includes(f) || r.focus.some((x) => x.finding === f)))
        say(`${item.drill} is not for now`);
      if (item.throws !== (drill.throws === 'none' ? 0 : item.sets * item.reps)) say(`${item.drill}: throws are not sets × reps`);
      if (item.effort[0] < drill.effort[0] || item.effort[1] > drill.effort[1])
        say(`${item.drill}: effort outside the drill’s range`);
      if (item.why.length < 15 || item.cue === '' || item.success === '') say(`${item.drill}: no why, cue or success sign`);
      throws += item.throws;
      minutes += item.minutes;
      if (item.effort[1] >= 90) hard += item.throws;
    }
    if (throws !== session.throws || hard !== session.highEffort || minutes !== session.minutes)
      say('sums do not match the items');
    const budget = budgetAt(r.athlete.discipline, age) * (r.season === 'in' ? 0.6 : 1);
    if (throws > Math.floor(budget)) say(`${throws} throws over the budget of ${budget}`);
    if (hard > hardAt(age)) say('too many hard throws');
    if (r.flags.length > 0 && hard > 0) say('hard throws with a health flag');
    const cleared = (r.clearances ?? []).find((c) => r.pain.every((p) => p.date < c.date) && session.date >= c.date);
    const open = cleared !== undefined && session.date <= cleared.until!;
    if (throws > 0 && lockedForGood && !open) say('throws while locked, or past the end of a clearance');
    if (open && cleared.mostThrows !== undefined) {
      if (throws > cleared.mostThrows) say('more throws than the clearance allows');
      if (session.items.some((i) => i.throws > 0 && i.effort[1] > cleared.highestEffort!))
        say('harder than the clearance allows');
    }
    if (throws > 0 && r.pain.some((p) => p.date === session.date)) say('throws on the day of pain');
    const today = time(session.date);
    if (throws > 0) {
      if (at(today).pitches > 0) say('practice throws on a game day');
      for (const [day, load] of days) {
        if (
          r.athlete.discipline === 'overhand' &&
          load.pitches > 0 &&
          day < today &&
          today - day <= restAt(ageAt(r.athlete.birthDate, dateOf(day)), load.pitches)
        )
          say('throws on a rest day');
        if (hard >= 10 && day !== today && (load.hard >= 10 || load.pitches > 0) && Math.abs(day - today) < (age < 13 ? 3 : 2))
          say('hard days too close');
      }
    }
    Object.assign(at(today), {
      throws: at(today).throws + throws,
      hard: at(today).hard + hard,
      planned: at(today).planned || throws > 0,
    });
  }
  for (const [day, load] of days) {
    if (!load.planned) continue;
    const age = ageAt(r.athlete.birthDate, dateOf(day));
    const sum = (from: number, to: number) =>
      [...days].filter(([d]) => d >= from && d <= to).reduce((n, [, l]) => n + l.throws, 0);
    const week = sum(day - 6, day);
    const budget = budgetAt(r.athlete.discipline, age);
    const first = Math.min(...[...days].filter(([, l]) => l.throws > 0).map(([d]) => d));
    const complete = [1, 2, 3, 4, 5, 6].filter((w) => day - 7 * w - 6 >= first).map((w) => sum(day - 7 * w - 6, day - 7 * w));
    // A normal week is never more than the largest of the last; up to a daily budget a week is no jump.
    const most = complete.length === 0 ? 2 * budget : Math.max(1.3 * Math.max(...complete), budget);
    if (week > most) broken.push(`${dateOf(day)}: ${week} throws in the week, at most ${most}`);
    const nothingBefore = r.recentLoad.every((row) => row.throws === 0) && r.games.every((g) => time(g.date) > day);
    if (nothingBefore && day < first + 7 && week > budget / 2)
      broken.push(`${dateOf(day)}: ${week} throws in the first week of all`);
    const { daily, weekly, rest } = r.league ?? {};
    if (daily !== undefined && load.throws > daily) broken.push(`${dateOf(day)}: over the league’s day`);
    if (weekly !== undefined && week > weekly) broken.push(`${dateOf(day)}: over the league’s week`);
    for (const [d, l] of days)
      for (const row of rest ?? [])
        if (l.pitches >= row.from && l.pitches > 0 && d < day && day - d <= row.days)
          broken.push(`${dateOf(day)}: throws on a rest day of the league`);
    if (r.athlete.discipline === 'windmill') {
      const counts = (d: number) => {
        const known = days.get(d);
        return (
          known !== undefined &&
          (known.pitches > 0 || known.throws > 0.3 * budgetAt('windmill', ageAt(r.athlete.birthDate, dateOf(d))))
        );
      };
      let run = 0;
      while (counts(day - run - 1)) run++;
      const table = run < 2 ? Infinity : run === 2 ? (age < 13 ? 0 : age < 15 ? 80 : 100) : 0;
      if (load.throws > table) broken.push(`${dateOf(day)}: ${load.throws} throws on day ${run + 1} in a row`);
    }
    for (let end = day; end <= day + 6; end++) {
      const busy = [...days].filter(([d, l]) => l.throws > 0 && d > end - 7 && d <= end).length;
      const withoutPlan = [...days].filter(([d, l]) => l.throws > 0 && !l.planned && d > end - 7 && d <= end).length;
      const most = 7 - (age < 13 ? 2 : 1);
      if (busy > most && withoutPlan < most) broken.push(`${dateOf(end)}: no throw-free day in the week`);
    }
  }
  for (const pin of r.pinned) {
    const kept = plan.sessions.some((s) => s.date === pin.date && s.items.some((i) => i.drill === pin.drill));
    if (!kept && !plan.violations.some((v) => v.detail.includes(pin.drill)))
      broken.push(`pinned ${pin.drill} vanished without a word`);
  }
  if (plan.sessions.length === 0 && (!plan.infeasible || plan.infeasible.relax.length === 0))
    broken.push('nothing planned and nothing said');
  return broken;
}

describe('plans', () => {
  it('obey every hard rule, for three hundred made-up athletes', () => {
    let sessions = 0;
    let throws = 0;
    for (let seed = 1; seed <= 300; seed++) {
      const given = request(randomFrom(9000 + seed));
      const plan = makePlan(given);
      expect({ seed, broken: brokenRules(plan, given) }).toEqual({ seed, broken: [] });
      sessions += plan.sessions.length;
      throws += plan.sessions.reduce((n, s) => n + s.throws, 0);
    }
    // A planner that plans nothing breaks no rule either.
    expect(sessions / 300).toBeGreaterThan(8);
    expect(throws / sessions).toBeGreaterThan(6);
  });

  it('are the same for the same input', () => {
    const given = request(randomFrom(4711));
    expect(JSON.stringify(makePlan(given))).toBe(JSON.stringify(makePlan(given)));
  });

  it('keep the legs working while throwing is locked', () => {
    const given = {
      ...request(randomFrom(5)),
      athlete: { ...request(randomFrom(5)).athlete, discipline: 'overhand' as const, birthDate: '2009-01-01' },
      focus: [{ finding: 'stall' as const, rung: 4 as const }],
      flags: [],
      games: [],
      availability: [{ weekday: 'tue' as const, minutes: 40, place: 'cage' as const }],
      equipment: [...EQUIPMENT],
    };
    const plan = makePlan({ ...given, pain: [{ date: given.on, site: 'shoulder', score: 5 }] });
    expect(plan.sessions.length).toBeGreaterThan(0);
    expect(plan.sessions.every((s) => s.throws === 0)).toBe(true);
    expect(plan.summary).toContain('until throwing is cleared');
  });

  it('say what to relax when nothing fits', () => {
    const given = { ...request(randomFrom(6)), availability: [] };
    expect(makePlan(given).infeasible?.relax[0]).toContain('weekday');
  });
});
