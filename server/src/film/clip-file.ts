/** The bytes of a clip: part by part, and looked at when they are whole. */
import { clipTypeOf } from '@wrightonic/contract';
import type { ClipRecord, ClipType } from '@wrightonic/contract';
import { createHash } from 'node:crypto';
import { createReadStream } from 'node:fs';
import { mkdir, open, rm, stat } from 'node:fs/promises';
import { join } from 'node:path';
import { conflict, ProblemError, wrongField } from '../problems';
import { requireSight, rowOf, toRecord } from './clip-rows';
import { clip } from './clips';
import type { Context } from '../common/context';
import type { ClipDbRow } from '../db/tables';

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
