import { INVITES, ROLE_NAMES } from '@wrightonic/contract';
import type { InvitationLink, InvitationRow, NamedId, NewInvitation, People, PersonChange, Role } from '@wrightonic/contract';
import { digest, newSecret } from '../auth/secrets';
import { conflict, notFound, ProblemError, wrongField } from '../problems';
import type { Context } from '../common/context';
import type { InvitationDbRow, UserDbRow } from '../db/tables';

const INVITATION_DAYS = 7;

const PEOPLE_SHOWN = 1000;

export const byOwner = (rows: readonly { owner: string; id: string; name: string }[]): ReadonlyMap<string, NamedId[]> => {
  const found = new Map<string, NamedId[]>();
  for (const { owner, id, name } of rows) found.set(owner, [...(found.get(owner) ?? []), { id, name }]);
  return found;
};

function stateOf(row: InvitationDbRow, now: Date): InvitationRow['state'] {
  if (row.used_at) return 'used';
  if (row.taken_back_at) return 'taken-back';
  return row.expires_at <= now ? 'expired' : 'open';
}

export async function people(ctx: Context): Promise<People> {
  const [users, athletes, groups, invitations] = await Promise.all([
    ctx.tenant.from('users').orderBy('name').limit(PEOPLE_SHOWN),
    ctx.tenant
      .from('user_athletes')
      .join('athletes', 'athletes.id', 'user_athletes.athlete_id')
      .orderBy('athletes.name')
      .select({ owner: 'user_athletes.user_id', id: 'athletes.id', name: 'athletes.name' }),
    ctx.tenant
      .from('user_groups')
      .join('athlete_groups', 'athlete_groups.id', 'user_groups.group_id')
      .orderBy('athlete_groups.name')
      .select({ owner: 'user_groups.user_id', id: 'athlete_groups.id', name: 'athlete_groups.name' }),
    ctx.tenant.from('invitations').orderBy('created_at', 'desc').limit(100),
  ]);
  const athletesOf = byOwner(athletes);
  const groupsOf = byOwner(groups);
  return {
    people: users.map((user) => ({
      id: user.id,
      name: user.name,
      role: user.role,
      signIn: user.sign_in,
      athletes: athletesOf.get(user.id) ?? [],
      groups: groupsOf.get(user.id) ?? [],
      lastSeen: user.last_seen_at?.toISOString() ?? null,
    })),
    invitations: invitations.map((row) => ({
      id: row.id,
      role: row.role,
      name: row.name,
      by: row.invited_by,
      expiresAt: row.expires_at.toISOString(),
      state: stateOf(row, ctx.now),
    })),
  };
}

/** Whether a role goes with these athletes and groups, all of the academy. */
async function requireFitting(ctx: Context, role: Role, athletes: readonly string[], groups: readonly string[]): Promise<void> {
  if (role === 'athlete' && athletes.length !== 1) throw wrongField('athletes', 'must name the one athlete that this person is');
  if (role === 'guardian' && athletes.length === 0) throw wrongField('athletes', 'must name at least one child');
  if (role !== 'athlete' && role !== 'guardian' && athletes.length > 0)
    throw wrongField('athletes', `must be empty: ${ROLE_NAMES[role]}s are not tied to athletes`);
  if (role !== 'station' && groups.length > 0) throw wrongField('groups', 'must be empty: only station coaches have groups');
  if (role === 'station' && groups.length === 0)
    throw wrongField('groups', 'must name at least one group, or nobody would be seen');
  const here = async (table: 'athletes' | 'athlete_groups', ids: readonly string[]) =>
    (await ctx.tenant.fromAny(table).whereIn('id', ids).select('id')).length === ids.length;
  if (!(await here('athletes', athletes))) throw wrongField('athletes', 'names somebody who is not an athlete of this academy');
  if (!(await here('athlete_groups', groups))) throw wrongField('groups', 'names a group that is not one of this academy');
}

function requireMayInvite(ctx: Context, role: Role): void {
  if (!INVITES[ctx.user.role].includes(role))
    throw new ProblemError(403, 'Not allowed', `As ${ROLE_NAMES[ctx.user.role]} you cannot invite or make ${ROLE_NAMES[role]}s.`);
}

