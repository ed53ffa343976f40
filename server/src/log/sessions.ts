import type {
  AthleteOverview,
  EntryResult,
  LoadRemoval,
  LogAnswer,
  LogEntry,
  NewSession,
  SessionRecord,
  ToldPain,
} from '@wrightonic/contract';
import { hurts } from '@wrightonic/core';
import type { IsoDate } from '@wrightonic/core';
import { v5 as uuidv5 } from 'uuid';
import { conflict, notFound, wrongField } from '../problems';
import { holdAthlete } from '../athlete/athletes';
import { within } from '../common/context';
import type { Context } from '../common/context';
import { knownCopies } from '../library/library';
import { overview } from '../overview/overview';
import { spanOf } from '../common/time';
import { append, hereOf } from './append';
import { climbFrom, followFrom } from './follow';
import { knownOf, NOTHING_KNOWN } from './known';
import { receive } from './receive';
import type { KnownEntries } from './known';
import { rejudge } from './rejudge';
import { recordOf, sessionOf, sessionRow } from './session-record';
import { markDone } from '../plan/days';

/** Pain told at the start, under ids that the same words always have: told again, it is one report. */
const painRows = (ctx: Context, athleteId: string, session: string, on: IsoDate, at: Date, told: readonly ToldPain[]) =>
  told.filter(hurts).map(({ site, score, signs = [] }) => ({
    id: uuidv5(`${site}:${score}:${[...signs].sort().join()}`, session),
    athlete_id: athleteId,
    session_id: session,
    on_date: on,
    at,
    device_at: at,
    received_at: ctx.now,
    author_id: ctx.user.id,
    moment: 'before',
    site,
    score,
    signs: JSON.stringify(signs),
  }));

/** Ends the sessions of earlier days that nobody ended: their day is over, and so are they. */
async function endEarlier(ctx: Context, athleteId: string, before: IsoDate): Promise<IsoDate | null> {
  const open = await ctx.tenant
    .from('work_sessions')
    .where('athlete_id', athleteId)
    .whereNull('finished_at')
    .where('on_date', '<', before)
    .orderBy('on_date');
  if (open.length === 0) return null;
  for (const session of open)
    await ctx.tenant
      .from('work_sessions')
      .where('id', session.id)
      .update({ finished_at: new Date(spanOf(ctx.academy.timeZone, session.on_date).end - 1) });
  const assigned = open.flatMap((s) => s.assignment_id ?? []);
  await markDone(ctx, athleteId, assigned);
  return open[0]!.on_date;
}

/**
 * Starts a session, with the pain told before it. Sent again it is the same session; pain that is told then is added. Sessions of
 * earlier days that are still open end as of their own day.
 */
export async function putSession(ctx: Context, athleteId: string, id: string, given: NewSession): Promise<SessionRecord> {
  if (given.on > ctx.today) throw wrongField('on', `is ${given.on}, which is still to come`);
  await ctx.tenant.transaction(async (tenant) => {
    const inside = within(ctx, tenant);
    const athlete = await holdAthlete(inside, athleteId);
    if (given.on < athlete.birthDate) throw wrongField('on', `is ${given.on}, before the athlete was born`);
    const known = await tenant.from('work_sessions').where({ id }).first();
    if (known && (known.athlete_id !== athleteId || (known.author_id !== null && known.author_id !== ctx.user.id)))
      throw notFound('session');
    if (known && known.on_date !== given.on)
      throw conflict('That is a session of another day', `It belongs to ${known.on_date}. Start a new one for ${given.on}.`);
    const { start, end } = spanOf(ctx.academy.timeZone, given.on);
    const said = given.at === undefined ? ctx.now.getTime() : Date.parse(given.at);
    const at = new Date(Math.min(end - 1, Math.max(start, Math.min(said, ctx.now.getTime()))));
    if (!known) {
      if (given.assignment && !(await tenant.has('assignments', { id: given.assignment, athlete_id: athleteId })))
        throw wrongField('assignment', 'is not an assigned session of this athlete');
      await tenant.insertOnce('work_sessions', {
        id,
        athlete_id: athleteId,
        assignment_id: given.assignment,
        on_date: given.on,
        started_at: at,
        author_id: ctx.user.id,
        readiness: given.readiness ? JSON.stringify(given.readiness) : null,
      });
    } else if (given.readiness)
      await tenant
        .from('work_sessions')
        .where('id', id)
        .update({ readiness: JSON.stringify(given.readiness) });
    const pains = painRows(inside, athleteId, id, given.on, at, given.painBefore);
    await tenant.insertOnce('pain_reports', pains);
    const ended = await endEarlier(inside, athleteId, given.on);
    if (pains.length > 0) await rejudge(inside, athleteId, athlete, given.on);
    if (pains.length > 0 || ended !== null)
      await climbFrom(inside, athleteId, ended !== null && ended < given.on ? ended : given.on, pains.length > 0);
  });
  return sessionOf(ctx, athleteId, id);
}

/** The earliest of some days. */
const earliest = (days: Iterable<IsoDate>): IsoDate | null => [...days].sort()[0] ?? null;

