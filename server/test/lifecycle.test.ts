import { EMPTY_INTAKE } from '@wrightonic/contract';
import type { NewCamp } from '@wrightonic/contract';
import { v4 as uuid } from 'uuid';
import { ATHLETE_TABLES } from '../src/entry/lifecycle';
import { BODY_EXAMPLES } from '../src/http/examples';
import { clipOf, webm } from './clip';
import { keepReport } from './camp-steps';
import { addAthlete, eye, makeFocus, rep, signedIn, startHarness, startSession } from './harness';
import type { Client, Harness } from './harness';

let harness: Harness;
let owner: Client;
beforeAll(async () => {
  harness = await startHarness();
  owner = await signedIn(harness);
});
afterAll(() => harness.close());
afterEach(() => expect(harness.faults).toEqual([]));

/** An athlete with something in every table. */
async function lived(client: Client, NAME: string): Promise<string> {
  const id = await addAthlete(client, { name: NAME });
  await client
    .put(`/athletes/${id}/intake`, { ...EMPTY_INTAKE, next: null, thoughts: ['move-push'], goals: `${NAME} wants strikes` })
    .expect(200);
  await client.put(`/athletes/${id}/consents/${uuid()}`, { kind: 'film', given: true, by: 'Wim Birchley' }).expect(200);
  await client.put(`/athletes/${id}/observations/${uuid()}`, eye('stall', 'yes')).expect(200);
  await client.put(`/athletes/${id}/observations/${uuid()}`, eye('turn-together', 'yes')).expect(200);
  const separation = { kind: 'measure', measure: 'hip-shoulder-separation', event: 'contact', value: 2, unit: 'deg', sd: 3 };
  await client.put(`/athletes/${id}/observations/${uuid()}`, { on: '2026-05-04', evidence: separation }).expect(200);
  await client.put(`/athletes/${id}/rulings/${uuid()}`, { finding: 'early-hands', as: 'absent', reason: 'on film' }).expect(200);
  const focus = await makeFocus(client, id);
  const plan = uuid();
  await client.put(`/athletes/${id}/plans/${plan}`, { weeks: 2, games: [], pinned: [] }).expect(200);
  await client.post(`/athletes/${id}/plans/${plan}/assign`).expect(200);
  const session = await startSession(client, id, '2026-05-04', [{ site: 'knee', score: 1 }]);
  const reading = {
    type: 'reading',
    id: uuid(),
    at: '2026-05-04T15:01:00.000Z',
    speed: 70,
    unit: 'mph',
    effort: 100,
    gun: 'gun 1',
    setting: 'mound',
  };
  const tapped = rep({ focus }) as { id: string };
  const note = { type: 'note', id: uuid(), at: '2026-05-04T15:01:40.000Z', text: 'Steadier with the strap' };
  const spot = {
    type: 'spot',
    id: uuid(),
    at: '2026-05-04T15:01:20.000Z',
    target: { x: 0, y: 60 },
    actual: { x: 5, y: 70 },
    zone: [49, 97],
    effort: 90,
    rep: null,
  };
  const undone = { type: 'undo', id: uuid(), at: '2026-05-04T15:01:30.000Z', rep: tapped.id };
  await client
    .post(`/athletes/${id}/sessions/${session}/log`, { entries: [tapped, rep({ focus }), undone, reading, note, spot] })
    .expect(200);
  await client.post(`/athletes/${id}/sessions/${session}/finish`).expect(200);
  const outing = { on: '2026-05-01', pitches: 0, throws: 10, highEffort: 0, innings: 0 };
  const outingId = uuid();
  await client.put(`/athletes/${id}/outings/${outingId}`, outing).expect(200);
  await client.put(`/athletes/${id}/outings/${outingId}`, { ...outing, throws: 12 }).expect(200);
  await client.put(`/athletes/${id}/clearances/${uuid()}`, { date: '2026-05-01', by: 'Dr. Nobody' }).expect(200);
  const check = uuid();
  const step = { test: 'hip-internal-rotation', side: 'drive' };
  await client.put(`/athletes/${id}/body-checks/${check}`, { on: '2026-05-04', kind: 'short', steps: [step] }).expect(200);
  await client
    .put(`/athletes/${id}/body-readings/${uuid()}`, { ...step, check, value: 30, readBy: 'dial', moment: 'first' })
    .expect(200);
  await client.put(`/athletes/${id}/body-notes/${uuid()}`, { ...step, check, note: 'stiff', pain: null }).expect(200);
  const file = webm(200);
  await client.put(`/athletes/${id}/clips/${uuid()}`, clipOf(file)).expect(200);
  await client.put(`/groups/${uuid()}`, { name: `Group ${uuid()}`, athletes: [id] }).expect(200);
  const camp = uuid();
  const built = BODY_EXAMPLES.putCamp!(id) as NewCamp;
  await client.put(`/camps/${camp}`, built).expect(200);
  await client.post(`/camps/${camp}/schedule`).expect(200);
  await client.put(`/camps/${camp}/arrivals`, { day: 0, athlete: id, here: true }).expect(200);
  const late = { day: 0, fromRotation: 1, type: 'athlete-late', id };
  await keepReport(harness.db, { academy: client.academy, camp, athlete: id });
  await client.post(`/camps/${camp}/replan`, { revision: 2, now: { day: 0, rotation: 0 }, changes: [late] }).expect(200);
  await client.put(`/invitations/${uuid()}`, { role: 'guardian', name: 'A guardian', athletes: [id], groups: [] }).expect(200);
  return id;
}

