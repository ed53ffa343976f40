import {
  existsSync,
  mkdirSync,
  readdirSync,
  readFileSync,
  symlinkSync,
  truncateSync,
  unlinkSync,
  writeFileSync,
  statSync,
} from 'node:fs';
import { join } from 'node:path';
import { EMPTY_MARKS } from '@wrightonic/contract';
import type { ClipRecord } from '@wrightonic/contract';
import { deliveryFor, filmDelivery } from '@wrightonic/core/simulate';
import type { Evidence } from '@wrightonic/core';
import { v4 as uuid } from 'uuid';
import { clipOf, webm } from './clip';
import { addAthlete, signedIn, startHarness } from './harness';
import type { Client, Harness } from './harness';

type MeasureEvidence = Extract<Evidence, { kind: 'measure' }>;

let harness: Harness;
let owner: Client;
beforeAll(async () => {
  harness = await startHarness();
  owner = await signedIn(harness);
});
afterAll(() => harness.close());
afterEach(() => expect(harness.faults).toEqual([]));

async function filmed(client = owner): Promise<string> {
  const athlete = await addAthlete(client);
  await client.put(`/athletes/${athlete}/consents/${uuid()}`, { kind: 'film', given: true, by: 'Wim Birchley' }).expect(200);
  return athlete;
}
const send = (athlete: string, id: string, from: number, bytes: Buffer) =>
  owner.putBytes(`/athletes/${athlete}/clips/${id}/bytes?from=${from}`, bytes);
const fileOf = (id: string) => join(harness.clipsFolder, id);