/** Takes in a batch of taps, each once; then the days they belong to are judged anew, and what follows from them. */
export async function logEntries(
  ctx: Context,
  athleteId: string,
  sessionId: string,
  entries: readonly LogEntry[],
): Promise<LogAnswer> {
  return ctx.tenant.transaction(async (tenant) => {
    const inside = within(ctx, tenant);
    const athlete = await holdAthlete(inside, athleteId);
    const reps = entries.filter((entry) => entry.type === 'rep');
    const here = await hereOf(
      inside,
      athleteId,
      sessionId,
      reps.map((rep) => rep.id),
    );
    const { session } = here;
    const known = here.known === 0 && reps.length === entries.length ? NOTHING_KNOWN : await knownOf(inside, entries);
    const wanted = [...new Set(entries.flatMap((e) => (e.type === 'rep' && e.focus !== null ? [e.focus] : [])))];
    const foci = new Set(
      wanted.length === 0
        ? []
        : (await tenant.from('foci').where('athlete_id', athleteId).whereIn('id', wanted).select('id')).map((f) => f.id),
    );
    const copies = await knownCopies(
      inside,
      entries.flatMap((e) => (e.type === 'rep' ? [e.drill] : [])),
    );
    const received = receive({ ctx: inside, athleteId, athlete, session, foci, known, copies }, entries);
    const open = session.finished_at === null && session.on_date === ctx.today;
    const appended = open ? await append(inside, athleteId, athlete, here, received) : null;
    if (appended) {
      const answer = await recordOf(inside, athlete, session, appended.load, false);
      return { results: resultsOf(entries, received.refused, appended.refused, known), session: answer };
    }
    await tenant.insertNew('pain_reports', received.pains);
    await tenant.insertNew('reps', received.reps);
    await tenant.insertNew('readings', received.readings);
    await tenant.insertNew('rep_marks', received.marks);
    await tenant.insertNew('session_notes', received.notes);
    await tenant.insertNew('spots', received.spots);
    const targets = received.marked.flatMap((id) => known.rep.get(id) ?? known.reading.get(id) ?? []);
    // A mark that was waiting for a rep is found with its day.
    const from = earliest([...received.days, ...targets.map((t) => t.on_date)]) ?? session.on_date;
    const judged = await rejudge(inside, athleteId, athlete, from < session.on_date ? from : session.on_date, [session]);
    const late =
      session.finished_at !== null ||
      from < ctx.today ||
      targets.some((t) => t.session_id !== sessionId) ||
      session.on_date < ctx.today;
    const something = received.days.size > 0 || received.marks.length > 0;
    if (something && (late || received.pains.length > 0)) await climbFrom(inside, athleteId, from, received.pains.length > 0);
    const answer = await recordOf(inside, athlete, session, judged.load);
    const why = new Map([...judged.reps, ...judged.readings].map((row) => [row.id, row.refused]));
    return { results: resultsOf(entries, received.refused, why, known), session: answer };
  });
}

function resultsOf(
  entries: readonly LogEntry[],
  refused: ReadonlyMap<string, EntryResult>,
  why: ReadonlyMap<string, string | null>,
  known: KnownEntries,
): EntryResult[] {
  return entries.map(({ id }): EntryResult => {
    const not = refused.get(id);
    if (not) return not;
    const reason = why.get(id) ?? known.rep.get(id)?.refused ?? known.reading.get(id)?.refused ?? null;
    return { id, status: reason === null ? 'stored' : 'refused', reason, kept: true };
  });
}

/** Ends the session. Each focus gets the gate's verdict and moves by it; the plan follows. */
export async function finishSession(ctx: Context, athleteId: string, id: string): Promise<SessionRecord> {
  await ctx.tenant.transaction(async (tenant) => {
    const inside = within(ctx, tenant);
    await holdAthlete(inside, athleteId);
    const session = await sessionRow(inside, athleteId, id);
    if (session.finished_at) return;
    await tenant.from('work_sessions').where('id', id).update({ finished_at: ctx.now });
    if (session.assignment_id) await markDone(inside, athleteId, [session.assignment_id]);
    await climbFrom(inside, athleteId, session.on_date, true);
  });
  return sessionOf(ctx, athleteId, id);
}

/** Takes a rep, a speed or an outing out of the load for good, as a coach's word with its reason. What it was is kept. */
export async function removeFromLoad(
  ctx: Context,
  athleteId: string,
  id: string,
  { reason }: LoadRemoval,
): Promise<AthleteOverview> {
  await ctx.tenant.transaction(async (tenant) => {
    const inside = within(ctx, tenant);
    const athlete = await holdAthlete(inside, athleteId);
    for (const table of ['reps', 'readings', 'outings'] as const) {
      const row = await tenant.from(table).where({ id, athlete_id: athleteId }).first();
      if (!row) continue;
      if (row.removed) return;
      await tenant.from(table).where('id', id).update({ removed: true });
      await tenant.insertOnce('corrections', {
        id: ctx.newId(),
        athlete_id: athleteId,
        what: table,
        row_id: id,
        before: JSON.stringify(row),
        who: ctx.user.name,
        reason,
        author_id: ctx.user.id,
        at: ctx.now,
      });
      await followFrom(inside, athleteId, athlete, row.on_date);
      return;
    }
    throw notFound('entry in the load');
  });
  return overview(ctx, athleteId);
}
