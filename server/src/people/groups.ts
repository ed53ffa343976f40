/** The groups of the academy. */
import type { GroupRecord, GroupRow } from '@wrightonic/contract';
import { wrongField } from '../problems';
import type { Context } from '../common/context';
import { byOwner } from './people';

/** The groups that the person may see, with their athletes. */
export async function groups(ctx: Context): Promise<GroupRow[]> {
  const query = ctx.tenant.from('athlete_groups').orderBy('name');
  if (ctx.reach === 'groups') void query.whereIn('id', ctx.user.groups);
  const rows = await query.select('id', 'name');
  const members = await ctx.tenant
    .from('group_members')
    .join('athletes', 'athletes.id', 'group_members.athlete_id')
    .where('athletes.archived', false)
    .whereIn(
      'group_members.group_id',
      rows.map((r) => r.id),
    )
    .orderBy('athletes.name')
    .select({ owner: 'group_members.group_id', id: 'athletes.id', name: 'athletes.name' });
  const athletesOf = byOwner(members);
  return rows.map(({ id, name }) => ({ id, name, athletes: athletesOf.get(id) ?? [] }));
}

export async function putGroup(ctx: Context, id: string, given: GroupRecord): Promise<GroupRow[]> {
  const same = await ctx.tenant.from('athlete_groups').where('name', given.name).whereNot('id', id).first('id');
  if (same) throw wrongField('name', `“${given.name}” is a group already`);
  const here = await ctx.tenant.from('athletes').whereIn('id', given.athletes).select('id');
  if (here.length !== given.athletes.length) throw wrongField('athletes', 'names somebody who is not an athlete of this academy');
  await ctx.tenant.upsert('athlete_groups', { id, name: given.name });
  await ctx.tenant.from('group_members').where('group_id', id).delete();
  await ctx.tenant.insertLinks(
    'group_members',
    given.athletes.map((athlete) => ({ group_id: id, athlete_id: athlete })),
  );
  return groups(ctx);
}

export async function dropGroup(ctx: Context, id: string): Promise<GroupRow[]> {
  await ctx.tenant.from('athlete_groups').where('id', id).delete();
  return groups(ctx);
}

// ---- who did what ---------------------------------------------------------------------------------------------------------
