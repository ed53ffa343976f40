/** Rows of clips, for whoever may see them. */
import type { ClipRecord, ClipRow } from '@wrightonic/contract';
import { notFound } from '../problems';
import type { Context } from '../common/context';
import { requireConsent } from '../athlete/consents';
import type { ClipDbRow } from '../db/tables';

const toRow = (row: ClipDbRow): ClipRow => ({
  id: row.id,
  on: row.on_date,
  name: row.name,
  type: row.type,
  bytes: row.bytes,
  received: row.received,
  captureFps: row.capture_fps,
  frames: row.frames,
  width: row.width,
  height: row.height,
  setup: row.setup,
  poster: row.poster,
  marked: row.marks.frames.length > 0 || Object.keys(row.marks.events).length > 0,
});

export const toRecord = (row: ClipDbRow): ClipRecord => ({ ...toRow(row), marks: row.marks });

export async function rowOf(ctx: Context, athlete: string, id: string, lock = false): Promise<ClipDbRow> {
  const query = ctx.tenant.from('clips').where({ id, athlete_id: athlete }).first();
  const row = await (lock ? query.forUpdate() : query);
  if (!row) throw notFound('clip');
  return row;
}

/** Coaches see clips by the consent to film; athlete and family by their own right. Where it was taken back, it closes to coaches. */
export async function requireSight(ctx: Context, athlete: string): Promise<void> {
  if (ctx.reach !== 'own') await requireConsent(ctx, athlete, 'film');
}

export async function rowsOf(ctx: Context, athlete: string): Promise<ClipRow[]> {
  const rows = await ctx.tenant
    .from('clips')
    .where('athlete_id', athlete)
    .orderBy('on_date', 'desc')
    .orderBy('created_at', 'desc')
    .limit(500);
  return rows.map(toRow);
}
