import { createHash } from 'node:crypto';
import { createReadStream } from 'node:fs';
import { mkdir, open, rm, stat } from 'node:fs/promises';
import { join } from 'node:path';
import { clipTypeOf, EMPTY_MARKS } from '@wrightonic/contract';
import type { ClipMarks, ClipRecord, ClipRow, ClipType, FilmSetup, NewClip, SetupMend } from '@wrightonic/contract';
import type { IsoDate } from '@wrightonic/core';
import { conflict, notFound, ProblemError, wrongField } from '../problems';
import { athleteRecord, renewGlance } from './athletes';
import type { Context } from './context';
import { dropFilmEvidence, renewFilmEvidence } from './film-evidence';
import { requireConsent } from './intake';

interface ClipDbRow {
  id: string;
  on_date: IsoDate;
  name: string;
  type: ClipType;
  bytes: number;
  received: number;
  sha256: string;
  capture_fps: number;
  frames: number;
  width: number;
  height: number;
  setup: FilmSetup;
  marks: ClipMarks;
  poster: string | null;
}

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
const toRecord = (row: ClipDbRow): ClipRecord => ({ ...toRow(row), marks: row.marks });

async function rowOf(ctx: Context, athlete: string, id: string, lock = false): Promise<ClipDbRow> {
  const query = ctx.tenant.from('clips').where({ id, athlete_id: athlete }).first();
  const row = (await (lock ? query.forUpdate() : query)) as ClipDbRow | undefined;
  if (!row) throw notFound('clip');
  return row;
}

/** Coaches see clips by the consent to film; athlete and family by their own right. Where it was taken back, it closes to coaches. */
async function requireSight(ctx: Context, athlete: string): Promise<void> {
  if (ctx.reach !== 'own') await requireConsent(ctx, athlete, 'film');
}

export async function clips(ctx: Context, athlete: string): Promise<ClipRow[]> {
  await athleteRecord(ctx, athlete);
  const rows = await rowsOf(ctx, athlete);
  if (rows.length > 0) await requireSight(ctx, athlete);
  return rows;
}

async function rowsOf(ctx: Context, athlete: string): Promise<ClipRow[]> {
  const rows = (await ctx.tenant
    .from('clips')
    .where('athlete_id', athlete)
    .orderBy('on_date', 'desc')
    .orderBy('created_at', 'desc')
    .limit(500)) as ClipDbRow[];
  return rows.map(toRow);
}

export async function clip(ctx: Context, athlete: string, id: string): Promise<ClipRecord> {
  const row = await rowOf(ctx, athlete, id);
  await requireSight(ctx, athlete);
  return toRecord(row);
}

/** Announces a clip. Without consent to film nothing is taken in. Sent again, it is the same clip. */
export async function putClip(ctx: Context, athlete: string, id: string, given: NewClip): Promise<ClipRecord> {
  await athleteRecord(ctx, athlete);
  if (given.on > ctx.today) throw wrongField('on', `is ${given.on}, which is still to come`);
  await requireConsent(ctx, athlete, 'film');
  await ctx.tenant.insertOnce('clips', {
    id,
    athlete_id: athlete,
    on_date: given.on,
    name: given.name,
    type: given.type,
    bytes: given.bytes,
    sha256: given.sha256,
    capture_fps: given.captureFps,
    frames: given.frames,
    width: given.width,
    height: given.height,
    setup: JSON.stringify(given.setup),
    marks: JSON.stringify(EMPTY_MARKS),
    poster: given.poster,
    author: ctx.user.name,
  });
  return clip(ctx, athlete, id);
}

/** Where a clip's bytes lie. The id is a UUID that was checked, so the path cannot leave the folder. */
export const clipPath = (folder: string, id: string): string => join(folder, id);

async function digestOf(path: string): Promise<string> {
  const hash = createHash('sha256');
  for await (const part of createReadStream(path)) hash.update(part as Buffer);
  return hash.digest('hex');
}

const diskFull = (error: unknown): boolean => ['ENOSPC', 'EDQUOT'].includes((error as { code?: string }).code ?? '');

/**
 * Takes a part of a clip's bytes, and answers where it stands. A part that is there already is passed over; one that leaves a gap is
 * refused with the place to go on from; when what had arrived is gone from the disk, it stands at nothing again. The last part is followed by a look at the whole: type by content, and digest. What fails is thrown away whole.
 */
export async function putClipPart(
  ctx: Context,
  folder: string,
  athlete: string,
  id: string,
  from: number,
  bytes: Buffer,
): Promise<ClipRecord> {
  const row = await rowOf(ctx, athlete, id, true);
  if (row.received === row.bytes) return toRecord(row);
  if (from > row.received)
    throw conflict('A part is missing', `Bytes up to ${row.received} have arrived; go on from there, not from ${from}.`);
  const end = from + bytes.length;
  if (end > row.bytes) throw wrongField('from', `leads beyond the end: the clip was announced with ${row.bytes} bytes`);
  const path = clipPath(folder, id);
  try {
    await mkdir(folder, { recursive: true, mode: 0o700 });
    const file = await open(path, 'a+', 0o600);
    try {
      // A server that was killed in the middle may have written more than it noted; what was noted counts.
      const { size } = await file.stat();
      if (size < row.received) {
        await ctx.tenant.from('clips').where('id', id).update({ received: 0 });
        return toRecord({ ...row, received: 0 });
      }
      if (size > row.received) await file.truncate(row.received);
      await file.write(bytes.subarray(row.received - from));
      await file.sync();
    } finally {
      await file.close();
    }
  } catch (error) {
    if (diskFull(error))
      throw new ProblemError(
        507,
        'No room left',
        'The server’s disk is full. What has arrived is kept; free some room and go on.',
      );
    throw error;
  }
  const received = Math.max(row.received, end);
  await ctx.tenant.from('clips').where('id', id).update({ received });
  if (received < row.bytes) return toRecord({ ...row, received });
  return settle(ctx, athlete, row, path);
}

