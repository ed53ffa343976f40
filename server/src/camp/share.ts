/** Whom the station coaches of a camp log for. */
import type { Context } from '../common/context';
import { campRow } from './rows';

/** Puts the camp's athletes into its group, by which station coaches log for them while it lasts. */
export async function shareWithStations(ctx: Context, id: string): Promise<void> {
  const row = await campRow(ctx, id);
  const group = row.group_id ?? ctx.newId();
  if (row.group_id === null) {
    const taken = await ctx.tenant.from('athlete_groups').where('name', row.name).first('id');
    await ctx.tenant.insertOnce('athlete_groups', { id: group, name: taken ? `${row.name}, camp of ${row.first_on}` : row.name });
    await ctx.tenant.from('camps').where('id', id).update({ group_id: group });
  }
  await ctx.tenant.from('group_members').where('group_id', group).delete();
  const athletes = await ctx.tenant.from('camp_athletes').where('camp_id', id).pluck<string[]>('athlete_id');
  await ctx.tenant.insertLinks(
    'group_members',
    athletes.map((athlete) => ({ group_id: group, athlete_id: athlete })),
  );
}
