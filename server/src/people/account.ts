import type { InvitationFace, InvitationToken, Joining, Me, PasswordChange } from '@wrightonic/contract';
import type { Knex } from 'knex';
import { hashPassword } from '../auth/passwords';
import { digest } from '../auth/secrets';
import { isUsual } from '../auth/weak';
import { ProblemError, conflict, wrongField } from '../problems';
import type { Context } from '../common/context';
import type { InvitationDbRow } from '../db/tables';

export async function me(ctx: Context): Promise<Me> {
  const { id: _, ...academy } = ctx.academy;
  const athletes =
    ctx.user.athletes.length === 0
      ? []
      : await ctx.tenant.from('athletes').whereIn('id', ctx.user.athletes).orderBy('name').select('id', 'name');
  return {
    id: ctx.user.id,
    name: ctx.user.name,
    role: ctx.user.role,
    signIn: ctx.user.signIn,
    athletes: athletes.map(({ id, name }) => ({ id, name })),
    academy: { ...academy, today: ctx.today },
  };
}

/** Ends every session of the person but the one that asks. */
async function endOthers(ctx: Context): Promise<void> {
  await ctx.tenant.outside('sign_ins').where('user_id', ctx.user.id).whereNot('token_hash', digest(ctx.token)).delete();
}

export async function signOutEverywhere(ctx: Context): Promise<Me> {
  await endOthers(ctx);
  return me(ctx);
}

/** Sets another password. That the present one is known was proved before (`provesPassword`). */
export async function changePassword(ctx: Context, { current, next }: PasswordChange): Promise<Me> {
  refuseWeak('next', next, ctx.user.signIn);
  if (next === current) throw wrongField('next', 'is the password you have; choose another one');
  await ctx.tenant
    .from('users')
    .where('id', ctx.user.id)
    .update({ password_hash: await hashPassword(next) });
  await endOthers(ctx);
  return me(ctx);
}

/** A password that anybody would try first. */
function refuseWeak(path: string, password: string, signIn: string): void {
  const plain = password.toLowerCase();
  if (plain.includes(signIn.toLowerCase())) throw wrongField(path, 'must not hold the sign-in name');
  if (new Set(plain).size < 5) throw wrongField(path, 'has too few different letters');
  if (isUsual(password))
    throw wrongField(path, 'is among the first that anybody tries; take a few words that do not belong together');
}

/** The invitation of a secret. @throws ProblemError 410 once it is used, taken back or too old */
async function invitationOf(db: Knex, token: string, now: Date, lock: boolean): Promise<InvitationDbRow> {
  const query = db('invitations').where('token_hash', digest(token)).first();
  const row = await (lock ? query.forUpdate() : query);
  const gone = (detail: string) => new ProblemError(410, 'This link no longer works', `${detail} Ask for a new one.`);
  if (!row || row.taken_back_at) throw gone('The invitation was taken back, or never was.');
  if (row.used_at) throw gone('The invitation has been used; each works once.');
  if (row.expires_at <= now) throw gone('The invitation has expired.');
  return row;
}

/** What an invitation is for. Whoever has the link is not yet anybody, so no academy is behind these queries. */
export async function lookAtInvitation(db: Knex, { token }: InvitationToken, now: Date): Promise<InvitationFace> {
  const row = await invitationOf(db, token, now, false);
  const academy = await db('academies').where('id', row.academy_id).first('name');
  const athletes = await db('athletes')
    .where('academy_id', row.academy_id)
    .whereIn('id', row.athletes)
    .orderBy('name')
    .select('name');
  const user = row.user_id
    ? await db('users').where({ id: row.user_id, academy_id: row.academy_id }).first('sign_in')
    : undefined;
  return {
    academy: academy?.name ?? '',
    role: row.role,
    name: row.name,
    athletes: athletes.map((a) => a.name),
    expiresAt: row.expires_at.toISOString(),
    forSignIn: user?.sign_in ?? null,
  };
}

/** Takes an invitation up: once, whoever comes first. @returns the person's id */
export async function join(db: Knex, given: Joining, now: Date, newId: () => string): Promise<string> {
  const passwordHash = await hashPassword(given.password);
  return db.transaction(async (trx) => {
    const row = await invitationOf(trx, given.token, now, true);
    const take = () => trx('invitations').where('id', row.id).update({ used_at: now });
    if (row.user_id) {
      const user = await trx('users').where({ id: row.user_id, academy_id: row.academy_id }).first();
      if (user?.sign_in !== given.signIn) throw wrongField('signIn', 'is not the account that this link is for');
      refuseWeak('password', given.password, given.signIn);
      await trx('users').where('id', row.user_id).update({ password_hash: passwordHash });
      await trx('sign_ins').where('user_id', row.user_id).delete();
      await take();
      return row.user_id;
    }
    refuseWeak('password', given.password, given.signIn);
    if (await trx('users').where('sign_in', given.signIn).first())
      throw new ProblemError(409, 'That sign-in name is taken', 'Somebody has this sign-in name. Choose another one.', [
        { path: 'signIn', message: 'is taken; choose another one' },
      ]);
    const id = newId();
    await trx('users').insert({
      id,
      academy_id: row.academy_id,
      role: row.role,
      name: given.name,
      sign_in: given.signIn,
      password_hash: passwordHash,
    });
    // Athletes and groups may have gone since the invitation was written.
    const still = (table: string, ids: readonly string[]): Promise<string[]> =>
      trx(table)
        .where('academy_id', row.academy_id)
        .whereIn('id', [...ids])
        .pluck('id');
    const athletes = await still('athletes', row.athletes);
    if (row.athletes.length > 0 && athletes.length === 0)
      throw conflict('The athlete is gone', 'The athlete of this invitation is no longer in the academy.');
    for (const athlete of athletes)
      await trx('user_athletes').insert({ academy_id: row.academy_id, user_id: id, athlete_id: athlete });
    for (const group of await still('athlete_groups', row.groups))
      await trx('user_groups').insert({ academy_id: row.academy_id, user_id: id, group_id: group });
    await trx('audit_entries').insert({
      id: newId(),
      academy_id: row.academy_id,
      athlete_id: athletes.length === 1 ? athletes[0] : null,
      user_id: id,
      who: given.name,
      role: row.role,
      did: 'joined by invitation',
      at: now,
    });
    await take();
    return id;
  });
}
