import type { BodyPicture } from '@wrightonic/contract';
import { v4 as uuid } from 'uuid';
import { addAthlete, eye, pitch, SETTINGS, signedIn, startHarness, startSession } from './harness';
import type { Client, Harness } from './harness';

let harness: Harness;
let owner: Client;
beforeAll(async () => {
  harness = await startHarness();
  owner = await signedIn(harness);
});
afterAll(() => harness.close());
afterEach(() => expect(harness.faults).toEqual([]));

const HIP = { test: 'hip-internal-rotation', side: 'drive' };
const STEPS = [HIP, { ...HIP, side: 'lead' }];

async function begin(client: Client, athlete: string, on = '2026-05-04'): Promise<string> {
  const check = uuid();
  await client.put(`/athletes/${athlete}/body-checks/${check}`, { on, kind: 'short', steps: STEPS }).expect(200);
  return check;
}
const read = async (client: Client, athlete: string, check: string, value: number, more: object = {}, id = uuid()) =>
  (
    await client
      .put(`/athletes/${athlete}/body-readings/${id}`, { ...HIP, check, value, readBy: 'tilt', moment: 'first', ...more })
      .expect(200)
  ).body as BodyPicture;
const limited = async (client: Client, athlete: string) =>
  (await client.get(`/athletes/${athlete}/diagnosis`).expect(200)).body.result.posterior['drive-hip-ir'] as number;

describe('a body check', () => {
  it('turns readings into values with error, and values into evidence; a corrected reading corrects both', async () => {
    const athlete = await addAthlete(owner);
    const check = await begin(owner, athlete);
    const first = uuid();
    await read(owner, athlete, check, 44, {}, first);
    const two = await read(owner, athlete, check, 46);
    expect(two.histories[0]).toMatchObject({ ...HIP, values: [{ value: 45, count: 2, grade: 'pass', sd: 2.12 }] });
    const free = await limited(owner, athlete);
    // The same id sent again corrects the reading: a slip of the keypad.
    const corrected = await read(owner, athlete, check, 24, {}, first);
    expect(corrected.histories[0]!.values[0]).toMatchObject({ value: 35, count: 2 });
    await owner
      .put(`/athletes/${athlete}/body-readings/${uuid()}`, { ...HIP, check, value: 20, readBy: 'dial', moment: 'first' })
      .expect(200);
    expect(await limited(owner, athlete)).toBeGreaterThan(5 * free);
    const { body } = await owner.get(`/athletes/${athlete}/diagnosis`).expect(200);
    expect((body.evidence as object[]).length).toBe(1);
  });

  it('goes, reading by reading, as it came', async () => {
    const athlete = await addAthlete(owner);
    const check = await begin(owner, athlete);
    const id = uuid();
    await read(owner, athlete, check, 24, {}, id);
    const { body } = await owner.delete(`/athletes/${athlete}/body-readings/${id}`).expect(200);
    expect((body as BodyPicture).histories).toEqual([]);
    expect((await owner.get(`/athletes/${athlete}/diagnosis`).expect(200)).body.evidence).toEqual([]);
  });

  it('does not take a reading after a hold for what the body can do', async () => {
    const athlete = await addAthlete(owner);
    const check = await begin(owner, athlete);
    await read(owner, athlete, check, 28);
    const picture = await read(owner, athlete, check, 44, { moment: 'after' });
    expect(picture.histories[0]!.values[0]).toMatchObject({ value: 28, grade: 'limit', count: 1 });
    expect(picture.check!.readings.map((r) => r.moment)).toEqual(['first', 'after']);
  });

  it('keeps a history over days, newest last', async () => {
    const athlete = await addAthlete(owner);
    harness.clock.now = new Date('2026-05-04T15:00:00Z');
    await read(owner, athlete, await begin(owner, athlete, '2026-04-01'), 25);
    const picture = await read(owner, athlete, await begin(owner, athlete, '2026-05-04'), 38);
    expect(picture.histories[0]!.values.map((v) => [v.on, v.value, v.grade])).toEqual([
      ['2026-04-01', 25, 'limit'],
      ['2026-05-04', 38, 'watch'],
    ]);
    const { body } = await owner.get(`/athletes/${athlete}`).expect(200);
    expect(body.body).toMatchObject([{ ...HIP, value: 38 }]);
  });

  it('changes which test is worth doing next', async () => {
    const athlete = await addAthlete(owner);
    for (const finding of ['late-hips', 'turn-together'])
      await owner.put(`/athletes/${athlete}/observations/${uuid()}`, eye(finding, 'yes')).expect(200);
    const before = (await owner.get(`/athletes/${athlete}/body`).expect(200)).body as BodyPicture;
    expect(before.insight.worthDoing[0]!.check).toMatchObject(HIP);
    const after = await read(owner, athlete, await begin(owner, athlete), 22);
    expect(after.insight.worthDoing[0]!.check).not.toMatchObject(HIP);
    expect(after.insight.limits.find((l) => l.finding === 'drive-hip-ir')!.eases[0]!.finding).toBe('late-hips');
  });

  it('grades by the academy’s own thresholds', async () => {
    const mine = await signedIn(harness);
    const athlete = await addAthlete(mine);
    await mine
      .put('/academy/settings', { ...SETTINGS, numbers: { tests: { 'hip-internal-rotation': { pass: 30, watch: 20 } } } })
      .expect(200);
    const picture = await read(mine, athlete, await begin(mine, athlete), 32);
    expect(picture.histories[0]!.values[0]!.grade).toBe('pass');
  });

  it('refuses readings that cannot be, sides that a test has not, and checks of other athletes', async () => {
    const athlete = await addAthlete(owner);
    const check = await begin(owner, athlete);
    const put = (body: object) =>
      owner.put(`/athletes/${athlete}/body-readings/${uuid()}`, {
        ...HIP,
        check,
        value: 30,
        readBy: 'tilt',
        moment: 'first',
        ...body,
      });
    expect((await put({ value: 280 }).expect(422)).body.errors[0].path).toBe('value');
    await put({ side: 'none' }).expect(422);
    await put({ check: await begin(owner, await addAthlete(owner)) }).expect(404);
    await put({ readBy: 'guess' }).expect(422);
    expect((await owner.get(`/athletes/${athlete}/body`).expect(200)).body.histories).toEqual([]);
  });
});

