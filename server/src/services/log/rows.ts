import type {
  Judgement,
  LoggedFocus,
  LoggedMark,
  LoggedPain,
  LoggedReading,
  LoggedRep,
  LoggedSession,
  Readiness,
  FindingId,
  IsoDate,
  Rung,
} from '@wrightonic/core';
import type { PainRow } from '../load';
import { toPain } from '../load';
import type { Context } from '../context';

/** Who wrote an entry, and when by whose clock. */
interface SenderColumns {
  id: string;
  session_id: string;
  on_date: IsoDate;
  at: Date;
  author_id: string | null;
  alone: number;
}

export interface RepRow extends SenderColumns {
  focus_id: string | null;
  drill: string;
  rung: Rung;
  judged: Judgement;
  said_effort: number;
  aids: string | null;
  received_on: IsoDate | null;
  removed: number;
  // What was made of it when it was last judged.
  effort: number;
  is_throw: number;
  gone: number;
  undone: number;
  cheat: string | null;
  refused: string | null;
}

export interface ReadingRow extends SenderColumns {
  effort: number;
  gun: string;
  rep_id: string | null;
  removed: number;
  gone: number;
  undone: number;
  refused: string | null;
}

export interface MarkRow extends Omit<SenderColumns, 'on_date'> {
  rep_id: string;
  kind: 'undo' | 'cheat';
  cheat: string | null;
}

export interface SessionRow {
  id: string;
  assignment_id: string | null;
  on_date: IsoDate;
  started_at: Date | null;
  finished_at: Date | null;
  author_id: string | null;
  readiness: Readiness | null;
}

/** Kit as it is kept: by commas, null where nobody told. */
export const aidsFrom = (aids: string | null): readonly string[] | null =>
  aids === null ? null : aids === '' ? [] : aids.split(',');

// Each written out: an object that is spread and then added to is slow to read, and there are thousands.
export const toRep = (row: RepRow): LoggedRep => ({
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

export const toReading = (row: ReadingRow): LoggedReading => ({
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

export function toMark(row: MarkRow): LoggedMark {
  const base = { id: row.id, at: row.at.toISOString(), author: row.author_id ?? '', alone: Boolean(row.alone), rep: row.rep_id };
  return row.kind === 'undo' ? { ...base, kind: 'undo' } : { ...base, kind: 'cheat', cheat: row.cheat ?? '' };
}

export const toLoggedSession = (row: SessionRow, today: IsoDate): LoggedSession => ({
  id: row.id,
  date: row.on_date,
  startedAt: (row.started_at ?? new Date(0)).toISOString(),
  // A day that is past has ended its sessions.
  ended: row.finished_at !== null || row.on_date < today,
});

/** Reps of the days from `from` on, oldest first. */
export const repsFrom = async (ctx: Context, athlete: string, from: IsoDate): Promise<RepRow[]> =>
  (await ctx.tenant
    .from('reps')
    .where('athlete_id', athlete)
    .where('on_date', '>=', from)
    .orderBy(['on_date', 'at'])) as RepRow[];

export const readingsFrom = async (ctx: Context, athlete: string, from: IsoDate): Promise<ReadingRow[]> =>
  (await ctx.tenant
    .from('readings')
    .where('athlete_id', athlete)
    .where('on_date', '>=', from)
    .orderBy(['on_date', 'at'])) as ReadingRow[];

/** Marks on some entries. */
export const marksOf = async (ctx: Context, athlete: string, ids: readonly string[]): Promise<MarkRow[]> =>
  (await ctx.tenant
    .from('rep_marks')
    .where('athlete_id', athlete)
    .whereIn('rep_id', ids as string[])) as MarkRow[];

export async function painsOf(ctx: Context, athlete: string): Promise<LoggedPain[]> {
  const rows = (await ctx.tenant.from('pain_reports').where('athlete_id', athlete).orderBy(['at', 'id'])) as (PainRow & {
    id: string;
    session_id: string | null;
  })[];
  return rows.map((row) => ({
    ...toPain(row),
    id: row.id,
    session: row.session_id,
    date: row.on_date,
    at: row.at.toISOString(),
  }));
}

export interface FocusLogRow {
  id: string;
  finding: FindingId;
  started_on: IsoDate;
  started_at: Date | null;
  started_rung: Rung;
  rung: Rung;
  rung_since: IsoDate;
  rung_since_at: Date;
  state: string;
  ended_at: Date | null;
}

interface WordRow {
  focus_id: string;
  on_date: IsoDate;
  at: Date;
  to_rung: Rung;
}

/** Foci with the coach's own words on them. */
export async function fociLog(ctx: Context, rows: readonly FocusLogRow[]): Promise<LoggedFocus[]> {
  const words = (await ctx.tenant
    .from('verdicts')
    .whereIn(
      'focus_id',
      rows.map((f) => f.id),
    )
    .where('by_whom', 'coach')
    .orderBy(['at', 'id'])
    .select('focus_id', 'on_date', 'at', 'to_rung')) as WordRow[];
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
