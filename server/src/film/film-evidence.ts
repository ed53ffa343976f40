import { clipMeasureRequest } from '@wrightonic/contract';
import type { ClipMarks, FilmSetup } from '@wrightonic/contract';
import { dayValues, measureThrow } from '@wrightonic/core';
import type { Evidence, IsoDate } from '@wrightonic/core';
import { v5 as uuidv5 } from 'uuid';
import { athleteRecord } from '../athlete/athletes';
import type { Context } from '../common/context';

interface MarkedClip {
  readonly id: string;
  readonly capture_fps: number;
  readonly width: number;
  readonly height: number;
  readonly setup: FilmSetup;
  readonly marks: ClipMarks;
}

const clipsOf = (ctx: Context, athlete: string, on: IsoDate) =>
  ctx.tenant.from('clips').where({ athlete_id: athlete, on_date: on });

/** Takes back what the clips of a day gave as evidence. */
export async function dropFilmEvidence(ctx: Context, athlete: string, on: IsoDate): Promise<void> {
  const given = ctx.tenant
    .from('clip_measures')
    .whereIn('clip_id', clipsOf(ctx, athlete, on).select('id'))
    .select('observation_id');
  await ctx.tenant.from('observations').whereIn('id', given).delete();
}

/**
 * Makes the evidence of a day anew from all its clips: one value of each measure and event, the mean of the throws, with the error of
 * the readings and the spread from throw to throw.
 */
export async function renewFilmEvidence(ctx: Context, athleteId: string, on: IsoDate): Promise<void> {
  const athlete = await athleteRecord(ctx, athleteId);
  await dropFilmEvidence(ctx, athleteId, on);
  const clips = (await clipsOf(ctx, athleteId, on).select(
    'id',
    'capture_fps',
    'width',
    'height',
    'setup',
    'marks',
  )) as MarkedClip[];
  const values = dayValues(
    clips.map(
      ({ capture_fps: captureFps, width, height, setup, marks }) =>
        measureThrow(clipMeasureRequest(athlete, { captureFps, width, height, setup }, marks)).measures,
    ),
  );
  const rows = values.map(({ measure, event, value, unit, sd, of }) => {
    const item: Evidence = { kind: 'measure', measure, event, value, unit, sd };
    return { id: uuidv5(`${measure}:${event}:${on}`, athleteId), item, of };
  });
  await ctx.tenant.insertOnce(
    'observations',
    rows.map(({ id, item }) => ({
      id,
      athlete_id: athleteId,
      on_date: on,
      author: ctx.user.name,
      author_id: ctx.user.id,
      source: 'film',
      evidence: JSON.stringify(item),
    })),
  );
  await ctx.tenant.insertLinks(
    'clip_measures',
    rows.flatMap(({ id, of }) => of.map((index) => ({ clip_id: clips[index]!.id, observation_id: id }))),
  );
}
