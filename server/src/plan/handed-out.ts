/** Days handed out by hand, kept within the rules as these change. */
import { drillById, handOut, hasDrill, isLegWork, openLedger } from '@wrightonic/core';
import type { Allowance, PlanSession } from '@wrightonic/core';
import type { Context } from '../common/context';
import { stateRequest } from './plan-request';

/** Whether a session holds more than a day now allows. */
export function isTooMuch(session: PlanSession, { throws, highEffort, highestEffort, legsClosed }: Allowance): boolean {
  return (
    session.throws > throws ||
    session.highEffort > highEffort ||
    session.items.some(
      (item) =>
        (item.throws > 0 && item.effort[1] > highestEffort) ||
        (legsClosed && hasDrill(item.drill) && isLegWork(drillById(item.drill))),
    )
  );
}

/**
 * What was handed out stays as it was given, unless a rule no longer allows it: then the same drills are dosed anew by what is allowed
 * now, and a day of which nothing is left goes.
 */
export async function renewHandedOut(ctx: Context, athleteId: string): Promise<void> {
  const rows = await ctx.tenant
    .from('assignments')
    .where({ athlete_id: athleteId, done: false })
    .where('on_date', '>=', ctx.today)
    .orderBy(['on_date', 'id']);
  if (rows.every((row) => row.plan_id !== null)) return;
  const request = await stateRequest(ctx, athleteId, ctx.today, { weeks: 1, games: [], pinned: [] });
  const ledger = openLedger(request);
  for (const row of rows) {
    if (row.plan_id !== null || !isTooMuch(row.session, ledger.allowance(row.on_date))) continue;
    const { session } = handOut(
      request,
      rows.filter((other) => other !== row).map((other) => other.session),
      {
        date: row.on_date,
        place: row.session.place,
        drills: row.session.items.filter((item) => item.role !== 'warm-throws').map((item) => item.drill),
      },
    );
    const own = ctx.tenant.from('assignments').where('id', row.id);
    if (session) await own.update({ session: JSON.stringify(session) });
    else await own.delete();
  }
}
