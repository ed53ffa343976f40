import { may } from '@wrightonic/contract';
import type { NewPlan, PlanEdits, PlanRecord } from '@wrightonic/contract';
import {
  addDays,
  CATALOGUE_VERSION,
  daysBetween,
  drillById,
  editPlan,
  hasDrill,
  isLegWork,
  makePlan,
  openLedger,
} from '@wrightonic/core';
import type { Allowance, Broken, IsoDate, Library, Plan, PlanEdit, PlanRequest, PlanSession } from '@wrightonic/core';
import { conflict, notFound, wrongField } from '../problems';
import { athleteRecord, fociOf, holdAthlete } from './athletes';
import type { AssignmentRow } from './overview';
import { within } from './context';
import type { Context } from './context';
import type { Improve } from '../planner';
import { academyLibrary, libraryAnswer, plannedWith } from './library';
import { sessionFor } from './told';
import { planRequest } from './plan-request';

interface PlanRow {
  id: string;
  on_date: IsoDate;
  weeks: number;
  assigned: number;
  ends_on: IsoDate;
  request: PlanRequest;
  plan: Plan;
  /** The plan before any change by hand; null where there is none. */
  base: Plan | null;
  edits: readonly PlanEdit[] | null;
}
/** A plan as it is told; what it was made from only to who may change it. */
const toPlan = (ctx: Context, row: PlanRow): PlanRecord => {
  const changes = may(ctx.user.role, 'changePlan');
  const edits = row.edits ?? [];
  const base = row.base ?? row.plan;
  return {
    id: row.id,
    on: row.on_date,
    weeks: row.weeks,
    assigned: Boolean(row.assigned),
    plan: { ...row.plan, sessions: row.plan.sessions.map((s) => sessionFor(ctx, s)) },
    edits,
    broken: edits.length === 0 ? [] : editPlan(row.request, base, edits).broken,
    request: changes ? row.request : null,
    base: changes ? base : null,
  };
};

export async function newestPlan(ctx: Context, athleteId: string): Promise<PlanRecord | null> {
  await athleteRecord(ctx, athleteId);
  const row = (await ctx.tenant
    .from('plans')
    .where('athlete_id', athleteId)
    .orderBy('created_at', 'desc')
    .orderBy('id', 'desc')
    .first()) as PlanRow | undefined;
  return row ? toPlan(ctx, await withLibrary(ctx, row)) : null;
}

/** A plan is changed with the drills and ladders that there are now; its items keep the words that they were made with. */
async function withLibrary(ctx: Context, row: PlanRow): Promise<PlanRow> {
  return { ...row, request: { ...row.request, library: plannedWith(await libraryAnswer(ctx)) } };
}

async function planById(ctx: Context, athleteId: string, id: string): Promise<PlanRow> {
  const row = (await ctx.tenant.from('plans').where({ id, athlete_id: athleteId }).first()) as PlanRow | undefined;
  if (!row) throw notFound('plan');
  return withLibrary(ctx, row);
}

/** Weeks, begun ones too, of a plan from a day to its last. */
const weeksTo = (from: IsoDate, last: IsoDate): number => Math.max(1, Math.ceil((daysBetween(from, last) + 1) / 7));

const lastDayOf = ({ on, weeks, until }: PlanRequest): IsoDate => until ?? addDays(on, 7 * weeks - 1);

async function store(ctx: Context, athleteId: string, id: string, request: PlanRequest): Promise<Plan> {
  const plan = makePlan(request);
  await ctx.tenant.insertOnce('plans', {
    id,
    athlete_id: athleteId,
    on_date: request.on,
    weeks: request.weeks,
    ends_on: lastDayOf(request),
    catalogue_version: CATALOGUE_VERSION,
    request: JSON.stringify(request),
    plan: JSON.stringify(plan),
  });
  return plan;
}

export async function putPlan(ctx: Context, athleteId: string, id: string, given: NewPlan): Promise<PlanRecord> {
  const library = await academyLibrary(ctx);
  const unknown = given.pinned.findIndex((p) => !library.has(p.drill));
  if (unknown >= 0)
    throw wrongField(
      `pinned[${unknown}].drill`,
      `“${given.pinned[unknown]!.drill}” is neither a drill of the catalogue nor one of your own`,
    );
  const known = (await ctx.tenant.from('plans').where('id', id).first('athlete_id')) as { athlete_id: string } | undefined;
  if (known && known.athlete_id !== athleteId) throw notFound('plan');
  if (!known) await store(ctx, athleteId, id, await planRequest(ctx, athleteId, ctx.today, given));
  return toPlan(ctx, await planById(ctx, athleteId, id));
}

/** Looks for a better choice of drills for a plan that nobody has assigned or changed yet. */
export async function betterPlan(ctx: Context, athleteId: string, id: string, improve: Improve): Promise<PlanRecord> {
  const row = await planById(ctx, athleteId, id);
  if (row.assigned || (row.edits ?? []).length > 0 || row.plan.bound) return toPlan(ctx, row);
  const plan = await improve(row.request);
  await ctx.tenant
    .from('plans')
    .where({ id, athlete_id: athleteId, assigned: false })
    .whereNull('edits')
    .update({ plan: JSON.stringify(plan) });
  return toPlan(ctx, await planById(ctx, athleteId, id));
}

