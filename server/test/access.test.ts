import { reachOf, RIGHTS, ROLES, ROUTES } from '@wrightonic/contract';
import type { Role, Route, RouteName } from '@wrightonic/contract';
import { v4 as uuid } from 'uuid';
import request from 'supertest';
import { AUDIT } from '../src/http/audit';
import type { HandledRoute } from '../src/http/handlers';
import { BODIES, QUERIES } from './bodies';
import { addAthlete, rowsBy, signedIn, startHarness } from './harness';
import type { Client, Harness } from './harness';

/**
 * Every endpoint as every role: on one's own athlete, on another of the academy, and on one of a foreign academy. What is
 * expected comes from the table of rights alone.
 */
let harness: Harness;
let clients: Record<Role, Client>;
let foreignOwner: Client;
/** Reached by all: the athlete, the guardian's child, member of the station's group. */
let own: string;
/** Of the same academy, reached by nobody but the coaches. */
let other: string;
let foreign: string;
let foreignIds: Record<string, string>;
/** Everything that the foreign academy has: nothing below may change it. */
let theirs: string;

beforeAll(async () => {
  harness = await startHarness();
  const owner = await signedIn(harness);
  foreignOwner = await signedIn(harness);
  [own, other] = [await addAthlete(owner), await addAthlete(owner, { name: 'Other Willowby' })];
  foreign = await addAthlete(foreignOwner, { name: 'Foreign Rowanby' });
  const group = uuid();
  await owner.put(`/groups/${group}`, { name: 'Evening', athletes: [own] }).expect(200);
  const { academy } = owner;
  clients = {
    owner,
    instructor: await signedIn(harness, { academy, role: 'instructor' }),
    station: await signedIn(harness, { academy, role: 'station', groups: [group] }),
    athlete: await signedIn(harness, { academy, role: 'athlete', athletes: [own] }),
    guardian: await signedIn(harness, { academy, role: 'guardian', athletes: [own] }),
  };
  const ids = { people: uuid(), groups: uuid(), invitations: uuid(), imports: uuid(), channels: uuid() };
  await foreignOwner.put(`/groups/${ids.groups}`, { name: 'Theirs', athletes: [foreign] }).expect(200);
  await foreignOwner
    .put(`/invitations/${ids.invitations}`, { role: 'guardian', name: 'Their guardian', athletes: [foreign], groups: [] })
    .expect(200);
  await foreignOwner.put(`/imports/${ids.imports}`, BODIES.putImport!(own)).expect(200);
  await foreignOwner.put(`/channels/${ids.channels}`).expect(200);
  foreignIds = { ...ids, people: (await signedIn(harness, { academy: foreignOwner.academy, role: 'instructor' })).user };
  theirs = await everythingOf(foreignOwner.academy);
});
afterAll(() => harness.close());
afterEach(() => expect(harness.faults).toEqual([]));

const HANDLED = (Object.entries(ROUTES) as [RouteName, Route][]).filter(([, route]) => route.needs !== null);
const EVERY = ROLES.flatMap((role) => HANDLED.map(([name, route]) => [role, name, route] as const));

const call = (client: Client, name: RouteName, route: Route, athlete: string, id: string = uuid()) =>
  client[route.method](
    `${route.path.replace(':athlete', athlete).replace(':id', id)}${QUERIES[name] ?? ''}`,
    BODIES[name]?.(own) ?? {},
  );

/** Everything that an academy has, as text. */
const everythingOf = (academy: string) => rowsBy(harness.db, 'academy_id', academy);

describe.each(ROLES)('as %s', (role) => {
  it.each(HANDLED)('%s reaches what the table of rights says', async (name, route) => {
    const reach = reachOf(route.needs!, role);
    const client = clients[role];
    const forAthlete = route.path.includes(':athlete');
    const before = reach === null || forAthlete ? await everythingOf(client.academy) : '';

    if (reach === null) {
      for (const athlete of forAthlete ? [own, other, foreign] : ['']) {
        const { status, body } = await call(client, name, route, athlete);
        expect([status, body.title]).toEqual([403, 'Not allowed']);
      }
      expect(await everythingOf(client.academy)).toBe(before);
    } else if (forAthlete) {
      const outside = await call(client, name, route, foreign);
      // An id that is taken elsewhere is refused as taken; everything else is not found.
      expect(outside.status).toBe(name === 'putAthlete' ? 409 : 404);
      if (reach !== 'academy') expect((await call(client, name, route, other)).status).toBe(404);
      expect(await everythingOf(client.academy)).toBe(before);
      const { status, body } = (await call(client, name, route, own)) as { status: number; body: { detail: string } };
      // Let through: done, or refused for another reason than who asks.
      expect(status === 403 ? body.detail : '').not.toContain('is for');
      expect(status === 404 ? body.detail : '').not.toContain('such athlete');
      expect(status).toBeLessThan(500);
      expect(status).not.toBe(401);
    } else {
      const id = foreignIds[route.path.split('/')[1]!];
      if (route.path.includes(':id') && id)
        expect([404, 409, 422, 200]).toContain((await call(client, name, route, '', id)).status);
      else expect((await call(client, name, route, '')).status).not.toBe(401);
    }
    expect(await everythingOf(foreignOwner.academy)).toBe(theirs);
  });
});

it('asks everybody for a sign-in first', async () => {
  for (const [name, route] of HANDLED) {
    const path = `/api${route.path.replace(':athlete', own).replace(':id', uuid())}`;
    const asked = request(harness.server)[route.method](path);
    const { status } = await asked.send(BODIES[name]?.(own) ?? {});
    expect([name, status]).toEqual([name, 401]);
  }
});

it('tries every right with every role', () => {
  expect(new Set(EVERY.map(([, , route]) => route.needs))).toEqual(
    new Set(Object.keys(RIGHTS).filter((right) => right !== 'seeDrills')),
  );
});

it('answers lists with no more than the reach holds', async () => {
  const rosterOf = async (role: Role) =>
    ((await clients[role].get('/athletes').expect(200)).body.rows as { id: string }[]).map((r) => r.id);
  expect(await rosterOf('owner')).toEqual(expect.arrayContaining([own, other]));
  expect(await rosterOf('owner')).not.toContain(foreign);
  expect(await rosterOf('station')).toEqual([own]);
  const groups = (await clients.station.get('/groups').expect(200)).body as { name: string }[];
  expect(groups.map((g) => g.name)).toEqual(['Evening']);
  const audit = JSON.stringify((await clients.instructor.get('/audit').expect(200)).body);
  expect(audit).not.toContain('Rowanby');
  expect(JSON.stringify((await clients.owner.get('/people').expect(200)).body)).not.toContain('Their guardian');
  // What a station coach gets to run a session holds nothing of history, contacts or the judgement.
  const work = (await clients.station.get(`/athletes/${own}/work`).expect(200)).body as object;
  expect(Object.keys(work).sort()).toEqual([
    'age',
    'athlete',
    'clearance',
    'flags',
    'foci',
    'id',
    'lastThrow',
    'next',
    'speeds',
    'today',
    'workload',
  ]);
});

it('has a line for the record of every endpoint that changes something', () => {
  const writes = HANDLED.filter(([, route]) => route.method !== 'get').map(([name]) => name);
  expect(writes.filter((name) => AUDIT[name as HandledRoute] === undefined)).toEqual([]);
});
