import { fromMph, toMph, usualSpeeds } from '@wrightonic/core';
import type { Discipline, ThrownKind, TrendReading } from '@wrightonic/core';
import type { Context } from '../common/context';
import { gunErrorsOf } from './guns';
import type { GunError } from './guns';

/** Most readings that a trend is drawn through; more add nothing to see. */
const MOST = 1500;

/** How much a gun shows too much, in the unit of a reading. */
const offsetIn = (unit: TrendReading['unit'], error: GunError | undefined): number =>
  error === undefined ? 0 : error.unit === unit ? error.offset : fromMph(toMph({ speed: error.offset, unit: error.unit }), unit);

/** A speed, and what was thrown. */
export type ReadSpeed = TrendReading & ThrownKind;

/** The speeds of the athlete's usual throw, oldest first. */
export const speedsOf = async (ctx: Context, athlete: string, discipline: Discipline): Promise<readonly TrendReading[]> =>
  usualSpeeds(await allSpeedsOf(ctx, athlete), discipline);

/** Speeds of whatever was thrown, oldest first. */
export async function allSpeedsOf(ctx: Context, athlete: string): Promise<ReadSpeed[]> {
  const rows = await ctx.tenant
    .from('readings')
    .where({ athlete_id: athlete, undone: false, gone: false })
    .orderBy([
      { column: 'on_date', order: 'desc' },
      { column: 'at', order: 'desc' },
    ])
    .limit(MOST)
    .select('on_date', 'speed', 'unit', 'effort', 'gun', 'setting', 'pitch', 'ball_g', 'distance_m');
  const errors = await gunErrorsOf(ctx);
  return rows.reverse().map((r) => ({
    date: r.on_date,
    speed: r.speed - offsetIn(r.unit, errors.get(r.gun)),
    unit: r.unit,
    effort: r.effort,
    gun: r.gun,
    angleDeg: errors.get(r.gun)?.angleDeg ?? 0,
    setting: r.setting,
    pitch: r.pitch,
    ballG: r.ball_g,
    distanceM: r.distance_m,
  }));
}
