import { createServer } from 'node:http';
import type { Server } from 'node:http';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { AthleteRecord, Role } from '@wrightonic/contract';
import knex from 'knex';
import type { Knex } from 'knex';
import request from 'supertest';
import { v4 as uuid } from 'uuid';
import { hashPassword } from '../src/auth/passwords';
import { openSession } from '../src/auth/sign-ins';
import { COOKIE, DEVICE_COOKIE } from '../src/http/request';
import { connect, migrate } from '../src/db/connect';
import { createApp } from '../src/http/app';
import { EXAMPLE_ATHLETE, EXAMPLE_SETTINGS } from '../src/http/examples';

export const PASSWORD = 'correct horse';

export interface Harness {
  readonly db: Knex;
  readonly server: Server;
  readonly clock: { now: Date };
  readonly faults: string[];
  readonly clipsFolder: string;
  readonly close: () => Promise<void>;
}

const MIGRATED = 'app_test_migrated';
type Address = Omit<Parameters<typeof connect>[0], 'database'>;

/**
 * A database with the tables of today. The first who comes brings one up to date, step by step; every other is written off from it,
 * which takes a tenth of the time.
 */
async function copyOfTables(admin: Knex, connection: Address, database: string): Promise<Knex> {
  const create = (name: string) => admin.raw(`CREATE DATABASE ${name} CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci`);
  await admin.transaction(async (holder) => {
    await holder.raw(`SELECT GET_LOCK('${MIGRATED}', 60)`);
    const [known] = (await admin.raw(`SHOW DATABASES LIKE '${MIGRATED}'`)) as [object[]];
    if (known.length === 0) {
      await create(MIGRATED);
      const first = connect({ ...connection, database: MIGRATED });
      await migrate(first);
      await first.destroy();
    }
    await holder.raw(`SELECT RELEASE_LOCK('${MIGRATED}')`);
  });
  await create(database);
  const db = connect({ ...connection, database });
  const [tables] = (await admin.raw(`SHOW TABLES IN ${MIGRATED}`)) as [Record<string, string>[]];
  await db.transaction(async (inside) => {
    await inside.raw('SET FOREIGN_KEY_CHECKS = 0');
    for (const table of tables.flatMap((row) => Object.values(row))) {
      const [[made]] = (await inside.raw(`SHOW CREATE TABLE ${MIGRATED}.${table}`)) as [[{ 'Create Table': string }]];
      await inside.raw(made['Create Table']);
      await inside.raw(`INSERT INTO ${table} SELECT * FROM ${MIGRATED}.${table}`);
    }
    await inside.raw('SET FOREIGN_KEY_CHECKS = 1');
  });
  return db;
}

/** A server on a database of its own. The tests are started by a script that has MariaDB running. */
export async function startHarness(): Promise<Harness> {
  const address = process.env.TEST_DATABASE_URL;
  if (!address) throw new Error('TEST_DATABASE_URL is not set: run the tests with “npm test”.');
  const url = new URL(address);
  const database = `app_test_${uuid().slice(0, 8)}`;
  const connection = { host: url.hostname, port: Number(url.port), user: url.username, password: url.password };
  const admin = knex({ client: 'mysql2', connection });
  const db = await copyOfTables(admin, connection, database);
  const clipsFolder = mkdtempSync(join(tmpdir(), 'clips-'));
  const clock = { now: new Date('2026-05-04T15:00:00Z') };
  const faults: string[] = [];
  const server = createServer(
    createApp({ db, clock: () => clock.now, log: (m) => faults.push(m), appFolder: null, clipsFolder }),
  );
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  return {
    db,
    server,
    clock,
    faults,
    clipsFolder,
    close: async () => {
      await new Promise((resolve) => server.close(resolve));
      await db.destroy();
      await admin.raw(`DROP DATABASE ${database}`);
      await admin.destroy();
      rmSync(clipsFolder, { recursive: true, force: true });
    },
  };
}

export interface Client {
  readonly academy: string;
  readonly user: string;
  readonly signIn: string;
  readonly get: (path: string) => request.Test;
  readonly put: (path: string, body?: object) => request.Test;
  readonly post: (path: string, body?: object) => request.Test;
  readonly delete: (path: string, body?: object) => request.Test;
  readonly putBytes: (path: string, bytes: Buffer) => request.Test;
  readonly postBytes: (path: string, bytes: Buffer) => request.Test;
  /** Text that says it is JSON, whatever it is. */
  readonly sendText: (method: 'get' | 'put' | 'post' | 'delete', path: string, text: string) => request.Test;
}

let hashed: Promise<string> | null = null;

interface As {
  readonly academy?: string;
  readonly role?: Role;
  readonly athletes?: readonly string[];
  readonly groups?: readonly string[];
}

export async function addAcademy(db: Knex): Promise<string> {
  const id = uuid();
  await db('academies').insert({ id, name: 'Test Yard', speed_unit: 'mph', time_zone: 'UTC', league: '{}', schools: '{}' });
  return id;
}

