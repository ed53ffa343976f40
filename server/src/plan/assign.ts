/** A plan’s sessions, handed out day by day. */
import type { IsoDate, Plan, PlanSession } from '@wrightonic/core';
import type { Context } from '../common/context';
import type { AssignmentDbRow, PlanDbRow } from '../db/tables';

/** From which hand a plan came, and when the family saw it. */
export type Hand = Pick<AssignmentDbRow, 'hand_out_id' | 'seen_at'>;

/** The hand that the assigned plan came from: a plan made anew, or changed, still comes from it. */
export async function handOfPlan(ctx: Context, athleteId: string): Promise<Hand | null> {
  const row = await ctx.tenant
    .from('assignments')
    .where({ athlete_id: athleteId, done: false })
    .whereNotNull('plan_id')
    .whereNotNull('hand_out_id')
    .where('on_date', '>=', ctx.today)
    .orderBy('on_date')
    .first('hand_out_id', 'seen_at');
  return row ?? null;
}

const toRows = (ctx: Context, athleteId: string, planId: string, sessions: readonly PlanSession[], hand: Hand | null) =>
  sessions.map((session) => ({
    id: ctx.newId(),
    athlete_id: athleteId,
    plan_id: planId,
    on_date: session.date,
    session: JSON.stringify(session),
    ...hand,
  }));

/**
 * Assigns a plan’s sessions from `from` on; sessions still to come of earlier plans give way.
 * @param hand from which hand it came; left out, from none but the coach’s own
 */
export async function assign(
  ctx: Context,
  athleteId: string,
  id: string,
  plan: Plan,
  from: IsoDate,
  hand: Hand | null = null,
): Promise<void> {
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
      hand,
    ),
  );
  await ctx.tenant.from('plans').where('id', id).update({ assigned: true });
}

/** The plan that is assigned: the one made last. */
export const assignedPlan = (ctx: Context, athleteId: string): Promise<PlanDbRow | undefined> =>
  ctx.tenant
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
