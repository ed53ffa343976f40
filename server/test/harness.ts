import { createServer } from 'node:http';
import type { Server } from 'node:http';
import type { AthleteRecord } from '@wrightonic/contract';
import knex from 'knex';
import type { Knex } from 'knex';
import request from 'supertest';
import { v4 as uuid } from 'uuid';
import { hashPassword } from '../src/auth/passwords';
import { connect, migrate } from '../src/db/connect';
import { createApp } from '../src/http/app';

const PASSWORD = 'correct horse';

export interface Harness {
  readonly db: Knex;
  readonly server: Server;
  readonly clock: { now: Date };
  readonly faults: string[];
  readonly close: () => Promise<void>;
}

/** A server on a database of its own. The tests are started by a script that has MariaDB running. */
export async function startHarness(): Promise<Harness> {
  const address = process.env.TEST_DATABASE_URL;
  if (!address) throw new Error('TEST_DATABASE_URL is not set: run the tests with “npm test”.');
  const url = new URL(address);
  const database = `app_test_${uuid().slice(0, 8)}`;
  const connection = { host: url.hostname, port: Number(url.port), user: url.username, password: url.password };
  const admin = knex({ client: 'mysql2', connection });
  await admin.raw(`CREATE DATABASE ${database} CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci`);
  const db = connect({ ...connection, database });
  await migrate(db);
  const clock = { now: new Date('2026-05-04T15:00:00Z') };
  const faults: string[] = [];
  const server = createServer(createApp({ db, clock: () => clock.now, log: (m) => faults.push(m), appFolder: null }));
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  return {
    db,
    server,
    clock,
    faults,
    close: async () => {
      await new Promise((resolve) => server.close(resolve));
      await db.destroy();
      await admin.raw(`DROP DATABASE ${database}`);
      await admin.destroy();
    },
  };
}

export interface Client {
  readonly academy: string;
  readonly get: (path: string) => request.Test;
  readonly put: (path: string, body?: object) => request.Test;
  readonly post: (path: string, body?: object) => request.Test;
  readonly delete: (path: string) => request.Test;
}

let hashed: Promise<string> | null = null;

/** Makes an academy with a signed-in instructor, or signs an athlete in to an academy that is there. */
export async function signedIn(harness: Harness, as: { academy?: string; athlete?: string } = {}): Promise<Client> {
  const { db, server } = harness;
  const academy = as.academy ?? uuid();
  if (!as.academy)
    await db('academies').insert({
      id: academy,
      name: 'Test Yard',
      speed_unit: 'mph',
      time_zone: 'UTC',
      league: '{}',
      schools: '{}',
    });
  const name = `user-${uuid()}`;
  hashed ??= hashPassword(PASSWORD);
  await db('users').insert({
    id: uuid(),
    academy_id: academy,
    athlete_id: as.athlete ?? null,
    role: as.athlete ? 'athlete' : 'instructor',
    name: 'Test Person',
    sign_in: name,
    password_hash: await hashed,
  });
  const agent = request.agent(server);
  await agent.post('/api/sign-in').send({ signIn: name, password: PASSWORD }).expect(200);
  return {
    academy,
    get: (path) => agent.get(`/api${path}`),
    put: (path, body = {}) => agent.put(`/api${path}`).send(body),
    post: (path, body = {}) => agent.post(`/api${path}`).send(body),
    delete: (path) => agent.delete(`/api${path}`),
  };
}

export const ATHLETE: AthleteRecord = {
  name: 'Testa Birchley',
  discipline: 'overhand',
  throws: 'R',
  birthDate: '2010-02-11',
  heightM: 1.78,
  massKg: 70,
  level: 'high-school',
  season: 'off',
  availability: (['mon', 'wed', 'fri'] as const).map((weekday) => ({ weekday, minutes: 60, place: 'cage' })),
  equipment: ['net', 'strap', 'band', 'tape'],
  partner: true,
  schools: {},
};

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
