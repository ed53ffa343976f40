import { may } from '@wrightonic/contract';
import type { NewPlan, PlanEdits, PlanRecord } from '@wrightonic/contract';
import { addDays, CATALOGUE_VERSION, daysBetween, editPlan } from '@wrightonic/core';
import type { Broken, IsoDate, Library, Plan, PlanEdit, PlanRequest } from '@wrightonic/core';
import { conflict, notFound, wrongField } from '../problems';
import { assign, handOfPlan } from './assign';
import { athleteRecord, holdAthlete } from '../athlete/athletes';
import { within } from '../common/context';
import type { Context } from '../common/context';
import { academyLibrary, libraryAnswer, plannedWith } from '../library/library';
import { effectsOf, helpedHere } from '../effects/effects';
import { planRequest } from './plan-request';
import { sessionFor } from '../common/told';
import type { PlanDbRow } from '../db/tables';

/** A plan as it is told; what it was made from only to who may change it. */
const toPlan = (ctx: Context, row: PlanDbRow): PlanRecord => {
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
  const row = await ctx.tenant
    .from('plans')
    .where('athlete_id', athleteId)
    .orderBy('created_at', 'desc')
    .orderBy('id', 'desc')
    .first();
  return row ? toPlan(ctx, await withLibrary(ctx, row)) : null;
}

/** A plan is changed with the drills and ladders that there are now; its items keep the words that they were made with. */
async function withLibrary(ctx: Context, row: PlanDbRow): Promise<PlanDbRow> {
  const [own, helped] = await Promise.all([libraryAnswer(ctx), helpedHere(ctx)]);
  return { ...row, request: { ...row.request, library: plannedWith(own, helped) } };
}

async function planById(ctx: Context, athleteId: string, id: string): Promise<PlanDbRow> {
  const row = await ctx.tenant.from('plans').where({ id, athlete_id: athleteId }).first();
  if (!row) throw notFound('plan');
  return withLibrary(ctx, row);
}

/** Weeks, begun ones too, of a plan from a day to its last. */
export const weeksTo = (from: IsoDate, last: IsoDate): number => Math.max(1, Math.ceil((daysBetween(from, last) + 1) / 7));

const lastDayOf = ({ on, weeks, until }: PlanRequest): IsoDate => until ?? addDays(on, 7 * weeks - 1);

export async function store(ctx: Context, athleteId: string, id: string, request: PlanRequest): Promise<Plan> {
  const plan = await ctx.think.plan(request);
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
  const known = await ctx.tenant.from('plans').where('id', id).first('athlete_id');
  if (known && known.athlete_id !== athleteId) throw notFound('plan');
  if (!known) {
    // A new plan rests on what is known today of what helped.
    await effectsOf(ctx);
    await store(ctx, athleteId, id, await planRequest(ctx, athleteId, ctx.today, given));
  }
  return toPlan(ctx, await planById(ctx, athleteId, id));
}

/** Looks for a better choice of drills for a plan that nobody has assigned or changed yet. */
export async function betterPlan(ctx: Context, athleteId: string, id: string): Promise<PlanRecord> {
  const row = await planById(ctx, athleteId, id);
  if (row.assigned || (row.edits ?? []).length > 0 || row.plan.bound) return toPlan(ctx, row);
  const plan = await ctx.think.improve(row.request);
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
    if (row.assigned) await assign(inside, athleteId, id, plan, addDays(ctx.today, 1), await handOfPlan(inside, athleteId));
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