describe('a clip', () => {
  it('is not taken in without consent to film, nor after it was taken back', async () => {
    const athlete = await addAthlete(owner);
    const { body } = await owner.put(`/athletes/${athlete}/clips/${uuid()}`, clipOf(webm(50))).expect(403);
    expect(body.detail).toContain('no consent to film');
    const other = await filmed();
    await owner.put(`/athletes/${other}/consents/${uuid()}`, { kind: 'film', given: false, by: 'Wim Birchley' }).expect(200);
    expect((await owner.put(`/athletes/${other}/clips/${uuid()}`, clipOf(webm(50))).expect(403)).body.detail).toContain(
      'took it back',
    );
    expect(await harness.db('clips').whereIn('athlete_id', [athlete, other])).toEqual([]);
  });

  it('may be a MOV as phones make them, and comes back as one', async () => {
    const athlete = await filmed();
    const mov = Buffer.concat([Buffer.from([0, 0, 0, 20]), Buffer.from('ftypqt  '), Buffer.alloc(300, 7)]);
    const id = uuid();
    const path = `/athletes/${athlete}/clips/${id}`;
    await owner.put(path, clipOf(mov, { name: 'throw.mov', type: 'video/quicktime' })).expect(200);
    expect((await send(athlete, id, 0, mov).expect(200)).body.received).toBe(mov.length);
    const back = await owner.get(`${path}/file`).buffer(true).expect(200);
    expect(back.headers['content-type']).toBe('video/quicktime');
    expect((back.body as Buffer).equals(mov)).toBe(true);
    // Nobody else of the machine reads it, and no browser keeps it.
    expect(statSync(fileOf(id)).mode & 0o777).toBe(0o600);
    expect(back.headers['cache-control']).toBe('no-store');
    // What is announced as another type than it is, is not kept.
    const other = uuid();
    await owner.put(`/athletes/${athlete}/clips/${other}`, clipOf(mov, { type: 'video/mp4' })).expect(200);
    expect((await send(athlete, other, 0, mov)).status).toBeGreaterThanOrEqual(400);
  });

  it('arrives in parts, in any repetition, and comes back byte for byte, whole and in ranges', async () => {
    const athlete = await filmed();
    const file = webm(2_500_000);
    const id = uuid();
    await owner.put(`/athletes/${athlete}/clips/${id}`, clipOf(file)).expect(200);
    const part = (from: number, to: number) => send(athlete, id, from, file.subarray(from, to));
    expect((await part(0, 1_000_000).expect(200)).body.received).toBe(1_000_000);
    // The answer was lost, and the same part comes again; then one that overlaps.
    expect((await part(0, 1_000_000).expect(200)).body.received).toBe(1_000_000);
    await owner.get(`/athletes/${athlete}/clips/${id}/file`).expect(409);
    const { body: gap } = await part(2_000_000, 2_500_000).expect(409);
    expect(gap.detail).toContain('go on from there');
    expect((await part(900_000, 1_900_000).expect(200)).body.received).toBe(1_900_000);
    expect((await part(1_900_000, 2_500_000).expect(200)).body.received).toBe(2_500_000);
    expect(readFileSync(fileOf(id)).equals(file)).toBe(true);
    const whole = await owner.get(`/athletes/${athlete}/clips/${id}/file`).buffer(true).expect(200);
    expect(whole.headers['content-type']).toBe('video/webm');
    expect((whole.body as Buffer).equals(file)).toBe(true);
    const range = await owner
      .get(`/athletes/${athlete}/clips/${id}/file`)
      .set('Range', 'bytes=1000-1999')
      .buffer(true)
      .expect(206);
    expect(range.headers['content-range']).toBe('bytes 1000-1999/2500000');
    expect((range.body as Buffer).equals(file.subarray(1000, 2000))).toBe(true);
  });

  it('goes on where it stopped after the server was killed in the middle of a write', async () => {
    const athlete = await filmed();
    const file = webm(600_000);
    const id = uuid();
    await owner.put(`/athletes/${athlete}/clips/${id}`, clipOf(file)).expect(200);
    await send(athlete, id, 0, file.subarray(0, 200_000)).expect(200);
    // Half a part had been written, and was never noted.
    writeFileSync(fileOf(id), Buffer.concat([file.subarray(0, 200_000), Buffer.alloc(77_777)]));
    await send(athlete, id, 200_000, file.subarray(200_000)).expect(200);
    expect(readFileSync(fileOf(id)).equals(file)).toBe(true);
    // What was noted but is gone from the disk: the answer says so, and the upload starts again.
    const lost = uuid();
    await owner.put(`/athletes/${athlete}/clips/${lost}`, clipOf(file)).expect(200);
    await send(athlete, lost, 0, file.subarray(0, 300_000)).expect(200);
    truncateSync(fileOf(lost), 1000);
    expect((await send(athlete, lost, 300_000, file.subarray(300_000)).expect(200)).body.received).toBe(0);
    expect((await send(athlete, lost, 0, file).expect(200)).body.received).toBe(600_000);
    expect(readFileSync(fileOf(lost)).equals(file)).toBe(true);
  });

  it('meets a full disk with a plain word, keeps what had arrived, and goes on when there is room', async () => {
    const athlete = await filmed();
    const file = webm(3000);
    const id = uuid();
    await owner.put(`/athletes/${athlete}/clips/${id}`, clipOf(file)).expect(200);
    // The device that is always full stands where the clip would lie.
    mkdirSync(harness.clipsFolder, { recursive: true });
    symlinkSync('/dev/full', fileOf(id));
    const { body } = await send(athlete, id, 0, file.subarray(0, 2000)).expect(507);
    expect(body.detail).toContain('disk is full');
    // Whoever runs the server reads of it, too.
    expect(harness.faults.splice(0)).toEqual([expect.stringContaining('No room left')]);
    expect(((await owner.get(`/athletes/${athlete}/clips/${id}`).expect(200)).body as ClipRecord).received).toBe(0);
    unlinkSync(fileOf(id));
    await send(athlete, id, 0, file).expect(200);
    expect(readFileSync(fileOf(id)).equals(file)).toBe(true);
  });

  it('that is something else, or did not arrive as it was sent, is refused and thrown away', async () => {
    const athlete = await filmed();
    const page = Buffer.from('<!doctype html><script>alert(1)</script>'.padEnd(300, ' '));
    const id = uuid();
    await owner.put(`/athletes/${athlete}/clips/${id}`, clipOf(page)).expect(200);
    const { body } = await send(athlete, id, 0, page).expect(422);
    expect(body.errors[0].path).toBe('file');
    expect(body.detail).toContain('not a WebM video');
    expect(existsSync(fileOf(id))).toBe(false);
    expect(((await owner.get(`/athletes/${athlete}/clips/${id}`).expect(200)).body as ClipRecord).received).toBe(0);
    const file = webm(300);
    const broken = uuid();
    await owner.put(`/athletes/${athlete}/clips/${broken}`, clipOf(file)).expect(200);
    const wrong = Buffer.from(file);
    wrong[100] = wrong[100]! ^ 255;
    expect((await send(athlete, broken, 0, wrong).expect(422)).body.detail).toContain('did not arrive as it was sent');
    await send(athlete, broken, 0, file).expect(200);
  });

  it('that is too large, or more than was announced, is refused', async () => {
    const athlete = await filmed();
    const file = webm(100);
    const { body } = await owner
      .put(`/athletes/${athlete}/clips/${uuid()}`, { ...clipOf(file), bytes: 400 * 1024 * 1024 })
      .expect(422);
    expect(body.detail).toContain('300 MB');
    const id = uuid();
    await owner.put(`/athletes/${athlete}/clips/${id}`, clipOf(file)).expect(200);
    await send(athlete, id, 0, webm(200)).expect(422);
    await send(athlete, id, 0, Buffer.alloc(2 * 1024 * 1024)).expect(413);
    await owner.put(`/athletes/${athlete}/clips/${uuid()}`, { ...clipOf(file), type: 'image/png' }).expect(422);
  });

  it('is private to the academy and the athlete', async () => {
    const athlete = await filmed();
    const file = webm(100);
    const id = uuid();
    await owner.put(`/athletes/${athlete}/clips/${id}`, clipOf(file)).expect(200);
    await send(athlete, id, 0, file).expect(200);
    const stranger = await signedIn(harness);
    await stranger.get(`/athletes/${athlete}/clips/${id}/file`).expect(404);
    const child = await signedIn(harness, { academy: owner.academy, role: 'athlete', athletes: [athlete] });
    await child.get(`/athletes/${athlete}/clips/${id}/file`).expect(200);
    await child.delete(`/athletes/${athlete}/clips/${id}`).expect(403);
    const other = await signedIn(harness, { academy: owner.academy, role: 'athlete', athletes: [await addAthlete(owner)] });
    await other.get(`/athletes/${athlete}/clips/${id}/file`).expect(404);
    // Another athlete of the same academy is no way to it either.
    await owner.get(`/athletes/${await addAthlete(owner)}/clips/${id}/file`).expect(404);
  });
});