/** Signs somebody in: an owner of a new academy, or whoever is asked for. */
export async function signedIn(harness: Harness, as: As = {}): Promise<Client> {
  const { db, server } = harness;
  const academy = as.academy ?? (await addAcademy(db));
  const user = uuid();
  const name = `user-${user}`;
  hashed ??= hashPassword(PASSWORD);
  await db('users').insert({
    id: user,
    academy_id: academy,
    role: as.role ?? 'owner',
    name: 'Test Person',
    sign_in: name,
    password_hash: await hashed,
  });
  for (const athlete of as.athletes ?? [])
    await db('user_athletes').insert({ academy_id: academy, user_id: user, athlete_id: athlete });
  for (const group of as.groups ?? []) await db('user_groups').insert({ academy_id: academy, user_id: user, group_id: group });
  const agent = request.agent(server);
  // The door itself is tried by tests of its own.
  const { token, device } = await openSession(db, user, harness.clock.now);
  for (const cookie of [`${COOKIE}=${token}; Path=/`, `${DEVICE_COOKIE}=${device}; Path=/`])
    agent.jar.setCookie(cookie, '127.0.0.1', '/');
  return {
    academy,
    user,
    signIn: name,
    get: (path) => agent.get(`/api${path}`),
    put: (path, body = {}) => agent.put(`/api${path}`).send(body),
    post: (path, body = {}) => agent.post(`/api${path}`).send(body),
    delete: (path) => agent.delete(`/api${path}`),
    sendText: (method, path, text) => agent[method](`/api${path}`).set('Content-Type', 'application/json').send(text),
    postBytes: (path, bytes) => agent.post(`/api${path}`).set('Content-Type', 'application/octet-stream').send(bytes),
    putBytes: (path, bytes) => agent.put(`/api${path}`).set('Content-Type', 'application/octet-stream').send(bytes),
  };
}

export const ATHLETE = EXAMPLE_ATHLETE;
export const SETTINGS = EXAMPLE_SETTINGS;

export async function addAthlete(client: Client, more: Partial<AthleteRecord> = {}): Promise<string> {
  const id = uuid();
  await client.put(`/athletes/${id}`, { ...ATHLETE, ...more }).expect(200);
  return id;
}

export const eye = (finding: string, answer: string, on = '2026-05-04') => ({ on, evidence: { kind: 'eye', finding, answer } });

export async function makeFocus(client: Client, athlete: string, finding = 'stall', rung = 1): Promise<string> {
  const diagnosis = uuid();
  const focus = uuid();
  await client.put(`/athletes/${athlete}/diagnoses/${diagnosis}`).expect(200);
  await client.put(`/athletes/${athlete}/foci/${focus}`, { finding, rung, diagnosis }).expect(200);
  return focus;
}

export const rep = (more: object = {}) => ({
  type: 'rep',
  id: uuid(),
  at: '2026-05-04T15:01:00.000Z',
  drill: 'strap-held-start',
  rung: 1,
  focus: null,
  judged: 'good',
  effort: 0,
  isThrow: false,
  ...more,
});
export const pitch = (more: object = {}) => rep({ drill: 'measured-bullpen', rung: 6, effort: 75, isThrow: true, ...more });

/** Sends taps of a session. */
export const log = async (client: Client, athlete: string, session: string, entries: object[]) =>
  (await client.post(`/athletes/${athlete}/sessions/${session}/log`, { entries }).expect(200)).body;

export async function startSession(
  client: Client,
  athlete: string,
  on = '2026-05-04',
  painBefore: object[] = [],
): Promise<string> {
  const id = uuid();
  await client.put(`/athletes/${athlete}/sessions/${id}`, { on, assignment: null, painBefore }).expect(200);
  return id;
}

const tables = new WeakMap<Knex, Promise<ReadonlyMap<string, readonly string[]>>>();

/** Tables and their columns. Sign-ins move by themselves: when somebody was last seen is left out. */
function columnsIn(db: Knex): Promise<ReadonlyMap<string, readonly string[]>> {
  const known = tables.get(db);
  if (known) return known;
  const read = (async () => {
    const [rows] = (await db.raw(
      `select table_name as t, group_concat(column_name order by ordinal_position) as columns
       from information_schema.columns where table_schema = database() group by table_name`,
    )) as [{ t: string; columns: string }[]];
    return new Map(rows.map(({ t, columns }) => [t, columns.split(',').filter((c) => c !== 'last_seen_at')]));
  })();
  tables.set(db, read);
  return read;
}

/** Every row of an academy or about an athlete, as text: asked for in one question, however many tables there are. */
export async function rowsBy(
  db: Knex,
  column: 'academy_id' | 'athlete_id',
  value: string,
  without: readonly string[] = [],
): Promise<string> {
  const asked = [...(await columnsIn(db))].filter(([name, columns]) => columns.includes(column) && !without.includes(name));
  const parts = asked.map(
    ([name, columns]) =>
      `select concat('${name} ', json_object(${columns.map((c) => `'${c}', \`${c}\``).join(', ')})) as line
       from \`${name}\` where \`${column}\` = ?`,
  );
  const [rows] = (await db.raw(
    parts.join(' union all '),
    asked.map(() => value),
  )) as [{ line: string }[]];
  return rows
    .map(({ line }) => line)
    .sort()
    .join('\n');
}
