import { findingById } from '../findings/catalogue';
import type { FindingId } from '../findings/ids';
import { addDays, daysBetween, weekdayOf } from '../shared/dates';
import type { IsoDate } from '../shared/dates';
import { sum } from '../shared/maths';
import { resolveSchools } from '../athlete/schools';
import type { Place, Rung } from '../drills/types';
import { directOn } from './choose';
import type { Context } from './choose';
import { openLedger } from './ledger';
import type { Allowance, Ledger } from './ledger';
import { climbOn, shareOf, startClimb, throwingDays, weekLoad, weekRow, WORTH_THROWING } from './load-plan';
import type { WeekLoad } from './load-plan';
import { capacityOf, daysOfPlan, whyNoThrows } from './places';
import type { Day } from './places';
import type { Fit } from './plan';
import { buildSession } from './session';
import type { SessionTask } from './task';
import { afterSession, startStanding } from './standing';
import type { Standing } from './standing';
import type { PlanRequest, PlanSession, PlanWeek } from './types';
import { quoted } from './words';

/** From this rung on a test is held. */
const TEST_FROM = 4;
/** Days after which the next test is looked for, so that none is later than three weeks, four under 13. */
const TEST_AFTER = { young: 18, older: 13 } as const;
/** Percent of full effort below which a test shows nothing. */
const TEST_EFFORT = 60;
/** Weeks between a limit’s re-tests: range sooner, strength later. */
const RETEST_WEEKS = { range: 3, strength: 6 } as const;
const STRENGTH_LIMITS: ReadonlySet<FindingId> = new Set([
  'abductor-strength',
  'hip-flexor-strength',
  'trunk-stability',
  'single-leg-strength',
  'low-power',
]);

/** What a plan carries from session to session. */
interface Run {
  readonly request: PlanRequest;
  readonly days: readonly Day[];
  readonly ledger: Ledger;
  readonly standing: Standing[];
  readonly used: Map<string, number>;
  readonly lastAt: Map<Place, PlanSession>;
  lastTest: IsoDate | null;
  readonly sessions: PlanSession[];
  readonly frames: Frame[];
  readonly violations: { rule: string; detail: string }[];
}

/** A session with what it was asked for: what another choice of drills starts from. */
export interface Frame {
  readonly task: SessionTask;
  readonly session: PlanSession;
}

export const inOrder: Fit = (request) => framesInOrder(request);

/** Plans week by week: the load of the week, its throwing days, and then each session, the best that still fits. */
export function framesInOrder(request: PlanRequest): ReturnType<Fit> & { readonly frames: readonly Frame[] } {
  const days = daysOfPlan(request);
  const run: Run = {
    request,
    days,
    ledger: openLedger(request),
    standing: request.focus.map(({ finding, rung }) => startStanding(finding, rung, request, days)),
    used: new Map((request.recentDrills ?? []).map((r) => [r.drill, r.sessions])),
    lastAt: new Map(),
    lastTest: request.lastTest ?? null,
    sessions: [],
    frames: [],
    violations: [],
  };
  const weeks: PlanWeek[] = [];
  const first = firstWeek(request);
  const climb = startClimb(request, run.ledger.account(), first);
  const end = request.until ?? addDays(request.on, 7 * request.weeks - 1);
  const throwable = new Set(days.filter((d) => capacityOf(d, request) > 0).map((d) => weekdayOf(d.date)));
  for (let from = first; from <= end && request.focus.length > 0; from = addDays(from, 7)) {
    const own = days.filter((d) => d.date >= from && daysBetween(from, d.date) < 7);
    const week = weekLoad(request, run.ledger.account(), from, climb, throwable.size);
    const before = run.sessions.length;
    planWeek(run, week, own);
    const planned = sum(run.sessions.slice(before).map((s) => s.throws));
    let thrown = 0;
    const account = run.ledger.account();
    for (let n = 0; n < 7; n++) thrown += account.byDate.get(addDays(from, n))?.throws ?? 0;
    climbOn(climb, week, thrown, account);
    weeks.push({ ...weekRow(week, planned), from: from < request.on ? request.on : from });
  }
  const dates = new Set(run.sessions.map((s) => s.date));
  for (const pin of request.pinned)
    if (!dates.has(pin.date))
      run.violations.push({
        rule: 'pinned',
        detail: `${pin.drill} on ${pin.date} was left out: there is no session on that day.`,
      });
  return { sessions: run.sessions, weeks, violations: run.violations, frames: run.frames };
}

/** First day of the week that the plan begins in: a plan that goes on keeps its weeks. */
function firstWeek({ on, began }: PlanRequest): IsoDate {
  if (began === undefined || began >= on) return on;
  return addDays(began, 7 * Math.floor(daysBetween(began, on) / 7));
}

function planWeek(run: Run, week: WeekLoad, days: readonly Day[]): void {
  const { ledger, request } = run;
  const throwing = throwingDays(days, week, ledger, request);
  for (const day of days) {
    const rest = throwing.filter((d) => d.date > day.date);
    const chosen = throwing.includes(day);
    const share = chosen ? shareOf(day, rest, week, ledger, request) : 0;
    planDay(run, day, week, share, chosen);
  }
}

