/** Work handed out by hand: kept once, and for each athlete as an assignment of their own. */
import { HANDED_TO_AT_MOST } from '@wrightonic/contract';
import type { HandOutRecord, HandOutShare, HandOutTo, NamedId, NewHandOut } from '@wrightonic/contract';
import { addDays, handOut } from '@wrightonic/core';
import type { Library, PlanRequest, PlanSession } from '@wrightonic/core';
import { athleteRecord, holdAthlete } from '../athlete/athletes';
import { within } from '../common/context';
import type { Context } from '../common/context';
import type { HandOutDbRow } from '../db/tables';
import { academyLibrary } from '../library/library';
import { assign } from '../plan/assign';
import { planRequest, stateRequest } from '../plan/plan-request';
import { store } from '../plan/plans';
import { replan } from '../plan/replan';
import { conflict, notFound, ProblemError, wrongField } from '../problems';

/** Days of work handed out that are shown. */
const SHOWN_DAYS = 60;
const MOST_SHOWN = 100;
/** Farthest day that something is handed out for. */
const AHEAD_DAYS = 120;

interface Wanted {
  readonly athletes: readonly NamedId[];
  /** A group’s or a station’s. */
  readonly name: string | null;
}

/** Athletes of groups, put away ones left out. */
const membersOf = (ctx: Context, groups: readonly string[]): Promise<NamedId[]> =>
  ctx.tenant
    .from('athletes')
    .where('athletes.archived', false)
    .whereIn(
      'athletes.id',
      ctx.tenant
        .from('group_members')
        .whereIn('group_id', [...groups])
        .select('athlete_id'),
    )
    .orderBy(['name', 'id'])
    .limit(HANDED_TO_AT_MOST + 1)
    .select<NamedId[]>('athletes.id', 'athletes.name');

/** Whom something goes to, by name. @throws ProblemError 422 where there is no such person or group, or nobody in it */
async function wantedOf(ctx: Context, to: HandOutTo): Promise<Wanted> {
  if (to.kind === 'athletes') {
    const ids = [...new Set(to.athletes)];
    const athletes = await ctx.tenant
      .from('athletes')
      .where('archived', false)
      .whereIn('id', ids)
      .orderBy(['name', 'id'])
      .select<NamedId[]>('id', 'name');
    if (athletes.length < ids.length) throw wrongField('to.athletes', 'names somebody who is not an athlete of this academy');
    return { athletes, name: null };
  }
  const groups =
    to.kind === 'group'
      ? [to.group]
      : await ctx.tenant.from('user_groups').where('user_id', to.person).orderBy('group_id').pluck<string[]>('group_id');
  const named =
    to.kind === 'group'
      ? await ctx.tenant.from('athlete_groups').where('id', to.group).first('name')
      : await ctx.tenant.from('users').where({ id: to.person, role: 'station' }).first('name');
  const path = to.kind === 'group' ? 'to.group' : 'to.person';
  if (!named) throw wrongField(path, to.kind === 'group' ? 'is no group of this academy' : 'is no station coach of this academy');
  const athletes = await membersOf(ctx, groups);
  if (athletes.length === 0) throw wrongField(path, `has no athletes: “${named.name}” is empty`);
  if (athletes.length > HANDED_TO_AT_MOST)
    throw wrongField(path, `has more than ${HANDED_TO_AT_MOST} athletes; hand out to smaller groups`);
  return { athletes, name: named.name };
}

/** What one athlete gets. */
type Share =
  | { readonly kind: 'session'; readonly session: PlanSession | null; readonly left: readonly string[] }
  | { readonly kind: 'plan'; readonly request: PlanRequest; readonly left: readonly string[] };

/** What an athlete would get of it: by their own dose, lock and budget. */
async function shareOf(ctx: Context, library: Library, athlete: string, given: NewHandOut): Promise<Share> {
  if (given.what.kind === 'plan') {
    const { weeks } = given.what;
    return planRequest(ctx, athlete, given.on, { weeks, games: [], pinned: [] }).then(
      (request): Share => ({ kind: 'plan', request, left: [] }),
      (error: unknown): Share => {
        // No focus yet: a plan is made for one.
        if (!(error instanceof ProblemError)) throw error;
        return { kind: 'session', session: null, left: [error.detail] };
      },
    );
  }
  const request = await stateRequest(ctx, athlete, ctx.today, { weeks: 1, games: [], pinned: [] });
  const standing = await ctx.tenant
    .from('assignments')
    .where({ athlete_id: athlete, done: false })
    .whereBetween('on_date', [ctx.today, given.on])
    .orderBy(['on_date', 'id'])
    .select('session');
  const { session, left } = handOut(
    request,
    standing.map((row) => row.session),
    { date: given.on, place: given.place, drills: given.what.drills },
  );
  return {
    kind: 'session',
    session,
    left: left.map(({ drill, why }) => `${library.has(drill) ? library.drill(drill).name : `“${drill}”`}: ${why}`),
  };
}

