import type { NewPlan, PlanRecord } from '@wrightonic/contract';
import { addDays, CATALOGUE_VERSION, daysBetween, hasDrill, makePlan } from '@wrightonic/core';
import type { IsoDate, Plan, PlanRequest } from '@wrightonic/core';
import { conflict, notFound, wrongField } from '../problems';
import { athleteRecord, currentDiagnosis, fociOf, profileOf, schoolsOf } from './athletes';
import { within } from './context';
import type { Context } from './context';
import { intakeOf } from './intake';
import { leagueFor, loadOf } from './load';

interface PlanRow {
  id: string;
  on_date: IsoDate;
  weeks: number;
  assigned: number;
  request: PlanRequest;
  plan: Plan;
}
const toPlan = (row: PlanRow): PlanRecord => ({
  id: row.id,
  on: row.on_date,
  weeks: row.weeks,
  assigned: Boolean(row.assigned),
  plan: row.plan,
});

const DRILLS_REMEMBERED_DAYS = 28;

/** In how many sessions of the last weeks each drill was done. */
async function recentDrillsOf(ctx: Context, athleteId: string): Promise<{ drill: string; sessions: number }[]> {
  const rows = (await ctx.tenant
    .from('reps')
    .where({ athlete_id: athleteId, undone: false })
    .where('on_date', '>', addDays(ctx.today, -DRILLS_REMEMBERED_DAYS))
    .groupBy('drill')
    .orderBy('drill')
    .select('drill')
    .countDistinct({ sessions: 'session_id' })) as { drill: string; sessions: number }[];
  return rows.map((r) => ({ drill: r.drill, sessions: Number(r.sessions) }));
}

/** The planner's input from the athlete's state on a day. */
async function planRequest(ctx: Context, athleteId: string, on: IsoDate, given: NewPlan): Promise<PlanRequest> {
  const athlete = await athleteRecord(ctx, athleteId);
  const [foci, load, recentDrills, { intake }, { result }] = await Promise.all([
    fociOf(ctx, athleteId),
    loadOf(ctx, athleteId),
    recentDrillsOf(ctx, athleteId),
    intakeOf(ctx, athleteId),
    currentDiagnosis(ctx, athleteId, athlete),
  ]);
  const active = foci.filter((f) => f.ended_at === null);
  if (active.length === 0)
    throw conflict('There is no focus', 'Choose a focus from “What is it?” first; a plan is made for a focus.');
  return {
    on,
    athlete: profileOf(athlete),
    schools: schoolsOf(ctx, athlete),
    focus: active.slice(0, 2).map((f) => ({ finding: f.finding, rung: f.rung })),
    weeks: given.weeks,
    availability: athlete.availability,
    equipment: athlete.equipment,
    partner: athlete.partner,
    season: athlete.season,
    games: [...given.games, ...intake.games.filter((g) => g.date >= on && !given.games.some((other) => other.date === g.date))],
    recentLoad: load.log.map(({ date, pitches, throws, highEffort }) => ({
      date,
      throws,
      highEffort,
      ...(pitches === undefined ? {} : { pitches }),
    })),
    pain: load.log.flatMap((row) => (row.pain ?? []).map((p) => ({ date: row.date, ...p }))),
    clearances: load.clearances,
    leagueDailyLimit: ctx.academy.leagueDailyLimit,
    league: leagueFor(ctx, athlete),
    flags: result.flags,
    pinned: given.pinned,
    recentDrills,
  };
}

export async function newestPlan(ctx: Context, athleteId: string): Promise<PlanRecord | null> {
  await athleteRecord(ctx, athleteId);
  const row = (await ctx.tenant
    .from('plans')
    .where('athlete_id', athleteId)
    .orderBy('created_at', 'desc')
    .orderBy('id', 'desc')
    .first()) as PlanRow | undefined;
  return row ? toPlan(row) : null;
}

async function planById(ctx: Context, athleteId: string, id: string): Promise<PlanRow> {
  const row = (await ctx.tenant.from('plans').where({ id, athlete_id: athleteId }).first()) as PlanRow | undefined;
  if (!row) throw notFound('plan');
  return row;
}

async function store(ctx: Context, athleteId: string, id: string, request: PlanRequest): Promise<void> {
  await ctx.tenant.insertOnce('plans', {
    id,
    athlete_id: athleteId,
    on_date: request.on,
    weeks: request.weeks,
    catalogue_version: CATALOGUE_VERSION,
    request: JSON.stringify(request),
    plan: JSON.stringify(makePlan(request)),
  });
}

export async function putPlan(ctx: Context, athleteId: string, id: string, given: NewPlan): Promise<PlanRecord> {
  const unknown = given.pinned.findIndex((p) => !hasDrill(p.drill));
  if (unknown >= 0)
    throw wrongField(`pinned[${unknown}].drill`, `“${given.pinned[unknown]!.drill}” is not a drill of the catalogue`);
  const known = await ctx.tenant.has('plans', { id });
  if (!known) await store(ctx, athleteId, id, await planRequest(ctx, athleteId, ctx.today, given));
  return toPlan(await planById(ctx, athleteId, id));
}

/** Assigns a plan's sessions from `from` on; sessions still to come of earlier plans give way. */
async function assign(ctx: Context, athleteId: string, row: PlanRow, from: IsoDate): Promise<void> {
  await ctx.tenant.from('assignments').where({ athlete_id: athleteId, done: false }).where('on_date', '>=', from).delete();
  await ctx.tenant.insertOnce(
    'assignments',
    row.plan.sessions
      .filter((s) => s.date >= from)
      .map((session) => ({
        id: ctx.newId(),
        athlete_id: athleteId,
        plan_id: row.id,
        on_date: session.date,
        session: JSON.stringify(session),
      })),
  );
  await ctx.tenant.from('plans').where('id', row.id).update({ assigned: true });
}

export async function assignPlan(ctx: Context, athleteId: string, id: string): Promise<PlanRecord> {
  await athleteRecord(ctx, athleteId);
  return ctx.tenant.transaction(async (tenant) => {
    const inside = within(ctx, tenant);
    const row = await planById(inside, athleteId, id);
    if (row.plan.sessions.length === 0)
      throw conflict('There is nothing to assign', row.plan.infeasible?.reason ?? 'The plan has no sessions.');
    if (!row.assigned) await assign(inside, athleteId, row, ctx.today);
    return toPlan(await planById(inside, athleteId, id));
  });
}

/** After a session what really happened takes the place of what was expected: the rest of the assigned plan is made anew from tomorrow, for the weeks that are left. */
export async function replanRest(ctx: Context, athleteId: string): Promise<void> {
  const current = (await ctx.tenant
    .from('plans')
    .where({ athlete_id: athleteId, assigned: true })
    .orderBy('created_at', 'desc')
    .first()) as PlanRow | undefined;
  if (!current) return;
  const tomorrow = addDays(ctx.today, 1);
  const daysLeft = 7 * current.weeks - daysBetween(current.on_date, tomorrow);
  if (daysLeft <= 0) return;
  const { games, pinned } = current.request;
  const request = await planRequest(ctx, athleteId, ctx.today, {
    weeks: Math.ceil(daysLeft / 7),
    games,
    pinned: pinned.filter((p) => p.date >= tomorrow),
  });
  const id = ctx.newId();
  await store(ctx, athleteId, id, { ...request, on: tomorrow });
  await assign(ctx, athleteId, await planById(ctx, athleteId, id), tomorrow);
}
