import knex from 'knex';
import type { Knex } from 'knex';
import { asText } from '../boundary';
import type { Config } from '../config';
import { MIGRATIONS } from './migrations';
import type { Migration } from './migrations';

/** What the driver's connection is asked here. */
interface Connection {
  query(sql: string, done: (error: Error | null) => void): void;
}

/**
 * A pool of connections. Days come back as text, instants as UTC dates.
 * @param isolation where many write about different athletes at once and nobody reads the same twice: fewer wait for each other
 */
export function connect(database: Config['database'], isolation?: 'read committed'): Knex {
  return knex({
    client: 'mysql2',
    connection: {
      ...database,
      timezone: 'Z',
      dateStrings: asText(['DATE']),
      supportBigNumbers: true,
      decimalNumbers: true,
    },
    pool: {
      min: 0,
      max: 10,
      ...(isolation
        ? {
            afterCreate: (connection: Connection, done: (error: Error | null, connection: Connection) => void) =>
              connection.query(`set session transaction isolation level ${isolation}`, (error) => done(error, connection)),
          }
        : {}),
    },
  });
}

/** Migrations are part of the program, so that a bundle needs no folder beside it. */
const source: Knex.MigrationSource<Migration> = {
  getMigrations: () => Promise.resolve([...MIGRATIONS]),
  getMigrationName: (migration) => migration.name,
  getMigration: (migration) => Promise.resolve(migration),
};

/** Of the database, not of the whole database server: others may stand on it. */
const LOCK = "concat('bring up to date: ', left(database(), 40))";
/** How long one copy of the server waits for another that brings the tables up to date, seconds. */
const WAIT_S = 120;

/**
 * Brings the tables up to date. Of several that start at once one does it and the others wait. The lock hangs on a connection, so
 * that one that was killed half-way holds up nobody.
 * @throws Error when another one has not come to its end in two minutes
 */
export async function migrate(db: Knex): Promise<void> {
  // A transaction for its connection alone: the steps run on others.
  await db.transaction(async (holder) => {
    const [rows] = (await holder.raw(`select get_lock(${LOCK}, ${WAIT_S}) as got`)) as [{ got: number | null }[]];
    if (rows[0]?.got !== 1)
      throw new Error('Another copy of the server is still bringing the database up to date. Start this one again later.');
    try {
      // Whoever noted that it is at work and is not the one with the lock has died.
      await db.migrate.forceFreeMigrationsLock({ migrationSource: source });
      await db.migrate.latest({ migrationSource: source }).catch((error: Error) => {
        if (!/corrupt/.test(error.message)) throw error;
        throw new Error(
          'The database is of a newer version than this program. Bring the program up to date, or restore a backup.',
        );
      });
    } finally {
      await holder.raw(`select release_lock(${LOCK})`);
    }
  });
}

/** Takes the newest step back, for a program one version older. */
export const stepBack = (db: Knex): Promise<unknown> => db.migrate.down({ migrationSource: source });

/** Whether the tables are of this version. */
export async function isMigrated(db: Knex): Promise<boolean> {
  const [done, pending] = (await db.migrate.list({ migrationSource: source })) as [{ name: string }[], unknown[]];
  return pending.length === 0 && done.length === MIGRATIONS.length;
}

export const rollBackAll = (db: Knex): Promise<unknown> => db.migrate.rollback({ migrationSource: source }, true);
