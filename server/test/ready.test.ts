/** What is said before a session and noted during it. */
import { v4 as uuid } from 'uuid';
import { addAthlete, pitch, rep, signedIn, startHarness } from './harness';
import type { Client, Harness } from './harness';

let harness: Harness;
let coach: Client;
let guardian: Client;
let athlete: string;
const TODAY = '2026-05-04';
beforeAll(async () => {
  harness = await startHarness();
  coach = await signedIn(harness);
  athlete = await addAthlete(coach);
  guardian = await signedIn(harness, { academy: coach.academy, role: 'guardian', athletes: [athlete] });
});
afterAll(() => harness.close());
afterEach(() => expect(harness.faults).toEqual([]));

const SORE = { soreness: 5, sleepH: 7.5, warm: false };
const start = (id: string, readiness?: object, client = coach) =>
  client.put(`/athletes/${athlete}/sessions/${id}`, {
    on: TODAY,
    assignment: null,
    painBefore: [],
    ...(readiness && { readiness }),
  });
const send = (id: string, entries: object[], client = coach) =>
  client.post(`/athletes/${athlete}/sessions/${id}/log`, { entries }).expect(200);

describe('readiness', () => {
  it('is kept with the session, and the newest word stands', async () => {
    const id = uuid();
    expect((await start(id, SORE).expect(200)).body.readiness).toEqual(SORE);
    expect((await start(id, { ...SORE, warm: true }).expect(200)).body.readiness).toEqual({ ...SORE, warm: true });
    // Started again without a word, nothing is forgotten.
    expect((await start(id).expect(200)).body.readiness).toEqual({ ...SORE, warm: true });
    expect((await start(uuid()).expect(200)).body.readiness).toBeNull();
  });

  it.each([
    ['soreness', { ...SORE, soreness: 11 }],
    ['soreness', { ...SORE, soreness: 2.5 }],
    ['sleepH', { ...SORE, sleepH: -1 }],
    ['warm', { soreness: 1, sleepH: null }],
  ])('with a wrong %s is refused, and nothing is half saved', async (path, readiness) => {
    const id = uuid();
    const { body } = await start(id, readiness).expect(422);
    expect(JSON.stringify(body.errors)).toContain(path);
    await coach.get(`/athletes/${athlete}/sessions/${id}`).expect(404);
  });

  it('goes with the day of the last throw, which today’s throws do not change', async () => {
    const other = await addAthlete(coach);
    const lastThrow = async () => (await coach.get(`/athletes/${other}/work`).expect(200)).body.lastThrow as string | null;
    expect(await lastThrow()).toBeNull();
    await coach
      .put(`/athletes/${other}/outings/${uuid()}`, { on: '2026-04-20', pitches: 0, throws: 30, highEffort: 0, innings: 0 })
      .expect(200);
    expect(await lastThrow()).toBe('2026-04-20');
    const id = uuid();
    await coach.put(`/athletes/${other}/sessions/${id}`, { on: TODAY, assignment: null, painBefore: [] }).expect(200);
    await coach.post(`/athletes/${other}/sessions/${id}/log`, { entries: [pitch({ at: '2026-05-04T14:00:00Z' })] }).expect(200);
    expect(await lastThrow()).toBe('2026-04-20');
  });
});

describe('notes', () => {
  const note = (text: string, id = uuid()) => ({ type: 'note', id, at: '2026-05-04T14:30:00Z', text });
  const lines = async (client: Client) =>
    ((await client.get(`/athletes/${athlete}`).expect(200)).body.timeline as { kind: string; text: string }[])
      .filter((line) => line.kind === 'note')
      .map((line) => line.text);

  it('are there once however often they come, beside reps, for coaches and not for the family', async () => {
    const id = uuid();
    await start(id).expect(200);
    const said = note('Better with the cone');
    await send(id, [said, rep({ at: '2026-05-04T14:20:00Z' }), said]);
    await send(id, [said]);
    expect(await lines(coach)).toEqual(['Noted: Better with the cone']);
    expect(await lines(guardian)).toEqual([]);
    const exported = async (client: Client) => JSON.stringify((await client.get(`/athletes/${athlete}/export`).expect(200)).body);
    expect(await exported(coach)).toContain('Better with the cone');
    expect(await exported(guardian)).not.toContain('Better with the cone');
  });

  it('of another session’s id, and without a word, are refused', async () => {
    const [one, two] = [uuid(), uuid()];
    await start(one).expect(200);
    await start(two).expect(200);
    const said = note('Mine');
    await send(one, [said]);
    const { results } = (await send(two, [{ ...said, text: 'Taken over' }])).body as { results: { status: string }[] };
    expect(results.map((r) => r.status)).toEqual(['refused']);
    await coach.post(`/athletes/${athlete}/sessions/${one}/log`, { entries: [note('')] }).expect(422);
    expect(await lines(coach)).not.toContain('Noted: Taken over');
  });
});

it('a cheat that was tapped by mistake is taken back', async () => {
  const id = uuid();
  await start(id).expect(200);
  const tapped = rep({ at: '2026-05-04T14:40:00Z', judged: 'off' }) as { id: string };
  const cheat = (what: string, at: string) => ({ type: 'cheat', id: uuid(), at, rep: tapped.id, cheat: what });
  const kept = async () => ((await harness.db('reps').where('id', tapped.id).first('cheat')) as { cheat: string | null }).cheat;
  await send(id, [tapped, cheat('swing-around', '2026-05-04T14:41:00Z')]);
  expect(await kept()).toBe('swing-around');
  await send(id, [cheat('none', '2026-05-04T14:42:00Z')]);
  expect(await kept()).toBeNull();
  const { results } = (await send(id, [cheat('no-such-way', '2026-05-04T14:43:00Z')])).body as { results: { status: string }[] };
  expect(results[0]!.status).toBe('refused');
});
