import { EMPTY_INTAKE } from '@wrightonic/contract';
import type { IntakeRecord } from '@wrightonic/contract';
import { v4 as uuid } from 'uuid';
import { addAthlete, pitch, SETTINGS, signedIn, startHarness, startSession } from './harness';
import type { Client, Harness } from './harness';

let harness: Harness;
let owner: Client;
beforeAll(async () => {
  harness = await startHarness();
  owner = await signedIn(harness);
});
afterAll(() => harness.close());
afterEach(() => expect(harness.faults).toEqual([]));

const intake = (more: Partial<IntakeRecord> = {}): IntakeRecord => ({ ...EMPTY_INTAKE, next: null, ...more });
const evidenceOf = async (athlete: string) =>
  ((await owner.get(`/athletes/${athlete}/diagnosis`).expect(200)).body.evidence as { by: string; evidence: object }[]).map(
    (e) => e.evidence,
  );

describe('an intake', () => {
  it('is kept whole, and can be gone on with', async () => {
    const athlete = await addAthlete(owner);
    expect((await owner.get(`/athletes/${athlete}`).expect(200)).body.intakeNext).toBe('family');
    const half = intake({
      next: 'thoughts',
      goals: 'Strikes',
      words: { lift: 'up' },
      guardians: [{ name: 'Wim', relation: 'father', contact: '+00 1' }],
    });
    await owner.put(`/athletes/${athlete}/intake`, half).expect(200);
    expect((await owner.get(`/athletes/${athlete}/intake`).expect(200)).body.intake).toEqual(half);
    expect((await owner.get(`/athletes/${athlete}`).expect(200)).body.intakeNext).toBe('thoughts');
    await owner.put(`/athletes/${athlete}/intake`, { ...half, next: null }).expect(200);
    expect((await owner.get(`/athletes/${athlete}`).expect(200)).body.intakeNext).toBeNull();
  });

  it('makes evidence of misleading thoughts and history, once, and takes it back with them', async () => {
    const athlete = await addAthlete(owner);
    const told = intake({ thoughts: ['move-push', 'set-quiet'], history: { ...EMPTY_INTAKE.history, armPain: true } });
    await owner.put(`/athletes/${athlete}/intake`, told).expect(200);
    await owner.put(`/athletes/${athlete}/intake`, told).expect(200);
    const found = await evidenceOf(athlete);
    expect(found).toHaveLength(2);
    expect(found).toEqual(
      expect.arrayContaining([
        { kind: 'told', thought: 'move-push' },
        { kind: 'history', event: 'arm-pain' },
      ]),
    );
    await owner.put(`/athletes/${athlete}/intake`, intake({ thoughts: ['set-quiet'] })).expect(200);
    expect(await evidenceOf(athlete)).toEqual([]);
  });

  it('refuses thoughts of the other delivery, and says which', async () => {
    const athlete = await addAthlete(owner);
    const { body } = await owner
      .put(`/athletes/${athlete}/intake`, intake({ thoughts: ['set-quiet', 'turn-wrist'] }))
      .expect(422);
    expect(body.errors[0].path).toBe('thoughts[1]');
  });

  it('keeps the plan clear of games to come', async () => {
    const athlete = await addAthlete(owner);
    await owner.put(`/athletes/${athlete}/foci/${uuid()}`, { finding: 'stall', rung: 6, diagnosis: null }).expect(200);
    await owner.put(`/athletes/${athlete}/intake`, intake({ games: [{ date: '2026-05-06', pitches: 50 }] })).expect(200);
    const { body } = await owner.put(`/athletes/${athlete}/plans/${uuid()}`, { weeks: 1, games: [], pinned: [] }).expect(200);
    const day = (body.plan.sessions as { date: string; throws: number }[]).find((s) => s.date === '2026-05-06');
    expect(day?.throws ?? 0).toBe(0);
  });
});

describe('consent', () => {
  const people = async () => {
    const minor = await addAthlete(owner, { name: 'Minnie Birchley' });
    const grown = await addAthlete(owner, { name: 'Gerd Oakwell', birthDate: '2004-02-11' });
    const { academy } = owner;
    return {
      minor,
      grown,
      child: await signedIn(harness, { academy, role: 'athlete', athletes: [minor] }),
      adult: await signedIn(harness, { academy, role: 'athlete', athletes: [grown] }),
      guardian: await signedIn(harness, { academy, role: 'guardian', athletes: [minor] }),
    };
  };
  const give = (client: Client, athlete: string, body: object) =>
    client.put(`/athletes/${athlete}/consents/${uuid()}`, { kind: 'film', given: true, ...body });

  it('is an adult’s to give', async () => {
    const { minor, grown, child, adult, guardian } = await people();
    expect((await give(child, minor, {}).expect(403)).body.detail).toContain('guardian');
    await give(adult, grown, {}).expect(200);
    const { body } = await give(guardian, minor, {}).expect(200);
    expect(body.consents).toEqual([
      { kind: 'film', given: true, by: 'Test Person', recordedBy: 'Test Person', on: '2026-05-04' },
    ]);
  });

  it('is written down by a coach with whose word it was, and never as the child’s own', async () => {
    const { minor } = await people();
    expect((await give(owner, minor, {}).expect(422)).body.errors[0].path).toBe('by');
    await give(owner, minor, { by: 'minnie birchley' }).expect(422);
    const { body } = await give(owner, minor, { by: 'Wim Birchley' }).expect(200);
    expect(body.consents[0]).toMatchObject({ by: 'Wim Birchley', recordedBy: 'Test Person' });
  });

  it('cannot be given in somebody else’s name', async () => {
    const { minor, guardian } = await people();
    await give(guardian, minor, { by: 'Ada Coach' }).expect(422);
  });

  it('is taken back at once, and what stood before stays on the record', async () => {
    const { minor, guardian } = await people();
    const id = uuid();
    await guardian.put(`/athletes/${minor}/consents/${id}`, { kind: 'film', given: true }).expect(200);
    // The same word sent again is one word.
    await guardian.put(`/athletes/${minor}/consents/${id}`, { kind: 'film', given: true }).expect(200);
    const { body } = await give(guardian, minor, { given: false }).expect(200);
    expect(body.consents[0].given).toBe(false);
    expect(await harness.db('consents').where('athlete_id', minor)).toHaveLength(2);
    const { body: page } = await owner.get(`/athletes/${minor}`).expect(200);
    expect((page.timeline as { text: string }[]).map((t) => t.text).join()).toContain('took back consent to film');
  });
});

