/** What follows from a day's entries, worked out and kept beside them: what is allowed, and the load of the day. */
import type { AthleteRecord } from '@wrightonic/contract';
import { judgeDays, loadOfDay, marksBy } from '@wrightonic/core';
import type { IsoDate, JudgedReading, JudgedRep, LoadRow } from '@wrightonic/core';
import type { Context } from '../common/context';
import { accountOf, loadFrom, loadOf } from '../load/load';
import type { Load } from '../load/load';
import { marksOf, readingsFrom, repsFrom, toMark, toReading, toRep } from './rows';
import type { ReadingDbRow, RepDbRow, SessionDbRow } from '../db/tables';

const CHUNK = 800;

/** Runs a query for ids in handy portions. */
async function inPortions<T>(ids: readonly string[], ask: (portion: string[]) => Promise<T[]>): Promise<T[]> {
  const found: T[] = [];
  for (let from = 0; from < ids.length; from += CHUNK) found.push(...(await ask(ids.slice(from, from + CHUNK))));
  return found;
}

type Columns = Record<string, string | number | boolean | null>;

const repColumns = (j: JudgedRep): Columns => ({
  effort: j.effort,
  is_throw: j.isThrow,
  gone: j.gone,
  undone: j.undone,
  cheat: j.cheat,
  refused: j.refused?.slice(0, 300) ?? null,
});
const readingColumns = (j: JudgedReading): Columns => ({
  gone: j.gone,
  undone: j.undone,
  refused: j.refused?.slice(0, 300) ?? null,
});

const same = (kept: object, now: Columns): boolean =>
  Object.entries(now).every(([key, value]) => {
    const was = (kept as Columns)[key] ?? null;
    return typeof value === 'boolean' ? Boolean(was) === value : was === value;
  });

interface Change {
  readonly id: string;
  readonly to: Columns;
}

/** Writes what has changed, rows that change alike together. */
async function update(ctx: Context, table: 'reps' | 'readings', changes: readonly Change[]): Promise<void> {
  const alike = new Map<string, { ids: string[]; to: Columns }>();
  for (const { id, to } of changes) {
    const key = JSON.stringify(to);
    const known = alike.get(key);
    if (known) known.ids.push(id);
    else alike.set(key, { ids: [id], to });
  }
  for (const { ids, to } of alike.values()) await ctx.tenant.from(table).whereIn('id', ids).update(to);
}

export interface Judged {
  /** The load as it now is. */
  readonly load: Load;
  /** Entries of the days that were judged. */
  readonly reps: readonly RepDbRow[];
  readonly readings: readonly ReadingDbRow[];
}

type SessionDay = Pick<SessionDbRow, 'id' | 'on_date'>;

/** The day of each session that entries belong to. @param known sessions that have been read already */
async function sessionDates(
  ctx: Context,
  rows: readonly { session_id: string }[],
  known: readonly SessionDay[],
): Promise<Map<string, IsoDate>> {
  const dates = new Map(known.map((s) => [s.id, s.on_date]));
  const missing = [...new Set(rows.map((row) => row.session_id))].filter((id) => !dates.has(id));
  const sessions = await inPortions(
    missing,
    async (portion) => await ctx.tenant.from('work_sessions').whereIn('id', portion).select('id', 'on_date'),
  );
  for (const session of sessions) dates.set(session.id, session.on_date);
  return dates;
}

/** Keeps what each judged day comes to. */
async function writeLoad(ctx: Context, athlete: string, kept: readonly LoadRow[], days: readonly LoadRow[]): Promise<void> {
  const before = new Map(kept.map((row) => [row.date, row]));
  const changed = days.filter((day) => {
    const was = before.get(day.date);
    return was ? was.throws !== day.throws || was.highEffort !== day.highEffort : day.throws > 0;
  });
  await ctx.tenant.write(
    'load_days',
    changed.map((day) => ({ athlete_id: athlete, on_date: day.date, throws: day.throws, high_effort: day.highEffort })),
    ['throws', 'high_effort'],
  );
}

/**
 * Judges the days from a day on anew, in their order, and writes what has changed. To be called in the transaction that changed
 * entries, pain, clearances or outings, with the athlete held.
 * @param known sessions that the caller has read already
 */
export async function rejudge(
  ctx: Context,
  athleteId: string,
  athlete: AthleteRecord,
  from: IsoDate,
  known: readonly SessionDay[] = [],
): Promise<Judged> {
  const kept = await loadOf(ctx, athleteId);
  const reps = await repsFrom(ctx, athleteId, from);
  const readings = await readingsFrom(ctx, athleteId, from);
  const all = [...reps, ...readings];
  const marks = marksBy(
    (
      await inPortions(
        all.map((row) => row.id),
        (portion) => marksOf(ctx, athleteId, portion),
      )
    ).map(toMark),
  );
  const dates = await sessionDates(ctx, all, known);
  const removed = new Set(all.filter((row) => row.removed).map((row) => row.id));
  const before = kept.logged.filter((row) => row.date < from);
  const judged = judgeDays(
    {
      reps: reps.map(toRep),
      readings: readings.map(toReading),
      marks,
      removed,
      sessionDate: (id) => dates.get(id),
    },
    accountOf(ctx, athlete, { log: [...before, ...kept.beside], clearances: kept.clearances }),
  );
  const repChanges: Change[] = [];
  const readingChanges: Change[] = [];
  const newReps = reps.map((row) => renewed(row, repColumns(judged.get(row.on_date)!.reps.get(row.id)!), repChanges));
  const newReadings = readings.map((row) =>
    renewed(row, readingColumns(judged.get(row.on_date)!.readings.get(row.id)!), readingChanges),
  );
  await update(ctx, 'reps', repChanges);
  await update(ctx, 'readings', readingChanges);
  const days = [...judged.values()].map(loadOfDay);
  await writeLoad(
    ctx,
    athleteId,
    kept.logged.filter((row) => row.date >= from),
    days,
  );
  return { load: loadFrom([...before, ...days], kept.beside, kept.clearances), reps: newReps, readings: newReadings };
}

/** A row as it is now; noted among the changes where it was otherwise. */
function renewed<T extends { readonly id: string }>(row: T, to: Columns, changes: Change[]): T {
  if (same(row, to)) return row;
  changes.push({ id: row.id, to });
  return { ...row, ...to };
}
