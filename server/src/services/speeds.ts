import type { IsoDate, TrendReading } from '@wrightonic/core';
import type { Context } from './context';

interface ReadingRow {
  on_date: IsoDate;
  speed: number;
  unit: TrendReading['unit'];
  effort: number;
  gun: string;
  setting: TrendReading['setting'];
}

/** Most readings that a trend is drawn through; more add nothing to see. */
const MOST = 1500;

/** The athlete's speed readings, oldest first. */
export async function speedsOf(ctx: Context, athlete: string): Promise<TrendReading[]> {
  const rows = (await ctx.tenant
    .from('readings')
    .where({ athlete_id: athlete, undone: false, gone: false })
    .orderBy([
      { column: 'on_date', order: 'desc' },
      { column: 'at', order: 'desc' },
    ])
    .limit(MOST)
    .select('on_date', 'speed', 'unit', 'effort', 'gun', 'setting')) as ReadingRow[];
  return rows.reverse().map((r) => ({
    date: r.on_date,
    speed: r.speed,
    unit: r.unit,
    effort: r.effort,
    gun: r.gun,
    angleDeg: 0,
    setting: r.setting,
  }));
}
