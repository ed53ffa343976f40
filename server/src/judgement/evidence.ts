import type { ObservationRecord } from '@wrightonic/contract';
import type { TrendReading } from '@wrightonic/core';
import type { Context } from '../common/context';

/** An observation with the person whose look it was. */
export type Observed = Omit<ObservationRecord, 'own'> & { readonly authorId: string | null };

/** Readings of one day from which speed patterns are read. */
const READINGS_FOR_PATTERN = 5;

/** Everything known about an athlete as evidence, oldest first; the newest day's speeds count by themselves. @param coming the athlete’s speeds, oldest first, as they are being read */
export async function evidenceOf(ctx: Context, athlete: string, coming: Promise<readonly TrendReading[]>): Promise<Observed[]> {
  const rows = await ctx.tenant
    .from('observations')
    .where('athlete_id', athlete)
    .whereNull('set_aside')
    .orderBy(['on_date', 'created_at', 'id']);
  const filmed = rows.some((row) => row.source === 'film') ? await clipsBehind(ctx, athlete) : new Map<string, string[]>();
  const observed = rows.map((row): Observed => ({
    id: row.id,
    on: row.on_date,
    by: row.author,
    source: row.source,
    clips: filmed.get(row.id) ?? [],
    evidence: row.evidence,
    authorId: row.author_id,
  }));
  const speeds = await coming;
  const newest = speeds[speeds.length - 1];
  const sameDay = speeds.filter((s) => s.date === newest?.date && s.gun === newest.gun && s.setting === newest.setting);
  if (!newest || sameDay.length < READINGS_FOR_PATTERN) return observed;
  const readings = sameDay.map(({ speed, unit, effort }) => ({ speed, unit, effort }));
  return [
    ...observed,
    {
      id: `speeds-${newest.date}`,
      on: newest.date,
      by: 'speed readings',
      source: 'speeds',
      clips: [],
      evidence: { kind: 'velocity', readings },
      authorId: null,
    },
  ];
}

/** Clips from which each observation was measured. */
async function clipsBehind(ctx: Context, athlete: string): Promise<Map<string, string[]>> {
  const links = await ctx.tenant
    .from('clip_measures')
    .join('clips', 'clips.id', 'clip_measures.clip_id')
    .where('clips.athlete_id', athlete)
    .select<{ clip_id: string; observation_id: string }[]>('clip_measures.clip_id', 'clip_measures.observation_id');
  const found = new Map<string, string[]>();
  for (const { clip_id: clip, observation_id: observation } of links)
    found.set(observation, [...(found.get(observation) ?? []), clip]);
  return found;
}
