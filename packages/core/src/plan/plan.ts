import { libraryOf } from '../drills/library';
import { ALWAYS_THERE, RUNG_NAMES, treatsDirectly } from '../drills/types';
import type { Equipment } from '../drills/types';
import { findingById } from '../findings/catalogue';
import { CALM_BELOW_GAMES } from '../load/practice';
import { ageOn } from '../shared/dates';
import { sum } from '../shared/maths';
import { inOrder } from './greedy';
import { openLedger } from './ledger';
import { capacityOf, dayAt, daysOfPlan } from './places';
import type { Plan, PlanRequest } from './types';
import { quoted } from './words';

/** Chooses the sessions of a plan. Another solver of the same task goes in its place. */
export type Fit = (request: PlanRequest) => Pick<Plan, 'sessions' | 'weeks' | 'violations'>;

/**
 * A plan from the athlete’s state under every hard rule: how much each week and day may hold comes first, then what is done.
 * @param fit the way sessions are chosen; each gives the same plan for the same request
 */
export function makePlan(request: PlanRequest, fit: Fit = inOrder): Plan {
  const { sessions, weeks, violations } = fit(request);
  const infeasible = sessions.length === 0 ? whyNothing(request, daysOfPlan(request).length) : null;
  return {
    sessions,
    weeks,
    violations,
    infeasible,
    summary: infeasible ? infeasible.reason : summarise(request, sessions),
  };
}

/** Which rules clash and what to relax, the smallest change first. */
function whyNothing(request: PlanRequest, days: number): Plan['infeasible'] {
  if (request.focus.length === 0)
    return { reason: 'There is no focus to plan for.', relax: ['Choose a focus from the diagnosis.'] };
  if (request.availability.length === 0)
    return { reason: 'No day of the week is available.', relax: ['Give at least one weekday with minutes and a place.'] };
  if (days === 0) return { reason: 'Every available day is a game day.', relax: ['Add one weekday without a game.'] };
  const finding = request.focus[0]!.finding;
  const age = ageOn(request.athlete.birthDate, request.on);
  const fitting = libraryOf(request).drills.filter(
    (d) => d.disciplines.includes(request.athlete.discipline) && treatsDirectly(d, finding) && age >= d.minAge,
  );
  const places = new Set(request.availability.map((a) => a.place));
  const relax: string[] = [];
  if (Math.max(...request.availability.map((a) => a.minutes)) < 15) relax.push('Give the session at least 15 minutes.');
  const kit = new Set<Equipment>(fitting.filter((d) => d.place.some((p) => places.has(p))).flatMap((d) => d.equipment));
  for (const piece of kit) if (!request.equipment.includes(piece) && !ALWAYS_THERE.includes(piece)) relax.push(`Get a ${piece}.`);
  if (!fitting.some((d) => d.place.some((p) => places.has(p)))) relax.push('Add a session at the cage or field.');
  if (!request.partner && fitting.some((d) => d.partner)) relax.push('Find a partner.');
  const lock = openLedger(request).lockOn(request.on);
  return {
    reason: lock
      ? `${lock.reason} Nothing without a ball fits either.`
      : `No drill for ${quoted(finding)} fits the place, kit, age and minutes given.`,
    relax: relax.length > 0 ? relax.slice(0, 4) : ['Give the session more minutes.'],
  };
}

/** Whether no day is hard, and some would be if there were no games. */
function gamesLeaveNoHardDay(request: PlanRequest, sessions: Plan['sessions']): boolean {
  const [first] = request.focus;
  if (!first || first.rung < 3 || findingById(first.finding).kind === 'limit') return false;
  if (sessions.some((s) => s.items.some((i) => i.effort[1] > CALM_BELOW_GAMES))) return false;
  const without = openLedger({ ...request, games: [] });
  return sessions.some(({ date }) => {
    const day = dayAt(request, date);
    const { throws, highestEffort } = without.allowance(date);
    return day !== null && capacityOf(day, request) > 0 && throws > 0 && highestEffort > CALM_BELOW_GAMES;
  });
}

function summarise(request: PlanRequest, sessions: Plan['sessions']): string {
  const throws = sum(sessions.map((s) => s.throws));
  const heights = request.focus.map(({ finding, rung }) => {
    const worked = sessions.flatMap((s) => s.items.filter((i) => i.role === 'main' && i.focus === finding).map((i) => i.rung));
    const reached = Math.max(rung, ...worked);
    const limit = findingById(finding).kind === 'limit';
    return `${quoted(finding)} from rung ${rung} (${RUNG_NAMES[rung].toLowerCase()})${!limit && reached > rung ? ` toward ${reached}` : ''}`;
  });
  const tests = sessions.filter((s) => s.testDay).length;
  const lock = openLedger(request).lockOn(request.on);
  return [
    `${sessions.length} sessions in ${request.weeks} weeks for ${heights.join(' and ')}; ${throws} throws in all`,
    tests > 0 ? `${tests} test ${tests === 1 ? 'day' : 'days'}` : '',
    gamesLeaveNoHardDay(request, sessions) ? 'the games leave no hard day: the work stays dry and easy' : '',
    lock?.until === 'clearance' ? 'dry work only until throwing is cleared' : '',
  ]
    .filter(Boolean)
    .join(', ')
    .concat('.');
}