it('knows every table that holds something about an athlete', async () => {
  const [columns] = (await harness.db.raw(
    "select table_name as name from information_schema.columns where table_schema = database() and column_name = 'athlete_id'",
  )) as [{ name: string }[]];
  expect(columns.map((c) => c.name).sort()).toEqual(Object.keys(ATHLETE_TABLES).sort());
});

describe('an export', () => {
  it('holds every row of every table, and nothing of anybody else', async () => {
    const NAME = 'Exporta Everything';
    const id = await lived(owner, NAME);
    const other = await addAthlete(owner, { name: 'Somebody Else' });
    const { body } = await owner.get(`/athletes/${id}/export`).expect(200);
    for (const table of Object.keys(ATHLETE_TABLES).filter(
      (t) => !['links', 'athlete_words', 'eye_agreements', 'standing_answers', 'user_athletes', 'audit_entries'].includes(t),
    )) {
      const [counted] = (await harness.db(table).where('athlete_id', id).count({ n: '*' })) as { n: number }[];
      expect([table, body.tables[table]?.length]).toEqual([table, Number(counted!.n)]);
      expect(Number(counted!.n)).toBeGreaterThan(0);
    }
    // How a coach's eye did is shown to that coach alone.
    expect(await harness.db('eye_agreements').where('athlete_id', id)).toHaveLength(1);
    expect(body.tables.eye_agreements).toBeUndefined();
    const text = JSON.stringify(body);
    expect(text).toContain(NAME);
    expect(text).not.toContain(other);
    expect(text).not.toContain('password');
    const { body: audit } = await owner.get(`/audit?athlete=${id}`).expect(200);
    expect(audit.entries[0].did).toBe('took out everything about the athlete');
  });
});

describe('erasing', () => {
  it('names first what it removes, wants the name typed out, and leaves no trace anywhere', async () => {
    const NAME = 'Erasa Unmistakable';
    const id = await lived(owner, NAME);
    const { academy } = owner;
    const child = await signedIn(harness, { academy, role: 'athlete', athletes: [id] });
    const sibling = await addAthlete(owner, { name: 'Sib Stays' });
    const guardian = await signedIn(harness, { academy, role: 'guardian', athletes: [id, sibling] });
    await child.post('/account/password', { current: 'x', next: 'some new words' }).expect(422);

    const { body: preview } = await owner.get(`/athletes/${id}/erase`).expect(200);
    expect(preview.name).toBe(NAME);
    expect(preview.signIns).toEqual([child.signIn]);
    const counts = Object.fromEntries((preview.rows as { what: string; count: number }[]).map((r) => [r.what, r.count]));
    expect(counts).toMatchObject({ reps: 2, speeds: 1, 'body readings': 1, consents: 1, 'people tied to the athlete': 2 });

    await owner.post(`/athletes/${id}/erase`, { name: 'Erasa' }).expect(422);
    await owner.get(`/athletes/${id}`).expect(200);
    await owner.post(`/athletes/${id}/erase`, { name: ` ${NAME.toLowerCase()} ` }).expect(204);

    await owner.get(`/athletes/${id}`).expect(404);
    await child.get('/me').expect(401);
    expect((await guardian.get('/me').expect(200)).body.athletes.map((a: { id: string }) => a.id)).toEqual([sibling]);

    // Every text of every table.
    const [columns] = (await harness.db.raw(
      "select table_name as t, column_name as c from information_schema.columns where table_schema = database() and data_type in ('char', 'varchar', 'longtext', 'text', 'uuid')",
    )) as [{ t: string; c: string }[]];
    for (const { t, c } of columns)
      for (const needle of [id, NAME, child.user]) {
        const found = (await harness
          .db(t)
          .whereRaw('?? like ?', [c, `%${needle}%`])
          .first(c)) as object | undefined;
        expect([t, c, found]).toEqual([t, c, undefined]);
      }
    const { body: audit } = await owner.get('/audit').expect(200);
    expect(audit.entries[0]).toMatchObject({ did: 'erased an athlete for good', athlete: null });
  });

  it('is an owner’s alone', async () => {
    const id = await addAthlete(owner);
    const instructor = await signedIn(harness, { academy: owner.academy, role: 'instructor' });
    await instructor.post(`/athletes/${id}/erase`, { name: 'Testa Birchley' }).expect(403);
    await instructor.get(`/athletes/${id}/erase`).expect(403);
  });
});
