import { ROUTES } from '@wrightonic/contract';
import type { Route, RouteName } from '@wrightonic/contract';
import { v4 as uuid } from 'uuid';
import { BODIES, QUERIES } from './bodies';
import { addAthlete, eye, rep, rowsBy, signedIn, startHarness } from './harness';
import type { Client, Harness } from './harness';

/** Ids of one athlete under the address of another of the same academy, by people who may do it for both or for one. */
let harness: Harness;
let owner: Client;
let guardian: Client;
let own: string;
let other: string;
/** What the other athlete has, by the word of the address. */
const theirs: Record<string, string> = {};

beforeAll(async () => {
  harness = await startHarness();
  owner = await signedIn(harness);
  [own, other] = [await addAthlete(owner), await addAthlete(owner, { name: 'Other Willowby' })];
  guardian = await signedIn(harness, { academy: owner.academy, role: 'guardian', athletes: [own] });
  const at = (word: string) => `/athletes/${other}/${word}/${(theirs[word] ??= uuid())}`;
  await owner.put(at('consents'), { kind: 'film', given: true, by: 'A Guardian' }).expect(200);
  await owner.put(at('observations'), eye('stall', 'yes')).expect(200);
  await owner.put(at('rulings'), BODIES.putRuling!(other)).expect(200);
  await owner.put(at('diagnoses')).expect(200);
  await owner.put(at('foci'), BODIES.putFocus!(other)).expect(200);
  await owner.put(at('plans'), BODIES.putPlan!(other)).expect(200);
  await owner.put(at('sessions'), BODIES.putSession!(other)).expect(200);
  const logged = rep();
  theirs.load = (logged as { id: string }).id;
  await owner.post(`${at('sessions')}/log`, { entries: [logged] }).expect(200);
  await owner.put(at('outings'), BODIES.putOuting!(other)).expect(200);
  await owner.put(at('clearances'), BODIES.putClearance!(other)).expect(200);
  await owner.put(at('links'), BODIES.putLink!(other)).expect(200);
  await owner.put(at('clips'), BODIES.putClip!(other)).expect(200);
  await owner.put(at('body-checks'), BODIES.putBodyCheck!(other)).expect(200);
  const inCheck = { check: theirs['body-checks'] };
  await owner.put(at('body-readings'), { ...BODIES.putBodyReading!(other), ...inCheck }).expect(200);
  await owner.put(at('body-notes'), { ...BODIES.putBodyNote!(other), ...inCheck }).expect(200);
});
afterAll(() => harness.close());
afterEach(() => expect(harness.faults).toEqual([]));

/** Every row about the other athlete; what is computed from them may be computed at any time. */
const rowsOfOther = () => rowsBy(harness.db, 'athlete_id', other, ['standing_answers']);

const MIXED = (Object.entries(ROUTES) as [RouteName, Route][]).filter(
  ([, route]) => route.path.startsWith('/athletes/:athlete/') && route.path.includes(':id') && !route.stream,
);

it('has an id of everything that hangs on an athlete', () => {
  expect(MIXED.map(([name, route]) => [name, theirs[route.path.split('/')[3]!] !== undefined])).toEqual(
    MIXED.map(([name]) => [name, true]),
  );
});

it.each(MIXED)('%s with the id of another athlete changes nothing of theirs and shows nothing', async (name, route) => {
  const before = await rowsOfOther();
  const word = route.path.split('/')[3]!;
  const path = `${route.path.replace(':athlete', own).replace(':id', theirs[word]!)}${QUERIES[name] ?? ''}`;
  for (const client of [owner, guardian]) {
    const body = BODIES[name]?.(own) ?? {};
    const answer = await (route.bytes === 'in' ? client.putBytes(path, Buffer.alloc(10)) : client[route.method](path, body));
    // Taking back what is not there is done already; everything else is refused.
    if (route.method === 'delete') expect([200, 403, 404, 409]).toContain(answer.status);
    else expect([403, 404, 409, 422]).toContain(answer.status);
    expect(answer.text ?? '').not.toContain('Willowby');
  }
  expect(await rowsOfOther()).toBe(before);
});
