import { v4 as uuid } from 'uuid';
import { comparisonsIn, diagnose } from '@wrightonic/core';
import { addAthlete, eye, SETTINGS, signedIn, startHarness } from './harness';
import type { Client, Harness } from './harness';

/** The coach's word, what changed since, evidence that fades, and each coach's own eye. */
let harness: Harness;
let owner: Client;
let other: Client;
let athlete: string;

beforeAll(async () => {
  harness = await startHarness();
  owner = await signedIn(harness);
  other = await signedIn(harness, { academy: owner.academy, role: 'instructor' });
});
afterAll(() => harness.close());
beforeEach(async () => {
  athlete = await addAthlete(owner);
});
afterEach(() => expect(harness.faults).toEqual([]));

const see = (client: Client, finding: string, answer: 'yes' | 'no', on = '2026-05-04') =>
  client.put(`/athletes/${athlete}/observations/${uuid()}`, eye(finding as never, answer, on)).expect(200);
const measure = (value: number, on = '2026-05-04') =>
  owner
    .put(`/athletes/${athlete}/observations/${uuid()}`, {
      on,
      evidence: { kind: 'measure', measure: 'hip-shoulder-separation', event: 'contact', value, unit: 'deg', sd: 3 },
    })
    .expect(200);
const rule = (finding: string, as: string, reason = 'seen on film', id = uuid()) =>
  owner.put(`/athletes/${athlete}/rulings/${id}`, { finding, as, reason });

describe('the coach’s word', () => {
  it('is kept with its reason, respected until it is taken back, and a conflict is said', async () => {
    await see(owner, 'late-hips', 'yes');
    await see(owner, 'turn-together', 'yes');
    const id = uuid();
    const { body } = await rule('late-hips', 'absent', 'film says otherwise', id).expect(200);
    expect(body.rulings).toMatchObject([
      { id, finding: 'late-hips', as: 'absent', reason: 'film says otherwise', on: '2026-05-04' },
    ]);
    expect(body.result.posterior['late-hips']).toBeLessThan(1e-4);
    // More of the same does not undo it; that the evidence now speaks against it is said.
    const later = await see(other, 'late-hips', 'yes');
    expect(later.body.result.posterior['late-hips']).toBeLessThan(1e-3);
    expect(later.body.result.overruled).toMatchObject([{ finding: 'late-hips', conflict: true }]);
    const back = await owner.delete(`/athletes/${athlete}/rulings/${id}`).expect(200);
    expect(back.body.rulings).toEqual([]);
    expect(back.body.result.posterior['late-hips']).toBeGreaterThan(0.5);
    // That it stood is kept.
    const row = await harness.db('rulings').where('id', id).first();
    expect(row!.ended_at).not.toBeNull();
    expect(
      (await owner.get(`/athletes/${athlete}`).expect(200)).body.timeline.map((t: { text: string }) => t.text).join(),
    ).toContain('film says otherwise');
  });

  it('gives way to a newer word on the same finding, and a repeated request is one word', async () => {
    const id = uuid();
    await rule('stall', 'present', 'first', id).expect(200);
    await rule('stall', 'present', 'first', id).expect(200);
    const { body } = await rule('stall', 'root', 'second').expect(200);
    expect(body.rulings).toMatchObject([{ as: 'root', reason: 'second' }]);
    expect(await harness.db('rulings').where('athlete_id', athlete)).toHaveLength(2);
    expect(body.result.roots[0]).toMatchObject({ finding: 'stall', byWord: true });
  });

  it('is refused without a reason, on a finding of another delivery, and on an unknown one', async () => {
    for (const [given, path] of [
      [{ finding: 'stall', as: 'absent', reason: ' ' }, 'reason'],
      [{ finding: 'stall', as: 'perhaps', reason: 'x' }, 'as'],
      [{ finding: 'straight-whip', as: 'absent', reason: 'x' }, 'finding'],
      [{ finding: 'nothing', as: 'absent', reason: 'x' }, 'finding'],
    ] as const) {
      const { body } = await owner.put(`/athletes/${athlete}/rulings/${uuid()}`, given).expect(422);
      expect(body.errors[0].path).toBe(path);
    }
    expect(await harness.db('rulings').where('athlete_id', athlete)).toEqual([]);
  });

  it('moves the roster’s flags with it', async () => {
    for (const finding of ['fly-open', 'arm-drag', 'early-arm']) await see(owner, finding, 'yes');
    await measure(2);
    const flags = async () => (await harness.db('athletes').where('id', athlete).first())!.flags;
    expect(await flags()).toContain('arm-drag');
    await rule('arm-drag', 'absent').expect(200);
    expect(await flags()).not.toContain('arm-drag');
  });
});