const expiryFrom = (now: Date): Date => new Date(now.getTime() + INVITATION_DAYS * 86_400_000);

/** Invites somebody. Sent again, the old link is dead and a new one is given: the secret is not kept. */
export async function putInvitation(ctx: Context, id: string, given: NewInvitation): Promise<InvitationLink> {
  requireMayInvite(ctx, given.role);
  await requireFitting(ctx, given.role, given.athletes, given.groups);
  const known = await ctx.tenant.from('invitations').where('id', id).first();
  if (known && stateOf(known, ctx.now) !== 'open')
    throw conflict('The invitation has ended', 'It was used, taken back or has expired. Write a new one.');
  return writeInvitation(ctx, id, { ...given, user: null });
}

type Inviter = Pick<Context, 'tenant' | 'now'> & { readonly user: { readonly name: string } };

/** The link to a new academy for whoever will own it: the only one that no member writes. */
export const inviteOwner = (inviter: Inviter, id: string, name: string): Promise<InvitationLink> =>
  writeInvitation(inviter, id, { role: 'owner', name, athletes: [], groups: [], user: null });

async function writeInvitation(
  ctx: Inviter,
  id: string,
  given: NewInvitation & { readonly user: string | null },
): Promise<InvitationLink> {
  const token = newSecret();
  const expiresAt = expiryFrom(ctx.now);
  await ctx.tenant.upsert('invitations', {
    id,
    token_hash: digest(token),
    role: given.role,
    name: given.name,
    athletes: JSON.stringify(given.athletes),
    groups: JSON.stringify(given.groups),
    user_id: given.user,
    invited_by: ctx.user.name,
    expires_at: expiresAt,
  });
  return { id, token, expiresAt: expiresAt.toISOString() };
}

export async function dropInvitation(ctx: Context, id: string): Promise<People> {
  const row = await ctx.tenant.from('invitations').where('id', id).first();
  if (!row) throw notFound('invitation');
  if (!row.used_at) await ctx.tenant.from('invitations').where('id', id).update({ taken_back_at: ctx.now });
  return people(ctx);
}

async function personOf(ctx: Context, id: string): Promise<UserDbRow> {
  const row = await ctx.tenant.from('users').where('id', id).first();
  if (!row) throw notFound('person');
  return row;
}

/** A link by which somebody who is locked out or has forgotten sets a new password. */
export async function newPasswordLink(ctx: Context, id: string): Promise<InvitationLink> {
  const person = await personOf(ctx, id);
  return writeInvitation(ctx, ctx.newId(), { role: person.role, name: person.name, athletes: [], groups: [], user: id });
}

export async function changePerson(ctx: Context, id: string, given: PersonChange): Promise<People> {
  const person = await personOf(ctx, id);
  requireMayInvite(ctx, given.role);
  if (id === ctx.user.id && given.role !== person.role)
    throw conflict('That is yourself', 'You cannot change your own role; another owner can.');
  await requireFitting(ctx, given.role, given.athletes, given.groups);
  await ctx.tenant.from('users').where('id', id).update({ role: given.role });
  await ctx.tenant.from('user_athletes').where('user_id', id).delete();
  await ctx.tenant.from('user_groups').where('user_id', id).delete();
  await ctx.tenant.insertLinks(
    'user_athletes',
    given.athletes.map((athlete) => ({ user_id: id, athlete_id: athlete })),
  );
  await ctx.tenant.insertLinks(
    'user_groups',
    given.groups.map((group) => ({ user_id: id, group_id: group })),
  );
  return people(ctx);
}

export async function removePerson(ctx: Context, id: string): Promise<People> {
  await personOf(ctx, id);
  if (id === ctx.user.id) throw conflict('That is yourself', 'You cannot remove yourself; another owner can.');
  await ctx.tenant.from('users').where('id', id).delete();
  return people(ctx);
}

// ---- groups ---------------------------------------------------------------------------------------------------------------
