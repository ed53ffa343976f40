import { drillById, drillsAt, STANDARD_LIBRARY, treatsDirectly } from '@wrightonic/core';
import { v4 as uuid } from 'uuid';
import { measuredStride } from './clip';
import { addAthlete, eye, log, makeFocus, rep, signedIn, startHarness, startSession } from './harness';
import type { Client, Harness } from './harness';

let harness: Harness;
let coach: Client;
beforeAll(async () => {
  harness = await startHarness();
});
afterAll(() => harness.close());
beforeEach(async () => {
  harness.clock.now = new Date('2026-04-20T15:30:00Z');
  coach = await signedIn(harness);
});
afterEach(() => expect(harness.faults).toEqual([]));

const [DRILL, OTHER] = drillsAt(STANDARD_LIBRARY.ladder('short-stride', 'overhand'), 1) as [string, string];
const DAY = 86_400_000;
const dayOf = (n: number) => new Date(Date.parse('2026-03-02') + n * DAY).toISOString().slice(0, 10);

/** Rows of work and measures, as the log and the film leave them: a focus on a stride that grows by so much a day of work. */
async function worked(
  drill: string,
  perDay: number,
  days = 20,
  more: { undone?: boolean; client?: Client } = {},
): Promise<string> {
  const client = more.client ?? coach;
  const athlete = await addAthlete(client, { birthDate: '2005-01-10' });
  await client.put(`/athletes/${athlete}/consents/${uuid()}`, { kind: 'film', given: true, by: 'Testa Birchley' }).expect(200);
  await client.put(`/athletes/${athlete}/observations/${uuid()}`, eye('short-stride', 'yes', '2026-03-02')).expect(200);
  const focus = await makeFocus(client, athlete, 'short-stride', 1);
  const academy_id = client.academy;
  await harness
    .db('foci')
    .where('id', focus)
    .update({ started_on: dayOf(0) });
  const session = uuid();
  await harness.db('work_sessions').insert({ id: session, academy_id, athlete_id: athlete, on_date: dayOf(0) });
  const reps = Array.from({ length: days }, (_, n) => 1 + 2 * n).flatMap((n) =>
    Array.from({ length: 6 }, (_, i) => ({
      id: uuid(),
      academy_id,
      athlete_id: athlete,
      session_id: session,
      focus_id: focus,
      on_date: dayOf(n),
      at: new Date(Date.parse(dayOf(n)) + 16 * 3_600_000 + i * 60_000),
      drill,
      rung: 1 as const,
      judged: 'good' as const,
      effort: 60,
      is_throw: false,
      undone: more.undone ?? false,
    })),
  );
  await harness.db('reps').insert(reps);
  for (const n of [0, 10, 20, 30, 40]) {
    const value = 64 + perDay * Math.min(days, Math.floor(n / 2));
    await measuredStride(harness, client, athlete, dayOf(n), { value, sd: 1, effort: 95 });
  }
  return athlete;
}

interface Told {
  on: string;
  effects: { finding: string; athletes: number; drills: { drill: string; move: number; low: number; athletes: number }[] }[];
}
const effects = async (client: Client = coach) => (await client.get('/library/effects').expect(200)).body as Told;

it('treats what the test says it treats', () => {
  for (const drill of [DRILL, OTHER]) expect(treatsDirectly(drillById(drill), 'short-stride')).toBe(true);
});

it('tells what drills did from the log and the film, and gives it to the planner with how much it rests on', async () => {
  const mine: string[] = [];
  for (let n = 0; n < 4; n++) mine.push(await worked(DRILL, 0.9), await worked(OTHER, 0));
  const { on, effects: told } = await effects();
  expect(on).toBe('2026-04-20');
  expect(told.map((e) => [e.finding, e.athletes])).toEqual([['short-stride', 8]]);
  const of = (drill: string) => told[0]!.drills.find((d) => d.drill === drill)!;
  expect(of(DRILL).athletes).toBe(4);
  expect(of(DRILL).low).toBeGreaterThan(0);
  expect(of(DRILL).move).toBeGreaterThan(of(OTHER).move + 2);
  // What is told names nobody.
  expect(JSON.stringify(told)).not.toMatch(new RegExp(mine.join('|')));

  const plan = uuid();
  await coach.put(`/athletes/${mine[0]}/plans/${plan}`, { weeks: 2, games: [], pinned: [] }).expect(200);
  const kept = await harness.db('plans').where('id', plan).first('request');
  expect(kept!.request.library!.helped).toContainEqual(
    expect.objectContaining({ finding: 'short-stride', drill: DRILL, athletes: 4, better: expect.any(Number) }),
  );

  // Another academy knows nothing of it.
  const elsewhere = await signedIn(harness);
  expect(elsewhere.academy).not.toBe(coach.academy);
  expect((await effects(elsewhere)).effects).toEqual([]);
});

it('counts no rep that was taken back, and says nothing of two athletes', async () => {
  for (let n = 0; n < 4; n++) await worked(DRILL, 0.9, 20, { undone: true });
  await worked(DRILL, 0.9);
  await worked(DRILL, 0.9);
  expect((await effects()).effects).toEqual([]);
});

it('is worked out once a day, by eight at once too, and anew the next day', async () => {
  for (let n = 0; n < 3; n++) await worked(DRILL, 0.9);
  const [one, ...others] = await Promise.all(Array.from({ length: 8 }, () => effects()));
  for (const other of others) expect(other).toEqual(one);
  const rows = () => harness.db('drill_effects').where('academy_id', coach.academy);
  expect(await rows()).toHaveLength(1);
  await worked(DRILL, 0.9);
  expect((await effects()).effects[0]!.athletes).toBe(3);
  harness.clock.now = new Date('2026-04-21T15:30:00Z');
  expect((await effects()).effects[0]!.athletes).toBe(4);
  expect(await rows()).toHaveLength(1);
});

it('is worked out by a new plan, and by no tap of a session', async () => {
  const mine: string[] = [];
  for (let n = 0; n < 3; n++) mine.push(await worked(DRILL, 0.9));
  const days = async () => (await harness.db('drill_effects').where('academy_id', coach.academy)).map((row) => row.on_date);
  const plan = uuid();
  expect(await days()).toEqual([]);
  await coach.put(`/athletes/${mine[0]}/plans/${plan}`, { weeks: 2, games: [], pinned: [] }).expect(200);
  expect(await days()).toEqual(['2026-04-20']);
  await coach.post(`/athletes/${mine[0]}/plans/${plan}/assign`).expect(200);
  harness.clock.now = new Date('2026-04-21T15:30:00Z');
  const session = await startSession(coach, mine[0]!, '2026-04-21');
  await log(coach, mine[0]!, session, [rep({ at: '2026-04-21T15:01:00.000Z' })]);
  await coach.post(`/athletes/${mine[0]}/sessions/${session}/finish`).expect(200);
  expect(await days()).toEqual(['2026-04-20']);
  // A plan that is made anew meanwhile rests on what came out last.
  const [newest] = await harness.db('plans').where('athlete_id', mine[0]!).orderBy('created_at', 'desc').limit(1);
  expect(newest!.request.library!.helped).toContainEqual(expect.objectContaining({ drill: DRILL, athletes: 3 }));
});

it('is the coaches’ alone', async () => {
  await coach.get('/library/effects').expect(200);
  for (const role of ['athlete', 'guardian', 'station'] as const) {
    const other = await signedIn(harness, { academy: coach.academy, role });
    await other.get('/library/effects').expect(403);
  }
});
