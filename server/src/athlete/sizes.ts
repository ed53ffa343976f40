/** Height and mass of an athlete over time. */
import type { AthleteSize } from '@wrightonic/core';
import type { Context } from '../common/context';

/** Notes a size where it differs from the newest; of one day the last counts. */
export async function keepSize(ctx: Context, athlete: string, { heightM, massKg }: Omit<AthleteSize, 'on'>): Promise<void> {
  const known = await sizesOf(ctx, athlete);
  const newest = known[known.length - 1];
  if (newest && newest.heightM === heightM && newest.massKg === massKg) return;
  const today = { athlete_id: athlete, on_date: ctx.today };
  await ctx.tenant.from('athlete_sizes').where(today).delete();
  await ctx.tenant.insertOnce('athlete_sizes', { ...today, id: ctx.newId(), height_m: heightM, mass_kg: massKg });
}

/** Sizes, oldest first. */
export async function sizesOf(ctx: Context, athlete: string): Promise<AthleteSize[]> {
  const rows = await ctx.tenant.from('athlete_sizes').where('athlete_id', athlete).orderBy('on_date');
  return rows.map((row) => ({ on: row.on_date, heightM: row.height_m, massKg: row.mass_kg }));
}