function planDay(run: Run, day: Day, week: WeekLoad, share: number, chosen: boolean): void {
  const { request, ledger } = run;
  const least = day.age < 10 ? WORTH_THROWING.young : WORTH_THROWING.older;
  const whole = ledger.allowance(day.date);
  const allowance: Allowance = {
    ...whole,
    highestEffort: Math.min(whole.highestEffort, week.effort),
    highEffort: week.effort < 90 ? 0 : whole.highEffort,
  };
  const throwing = chosen && share >= (whole.cleared ? WORTH_THROWING.cleared : Math.min(least, 12));
  const last = run.lastAt.get(day.place) ?? null;
  const context: Context = {
    request,
    schools: resolveSchools(request.schools, request.athlete.discipline, day.age),
    day,
    allowance,
    throwing,
    used: new Map(run.used),
    before: new Set(last?.items.map((i) => i.drill) ?? []),
    kept: new Set(request.asItStands?.find((s) => s.date === day.date)?.drills ?? []),
  };
  const due = testDue(run, day);
  const testDueToday =
    due &&
    throwing &&
    day.place !== 'home' &&
    !allowance.strainClosed &&
    !allowance.catchOnly &&
    allowance.highestEffort >= TEST_EFFORT &&
    share >= 26;
  const task: SessionTask = {
    context,
    throws: share,
    why: throwing ? whyLight(week, share >= allowance.throws ? allowance.tightest : null) : whyDry(week, context, run.standing),
    foci: run.standing.map((s) => ({ ...s })),
    testDue: testDueToday,
    noTest:
      due &&
      !testDueToday &&
      (run.lastTest === null ? daysBetween(request.on, day.date) > 17 : daysBetween(run.lastTest, day.date) > 17),
    retest: retest(run, day),
    pinned: request.pinned.filter((p) => p.date === day.date).map((p) => p.drill),
    last,
  };
  const { session, refused } = buildSession(task);
  for (const { drill, why } of refused)
    run.violations.push({ rule: 'pinned', detail: `${drill} on ${day.date} was left out: ${why}.` });
  if (!session) return;
  ledger.book(day.date, session.throws, session.highEffort);
  for (const item of session.items) run.used.set(item.drill, (run.used.get(item.drill) ?? 0) + 1);
  if (session.testDay) run.lastTest = day.date;
  run.lastAt.set(day.place, session);
  run.sessions.push(session);
  run.frames.push({ task, session });
  for (const standing of run.standing) afterSession(standing, session);
}

const BOUND_WORDS: Record<Allowance['tightest'], string> = {
  daily: 'This day holds no more: it grows with the largest day of the last two weeks, up to its share of the budget.',
  week: 'The rolling seven days hold no more yet.',
  run: 'Pitching days in a row hold no more.',
  league: 'The league’s rule holds no more.',
};

function whyLight(week: WeekLoad, bound: Allowance['tightest'] | null): string | null {
  if (week.light) return 'A light week: about seven tenths of the last one.';
  if (week.games > 0) return `The week’s games take ${week.games} of its throws; practice has what they leave.`;
  if (bound !== null) return BOUND_WORDS[bound];
  return week.effort < 90 ? `Nothing above ${week.effort} % this week: the arm builds up again.` : null;
}

function whyDry(week: WeekLoad, context: Context, standing: readonly Standing[]): string {
  const { request, day, allowance } = context;
  if (allowance.because !== null) {
    // An arm that rests by a rule of the day is not sent to throw elsewhere.
    const full = week.games > 0 && allowance.tightest === 'week' && !allowance.byDayRule;
    return full ? `${allowance.because}${insteadAtPractice(context, standing)}` : allowance.because;
  }
  const place = whyNoThrows(day, request);
  if (place !== null) return place;
  if (week.games > 0 && week.most - week.games < WORTH_THROWING.older)
    return `The week’s games use up its throws: dry work today.${insteadAtPractice(context, standing)}`;
  if (day.useful < 14) return 'Too short to warm an arm up: dry work today.';
  return 'Dry work today: the week’s throws are on its other days.';
}

/** Throws of a drill that take the place of as many of the team's warm-up. */
const INSTEAD = 10;

/** Where games leave no throws, the drill goes into those that are thrown anyway; nothing where there is none to name. */
function insteadAtPractice(context: Context, standing: readonly Standing[]): string {
  const first = standing[0];
  // Not under a clearance or a flag, and not on the way back.
  if (!first || context.allowance.noSpeedTest || context.allowance.armClosed) return '';
  const day: Day = { ...context.day, place: 'field', equipment: [] };
  for (let rung = Math.min(first.rung, 5); rung >= 3; rung--) {
    const [drill] = directOn(first.finding, rung as Rung, { ...context, day, throwing: true });
    if (drill)
      return ` At the team’s practice do ${INSTEAD} of “${drill.name}” instead of ${INSTEAD} of the warm-up throws, not on top of them.`;
  }
  return '';
}

/** Whether a test is looked for: from rung 4 on, at least every third week, under 13 every fourth. */
function testDue(run: Run, day: Day): boolean {
  const first = run.standing[0];
  if (!first || first.rung < TEST_FROM || findingById(first.finding).kind === 'limit') return false;
  const gap = day.age < 13 ? TEST_AFTER.young : TEST_AFTER.older;
  return run.lastTest === null
    ? daysBetween(run.request.on, day.date) >= Math.min(gap, 4)
    : daysBetween(run.lastTest, day.date) >= gap;
}

/** The body test that a limit’s work is judged by, on the first session of its week. */
function retest(run: Run, day: Day): string | null {
  const limit = run.request.focus.find((f) => findingById(f.finding).kind === 'limit');
  if (!limit) return null;
  const weeks = STRENGTH_LIMITS.has(limit.finding) ? RETEST_WEEKS.strength : RETEST_WEEKS.range;
  const began = run.request.began ?? run.request.on;
  const week = Math.floor(daysBetween(began, day.date) / 7) + 1;
  const firstOfWeek = !run.sessions.some((s) => Math.floor(daysBetween(began, s.date) / 7) + 1 === week);
  return week % weeks === 0 && firstOfWeek
    ? `Test ${quoted(limit.finding)} again before the session: the re-test decides, not the reps. A pinch in the groin is for a clinician.`
    : null;
}
