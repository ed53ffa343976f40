import { v4 as uuid } from 'uuid';
import { addAthlete, eye, log, makeFocus, rep, signedIn, startHarness, startSession } from './harness';
import type { Client, Harness } from './harness';

/** What happened with an athlete, a line each: read from ten tables at once, beside what was written to them one by one. */
let harness: Harness;
let owner: Client;
beforeAll(async () => {
  harness = await startHarness();
  owner = await signedIn(harness);
});
afterAll(() => harness.close());
afterEach(() => expect(harness.faults).toEqual([]));

interface Entry {
  readonly on: string;
  readonly kind: string;
  readonly text: string;
}
const timelineOf = async (client: Client, athlete: string): Promise<Entry[]> =>
  (await client.get(`/athletes/${athlete}`).expect(200)).body.timeline;
const textsOf = async (client: Client, athlete: string, kind: string): Promise<string[]> =>
  (await timelineOf(client, athlete)).filter((e) => e.kind === kind).map((e) => e.text);
const outing = { pitches: 0, throws: 40, highEffort: 0, innings: 0 };

it('has a line of every kind, with the words of its row', async () => {
  const athlete = await addAthlete(owner);
  const put = (path: string, body: object) => owner.put(`/athletes/${athlete}/${path}`, body).expect(200);
  await put(`observations/${uuid()}`, eye('stall', 'yes', '2026-05-03'));
  await put(`consents/${uuid()}`, { kind: 'film', given: true, by: 'Somebody Made-Up' });
  const focus = await makeFocus(owner, athlete);
  await owner.post(`/athletes/${athlete}/foci/${focus}/change`, { rung: 2, reason: 'Holds the first.' }).expect(200);
  await put(`rulings/${uuid()}`, { finding: 'stall', as: 'absent', reason: 'Seen from behind, “square” to the end.' });
  await put(`outings/${uuid()}`, { ...outing, on: '2026-05-02' });
  await put(`outings/${uuid()}`, { ...outing, on: '2026-05-01', pitches: 12, throws: 12, innings: 1, caught: true });
  await put(`clearances/${uuid()}`, { date: '2026-05-04', by: 'Dr. Invented' });
  await put(`body-checks/${uuid()}`, {
    on: '2026-05-04',
    kind: 'short',
    steps: ['drive', 'lead'].map((side) => ({ test: 'hip-internal-rotation', side })),
  });
  await put(`plans/${uuid()}`, { weeks: 2, games: [], pinned: [] });
  const session = await startSession(owner, athlete, '2026-05-04', [{ site: 'knee', score: 1 }]);
  await log(owner, athlete, session, [rep(), rep({ judged: 'off' })]);
  await owner
    .post(`/athletes/${athlete}/sessions/${session}/log`, {
      entries: [{ type: 'note', id: uuid(), at: '2026-05-04T15:02:00.000Z', text: 'Says “it’s 5\\6 there”.' }],
    })
    .expect(200);
  const texts = (await timelineOf(owner, athlete)).map((e) => `${e.on} ${e.kind}: ${e.text}`);
  expect(texts).toEqual(
    expect.arrayContaining([
      expect.stringMatching(/^2026-05-03 observation: 1 look\. Seen: .+/),
      '2026-05-04 consent: Somebody Made-Up gave consent to film',
      expect.stringMatching(/^2026-05-04 focus: Focus: .+/),
      expect.stringMatching(
        /^2026-05-04 observation: Test Person overruled “.+” \(not there\): Seen from behind, “square” to the end\.$/,
      ),
      '2026-05-02 outing: 40 throws playing catch',
      '2026-05-01 outing: 12 pitches in a game, and caught',
      '2026-05-04 move: Rung 1 → 2. The coach’s word: Holds the first.',
      '2026-05-04 session: 2 reps, 1 good',
      '2026-05-04 plan: Plan for 2 weeks',
      '2026-05-04 body: Short body check, 2 tests and sides, not finished',
      '2026-05-04 clearance: Cleared by Dr. Invented',
      '2026-05-04 pain: Pain 1 at the knee, before the session',
      '2026-05-04 note: Noted: Says “it’s 5\\6 there”.',
    ]),
  );
  expect(texts).toHaveLength(13);
  const days = texts.map((t) => t.slice(0, 10));
  expect(days).toEqual([...days].sort().reverse());
  // Coaches' words for coaches are not for the family.
  const family = await signedIn(harness, { academy: owner.academy, role: 'guardian', athletes: [athlete] });
  expect(await textsOf(family, athlete, 'note')).toEqual([]);
  expect((await textsOf(family, athlete, 'observation')).join()).not.toContain('overruled');
});

it('says of throwing that was taken out of the load that it was', async () => {
  const athlete = await addAthlete(owner);
  const id = uuid();
  await owner.put(`/athletes/${athlete}/outings/${id}`, { ...outing, on: '2026-05-02' }).expect(200);
  await owner.post(`/athletes/${athlete}/load/${id}/remove`, { reason: 'entered twice' }).expect(200);
  expect(await textsOf(owner, athlete, 'outing')).toEqual(['40 throws playing catch (taken out of the load)']);
});

it('tells of what lies before a day of many looks', async () => {
  const athlete = await addAthlete(owner);
  await owner.put(`/athletes/${athlete}/outings/${uuid()}`, { ...outing, on: '2026-05-01' }).expect(200);
  const { evidence } = eye('stall', 'yes');
  const row = {
    academy_id: owner.academy,
    athlete_id: athlete,
    on_date: '2026-05-03',
    author_id: owner.user,
    author: 'Test Person',
  };
  await harness
    .db('observations')
    .insert(Array.from({ length: 210 }, () => ({ ...row, id: uuid(), evidence: JSON.stringify(evidence) })));
  const texts = (await timelineOf(owner, athlete)).map((e) => `${e.on} ${e.kind}: ${e.text}`);
  expect(texts).toHaveLength(2);
  // So many of the newest looks are read, and no more.
  expect(texts[0]).toMatch(/^2026-05-03 observation: 200 looks\. Seen: /);
  expect(texts[1]).toBe('2026-05-01 outing: 40 throws playing catch');
});

it('tells nothing of another athlete, and no more than forty lines', async () => {
  const [athlete, other] = [await addAthlete(owner), await addAthlete(owner, { name: 'Other Willowby' })];
  for (let n = 0; n < 45; n++) {
    const on = new Date(Date.UTC(2026, 2, 1 + n)).toISOString().slice(0, 10);
    await owner.put(`/athletes/${athlete}/outings/${uuid()}`, { ...outing, on }).expect(200);
  }
  const mine = await timelineOf(owner, athlete);
  expect(mine).toHaveLength(40);
  expect([mine[0]!.on, mine[39]!.on]).toEqual(['2026-04-14', '2026-03-06']);
  expect((await timelineOf(owner, other)).map((e) => e.text)).toEqual([]);
});