describe('a second look', () => {
  it('names what is judged otherwise than when the diagnosis was kept', async () => {
    await see(owner, 'late-hips', 'yes', '2026-05-03');
    await owner.put(`/athletes/${athlete}/diagnoses/${uuid()}`).expect(200);
    const same = await owner.get(`/athletes/${athlete}/diagnosis`).expect(200);
    expect(same.body.changes).toEqual({ since: '2026-05-04', list: [] });
    const { body } = await owner
      .put(`/athletes/${athlete}/observations/${uuid()}`, {
        on: '2026-05-04',
        evidence: { kind: 'screen', test: 'hip-internal-rotation', side: 'drive', value: 16, unit: 'deg' },
      })
      .expect(200);
    expect(body.changes.list[0]).toMatchObject({ kind: 'root', finding: 'drive-hip-ir' });
  });

  it('compares with the session before where none was kept, and says nothing of a first look', async () => {
    const first = await see(owner, 'stall', 'yes', '2026-04-01');
    expect(first.body.changes).toBeNull();
    for (const finding of ['late-hips', 'stuck-back']) await see(owner, finding, 'yes', '2026-05-04');
    const { body } = await owner.get(`/athletes/${athlete}/diagnosis`).expect(200);
    expect(body.changes.since).toBe('2026-04-01');
    expect(body.changes.list.length).toBeGreaterThan(0);
  });
});

describe('what the device judges by', () => {
  it('is the request that the server judged, with days, eyes and academy numbers', async () => {
    await see(owner, 'stall', 'yes', '2026-03-01');
    await see(other, 'late-hips', 'yes');
    const { body } = await owner.get(`/athletes/${athlete}/diagnosis`).expect(200);
    expect(body.request.evidence.map((e: { on: string }) => e.on)).toEqual(['2026-03-01', '2026-05-04']);
    expect(JSON.parse(JSON.stringify(diagnose(body.request)))).toEqual(body.result);
    // A look of two months ago says less than one of today.
    const fresh = diagnose({ ...body.request, on: '2026-03-01', evidence: body.request.evidence.slice(0, 1) });
    const old = diagnose({ ...body.request, evidence: body.request.evidence.slice(0, 1) });
    expect(old.posterior.stall!).toBeLessThan(fresh.posterior.stall!);
  });

  it('holds in every other academy’s day, however the time zone was moved', async () => {
    await see(owner, 'stall', 'yes');
    harness.clock.now = new Date('2026-05-03T15:00:00Z');
    try {
      await owner.get(`/athletes/${athlete}/diagnosis`).expect(200);
    } finally {
      harness.clock.now = new Date('2026-05-04T15:00:00Z');
    }
  });
});

describe('each coach’s eye', () => {
  it('is held against measures, counts in the diagnosis, and is shown to its owner alone', async () => {
    for (let n = 0; n < 3; n++) {
      athlete = await addAthlete(owner);
      await see(owner, 'turn-together', 'no');
      await see(other, 'turn-together', 'yes');
      await measure(1);
    }
    const own = (await owner.get('/own-eye').expect(200)).body;
    const theirs = (await other.get('/own-eye').expect(200)).body;
    expect(own.clear).toMatchObject({ there: 3, saidYes: 0 });
    expect(theirs.clear).toMatchObject({ there: 3, saidYes: 3 });
    expect(own.findings).toEqual([{ finding: 'turn-together', agreed: 0, of: 3 }]);
    expect(own.clear.sensitivity).toBeLessThan(theirs.clear.sensitivity);
    // In another athlete the same look by either says as much as it has earned.
    athlete = await addAthlete(owner);
    const mine = (await see(owner, 'turn-together', 'yes')).body;
    const item = mine.request.evidence[0];
    // What leaves the server is what the look says, in coarse steps: nobody can work out whose eye is how good.
    expect(item.weighs % 0.5).toBe(0);
    expect(JSON.stringify(mine)).not.toMatch(/sensitivity|specificity/);
    const exported = await owner.get(`/athletes/${athlete}/export`).expect(200);
    expect(JSON.stringify(exported.body)).not.toContain('eye_agreements');
  });

  it('forgets a look that was taken back', async () => {
    const id = uuid();
    await other.put(`/athletes/${athlete}/observations/${id}`, eye('turn-together', 'yes')).expect(200);
    await measure(1);
    const { body } = await other.get(`/athletes/${athlete}/diagnosis`).expect(200);
    expect(comparisonsIn(body.request)).toHaveLength(1);
    expect(await harness.db('eye_agreements').where('athlete_id', athlete)).toHaveLength(1);
    await other.delete(`/athletes/${athlete}/observations/${id}`).expect(200);
    expect(await harness.db('eye_agreements').where('athlete_id', athlete)).toEqual([]);
  });
});

describe('an academy’s own weights', () => {
  it('change every diagnosis at once, and a weight out of bounds is refused with its place', async () => {
    await see(owner, 'turn-together', 'yes');
    const before = (await see(owner, 'late-hips', 'yes')).body.result;
    await owner
      .put('/academy/settings', { ...SETTINGS, numbers: { model: { 'stall>late-hips': 0, 'drive-hip-ir>late-hips': 0.9 } } })
      .expect(200);
    const after = (await owner.get(`/athletes/${athlete}/diagnosis`).expect(200)).body.result;
    const drive = (d: typeof before) => d.roots.find((r: { finding: string }) => r.finding === 'drive-hip-ir')?.probability ?? 0;
    expect(drive(after)).toBeGreaterThan(drive(before) + 0.02);
    for (const model of [{ 'stall>late-hips': 1.2 }, { 'stall>nothing': 0.3 }]) {
      const { body } = await owner.put('/academy/settings', { ...SETTINGS, numbers: { model } }).expect(422);
      expect(body.errors[0].path).toContain('model.stall>');
    }
    await owner.put('/academy/settings', SETTINGS).expect(200);
  });
});