/** Changes a plan by hand. A plan that is assigned is changed from tomorrow on, and only to what every rule allows. */
export async function editedPlan(ctx: Context, athleteId: string, id: string, { edits }: PlanEdits): Promise<PlanRecord> {
  requireKnownDrills(await academyLibrary(ctx), edits);
  return ctx.tenant.transaction(async (tenant) => {
    const inside = within(ctx, tenant);
    await holdAthlete(inside, athleteId);
    const row = await planById(inside, athleteId, id);
    const base = row.base ?? row.plan;
    const { plan, broken } = editPlan(row.request, base, edits);
    if (row.assigned) {
      const late = edits.find((e) => e.date <= ctx.today || (e.kind === 'move' && e.to <= ctx.today));
      if (late && !(row.edits ?? []).some((e) => JSON.stringify(e) === JSON.stringify(late)))
        throw conflict(
          'That day is not to be changed any more',
          `${late.date} has come: an assigned plan is changed from tomorrow on.`,
        );
      requireUnbroken(broken);
    }
    await tenant
      .from('plans')
      .where({ id, athlete_id: athleteId })
      .update({ plan: JSON.stringify(plan), base: JSON.stringify(base), edits: JSON.stringify(edits) });
    if (row.assigned) await assign(inside, athleteId, id, plan, addDays(ctx.today, 1));
    return toPlan(ctx, await planById(inside, athleteId, id));
  });
}

function requireKnownDrills(library: Library, edits: readonly PlanEdit[]): void {
  edits.forEach((edit, i) => {
    for (const key of ['drill', 'with'] as const) {
      const drill = (edit as Partial<Record<typeof key, string>>)[key];
      if (drill !== undefined && !library.has(drill))
        throw wrongField(`edits[${i}].${key}`, `“${drill}” is neither a drill of the catalogue nor one of your own`);
    }
  });
}

function requireUnbroken(broken: readonly Broken[]): void {
  const first = broken.find((b) => b.hard);
  if (first) throw conflict('The plan breaks a rule', `${first.detail}${first.mend ? ` ${first.mend.label}.` : ''}`);
}

const toRows = (ctx: Context, athleteId: string, planId: string, sessions: readonly PlanSession[]) =>
  sessions.map((session) => ({
    id: ctx.newId(),
    athlete_id: athleteId,
    plan_id: planId,
    on_date: session.date,
    session: JSON.stringify(session),
  }));

/** Assigns a plan’s sessions from `from` on; sessions still to come of earlier plans give way. */
async function assign(ctx: Context, athleteId: string, id: string, plan: Plan, from: IsoDate): Promise<void> {
  await ctx.tenant.from('assignments').where({ athlete_id: athleteId, done: false }).where('on_date', '>=', from).delete();
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

export async function assignPlan(ctx: Context, athleteId: string, id: string): Promise<PlanRecord> {
  return ctx.tenant.transaction(async (tenant) => {
    const inside = within(ctx, tenant);
    await holdAthlete(inside, athleteId);
    const row = await planById(inside, athleteId, id);
    if (row.plan.sessions.length === 0)
      throw conflict('There is nothing to assign', row.plan.infeasible?.reason ?? 'The plan has no sessions.');
    requireUnbroken(toPlan(ctx, row).broken);
    if (!row.assigned) await assign(inside, athleteId, id, row.plan, ctx.today);
    return toPlan(ctx, await planById(inside, athleteId, id));
  });
}

/** The plan that is assigned: the one made last. */
const assignedPlan = async (ctx: Context, athleteId: string): Promise<PlanRow | undefined> =>
  (await ctx.tenant
    .from('plans')
    .where({ athlete_id: athleteId, assigned: true })
    .orderBy('created_at', 'desc')
    .orderBy('id', 'desc')
    .first()) as PlanRow | undefined;

/** Whether a session holds more than a day now allows. */
function isTooMuch(session: PlanSession, { throws, highEffort, highestEffort, legsClosed }: Allowance): boolean {
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

/** A session that runs while its day is planned anew goes on under what is assigned now. */
async function relink(ctx: Context, athleteId: string): Promise<void> {
  const now = (await ctx.tenant
    .from('assignments')
    .where({ athlete_id: athleteId, on_date: ctx.today, done: false })
    .first('id')) as { id: string } | undefined;
  if (!now) return;
  await ctx.tenant
    .from('work_sessions')
    .where({ athlete_id: athleteId, on_date: ctx.today })
    .whereNull('finished_at')
    .whereNull('assignment_id')
    .update({ assignment_id: now.id });
}

/** What a plan made anew keeps of the coach’s hand: what was added or pinned. */
function pinnedByHand({ request, edits }: PlanRow): Pick<PlanRequest, 'games' | 'pinned'> {
  const own = (edits ?? []).flatMap((e) => (e.kind === 'add' || e.kind === 'pin' ? [{ date: e.date, drill: e.drill }] : []));
  return { games: request.games, pinned: [...request.pinned, ...own] };
}

/**
 * What really happened takes the place of what was expected: the assigned plan is made anew from tomorrow, up to the last day that it
 * always had. What is shown for today stays, unless a rule no longer allows it. To be called after whatever a plan hangs on: a lock, a
 * game, a clearance, a rung, a birth date.
 */
export async function replan(ctx: Context, athleteId: string): Promise<void> {
  const current = await assignedPlan(ctx, athleteId);
  if (!current || current.ends_on < ctx.today) return;
  const active = (await fociOf(ctx, athleteId)).some((f) => f.ended_at === null);
  const tomorrow = addDays(ctx.today, 1);
  const open = ctx.tenant.from('assignments').where({ athlete_id: athleteId, done: false });
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
  const today = (await open.clone().where('on_date', ctx.today).first()) as AssignmentRow | undefined;
  const kept = today && !isTooMuch(today.session, openLedger(request).allowance(ctx.today)) ? today.session : null;
  const id = ctx.newId();
  if (today && !kept) {
    // For safety only: today is planned anew with the rest.
    const plan = await store(ctx, athleteId, id, request);
    await assign(ctx, athleteId, id, plan, ctx.today);
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
  await assign(ctx, athleteId, id, plan, tomorrow);
}
