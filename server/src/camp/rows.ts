/** A camp as it is kept. */
import type { CampNow, CampState } from '@wrightonic/contract';
import { clockOf, rotationTimes } from '@wrightonic/core';
import type { Assignment, CampChange, IsoDate } from '@wrightonic/core';
import type { Context } from '../common/context';
import { instantIn } from '../common/time';
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

/** The first rotation of a camp that is not over: what comes before is past. After the last day it is beyond all days. */
export function nowOf({ academy: { timeZone }, now, today }: Context, { days }: Pick<CampDbRow, 'days'>): CampNow {
  const at = days.findIndex((day) => day.date >= today);
  const day = days[at];
  if (!day) return { day: days.length, rotation: 0 };
  const over = rotationTimes(day).filter(({ to }) => instantIn(timeZone, day.date, clockOf(to)) <= now);
  return { day: at, rotation: over.length };
}

/** Whether something is of a rotation, or a day, that is not past. */
export const isStill =
  (now: CampNow) =>
  ({ day, rotation }: { readonly day: number; readonly rotation?: number }): boolean =>
    day > now.day || (day === now.day && (rotation ?? now.rotation) >= now.rotation);

/** Throws of an athlete's stations before a rotation, on its day. */
export function plannedBefore(
  { stations }: Pick<CampDbRow, 'stations'>,
  visits: readonly Assignment[],
  { day, rotation }: CampNow,
): (athlete: string) => number {
  const throwsAt = new Map(stations.map((s) => [s.id, s.throwsPerVisit]));
  const past = visits.filter((v) => v.day === day && v.rotation < rotation);
  return (athlete) => past.filter((v) => v.athlete === athlete).reduce((sum, v) => sum + (throwsAt.get(v.station) ?? 0), 0);
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
