/** What is left of an assigned plan, made anew when something changed. */
import { addDays, openLedger } from '@wrightonic/core';
import type { PlanRequest } from '@wrightonic/core';
import { assign, assignedPlan, handOfPlan, relink } from './assign';
import { isTooMuch, renewHandedOut } from './handed-out';
import { fociOf } from '../work/foci';
import type { Context } from '../common/context';
import { planRequest } from './plan-request';
import { store, weeksTo } from './plans';
import type { PlanDbRow } from '../db/tables';

/** What a plan made anew keeps of the coach’s hand: what was added or pinned. */
function pinnedByHand({ request, edits }: PlanDbRow): Pick<PlanRequest, 'games' | 'pinned'> {
  const own = (edits ?? []).flatMap((e) => (e.kind === 'add' || e.kind === 'pin' ? [{ date: e.date, drill: e.drill }] : []));
  return { games: request.games, pinned: [...request.pinned, ...own] };
}

/**
 * What really happened takes the place of what was expected: the assigned plan is made anew from tomorrow, up to the last day that it
 * always had. What is shown for today stays, unless a rule no longer allows it. To be called after whatever a plan hangs on: a lock, a
 * game, a clearance, a rung, a birth date.
 */
export async function replan(ctx: Context, athleteId: string): Promise<void> {
  await replanAssigned(ctx, athleteId);
  await renewHandedOut(ctx, athleteId);
}

async function replanAssigned(ctx: Context, athleteId: string): Promise<void> {
  const current = await assignedPlan(ctx, athleteId);
  if (!current || current.ends_on < ctx.today) return;
  const active = (await fociOf(ctx, athleteId)).some((f) => f.ended_at === null);
  const tomorrow = addDays(ctx.today, 1);
  const open = ctx.tenant.from('assignments').where({ athlete_id: athleteId, done: false }).whereNotNull('plan_id');
  if (!active) {
    await open.where('on_date', '>=', tomorrow).delete();
    return;
  }
  const { games, pinned } = pinnedByHand(current);
  const request = await planRequest(ctx, athleteId, ctx.today, {
    weeks: weeksTo(ctx.today, current.ends_on),
    games: games.filter((g) => g.date >= ctx.today),
    pinned: pinned.filter((p) => p.date >= ctx.today),
    until: current.ends_on,
    began: current.request.began ?? current.request.on,
    asItStands: current.plan.sessions
      .filter((s) => s.date >= ctx.today)
      .map(({ date, items }) => ({ date, drills: items.map((i) => i.drill) })),
  });
  const today = await open.clone().where('on_date', ctx.today).first();
  const kept = today && !isTooMuch(today.session, openLedger(request).allowance(ctx.today)) ? today.session : null;
  const id = ctx.newId();
  const hand = await handOfPlan(ctx, athleteId);
  if (today && !kept) {
    // For safety only: today is planned anew with the rest.
    const plan = await store(ctx, athleteId, id, request);
    await assign(ctx, athleteId, id, plan, ctx.today, hand);
    await relink(ctx, athleteId);
    return;
  }
  if (tomorrow > current.ends_on) return;
  const planned = kept ? [{ date: ctx.today, throws: kept.throws, highEffort: kept.highEffort }] : [];
  const plan = await store(ctx, athleteId, id, {
    ...request,
    on: tomorrow,
    weeks: weeksTo(tomorrow, current.ends_on),
    recentLoad: [...request.recentLoad, ...planned],
  });
  await assign(ctx, athleteId, id, plan, tomorrow, hand);
}