describe('marks', () => {
  const profile = {
    discipline: 'overhand',
    throws: 'R',
    birthDate: '2009-01-01',
    heightM: 1.78,
    massKg: 70,
    level: 'high-school',
  } as const;
  const marksFor = (faults: object, seed = 5) => {
    const { delivery, request } = deliveryFor({ seed, athlete: profile, faults });
    const film = filmDelivery(delivery, request, { view: 'side-open', throws: 'R', fps: 240, markSd: 1, seed });
    const metres = 1;
    const pixels = metres / film.scale!.metresPerUnit;
    return {
      events: film.events,
      frames: film.frames,
      scale: { by: 'tape', metres, from: [0, 0], to: [pixels, 0] },
      trim: null,
      drawings: [],
    };
  };
  const noBrace = async (athlete: string) =>
    (await owner.get(`/athletes/${athlete}/diagnosis`).expect(200)).body.result.posterior['no-brace'] as number;

  it('become evidence by themselves, are replaced by better ones, and go with the clip', async () => {
    const athlete = await filmed();
    const before = await noBrace(athlete);
    const id = uuid();
    await owner.put(`/athletes/${athlete}/clips/${id}`, clipOf(webm(100), { frames: 500 })).expect(200);
    await owner.put(`/athletes/${athlete}/clips/${id}/marks`, marksFor({ 'no-brace': 1 })).expect(200);
    const { body } = await owner.get(`/athletes/${athlete}/diagnosis`).expect(200);
    const measured = (body.evidence as { evidence: { kind: string; measure: string; value: number; sd: number } }[]).map(
      (e) => e.evidence,
    );
    expect(measured.every((e) => e.kind === 'measure' && e.sd > 0)).toBe(true);
    expect(measured.find((e) => e.measure === 'stride-length')!.value).toBeCloseTo(81, -1);
    expect(await noBrace(athlete)).toBeGreaterThan(before + 0.3);
    await owner.put(`/athletes/${athlete}/clips/${id}/marks`, marksFor({})).expect(200);
    expect(await noBrace(athlete)).toBeLessThan(before);
    await owner.delete(`/athletes/${athlete}/clips/${id}`).expect(200);
    expect((await owner.get(`/athletes/${athlete}/diagnosis`).expect(200)).body.evidence).toEqual([]);
    expect(readdirSync(harness.clipsFolder)).not.toContain(id);
  });

  it('of a clip filmed from elsewhere than it says are no evidence until that is put right', async () => {
    const athlete = await filmed();
    const id = uuid();
    const setup = { ...clipOf(webm(100)).setup, view: 'side-closed' as const };
    await owner.put(`/athletes/${athlete}/clips/${id}`, clipOf(webm(100), { frames: 500, setup })).expect(200);
    await owner.put(`/athletes/${athlete}/clips/${id}/marks`, marksFor({ 'no-brace': 1 })).expect(200);
    const evidence = async () => (await owner.get(`/athletes/${athlete}/diagnosis`).expect(200)).body.evidence as object[];
    expect(await evidence()).toEqual([]);
    const path = `/athletes/${athlete}/clips/${id}/setup`;
    await owner.put(path, {}).expect(422);
    await owner.put(path, { view: '3d' }).expect(422);
    const { body } = await owner.put(path, { view: 'side-open' }).expect(200);
    expect(body.setup).toEqual({ ...setup, view: 'side-open' });
    expect((await evidence()).length).toBeGreaterThan(5);
    // A rate that cannot be takes it all back.
    await owner.put(path, { captureFps: 30 }).expect(200);
    expect(await evidence()).toEqual([]);
    await owner.put(path, { captureFps: 240 }).expect(200);
    expect((await evidence()).length).toBeGreaterThan(5);
  });

  it('beyond the end of the clip are refused by name', async () => {
    const athlete = await filmed();
    const id = uuid();
    await owner.put(`/athletes/${athlete}/clips/${id}`, clipOf(webm(100))).expect(200);
    const { body } = await owner
      .put(`/athletes/${athlete}/clips/${id}/marks`, { ...EMPTY_MARKS, events: { contact: { frame: 400 } } })
      .expect(422);
    expect(body.errors[0].path).toBe('events.contact.frame');
    const trimmed = await owner
      .put(`/athletes/${athlete}/clips/${id}/marks`, { ...EMPTY_MARKS, trim: { from: 10, to: 400 } })
      .expect(422);
    expect(trimmed.body.errors[0].path).toBe('trim');
  });

  it('of three throws on a day count as their mean, with less error than one', async () => {
    const athlete = await filmed();
    const strides = async () =>
      ((await owner.get(`/athletes/${athlete}/diagnosis`).expect(200)).body.evidence as { evidence: MeasureEvidence }[])
        .map((e) => e.evidence)
        .filter((e) => e.measure === 'stride-length');
    const add = async (seed: number) => {
      const id = uuid();
      await owner.put(`/athletes/${athlete}/clips/${id}`, clipOf(webm(100), { frames: 500 })).expect(200);
      await owner.put(`/athletes/${athlete}/clips/${id}/marks`, marksFor({}, seed)).expect(200);
      return id;
    };
    const first = await add(5);
    const one = await strides();
    expect(one).toHaveLength(1);
    await add(6);
    await add(7);
    const three = await strides();
    expect(three).toHaveLength(1);
    expect(three[0]!.sd!).toBeLessThan(one[0]!.sd!);
    await owner.delete(`/athletes/${athlete}/clips/${first}`).expect(200);
    expect(await strides()).toHaveLength(1);
    expect((await strides())[0]!.sd!).toBeGreaterThan(three[0]!.sd!);
  });

  it('keep drawings as they were drawn, and refuse one that is none', async () => {
    const athlete = await filmed();
    const id = uuid();
    await owner.put(`/athletes/${athlete}/clips/${id}`, clipOf(webm(100))).expect(200);
    const line = {
      id: uuid(),
      kind: 'line',
      points: [
        [1, 2],
        [30, 40],
      ],
      text: '',
      from: 5,
      to: 9,
    };
    const marks = { ...EMPTY_MARKS, drawings: [line] };
    const { body } = await owner.put(`/athletes/${athlete}/clips/${id}/marks`, marks).expect(200);
    expect(body.marks).toEqual(marks);
    const wrong = { ...line, kind: 'angle' };
    const refused = await owner.put(`/athletes/${athlete}/clips/${id}/marks`, { ...marks, drawings: [wrong] }).expect(422);
    expect(refused.body.detail).toContain('“angle” takes 3 to 3 points');
    await owner.put(`/athletes/${athlete}/clips/${id}/marks`, { ...marks, drawings: [{ ...line, to: 2 }] }).expect(422);
    expect(((await owner.get(`/athletes/${athlete}/clips/${id}`).expect(200)).body as ClipRecord).marks).toEqual(marks);
  });

  it('go when the athlete is erased, file and all', async () => {
    const athlete = await filmed();
    const file = webm(100);
    const id = uuid();
    await owner.put(`/athletes/${athlete}/clips/${id}`, clipOf(file)).expect(200);
    await send(athlete, id, 0, file).expect(200);
    await owner.post(`/athletes/${athlete}/erase`, { name: 'Testa Birchley' }).expect(204);
    expect(existsSync(fileOf(id))).toBe(false);
  });
});
