import { v4 as uuid } from 'uuid';
import { addAthlete, log, rep, signedIn, startHarness, startSession } from './harness';
import type { Client, Harness } from './harness';

let harness: Harness;
let coach: Client;
let athlete: string;
let session: string;
beforeAll(async () => {
  harness = await startHarness();
});
afterAll(() => harness.close());
beforeEach(async () => {
  harness.clock.now = new Date('2026-05-04T15:30:00Z');
  coach = await signedIn(harness);
  athlete = await addAthlete(coach);
  session = await startSession(coach, athlete);
});
afterEach(() => expect(harness.faults).toEqual([]));

const spot = (more: object = {}) => ({
  type: 'spot',
  id: uuid(),
  at: '2026-05-04T15:20:00.000Z',
  target: { x: 10, y: 60 },
  actual: { x: 4, y: 72 },
  zone: [49, 97],
  effort: 90,
  rep: null,
  ...more,
});
const undo = (of: string, more: object = {}) => ({ type: 'undo', id: uuid(), at: '2026-05-04T15:21:00.000Z', rep: of, ...more });
const send = async (client: Client, entries: object[]) =>
  (await log(client, athlete, session, entries)).results as { status: string; reason: string | null }[];
const command = async (client = coach) => (await client.get(`/athletes/${athlete}/progress`).expect(200)).body.command;

it('keeps targets and spots, each once, and tells command from them', async () => {
  expect(await command()).toBeNull();
  const { body: before } = await coach.get(`/athletes/${athlete}`).expect(200);
  const one = spot();
  expect(await send(coach, [one, one, spot({ actual: { x: 60, y: 20 }, pitch: 'change' })])).toMatchObject([
    { status: 'stored' },
    { status: 'stored' },
    { status: 'stored' },
  ]);
  await send(coach, [one]);
  const told = await command();
  expect(told).toMatchObject({ throws: 2, strikes: { value: 0.5 }, byDay: [{ on: '2026-05-04', throws: 2 }] });
  expect(told.byPitch.map((p: { pitch: string }) => p.pitch).sort()).toEqual(['change', 'fastball']);
  // A spot is no throw: it says of one where it went.
  const { body } = await coach.get(`/athletes/${athlete}`).expect(200);
  expect(body.workload.today.throwsLeft).toBe(before.workload.today.throwsLeft);
});

it('takes a spot back with its undo, in whichever order the two come, and with the throw that it was', async () => {
  const [late, early, thrown] = [spot(), spot(), rep()];
  await send(coach, [late]);
  await send(coach, [undo(late.id), undo(early.id)]);
  await send(coach, [early]);
  expect(await command()).toBeNull();
  await send(coach, [thrown, spot({ rep: thrown.id })]);
  expect((await command()).throws).toBe(1);
  await send(coach, [undo(thrown.id)]);
  expect(await command()).toBeNull();
});

it('lets a family take back what it logged, and not what a coach did', async () => {
  const mine = spot();
  await send(coach, [mine]);
  const family = await signedIn(harness, { academy: coach.academy, role: 'guardian', athletes: [athlete] });
  expect(await send(family, [undo(mine.id)])).toMatchObject([
    { status: 'refused', reason: expect.stringContaining('Somebody else') },
  ]);
  expect((await command()).throws).toBe(1);
});

it('refuses what lies nowhere, with where and what to do', async () => {
  for (const [wrong, path] of [
    [{ target: { x: 10 } }, 'target.y'],
    [{ actual: { x: 10_000, y: 0 } }, 'actual.x'],
    [{ zone: [97, 49] }, 'zone'],
    [{ effort: 0 }, 'effort'],
    [{ pitch: 'knuckle' }, 'pitch'],
  ] as const) {
    const { body } = await coach.post(`/athletes/${athlete}/sessions/${session}/log`, { entries: [spot(wrong)] }).expect(422);
    expect(body.errors[0].path).toContain(path);
  }
  expect(await send(coach, [spot({ at: '2026-05-06T10:00:00.000Z' })])).toMatchObject([
    { status: 'refused', reason: expect.stringContaining('still to come') },
  ]);
  expect(await command()).toBeNull();
});

it('names no rep of another athlete, and is nobody else’s', async () => {
  const other = await addAthlete(coach);
  const theirs = await startSession(coach, other);
  const thrown = rep();
  await log(coach, other, theirs, [thrown]);
  expect(await send(coach, [spot({ rep: thrown.id })])).toMatchObject([{ status: 'refused' }]);
  const mine = spot();
  await send(coach, [mine]);
  const { results } = await log(coach, other, theirs, [mine]);
  expect(results[0].status).toBe('refused');
  expect((await coach.get(`/athletes/${other}/progress`).expect(200)).body.command).toBeNull();
  const elsewhere = await signedIn(harness);
  await elsewhere.get(`/athletes/${athlete}/progress`).expect(404);
});

describe('speeds of other throws', () => {
  const reading = (speed: number, at: string, more: object = {}) => ({
    type: 'reading',
    id: uuid(),
    at,
    speed,
    unit: 'mph',
    effort: 95,
    gun: 'gun 1',
    setting: 'mound',
    ...more,
  });
  it('stand for themselves: a change-up is no slow fastball', async () => {
    for (const day of ['2026-05-04', '2026-05-05', '2026-05-07', '2026-05-09']) {
      harness.clock.now = new Date(`${day}T15:30:00Z`);
      session = await startSession(coach, athlete, day);
      const at = (n: number) => `${day}T15:${String(10 + n)}:00.000Z`;
      await send(coach, [
        ...[80, 81, 80.5, 80.2, 80.4].map((v, n) => reading(v, at(n))),
        ...[66, 67, 66.5].map((v, n) => reading(v, at(5 + n), { pitch: 'change' })),
        ...(day === '2026-05-09' ? [reading(60, at(9), { ballG: 220 })] : []),
      ]);
    }
    const { body } = await coach.get(`/athletes/${athlete}/progress`).expect(200);
    expect(body.days.map((d: { summary: { median: number } }) => d.summary.median)).toEqual([80.4, 80.4, 80.4, 80.4]);
    expect(body.trend.series[3].level).toBeGreaterThan(78);
    expect(body.otherSpeeds).toMatchObject([
      { label: 'change', throws: 12, days: 4, last: '2026-05-09', top: 67, median: 66.5, gain: { unit: 'mph' } },
      { label: 'fastball, ball of 220 g', throws: 1, days: 1, gain: null },
    ]);
    // What the judgement reads of speeds is of the usual throw too.
    const { body: judged } = await coach.get(`/athletes/${athlete}/diagnosis`).expect(200);
    const velocity = judged.evidence.find((e: { evidence: { kind: string } }) => e.evidence.kind === 'velocity');
    expect(velocity.evidence.readings.map((r: { speed: number }) => r.speed)).toEqual([80, 81, 80.5, 80.2, 80.4]);
  });
});