function requireDay(ctx: Context, { on, what }: NewHandOut): void {
  if (on < ctx.today) throw wrongField('on', `is ${on}, which has gone; hand out for today or later`);
  if (on > addDays(ctx.today, AHEAD_DAYS)) throw wrongField('on', `is ${on}, more than ${AHEAD_DAYS} days ahead`);
  if (what.kind === 'plan' && on !== ctx.today)
    throw wrongField('on', 'must be today: a plan begins with the day on which it is made');
}

function requireKnown(library: Library, { what }: NewHandOut): void {
  if (what.kind !== 'drills') return;
  const unknown = what.drills.findIndex((drill) => !library.has(drill));
  if (unknown >= 0)
    throw wrongField(
      `what.drills[${unknown}]`,
      `“${what.drills[unknown]}” is neither a drill of the catalogue nor one of your own`,
    );
}

const workOf = (session: PlanSession | null): HandOutShare['work'] =>
  session && { minutes: session.minutes, throws: session.throws };

/** What each would get; nothing is kept. */
export async function lookAtHandOut(ctx: Context, given: NewHandOut): Promise<HandOutShare[]> {
  requireDay(ctx, given);
  const library = await academyLibrary(ctx);
  requireKnown(library, given);
  const { athletes } = await wantedOf(ctx, given.to);
  const shares: HandOutShare[] = [];
  for (const athlete of athletes) {
    const share = await shareOf(ctx, library, athlete.id, given);
    const work = share.kind === 'plan' ? { minutes: 0, throws: 0 } : workOf(share.session);
    shares.push({ athlete, work, left: share.left, state: work ? 'open' : 'none' });
  }
  return shares;
}

/** Hands out. Sent again with the same id it is not done twice. @throws ProblemError 409 where nobody would get anything */
export async function putHandOut(ctx: Context, id: string, given: NewHandOut): Promise<HandOutRecord[]> {
  requireDay(ctx, given);
  const library = await academyLibrary(ctx);
  requireKnown(library, given);
  const { athletes, name } = await wantedOf(ctx, given.to);
  await ctx.tenant.transaction(async (tenant) => {
    const inside = within(ctx, tenant);
    if (await tenant.has('hand_outs', { id })) return;
    await tenant.insertOnce('hand_outs', {
      id,
      what: JSON.stringify(given.what),
      to_name: name,
      place: given.place,
      on_date: given.on,
      note: given.note,
      author: ctx.user.name,
      author_id: ctx.user.id,
    });
    let handed = 0;
    // One after the other in one order, so that two who hand out at once wait for one another and do not cross.
    for (const athlete of [...athletes].sort((a, b) => (a.id < b.id ? -1 : 1))) {
      await holdAthlete(inside, athlete.id);
      const share = await shareOf(inside, library, athlete.id, given);
      if (share.kind === 'plan') await handOutPlan(inside, athlete.id, id, share.request);
      else if (share.session)
        await tenant.insertOnce('assignments', {
          id: ctx.newId(),
          athlete_id: athlete.id,
          plan_id: null,
          hand_out_id: id,
          on_date: given.on,
          session: JSON.stringify(share.session),
        });
      if (share.kind === 'plan' || share.session) handed++;
      else if (athletes.length === 1) throw conflict('There is nothing to hand out', share.left.join(' '));
    }
    if (handed === 0)
      throw conflict('There is nothing to hand out', 'None of them may do any of it on that day. Look at the reasons first.');
  });
  return handOuts(ctx);
}

/** A plan of the athlete's own, assigned; its days say from which hand they came. */
async function handOutPlan(ctx: Context, athlete: string, id: string, request: PlanRequest): Promise<void> {
  const planId = ctx.newId();
  const plan = await store(ctx, athlete, planId, request);
  await assign(ctx, athlete, planId, plan, ctx.today, { hand_out_id: id, seen_at: null });
}

