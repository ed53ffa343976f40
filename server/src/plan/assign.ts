/** A plan’s sessions, handed out day by day. */
import type { IsoDate, Plan, PlanSession } from '@wrightonic/core';
import type { Context } from '../common/context';
import type { PlanDbRow } from '../db/tables';

const toRows = (ctx: Context, athleteId: string, planId: string, sessions: readonly PlanSession[]) =>
  sessions.map((session) => ({
    id: ctx.newId(),
    athlete_id: athleteId,
    plan_id: planId,
    on_date: session.date,
    session: JSON.stringify(session),
  }));

/** Assigns a plan’s sessions from `from` on; sessions still to come of earlier plans give way. */
export async function assign(ctx: Context, athleteId: string, id: string, plan: Plan, from: IsoDate): Promise<void> {
  await ctx.tenant
    .from('assignments')
    .where({ athlete_id: athleteId, done: false })
    .whereNotNull('plan_id')
    .where('on_date', '>=', from)
    .delete();
  await ctx.tenant.insertOnce(
    'assignments',
    toRows(
      ctx,
      athleteId,
      id,
      plan.sessions.filter((s) => s.date >= from),
    ),
  );
  await ctx.tenant.from('plans').where('id', id).update({ assigned: true });
}

/** The plan that is assigned: the one made last. */
export const assignedPlan = async (ctx: Context, athleteId: string): Promise<PlanDbRow | undefined> =>
  await ctx.tenant
    .from('plans')
    .where({ athlete_id: athleteId, assigned: true })
    .orderBy('created_at', 'desc')
    .orderBy('id', 'desc')
    .first();

/** A session that runs while its day is planned anew goes on under what is assigned now. */
export async function relink(ctx: Context, athleteId: string): Promise<void> {
  const now = await ctx.tenant
    .from('assignments')
    .where({ athlete_id: athleteId, on_date: ctx.today, done: false })
    .orderByRaw('plan_id is null')
    .first('id');
  if (!now) return;
  await ctx.tenant
    .from('work_sessions')
    .where({ athlete_id: athleteId, on_date: ctx.today })
    .whereNull('finished_at')
    .whereNull('assignment_id')
    .update({ assignment_id: now.id });
}
