/** Whether the weeks hold the throws that they should. */
import { calendarOf, meanBefore, normalWeeks } from './calendar';
import { aimAt, dateOf, time, weekdayAt } from './tables';
import type { Reading } from './types';

/** A week’s throws should reach this share of what it may hold. */
const REACHED = 0.85;

export function readThrows({ request, plan, calendar, say }: Reading): void {
  const empty = calendarOf(request, { sessions: [] });
  const hurt = request.pain.some((p) => p.score >= 1) || (request.clearances ?? []).length > 0;
  let last = meanBefore(empty, calendar.start);
  let normals = 0;
  for (let k = 0; k < request.weeks; k++) {
    const from = calendar.start + 7 * k;
    const at = dateOf(from);
    const planned = plan.sessions.filter((s) => time(s.date) >= from && time(s.date) < from + 7);
    const throws = planned.reduce((n, s) => n + s.throws, 0);
    const all = calendar.sum(from, from + 6);
    const budget = calendar.budget(from);
    const threw = calendar.sum(from - 7, from - 1) > 0;
    const mean = meanBefore(calendar, from);
    const aim = aimAt(calendar.age(from), request.season) * budget;
    const floor = threw && !hurt ? budget : 0;
    const climb = last === null ? (floor > 0 ? floor : 0.5 * budget) : Math.max(floor, 1.1 * last);
    const most = Math.min(Math.max(aim, floor), climb);
    const light = normals >= 3 || normalWeeks(calendar, from).length === 0 ? 0.7 * (last ?? most) : most;
    const noted = planned.some((s) => s.note !== null);
    const throwable = request.availability.filter((a) => a.place !== 'home').length > 0;
    if (calendar.first !== null) {
      say(
        'throws',
        throws === 0 || all <= Math.max(most, floor, 0.5 * budget) + 2,
        at,
        `${all} throws in the week, it may hold ${Math.round(most)}`,
      );
      const reached = all >= REACHED * Math.min(most, light, 0.8 * budget * planned.length);
      say('throws', reached || noted || !throwable || hurt, at, `${throws} of ${Math.round(most)} throws, and no word why`);
    }
    const wasLight = last !== null && all <= 0.8 * last && normals >= 1;
    normals = wasLight ? 0 : normals + 1;
    if (!wasLight && all > 0) last = Math.max(all, Math.min(mean ?? 0, most));
  }
  for (const session of plan.sessions) {
    const slot = request.availability.find((a) => a.weekday === weekdayAt(session.date));
    const reason = session.note !== null || session.throws > 0 || slot?.place === 'home';
    say('throws', reason, session.date, 'no throws away from home, and no word why');
  }
}
