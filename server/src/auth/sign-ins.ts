import { createHash, randomBytes } from 'node:crypto';
import type { Role } from '@wrightonic/contract';
import type { Knex } from 'knex';
import { passwordMatches } from './passwords';

export interface User {
  readonly id: string;
  readonly academyId: string;
  readonly athleteId: string | null;
  readonly role: Role;
  readonly name: string;
}

export const SESSION_DAYS = 30;
const digest = (token: string): string => createHash('sha256').update(token).digest('hex');

interface UserRow {
  id: string;
  academy_id: string;
  athlete_id: string | null;
  role: Role;
  name: string;
  password_hash: string;
}
const toUser = (row: UserRow): User => ({
  id: row.id,
  academyId: row.academy_id,
  athleteId: row.athlete_id,
  role: row.role,
  name: row.name,
});

/** @returns a token for the cookie, or null when name and password do not go together */
export async function signIn(db: Knex, name: string, password: string, now: Date): Promise<{ token: string; user: User } | null> {
  const row = await db<UserRow>('users')
    .where('sign_in' as never, name.toLowerCase())
    .first();
  if (!(await passwordMatches(row?.password_hash ?? null, password)) || !row) return null;
  const token = randomBytes(32).toString('base64url');
  await db('sign_ins').where('expires_at', '<', now).delete();
  await db('sign_ins').insert({
    token_hash: digest(token),
    user_id: row.id,
    expires_at: new Date(now.getTime() + SESSION_DAYS * 86_400_000),
  });
  return { token, user: toUser(row) };
}

export async function userOf(db: Knex, token: string | undefined, now: Date): Promise<User | null> {
  if (!token) return null;
  const row = (await db('sign_ins')
    .join('users', 'users.id', 'sign_ins.user_id')
    .where('token_hash', digest(token))
    .where('expires_at', '>', now)
    .first('users.*')) as UserRow | undefined;
  return row ? toUser(row) : null;
}

export const signOut = (db: Knex, token: string): Promise<number> => db('sign_ins').where('token_hash', digest(token)).delete();
