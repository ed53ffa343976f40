import type { ObservationRecord } from '@wrightonic/contract';
import { bodyTestById, SIGNS } from '@wrightonic/core';
import type { Evidence, FindingId, IsoDate } from '@wrightonic/core';
import type { Context } from './context';
import { speedsOf } from './speeds';

interface ObservationRow {
  id: string;
  on_date: IsoDate;
  author: string;
  evidence: Evidence;
}

/** Readings of one day from which speed patterns are read. */
const READINGS_FOR_PATTERN = 5;

/** Everything known about an athlete as evidence, oldest first; the newest day's speeds count by themselves. */
export async function evidenceOf(ctx: Context, athlete: string): Promise<ObservationRecord[]> {
  const rows = (await ctx.tenant
    .from('observations')
    .where('athlete_id', athlete)
    .orderBy(['on_date', 'created_at', 'id'])) as ObservationRow[];
  const observed = rows.map((row) => ({ id: row.id, on: row.on_date, by: row.author, evidence: row.evidence }));
  const speeds = await speedsOf(ctx, athlete);
  const newest = speeds[speeds.length - 1];
  const sameDay = speeds.filter((s) => s.date === newest?.date && s.gun === newest.gun && s.setting === newest.setting);
  if (!newest || sameDay.length < READINGS_FOR_PATTERN) return observed;
  const readings = sameDay.map(({ speed, unit, effort }) => ({ speed, unit, effort }));
  return [
    ...observed,
    { id: `speeds-${newest.date}`, on: newest.date, by: 'speed readings', evidence: { kind: 'velocity', readings } },
  ];
}

/** Findings that somebody has looked at, tested or measured. */
export function lookedAt(evidence: readonly Evidence[]): ReadonlySet<FindingId> {
  const found = new Set<FindingId>();
  for (const item of evidence) {
    if (item.kind === 'eye' && item.answer !== 'unsure') found.add(item.finding);
    if (item.kind === 'transfer') found.add(item.finding);
    if (item.kind === 'measure') for (const sign of SIGNS) if (sign.measure === item.measure) found.add(sign.finding);
    if (item.kind === 'screen') {
      const finding = bodyTestById(item.test).speaksOf[item.side];
      if (finding) found.add(finding);
    }
  }
  return found;
}