describe('pain in a test', () => {
  it('ends that side, is a pain report like any other, and locks what it must', async () => {
    const athlete = await addAthlete(owner);
    const check = await begin(owner, athlete);
    const note = uuid();
    const body = { ...HIP, check, note: '', pain: { site: 'shoulder', score: 4 } };
    await owner.put(`/athletes/${athlete}/body-notes/${note}`, body).expect(200);
    await owner.put(`/athletes/${athlete}/body-notes/${note}`, body).expect(200);
    expect(await harness.db('pain_reports').where('athlete_id', athlete)).toHaveLength(1);
    await owner
      .put(`/athletes/${athlete}/body-readings/${uuid()}`, { ...HIP, check, value: 30, readBy: 'tilt', moment: 'first' })
      .expect(409);
    await read(owner, athlete, check, 40, { side: 'lead' });
    const session = await startSession(owner, athlete);
    const { body: logged } = await owner.post(`/athletes/${athlete}/sessions/${session}/log`, { entries: [pitch()] }).expect(200);
    expect(logged.results[0].status).toBe('refused');
    expect((await owner.get('/athletes?flag=locked').expect(200)).body.rows.map((r: { id: string }) => r.id)).toContain(athlete);
  });
});

describe('a left-hander and a right-hander with mirrored bodies', () => {
  it('have the same stored values, the same diagnosis and the same next test', async () => {
    const pictures = [];
    for (const throws of ['R', 'L'] as const) {
      const athlete = await addAthlete(owner, { throws });
      await owner.put(`/athletes/${athlete}/observations/${uuid()}`, eye('late-hips', 'yes')).expect(200);
      const check = await begin(owner, athlete);
      // The coach reads 24 on the throwing side and 44 on the other, whichever hand that is.
      await read(owner, athlete, check, 24);
      const picture = await read(owner, athlete, check, 44, { side: 'lead' });
      const { body } = await owner.get(`/athletes/${athlete}/diagnosis`).expect(200);
      const rows = (await harness
        .db('body_readings')
        .where('athlete_id', athlete)
        .orderBy('value')
        .select('test', 'side', 'value')) as object[];
      pictures.push({ rows, histories: picture.histories, insight: picture.insight, result: body.result });
    }
    expect(pictures[1]).toEqual(pictures[0]);
  });
});

describe('a device channel', () => {
  it('carries readings to whoever has its key, in order and once', async () => {
    const id = uuid();
    const { body } = await owner.put(`/channels/${id}`).expect(200);
    const { key } = body as { key: string };
    const send = (messages: object[], k = key) =>
      fetch(`${address()}/api/channels/${id}/messages?key=${k}`, {
        method: 'POST',
        headers: { 'Content-Type': 'application/json' },
        body: JSON.stringify({ messages }),
      });
    const live = await fetch(`${address()}/api/channels/${id}/live?key=${key}`);
    expect(live.headers.get('content-type')).toContain('text/event-stream');
    const reader = live.body!.getReader();
    await reader.read();
    expect(
      (
        await send([
          { kind: 'tilt', deg: 12 },
          { kind: 'tilt', deg: 14.5 },
        ])
      ).status,
    ).toBe(204);
    let text = '';
    while (!text.includes('14.5')) text += new TextDecoder().decode((await reader.read()).value);
    expect([...text.matchAll(/data: (.*)/g)].map((m) => (JSON.parse(m[1]!) as { deg: number }).deg)).toEqual([12, 14.5]);
    await reader.cancel();
    expect((await send([{ kind: 'tilt', deg: 1 }], 'k'.repeat(43))).status).toBe(404);
    expect((await send([{ kind: 'tilt', deg: 'much' }])).status).toBe(422);
    expect((await fetch(`${address()}/api/channels/${id}/live`)).status).toBe(422);
    // A new key closes the door for the old one.
    await owner.put(`/channels/${id}`).expect(200);
    expect((await send([{ kind: 'tilt', deg: 1 }])).status).toBe(404);
  });

  const address = () => `http://127.0.0.1:${(harness.server.address() as { port: number }).port}`;
});
