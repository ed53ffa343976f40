import { clipMeasureRequest } from '@wrightonic/contract';
import type { ClipMarks, FilmSetup } from '@wrightonic/contract';
import { combineThrows, measureThrow } from '@wrightonic/core';
import type { Evidence, IsoDate, MeasuredValue } from '@wrightonic/core';
import { v5 as uuidv5 } from 'uuid';
import { athleteRecord } from './athletes';
import type { Context } from './context';

interface MarkedClip {
  readonly id: string;
  readonly capture_fps: number;
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

/** What one measure at one event came to in the clips of a day. */
interface Found {
  readonly first: MeasuredValue;
  readonly throws: { clip: string; value: number; sd: number; shared?: number }[];
}

/**
 * Makes the evidence of a day anew from all its clips: one value of each measure and event, the mean of the throws, with the error of
 * the readings and the spread from throw to throw.
 */
export async function renewFilmEvidence(ctx: Context, athleteId: string, on: IsoDate): Promise<void> {
  const athlete = await athleteRecord(ctx, athleteId);
  await dropFilmEvidence(ctx, athleteId, on);
  const clips = (await clipsOf(ctx, athleteId, on).select('id', 'capture_fps', 'setup', 'marks')) as MarkedClip[];
  const found = new Map<string, Found>();
  for (const { id, capture_fps: captureFps, setup, marks } of clips)
    for (const m of measureThrow(clipMeasureRequest(athlete, { captureFps, setup }, marks)).measures) {
      if (!m.valid || m.value === null || m.sd === null) continue;
      const key = `${m.measure}:${m.event}`;
      const known = found.get(key) ?? { first: m, throws: [] };
      known.throws.push({ clip: id, value: m.value, sd: m.sd, ...(m.shared === undefined ? {} : { shared: m.shared }) });
      found.set(key, known);
    }
  const rows = [...found].map(([key, { first, throws }]) => {
    const { value, sd } = combineThrows(first.measure, throws);
    const item: Evidence = { kind: 'measure', measure: first.measure, event: first.event, value, unit: first.unit, sd };
    return { id: uuidv5(`${key}:${on}`, athleteId), item, throws };
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
    rows.flatMap(({ id, throws }) => throws.map(({ clip }) => ({ clip_id: clip, observation_id: id }))),
  );
}
