/** The work of days: what the assigned plan holds, and what was handed out by hand beside it, as one. */
import type { AssignmentRecord } from '@wrightonic/contract';
import { joined } from '@wrightonic/core';
import type { IsoDate, PlanSession } from '@wrightonic/core';
import type { Context } from '../common/context';
import { sessionFor } from '../common/told';
import type { AssignmentDbRow } from '../db/tables';

/** A row of a day, with the words that came with it. */
export type DayRow = AssignmentDbRow & { readonly note: string | null };

/** Rows of days, the plan's before what was handed out beside it. */
export const dayRows = (ctx: Context) =>
  ctx.tenant
    .fromAny('assignments')
    .leftJoin('hand_outs', 'hand_outs.id', 'assignments.hand_out_id')
    .orderByRaw('assignments.on_date, assignments.plan_id is null, hand_outs.created_at, assignments.id')
    .select<DayRow[]>('assignments.*', 'hand_outs.note');

/** Rows of one athlete and one day as one. @param rows at least one */
export function toDay(ctx: Context, rows: readonly DayRow[]): AssignmentRecord {
  const [first, ...more] = rows.map((row) => row.session) as [PlanSession, ...PlanSession[]];
  return {
    id: rows[0]!.id,
    on: rows[0]!.on_date,
    session: sessionFor(ctx, joined([first, ...more])),
    done: rows.every((row) => Boolean(row.done)),
    notes: rows.flatMap((row) => row.note ?? []),
  };
}

/** Rows by day, in the order in which they came. */
export function byDay<Row extends { readonly on_date: IsoDate }>(rows: readonly Row[]): Row[][] {
  const days = new Map<IsoDate, Row[]>();
  for (const row of rows) days.set(row.on_date, [...(days.get(row.on_date) ?? []), row]);
  return [...days.values()];
}

/** Today's work, if any, and the next day's. */
export async function comingOf(
  ctx: Context,
  athlete: string,
): Promise<{ readonly today: AssignmentRecord | null; readonly next: AssignmentRecord | null }> {
  const days = ctx.tenant
    .fromAny('assignments')
    .where('athlete_id', athlete)
    .where('on_date', '>=', ctx.today)
    .distinct('on_date')
    .orderBy('on_date')
    .limit(2)
    .as('days');
  const rows = await dayRows(ctx)
    .where('assignments.athlete_id', athlete)
    // Joined, because MariaDB takes no limit inside of “in”.
    .join(days, 'days.on_date', 'assignments.on_date');
  const coming = byDay(rows).map((day) => toDay(ctx, day));
  return { today: coming.find((d) => d.on === ctx.today) ?? null, next: coming.find((d) => d.on > ctx.today) ?? null };
}

/** The whole day that a session was begun under. */
export async function dayOf(ctx: Context, athlete: string, assignment: string): Promise<AssignmentRecord | null> {
  const rows = await dayRows(ctx)
    .where('assignments.athlete_id', athlete)
    .whereIn('assignments.on_date', ctx.tenant.fromAny('assignments').where('id', assignment).select('on_date'));
  return rows.length === 0 ? null : toDay(ctx, rows);
}

/** What was assigned for days is done once the session of it has ended, with what was handed out beside it. */
export async function markDone(ctx: Context, athlete: string, assignments: readonly string[]): Promise<void> {
  if (assignments.length === 0) return;
  const days = await ctx.tenant
    .from('assignments')
    .where('athlete_id', athlete)
    .whereIn('id', [...assignments])
    .pluck('on_date');
  await ctx.tenant.from('assignments').where('athlete_id', athlete).whereIn('on_date', days).update({ done: true });
}