const TYPE_NAMES: Record<ClipType, string> = { 'video/mp4': 'an MP4', 'video/quicktime': 'a MOV', 'video/webm': 'a WebM' };

async function settle(ctx: Context, athlete: string, row: ClipDbRow, path: string): Promise<ClipRecord> {
  const file = await open(path, 'r');
  const head = Buffer.alloc(16);
  await file.read(head, 0, 16, 0);
  await file.close();
  const wrong =
    clipTypeOf(head) !== row.type
      ? `The file is not ${TYPE_NAMES[row.type]} video, whatever its name says. Export the clip as MP4, MOV or WebM.`
      : (await digestOf(path)) !== row.sha256
        ? 'The clip did not arrive as it was sent. Send it again.'
        : null;
  if (wrong === null) return clip(ctx, athlete, row.id);
  await rm(path, { force: true });
  await ctx.tenant.from('clips').where('id', row.id).update({ received: 0 });
  return Promise.reject(new BadClip(wrong));
}

/** The whole file is wrong: the row goes back to nothing received, and the refusal is told after that is kept. */
export class BadClip extends ProblemError {
  constructor(detail: string) {
    super(422, 'The clip is not right', detail, [{ path: 'file', message: detail }]);
    this.name = 'BadClip';
  }
}

/** Path and type of a clip that is there whole. */
export async function clipFile(
  ctx: Context,
  folder: string,
  athlete: string,
  id: string,
): Promise<{ path: string; type: ClipType }> {
  const row = await rowOf(ctx, athlete, id);
  await requireSight(ctx, athlete);
  const path = clipPath(folder, id);
  const size = await stat(path).then(
    (s) => s.size,
    () => -1,
  );
  if (row.received < row.bytes || size !== row.bytes)
    throw conflict(
      'The clip has not arrived yet',
      `${row.received} of ${row.bytes} bytes are here; the upload goes on from the device that has it.`,
    );
  return { path, type: row.type };
}

/** Keeps what was marked on a clip. What its day's clips measure together becomes evidence, in place of what they gave before. */
export async function putMarks(ctx: Context, athleteId: string, id: string, marks: ClipMarks): Promise<ClipRecord> {
  const row = await rowOf(ctx, athleteId, id, true);
  await requireSight(ctx, athleteId);
  const late = Object.entries(marks.events).find(([, e]) => e.frame >= row.frames);
  if (late) throw wrongField(`events.${late[0]}.frame`, `is ${late[1].frame}; the clip has frames 0 to ${row.frames - 1}`);
  if (marks.trim && (marks.trim.to <= marks.trim.from || marks.trim.to >= row.frames))
    throw wrongField('trim', `must be a stretch of frames 0 to ${row.frames - 1}`);
  await ctx.tenant
    .from('clips')
    .where('id', id)
    .update({ marks: JSON.stringify(marks) });
  await renewFilmEvidence(ctx, athleteId, row.on_date);
  await renewGlance(ctx, athleteId);
  return clip(ctx, athleteId, id);
}

/** Puts right from where, or at which rate, a clip was filmed; what was measured by the wrong one goes. */
export async function mendClip(
  ctx: Context,
  athleteId: string,
  id: string,
  { view, captureFps }: SetupMend,
): Promise<ClipRecord> {
  const row = await rowOf(ctx, athleteId, id, true);
  await requireSight(ctx, athleteId);
  await ctx.tenant
    .from('clips')
    .where('id', id)
    .update({
      ...(view ? { setup: JSON.stringify({ ...row.setup, view }) } : {}),
      ...(captureFps ? { capture_fps: captureFps } : {}),
    });
  await renewFilmEvidence(ctx, athleteId, row.on_date);
  await renewGlance(ctx, athleteId);
  return clip(ctx, athleteId, id);
}

/** Removes a clip, its file and what was measured on it. */
export async function dropClip(ctx: Context, folder: string, athleteId: string, id: string): Promise<ClipRow[]> {
  const row = await rowOf(ctx, athleteId, id);
  await dropFilmEvidence(ctx, athleteId, row.on_date);
  await ctx.tenant.from('clips').where('id', id).delete();
  await renewFilmEvidence(ctx, athleteId, row.on_date);
  await renewGlance(ctx, athleteId);
  // The file goes only once its row is gone for good.
  ctx.later(() => rm(clipPath(folder, id), { force: true }));
  return rowsOf(ctx, athleteId);
}