describe('rules of the academy', () => {
  it('are strict for the athlete’s age, beside the tables', async () => {
    const mine = await signedIn(harness);
    const leagueAges = [
      { from: 8, rule: { daily: 40 } },
      { from: 15, rule: { daily: 60 } },
    ];
    await mine.put('/academy/settings', { ...SETTINGS, leagueAges }).expect(200);
    const left = async (birthDate: string) =>
      (await mine.get(`/athletes/${await addAthlete(mine, { birthDate })}`).expect(200)).body.workload.today
        .pitchesLeft as number;
    expect([await left('2016-01-01'), await left('2010-01-01')]).toEqual([40, 60]);
  });

  it('lock weighted balls until they are allowed, and under sixteen in any case', async () => {
    const mine = await signedIn(harness);
    const put = (birthDate: string) =>
      mine.put(`/athletes/${uuid()}`, { ...ATHLETE_WITH, birthDate, equipment: ['net', 'weighted-ball'] });
    expect((await put('2004-01-01').expect(422)).body.detail).toContain('are off');
    await mine.put('/academy/settings', { ...SETTINGS, weightedBalls: true }).expect(200);
    await put('2004-01-01').expect(200);
    expect((await put('2012-01-01').expect(422)).body.detail).toContain('under 16');
  });

  it('refuse thresholds that make no sense, by name, and keep what stood', async () => {
    const mine = await signedIn(harness);
    const numbers = { tests: { 'hip-internal-rotation': { pass: 20, watch: 30 } } };
    const { body } = await mine.put('/academy/settings', { ...SETTINGS, numbers }).expect(422);
    expect(body.errors[0].path).toBe('numbers.tests.hip-internal-rotation.watch');
    expect((await mine.get('/me').expect(200)).body.academy.numbers).toEqual({});
  });
});

describe('a clearance', () => {
  it('is recorded by an adult, opens throwing, and shows its limits to everybody it concerns', async () => {
    const athlete = await addAthlete(owner);
    const group = uuid();
    await owner.put(`/groups/${group}`, { name: `G ${group}`, athletes: [athlete] }).expect(200);
    const { academy } = owner;
    const child = await signedIn(harness, { academy, role: 'athlete', athletes: [athlete] });
    const guardian = await signedIn(harness, { academy, role: 'guardian', athletes: [athlete] });
    const station = await signedIn(harness, { academy, role: 'station', groups: [group] });
    const session = await startSession(child, athlete, '2026-05-04', [{ site: 'elbow', score: 4 }]);
    const { body: refused } = await child
      .post(`/athletes/${athlete}/sessions/${session}/log`, { entries: [pitch()] })
      .expect(200);
    expect(refused.results[0].status).toBe('refused');
    for (const client of [owner, child, guardian, station])
      expect((await client.get(`/athletes/${athlete}/work`).expect(200)).body.workload.today.locked.reason).toContain('elbow');

    harness.clock.now = new Date('2026-05-06T15:00:00Z');
    const cleared = { date: '2026-05-06', by: 'Dr. Imelda Fennigard', limits: 'Half effort for two weeks', until: '2026-05-20' };
    await child.put(`/athletes/${athlete}/clearances/${uuid()}`, cleared).expect(403);
    await station.put(`/athletes/${athlete}/clearances/${uuid()}`, cleared).expect(403);
    await guardian.put(`/athletes/${athlete}/clearances/${uuid()}`, cleared).expect(200);
    for (const client of [owner, child, guardian, station]) {
      const { body } = await client.get(`/athletes/${athlete}/work`).expect(200);
      expect(body.workload.today.locked).toBeNull();
      expect(body.clearance).toEqual({ ...cleared, recordedBy: 'Test Person' });
    }
    // Its last day over, the lock stands again.
    harness.clock.now = new Date('2026-05-21T15:00:00Z');
    const { body: later } = await child.get(`/athletes/${athlete}/work`).expect(200);
    expect([later.workload.today.locked?.until, later.clearance]).toEqual(['clearance', null]);
    harness.clock.now = new Date('2026-05-04T15:00:00Z');
  });
});

const ATHLETE_WITH = {
  name: 'Weighty Birchley',
  discipline: 'overhand',
  throws: 'R',
  heightM: 1.78,
  massKg: 70,
  level: 'high-school',
  season: 'off',
  availability: [],
  partner: false,
  schools: {},
};
