import { EMPTY_MARKS } from '@wrightonic/contract';
import type { ClipMarks, ClipRecord, ClipRow, NewClip, SetupMend } from '@wrightonic/contract';
import { rm } from 'node:fs/promises';
import { wrongField } from '../problems';
import { athleteRecord } from '../athlete/athletes';
import { renewGlance } from '../judgement/glance';
import { clipPath } from './clip-file';
import { requireSight, rowOf, rowsOf, toRecord } from './clip-rows';
import type { Context } from '../common/context';
import { dropFilmEvidence, renewFilmEvidence } from './film-evidence';
import { requireConsent } from '../athlete/consents';

export async function clips(ctx: Context, athlete: string): Promise<ClipRow[]> {
  await athleteRecord(ctx, athlete);
  const rows = await rowsOf(ctx, athlete);
  if (rows.length > 0) await requireSight(ctx, athlete);
  return rows;
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
