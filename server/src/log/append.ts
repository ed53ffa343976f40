/** The common case of a log: reps that come after everything else of their day. Only they are judged, not the day. */
import type { AthleteRecord } from '@wrightonic/contract';
import { judgeDay } from '@wrightonic/core';
import type { LoggedRep } from '@wrightonic/core';
import { notFound } from '../problems';
import type { Context } from '../common/context';
import { accountOf, loadFrom, loadOf } from '../load/load';
import type { Load } from '../load/load';
import type { Received } from './receive';
import { aidsFrom } from '../library/aids';
import type { SessionDbRow } from '../db/tables';

export interface Appended {
  readonly load: Load;
  /** Why each rep is not counted; null where it is. */
  readonly refused: ReadonlyMap<string, string | null>;
}

/** What is there as a batch comes in: its session, and what else there is of that day and of the reps that it brings. */
export interface Here {
  readonly session: SessionDbRow;
  /** Instant of the day's last rep. */
  readonly last: Date | null;
  /** Readings of the day. */
  readonly measured: number;
  /** Marks that speak of these reps. */
  readonly marked: number;
  /** Reps that have their ids. */
  readonly known: number;
  /** Reports of pain and clearances of the athlete, of any day. */
  readonly pains: number;
  readonly clearances: number;
}

/** @param reps ids of the reps of the batch */
export async function hereOf(ctx: Context, athleteId: string, sessionId: string, reps: readonly string[]): Promise<Here> {
  const ofDay = (table: 'reps' | 'readings') =>
    ctx.tenant
      .fromAny(table)
      .where(`${table}.athlete_id`, athleteId)
      .whereRaw('?? = work_sessions.on_date', [`${table}.on_date`]);
  const row = await ctx.tenant
    .fromAny('work_sessions')
    .where({ 'work_sessions.id': sessionId, 'work_sessions.athlete_id': athleteId })
    .select('work_sessions.*')
    .first<(SessionDbRow & Omit<Here, 'session'>) | undefined>(
      ofDay('reps').max('reps.at').as('last'),
      ofDay('readings').count('*').as('measured'),
      ctx.tenant
        .from('rep_marks')
        .whereIn('rep_marks.rep_id', [...reps])
        .count('*')
        .as('marked'),
      ctx.tenant
        .from('reps')
        .whereIn('reps.id', [...reps])
        .count('*')
        .as('known'),
      ctx.tenant.from('pain_reports').where('pain_reports.athlete_id', athleteId).count('*').as('pains'),
      ctx.tenant.from('clearances').where('clearances.athlete_id', athleteId).count('*').as('clearances'),
    );
  if (!row) throw notFound('session');
  const { last, measured, marked, known, pains, clearances, ...session } = row;
  return { session, last, measured, marked, known, pains, clearances };
}

/**
 * Takes in reps at the end of a day.
 * @returns null where that is not what they are: something of the day comes after them, was measured, or speaks of them already
 */
export async function append(
  ctx: Context,
  athleteId: string,
  athlete: AthleteRecord,
  here: Here,
  { reps, readings, marks, pains, notes, spots }: Received,
): Promise<Appended | null> {
  if (reps.length === 0 || readings.length + marks.length + pains.length + notes.length + spots.length > 0) return null;
  if (reps.some((rep) => rep.on_date !== here.session.on_date)) return null;
  const date = here.session.on_date;
  const first = Math.min(...reps.map((rep) => rep.at.getTime()));
  if (here.measured > 0 || here.marked > 0 || (here.last !== null && here.last.getTime() >= first)) return null;
  const kept = await loadOf(ctx, athleteId, { pains: here.pains > 0, clearances: here.clearances > 0 });
  const before = kept.logged.filter((row) => row.date !== date);
  const soFar = kept.logged.find((row) => row.date === date) ?? { throws: 0, highEffort: 0 };
  const day = judgeDay(
    {
      date,
      reps: reps.map((row): LoggedRep => ({
        id: row.id,
        session: row.session_id,
        date: row.on_date,
        at: row.at.toISOString(),
        author: row.author_id,
        alone: row.alone,
        drill: row.drill,
        rung: row.rung,
        focus: row.focus_id,
        judged: row.judged,
        effort: row.said_effort,
        aids: aidsFrom(row.aids),
        receivedOn: row.received_on,
      })),
      readings: [],
      marks: new Map(),
      removed: new Set(),
      sessionDate: () => date,
      soFar,
    },
    accountOf(ctx, athlete, { log: [...before, ...kept.beside], clearances: kept.clearances }),
  );
  await ctx.tenant.insertNew(
    'reps',
    reps.map((row) => {
      const judged = day.reps.get(row.id)!;
      return { ...row, effort: judged.effort, is_throw: judged.isThrow, refused: judged.refused?.slice(0, 300) ?? null };
    }),
  );
  if (day.throws !== soFar.throws || day.highEffort !== soFar.highEffort)
    await ctx.tenant.write(
      'load_days',
      [{ athlete_id: athleteId, on_date: date, throws: day.throws, high_effort: day.highEffort }],
      ['throws', 'high_effort'],
    );
  const logged = [...before, { date, throws: day.throws, highEffort: day.highEffort }];
  return {
    load: loadFrom(logged, kept.beside, kept.clearances),
    refused: new Map([...day.reps].map(([id, rep]) => [id, rep.refused])),
  };
}
