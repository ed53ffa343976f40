/**
 * Every endpoint under random bodies, queries, ids and roles. Nothing of it may be a fault of the server, hang, reach another academy
 * or tell of one. “npm run fuzz” tries sixty bodies an endpoint and another seed each time; the seed is printed with what went wrong.
 */
import { randomFrom } from '@wrightonic/core';
import { ROLES, ROUTES } from '@wrightonic/contract';
import type { Role, Route, RouteName } from '@wrightonic/contract';
import { v4 as uuid } from 'uuid';
import { BODIES } from './bodies';
import { addAthlete, eye, rowsBy, signedIn, startHarness } from './harness';
import type { Client, Harness } from './harness';

const BODIES_EACH = Number(process.env.FUZZ_BODIES ?? 6);
const SEED = Number(process.env.FUZZ_SEED ?? 4_711);
/** An answer that takes longer holds up everybody else. */
const HANGS_MS = 20_000;

let harness: Harness;
let clients: Record<Role, Client>;
let foreign: Client;
let ids: string[];
let own: string;
/** What is only known in the other academy. */
let secrets: string[];

beforeAll(async () => {
  harness = await startHarness();
  const owner = await signedIn(harness);
  foreign = await signedIn(harness);
  own = await addAthlete(owner);
  const other = await addAthlete(owner, { name: 'Other Willowby' });
  const theirs = await addAthlete(foreign, { name: 'Foreign Rowanby' });
  const [group, look, theirLook, session] = [uuid(), uuid(), uuid(), uuid()];
  await owner.put(`/groups/${group}`, { name: 'Evening', athletes: [own] }).expect(200);
  await owner.put(`/athletes/${own}/observations/${look}`, eye('stall', 'yes')).expect(200);
  await owner.put(`/athletes/${own}/sessions/${session}`, { on: '2026-05-04', assignment: null, painBefore: [] }).expect(200);
  await foreign.put(`/athletes/${theirs}/observations/${theirLook}`, eye('stall', 'yes')).expect(200);
  const { academy } = owner;
  clients = {
    owner,
    instructor: await signedIn(harness, { academy, role: 'instructor' }),
    station: await signedIn(harness, { academy, role: 'station', groups: [group] }),
    athlete: await signedIn(harness, { academy, role: 'athlete', athletes: [own] }),
    guardian: await signedIn(harness, { academy, role: 'guardian', athletes: [own] }),
  };
  ids = [own, other, theirs, group, look, theirLook, session, foreign.user, uuid()];
  secrets = ['Rowanby', foreign.user, foreign.signIn, foreign.academy];
});
afterAll(() => harness.close());

/** Ids that may be kept: what is put under an id, or says one, is told again to whoever put it, and a secret is none then. */
const plain = () => ids.filter((id) => !secrets.includes(id));

type Random = ReturnType<typeof randomFrom>;

const deep = (levels: number): unknown => Array.from({ length: levels }).reduce((inside) => [inside], 0 as unknown);

/** Values that nobody means: of every type, too long, too deep, too large, on the edge, and such as other programs choke on. */
const JUNK: readonly ((random: Random) => unknown)[] = [
  () => null,
  () => true,
  () => 0,
  () => -1,
  () => 1e308,
  () => -0.000001,
  () => 2 ** 53 + 2,
  () => '',
  () => ' ',
  () => 'a'.repeat(70_000),
  () => '\ud83d',
  () => '\u0000',
  () => '\u202e right to left',
  () => '%s%n{{7*7}}${7}',
  () => "'; drop table athletes; --",
  () => '../../../../etc/passwd',
  () => '2026-02-30',
  () => '99999-12-31T00:00:00Z',
  () => '2026-05-04T12:00:00+99:00',
  () => [],
  () => ({}),
  () => deep(400),
  () => Array.from({ length: 3000 }, () => null),
  () => ({ toString: 1, constructor: { prototype: {} } }),
  (random) => random.pick(plain()),
  (random) => Math.round(1e6 * random.normal(0, 1)) / 1000,
  () => JSON.parse('{"__proto__":{"admin":true}}') as unknown,
];

