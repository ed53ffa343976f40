/** A camp as it is kept. */
import type { CampState } from '@wrightonic/contract';
import type { Assignment, CampChange, IsoDate } from '@wrightonic/core';
import type { Context } from '../common/context';
import type { CampDbRow } from '../db/tables';
import { conflict, notFound } from '../problems';

/** What is kept of a camp beside its own row. */
export interface CampRows {
  readonly row: CampDbRow;
  readonly visits: readonly Assignment[];
  readonly changes: readonly CampChange[];
}

/** Narrows a query to camps that the person may see: a station coach those that are published and at which they have a station. */
export const mine = (ctx: Context) => {
  const query = ctx.tenant.from('camps');
  if (ctx.reach === 'groups')
    void query.whereNotNull('published_at').whereRaw('json_contains(stations, json_object(?, ?))', ['coach', ctx.user.id]);
  return query;
};

/** @param hold until the end of the transaction: of two who change a camp one waits @throws ProblemError 404 where there is none */
export async function campRow(ctx: Context, id: string, hold = false): Promise<CampDbRow> {
  const query = mine(ctx).where('id', id);
  const row = await (hold ? query.forUpdate() : query).first();
  if (!row) throw notFound('camp');
  return row;
}

export async function campRows(ctx: Context, id: string, hold = false): Promise<CampRows> {
  const row = await campRow(ctx, id, hold);
  const [visits, changes] = await Promise.all([
    ctx.tenant.from('camp_visits').where('camp_id', id).orderBy(['day', 'rotation', 'athlete_id']),
    ctx.tenant.from('camp_changes').where('camp_id', id).orderBy(['day', 'from_rotation', 'at', 'id']),
  ]);
  return {
    row,
    visits: visits.map(({ athlete_id: athlete, day, rotation, station }) => ({ athlete, day, rotation, station })),
    changes: changes.map(({ day, from_rotation: fromRotation, type, athlete_id: athlete, station }) => ({
      day,
      fromRotation,
      type,
      id: athlete ?? station ?? '',
    })),
  };
}

/** @throws ProblemError 409 where somebody else has changed it in between */
export function requireRevision({ revision, name }: CampDbRow, given: number): void {
  if (given !== revision)
    throw conflict(
      'The camp was changed',
      `Somebody else has changed “${name}” since you opened it. Look at it as it is now, and do it again.`,
    );
}

export function stateOf(row: CampDbRow, scheduled: boolean, today: IsoDate): CampState {
  if (row.last_on < today) return 'over';
  if (row.published_at !== null) return 'published';
  return scheduled ? 'scheduled' : 'draft';
}

/** Writes who is where, in place of what was. */
export async function keepVisits(ctx: Context, camp: string, visits: readonly Assignment[]): Promise<void> {
  await ctx.tenant.from('camp_visits').where('camp_id', camp).delete();
  await ctx.tenant.insertLinks(
    'camp_visits',
    visits.map(({ athlete, day, rotation, station }) => ({ camp_id: camp, athlete_id: athlete, day, rotation, station })),
  );
}
