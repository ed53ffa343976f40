import type { LoggedFocus, LoggedMark, LoggedPain, LoggedReading, LoggedRep, LoggedSession, IsoDate } from '@wrightonic/core';
import { toPain } from '../load/load';
import type { Context } from '../common/context';
import type { FocusDbRow, MarkDbRow, ReadingDbRow, RepDbRow, SessionDbRow } from '../db/tables';
import { aidsFrom } from '../library/aids';

// Each written out: an object that is spread and then added to is slow to read, and there are thousands.
export const toRep = (row: RepDbRow): LoggedRep => ({
  id: row.id,
  session: row.session_id,
  date: row.on_date,
  at: row.at.toISOString(),
  author: row.author_id ?? '',
  alone: Boolean(row.alone),
  drill: row.drill,
  rung: row.rung,
  focus: row.focus_id,
  judged: row.judged,
  effort: row.said_effort,
  aids: aidsFrom(row.aids),
  receivedOn: row.received_on ?? row.on_date,
});

export const toReading = (row: ReadingDbRow): LoggedReading => ({
  id: row.id,
  session: row.session_id,
  date: row.on_date,
  at: row.at.toISOString(),
  author: row.author_id ?? '',
  alone: Boolean(row.alone),
  effort: row.effort,
  gun: row.gun,
  rep: row.rep_id,
});

export function toMark(row: MarkDbRow): LoggedMark {
  const base = { id: row.id, at: row.at.toISOString(), author: row.author_id ?? '', alone: Boolean(row.alone), rep: row.rep_id };
  return row.kind === 'undo' ? { ...base, kind: 'undo' } : { ...base, kind: 'cheat', cheat: row.cheat ?? '' };
}

export const toLoggedSession = (row: SessionDbRow, today: IsoDate): LoggedSession => ({
  id: row.id,
  date: row.on_date,
  startedAt: (row.started_at ?? new Date(0)).toISOString(),
  // A day that is past has ended its sessions.
  ended: row.finished_at !== null || row.on_date < today,
});

/** Reps of the days from `from` on, oldest first. */
export const repsFrom = async (ctx: Context, athlete: string, from: IsoDate): Promise<RepDbRow[]> =>
  await ctx.tenant.from('reps').where('athlete_id', athlete).where('on_date', '>=', from).orderBy(['on_date', 'at']);

export const readingsFrom = async (ctx: Context, athlete: string, from: IsoDate): Promise<ReadingDbRow[]> =>
  await ctx.tenant.from('readings').where('athlete_id', athlete).where('on_date', '>=', from).orderBy(['on_date', 'at']);

/** Marks on some entries. */
export const marksOf = async (ctx: Context, athlete: string, ids: readonly string[]): Promise<MarkDbRow[]> =>
  await ctx.tenant
    .from('rep_marks')
    .where('athlete_id', athlete)
    .whereIn('rep_id', ids as string[]);

export async function painsOf(ctx: Context, athlete: string): Promise<LoggedPain[]> {
  const rows = await ctx.tenant.from('pain_reports').where('athlete_id', athlete).orderBy(['at', 'id']);
  return rows.map((row) => ({
    ...toPain(row),
    id: row.id,
    session: row.session_id,
    date: row.on_date,
    at: row.at.toISOString(),
  }));
}

/** Foci with the coach's own words on them. */
export async function fociLog(ctx: Context, rows: readonly FocusDbRow[]): Promise<LoggedFocus[]> {
  const words = await ctx.tenant
    .from('verdicts')
    .whereIn(
      'focus_id',
      rows.map((f) => f.id),
    )
    .where('by_whom', 'coach')
    .orderBy(['at', 'id'])
    .select('focus_id', 'on_date', 'at', 'to_rung');
  return rows.map((focus) => ({
    id: focus.id,
    finding: focus.finding,
    startedOn: focus.started_on,
    startedAt: (focus.started_at ?? focus.rung_since_at).toISOString(),
    rung: focus.started_rung,
    endedAt: focus.ended_at?.toISOString() ?? null,
    words: words
      .filter((w) => w.focus_id === focus.id)
      .map((w) => ({ at: w.at.toISOString(), date: w.on_date, rung: w.to_rung })),
  }));
}