/** A place in a value, found by going in step by step: a value that is junk already is too large to list all of them. */
function placeIn(random: Random, value: unknown): readonly (string | number)[] {
  const path: (string | number)[] = [];
  for (let at = value; at !== null && typeof at === 'object';) {
    const keys = Object.keys(at);
    if (keys.length === 0 || random.chance(path.length === 0 ? 0.08 : 0.35)) break;
    const key = random.pick(keys);
    path.push(key);
    at = (at as Record<string, unknown>)[key];
  }
  return path;
}

/** A body with junk in one to three of its places, or without them, or with more of the same. */
function broken(random: Random, body: unknown): unknown {
  let made = JSON.parse(JSON.stringify(body)) as unknown;
  for (let change = 0; change <= Math.floor(3 * random.uniform()); change++) {
    const place = placeIn(random, made);
    const key = place[place.length - 1];
    if (key === undefined) {
      if (random.chance(0.2)) made = random.pick(JUNK)(random);
      continue;
    }
    const parent = place.slice(0, -1).reduce<unknown>((at, k) => (at as Record<string | number, unknown>)[k], made) as Record<
      string | number,
      unknown
    >;
    if (random.chance(0.15)) delete parent[key];
    else if (random.chance(0.18)) parent[`${key}x`] = random.pick(JUNK)(random);
    else if (Array.isArray(parent[key]) && random.chance(0.5))
      parent[key] = Array.from({ length: 600 }, () => (parent[key] as unknown[])[0] ?? random.pick(JUNK)(random));
    else parent[key] = random.pick(JUNK)(random);
  }
  return made;
}

const QUERIES = [
  '',
  '',
  '?from=0',
  '?from=-1',
  '?from=1e9',
  '?after=x',
  '?after=WyJhIiwiYiJd',
  '?search=%00',
  `?search=${'x'.repeat(3000)}`,
  '?sort=constructor',
  '?ages=99-1',
  '?key[]=1&key[]=2',
  '?flag=archived&flag=locked',
  '?__proto__[a]=1',
];
const NO_IDS = ['0', 'null', '..%2f..', '%00', '%E0%A4%A', 'x'.repeat(2000)];

const ENDPOINTS = Object.entries(ROUTES as Record<string, Route>).filter(
  ([, route]) => route.needs !== null && route.bytes !== 'out' && !route.stream,
) as [RouteName, Route][];

const foreignRows = () => rowsBy(harness.db, 'academy_id', foreign.academy);

it.each(ENDPOINTS)(`%s: ${BODIES_EACH} bodies from seed ${SEED}, no fault, no hang, nothing of others`, async (name, route) => {
  const before = await foreignRows();
  const at = ENDPOINTS.findIndex(([n]) => n === name);
  for (let n = 0; n < BODIES_EACH; n++) {
    const random = randomFrom(SEED + 1000 * at + n);
    const anId = () => (random.chance(0.15) ? random.pick(NO_IDS) : random.pick(route.method === 'put' ? plain() : ids));
    const path = route.path
      .replace(':athlete', random.chance(0.6) ? own : anId())
      .replace(':id', random.chance(0.4) ? uuid() : anId());
    const role = random.pick(random.chance(0.6) ? (['owner'] as const) : ROLES);
    const client = clients[role];
    const body = broken(random, BODIES[name]?.(own) ?? {});
    const asked = `${path}${random.pick(QUERIES)}`;
    const began = performance.now();
    const answer = await (
      route.bytes === 'in'
        ? client.putBytes(asked, Buffer.from(JSON.stringify(body) ?? ''))
        : client.sendText(route.method, asked, JSON.stringify(body))
    ).timeout(HANGS_MS);
    const told = { name, n, role, asked: asked.slice(0, 200), body: (JSON.stringify(body) ?? '').slice(0, 400) };
    expect({ ...told, status: answer.status, text: answer.status < 500 ? '' : answer.text }).toEqual({
      ...told,
      status: answer.status < 500 ? answer.status : 'below 500',
      text: '',
    });
    if (answer.status >= 400) expect({ ...told, type: answer.type }).toEqual({ ...told, type: 'application/problem+json' });
    const mirrored = `${asked}${JSON.stringify(body)}`;
    for (const secret of secrets)
      if (!mirrored.includes(secret)) expect({ ...told, tells: answer.text.includes(secret) }).toEqual({ ...told, tells: false });
    expect({ ...told, hangs: performance.now() - began > HANGS_MS }).toEqual({ ...told, hangs: false });
  }
  expect(await foreignRows()).toBe(before);
  expect(harness.faults.splice(0)).toEqual([]);
});
