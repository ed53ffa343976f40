/**
 * Reads a plan whole, as a demanding coach would. It shares no code with the planner or the load engine: only the catalogue of drills
 * and findings, which are data, is looked up.
 */
import { DRILLS } from '../drills/catalogue';
import type { Plan, PlanItem, PlanRequest, PlanSession } from '../plan/types';
import { calendarOf } from './calendar';
import { readHardRules } from './hard';
import { readThrows } from './load';
import { readSession } from './session';
import { time } from './tables';
import type { Point, Reading } from './types';

/** What raises the pulse is never counted as the work of a session. */
const PULSE: ReadonlySet<string> = new Set(DRILLS.filter((d) => d.part === 'pulse').map((d) => d.id));

const shapeOf = (item: PlanItem) =>
  [item.drill, item.sets, item.reps, item.effort.join('-'), item.aids.join(), item.distanceM].join('|');
const shapes = (session: PlanSession) =>
  session.items
    .filter((i) => !PULSE.has(i.drill))
    .map(shapeOf)
    .join('\n');

/** What was looked at in a plan, and how each was found. */
export function readPlan(request: PlanRequest, plan: Plan): Point[] {
  const points: Point[] = [];
  const say: Reading['say'] = (check, ok, at, what) => void points.push({ check, ok, at, what });
  const reading: Reading = { request, plan, calendar: calendarOf(request, plan), say };
  if (plan.sessions.length === 0) {
    say('words', plan.infeasible !== null && plan.infeasible.relax.length > 0, request.on, 'nothing planned and nothing said');
    return points;
  }
  readHardRules(reading);
  readThrows(reading);
  for (const session of plan.sessions) readSession(reading, session);
  readNeighbours(reading);
  readTests(reading);
  readVariety(reading);
  return points;
}

function readNeighbours({ plan, say }: Reading): void {
  const last = new Map<string, PlanSession>();
  for (const session of plan.sessions) {
    const before = last.get(session.place);
    if (before) say('neighbours', shapes(before) !== shapes(session), session.date, `the same as on ${before.date}`);
    last.set(session.place, session);
  }
}

/** From rung 4 on a test at least every third week, under 13 every fourth, where there is a place and an arm for it. */
function readTests({ request, plan, calendar, say }: Reading): void {
  if ((request.focus[0]?.rung ?? 0) < 4 || request.pain.length > 0) return;
  const away = plan.sessions.filter((s) => s.place !== 'home' && s.throws > 0);
  if (away.length < 3) return;
  const weeks = calendar.age(calendar.start) < 13 ? 4 : 3;
  let last = calendar.start;
  for (const session of [...plan.sessions.filter((s) => s.testDay)]) {
    say('tests', time(session.date) - last < 7 * (weeks + 1), session.date, `${time(session.date) - last} days without a test`);
    last = time(session.date);
  }
  const end = Math.min(time(plan.sessions[plan.sessions.length - 1]!.date), calendar.start + 7 * request.weeks);
  const noted = plan.sessions.some((s) => time(s.date) > last && s.note !== null && /test/i.test(s.note));
  say('tests', end - last < 7 * (weeks + 1) || noted, request.on, `no test in the last ${end - last} days`);
}

/** Six weeks show at least eight drills, five for a limit or without kit. */
function readVariety({ request, plan, say }: Reading): void {
  if (request.weeks < 6 || plan.sessions.length < 8) return;
  const drills = new Set(plan.sessions.flatMap((s) => s.items.map((i) => i.drill)));
  const locked = plan.sessions.every((s) => s.throws === 0);
  const few = locked || request.equipment.length < 4 || request.focus.some((f) => FEW.test(f.finding));
  say('variety', drills.size >= (few ? 5 : 8), request.on, `${drills.size} drills in ${request.weeks} weeks`);
}
const FEW = /^(drive-hip-ir|lead-hip-ir|hip-|ankle|thoracic|abductor|trunk-stability|single-leg|low-power)/;