/** Takes back what nobody has done yet; what was done stays. Where a plan is taken back, the one before it goes on from tomorrow. */
export async function dropHandOut(ctx: Context, id: string): Promise<HandOutRecord[]> {
  await ctx.tenant.transaction(async (tenant) => {
    const inside = within(ctx, tenant);
    const row = await tenant.from('hand_outs').where({ id }).first();
    if (!row) throw notFound('work handed out');
    const open = () => tenant.from('assignments').where({ hand_out_id: id, done: false });
    const athletes = await open().distinct('athlete_id').orderBy('athlete_id').pluck<string[]>('athlete_id');
    for (const athlete of athletes) await holdAthlete(inside, athlete);
    await open().delete();
    if (row.what.kind === 'plan')
      for (const athlete of athletes) {
        // The plan itself, and all that it was made anew as.
        await tenant
          .from('plans')
          .where('athlete_id', athlete)
          .where('created_at', '>=', row.created_at)
          .update({ assigned: false });
        await replan(inside, athlete);
      }
    const left = await tenant.from('assignments').where('hand_out_id', id).first('id');
    if (!left) await tenant.from('hand_outs').where('id', id).delete();
  });
  return handOuts(ctx);
}

interface ShareRow {
  readonly hand_out_id: string;
  readonly id: string;
  readonly name: string;
  readonly session: PlanSession;
  readonly done: number;
  readonly seen_at: Date | null;
}

/** What was handed out lately, newest first, and how far each has come with it. */
export async function handOuts(ctx: Context): Promise<HandOutRecord[]> {
  const rows = await ctx.tenant
    .from('hand_outs')
    .where('on_date', '>=', addDays(ctx.today, -SHOWN_DAYS))
    .orderBy('created_at', 'desc')
    .orderBy('id', 'desc')
    .limit(MOST_SHOWN);
  const shares = await ctx.tenant
    .fromAny('assignments')
    .join('athletes', 'athletes.id', 'assignments.athlete_id')
    .whereIn(
      'assignments.hand_out_id',
      rows.map((row) => row.id),
    )
    .orderBy(['athletes.name', 'athletes.id', 'assignments.on_date'])
    .select<ShareRow[]>(
      'assignments.hand_out_id',
      'athletes.id',
      'athletes.name',
      'assignments.session',
      'assignments.done',
      'assignments.seen_at',
    );
  return rows.flatMap((row) => {
    const own = shares.filter((share) => share.hand_out_id === row.id);
    // Nobody has it any more.
    return own.length === 0 ? [] : [toRecord(row, own)];
  });
}

function toRecord(row: HandOutDbRow, rows: readonly ShareRow[]): HandOutRecord {
  const byAthlete = new Map<string, ShareRow[]>();
  for (const share of rows) byAthlete.set(share.id, [...(byAthlete.get(share.id) ?? []), share]);
  return {
    id: row.id,
    what: row.what,
    to: row.to_name ?? (byAthlete.size === 1 ? rows[0]!.name : `${byAthlete.size} athletes`),
    place: row.place,
    on: row.on_date,
    note: row.note,
    by: row.author,
    at: row.created_at.toISOString(),
    shares: [...byAthlete.values()].map((days): HandOutShare => {
      const { id, name } = days[0]!;
      const seen = days.some((day) => day.seen_at !== null);
      return {
        athlete: { id, name },
        work: {
          minutes: days.reduce((sum, day) => sum + day.session.minutes, 0),
          throws: days.reduce((sum, day) => sum + day.session.throws, 0),
        },
        left: [],
        state: days.every((day) => day.done) ? 'done' : seen ? 'seen' : 'open',
      };
    }),
  };
}

/** The family has seen what was handed out. A coach who looks at the same page has not. */
export async function sawWork(ctx: Context, athlete: string): Promise<null> {
  await athleteRecord(ctx, athlete);
  if (ctx.reach === 'own')
    await ctx.tenant
      .from('assignments')
      .where('athlete_id', athlete)
      .whereNotNull('hand_out_id')
      .whereNull('seen_at')
      .where('on_date', '>=', ctx.today)
      .update({ seen_at: ctx.now });
  return null;
}
