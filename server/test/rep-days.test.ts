import { v4 as uuid } from 'uuid';
import { addAthlete, eye, rep, signedIn, startHarness } from './harness';
import type { Client, Harness } from './harness';

/** What was done by day, counted in one question, beside the rows counted by hand. */
let harness: Harness;
let owner: Client;
beforeAll(async () => {
  harness = await startHarness();
  owner = await signedIn(harness);
});
afterAll(() => harness.close());
afterEach(() => expect(harness.faults).toEqual([]));

interface Page {
  readonly timeline: readonly { readonly on: string; readonly kind: string; readonly text: string }[];
}
const sessionsOf = async (athlete: string): Promise<string[]> =>
  ((await owner.get(`/athletes/${athlete}`).expect(200)).body as Page).timeline
    .filter((entry) => entry.kind === 'session')
    .map((entry) => `${entry.on} ${entry.text}`);

/** Runs a session of a day. @returns its reps' ids */
async function session(athlete: string, on: string, judged: readonly string[], focus: string | null = null): Promise<string[]> {
  const now = harness.clock.now;
  harness.clock.now = new Date(`${on}T15:00:00Z`);
  const id = uuid();
  await owner.put(`/athletes/${athlete}/sessions/${id}`, { on, assignment: null, painBefore: [] }).expect(200);
  const entries = judged.map((word, n) => rep({ judged: word, focus, at: `${on}T14:${String(10 + n).padStart(2, '0')}:00Z` }));
  await owner.post(`/athletes/${athlete}/sessions/${id}/log`, { entries }).expect(200);
  harness.clock.now = now;
  return entries.map((entry) => (entry as { id: string }).id);
}

it('counts reps and good ones of each day, newest first; another athlete’s are not among them', async () => {
  const [athlete, other] = [await addAthlete(owner), await addAthlete(owner, { name: 'Other Willowby' })];
  await session(athlete, '2026-05-01', ['good', 'close', 'off']);
  await session(athlete, '2026-05-03', ['good', 'good']);
  await session(athlete, '2026-05-03', ['off']);
  await session(other, '2026-05-03', ['good', 'good', 'good']);
  expect(await sessionsOf(athlete)).toEqual(['2026-05-03 3 reps, 2 good', '2026-05-01 3 reps, 1 good']);
  expect(await sessionsOf(other)).toEqual(['2026-05-03 3 reps, 3 good']);
});

it('leaves out what was taken back, and says nothing of a day on which nothing is left', async () => {
  const athlete = await addAthlete(owner);
  const [first] = await session(athlete, '2026-05-04', ['good']);
  expect(await sessionsOf(athlete)).toEqual(['2026-05-04 1 reps, 1 good']);
  const id = uuid();
  await owner.put(`/athletes/${athlete}/sessions/${id}`, { on: '2026-05-04', assignment: null, painBefore: [] }).expect(200);
  const row = (await harness.db('reps').where('id', first).first('session_id')) as { session_id: string };
  const undo = { type: 'undo', id: uuid(), at: '2026-05-04T14:50:00Z', rep: first };
  await owner.post(`/athletes/${athlete}/sessions/${row.session_id}/log`, { entries: [undo] }).expect(200);
  expect(await sessionsOf(athlete)).toEqual([]);
});

it('tells the judgement the good reps on each finding that was worked on, and a change of them changes it', async () => {
  const athlete = await addAthlete(owner);
  await owner.put(`/athletes/${athlete}/observations/${uuid()}`, eye('stall', 'yes', '2026-05-01')).expect(200);
  const focus = uuid();
  harness.clock.now = new Date('2026-05-01T10:00:00Z');
  await owner.put(`/athletes/${athlete}/foci/${focus}`, { finding: 'stall', rung: 1, diagnosis: null }).expect(200);
  harness.clock.now = new Date('2026-05-04T15:00:00Z');
  const judged = async () =>
    (await owner.get(`/athletes/${athlete}/diagnosis`).expect(200)).body as {
      request: { work: { finding: string; on: string; reps: number }[] };
      result: { posterior: Record<string, number> };
    };
  const before = await judged();
  expect(before.request.work).toEqual([]);
  await session(athlete, '2026-05-02', [...Array<string>(20).fill('good'), 'off'], focus);
  await session(athlete, '2026-05-03', Array<string>(20).fill('good'), focus);
  const after = await judged();
  expect(after.request.work).toEqual([
    { finding: 'stall', on: '2026-05-02', reps: 20 },
    { finding: 'stall', on: '2026-05-03', reps: 20 },
  ]);
  expect(after.result.posterior.stall).not.toBe(before.result.posterior.stall);
});
