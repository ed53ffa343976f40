import type { Knex } from 'knex';
import type { UserDbRow } from '../db/tables';

/** A sign-in name in its one form: widths made one, nothing that is not seen, small letters. */
export const plainName = (name: string): string =>
  name
    .normalize('NFKC')
    .replace(/[\p{Cf}\p{Cc}\p{Zs}]/gu, '')
    .toLowerCase();

/** The user of a sign-in name, letter for letter: the table's own comparison takes é for e. Undefined where there is none. */
export const userCalled = (db: Knex, name: string): Promise<UserDbRow | undefined> =>
  db('users')
    .where('sign_in', plainName(name))
    .whereRaw('binary sign_in = ?', [plainName(name)])
    .first();
