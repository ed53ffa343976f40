import knex from 'knex';
import type { Knex } from 'knex';
import type { Config } from '../config';
import { MIGRATIONS } from './migrations';
import type { Migration } from './migrations';

/** A pool of connections. Days come back as text, instants as UTC dates. */
export function connect(database: Config['database']): Knex {
  return knex({
    client: 'mysql2',
    connection: {
      ...database,
      timezone: 'Z',
      dateStrings: ['DATE'] as unknown as boolean /* the driver takes a list of types, Knex’s types do not know it */,
      supportBigNumbers: true,
      decimalNumbers: true,
    },
    pool: { min: 0, max: 10 },
  });
}

/** Migrations are part of the program, so that a bundle needs no folder beside it. */
const source: Knex.MigrationSource<Migration> = {
  getMigrations: () => Promise.resolve([...MIGRATIONS]),
  getMigrationName: (migration) => migration.name,
  getMigration: (migration) => Promise.resolve(migration),
};

export const migrate = (db: Knex): Promise<unknown> => db.migrate.latest({ migrationSource: source });
export const rollBackAll = (db: Knex): Promise<unknown> => db.migrate.rollback({ migrationSource: source }, true);
