import { v4 as uuid } from 'uuid';
import { rollBackAll, migrate } from '../src/db/connect';
import { addAthlete, eye, makeFocus, pitch, rep, signedIn, startHarness, startSession } from './harness';
import type { Client, Harness } from './harness';

let harness: Harness;
let coach: Client;
beforeAll(async () => {
  harness = await startHarness();
  coach = await signedIn(harness);
});
afterAll(() => harness.close());
beforeEach(() => {
  harness.clock.now = new Date('2026-05-04T15:30:00Z');
});
afterEach(() => expect(harness.faults).toEqual([]));

describe('the loop', () => {
  it('goes from what is seen to a verdict, a move and a plan made anew', async () => {
    const athlete = await addAthlete(coach);
    for (const [finding, answer] of Object.entries({
      stall: 'yes',
      'late-hips': 'yes',
      'turn-together': 'yes',
      'stuck-back': 'no',
      'shin-vertical': 'no',
    }))
      await coach.put(`/athletes/${athlete}/observations/${uuid()}`, eye(finding, answer)).expect(200);
    const { body: diagnosis } = await coach.get(`/athletes/${athlete}/diagnosis`).expect(200);
    expect(diagnosis.result.roots[0].finding).toBe('stall');

    const focus = await makeFocus(coach, athlete);
    const plan = uuid();
    const { body: made } = await coach.put(`/athletes/${athlete}/plans/${plan}`, { weeks: 4, games: [], pinned: [] }).expect(200);
    expect(made.plan.sessions.length).toBeGreaterThan(8);
    await coach.post(`/athletes/${athlete}/plans/${plan}/assign`).expect(200);
    await coach.post(`/athletes/${athlete}/plans/${plan}/assign`).expect(200);
    expect(await harness.db('assignments').where('athlete_id', athlete).count({ n: '*' }).first()).toEqual({
      n: made.plan.sessions.length,
    });

    for (const [day, expected] of [
      ['2026-05-04', 'hold'],
      ['2026-05-06', 'advance'],
    ] as const) {
      harness.clock.now = new Date(`${day}T15:00:00Z`);
      const { body: overview } = await coach.get(`/athletes/${athlete}`).expect(200);
      const session = uuid();
      await coach
        .put(`/athletes/${athlete}/sessions/${session}`, { on: day, assignment: overview.today.id, painBefore: [] })
        .expect(200);
      const entries = Array.from({ length: 10 }, (_, n) => rep({ focus, at: `${day}T15:01:${10 + n}.000Z` }));
      await coach.post(`/athletes/${athlete}/sessions/${session}/log`, { entries }).expect(200);
      harness.clock.now = new Date(`${day}T15:30:00Z`);
      const { body: done } = await coach.post(`/athletes/${athlete}/sessions/${session}/finish`).expect(200);
      expect(done.verdicts).toHaveLength(1);
      expect(done.verdicts[0]).toMatchObject({ verdict: expected, finding: 'stall' });
      const again = await coach.post(`/athletes/${athlete}/sessions/${session}/finish`).expect(200);
      expect(again.body.verdicts).toEqual(done.verdicts);
    }
    const { body: after } = await coach.get(`/athletes/${athlete}`).expect(200);
    expect(after.foci[0]).toMatchObject({ finding: 'stall', rung: 2 });
    expect(after.chain).toContain('working');
    const { body: newest } = await coach.get(`/athletes/${athlete}/plan`).expect(200);
    expect(newest.id).not.toBe(plan);
    expect(newest.on).toBe('2026-05-07');
    expect(newest.plan.sessions[0].items.some((i: { rung: number }) => i.rung === 2)).toBe(true);

    const { body: back } = await coach
      .post(`/athletes/${athlete}/foci/${focus}/change`, { rung: 1, reason: 'Not yet clean on the slope' })
      .expect(200);
    expect(back.foci[0].rung).toBe(1);
    expect(back.moves[0]).toMatchObject({ by: 'coach', from: 2, to: 1 });
    const { body: progress } = await coach.get(`/athletes/${athlete}/progress`).expect(200);
    expect(progress.focus[0].sessions).toHaveLength(2);
  });

  it('keeps at most one focus in each half', async () => {
    const athlete = await addAthlete(coach);
    await makeFocus(coach, athlete, 'stall');
    await makeFocus(coach, athlete, 'long-lever');
    await makeFocus(coach, athlete, 'late-hips');
    const { body } = await coach.get(`/athletes/${athlete}`).expect(200);
    expect(body.foci.map((f: { finding: string }) => f.finding).sort()).toEqual(['late-hips', 'long-lever']);
  });

  it('stores what was shown with the catalogue’s version', async () => {
    const athlete = await addAthlete(coach);
    await coach.put(`/athletes/${athlete}/observations/${uuid()}`, eye('knee-led-load', 'yes')).expect(200);
    const id = uuid();
    await coach.put(`/athletes/${athlete}/diagnoses/${id}`).expect(200);
    const row = await harness.db('diagnoses').where('id', id).first();
    expect(row!.catalogue_version).toMatch(/^1\./);
    expect(row!.shown.result.roots[0]!.finding).toBe('knee-led-load');
  });
});

describe('writes sent again', () => {
  it('are one row, in any order and mixture', async () => {
    const athlete = await addAthlete(coach);
    const session = await startSession(coach, athlete);
    const entries = Array.from({ length: 6 }, (_, n) => rep({ at: `2026-05-04T15:01:0${n}.000Z` }));
    const log = (list: object[]) => coach.post(`/athletes/${athlete}/sessions/${session}/log`, { entries: list }).expect(200);
    await Promise.all([log(entries.slice(0, 4)), log(entries.slice(2)), log([...entries].reverse())]);
    const { body } = await log(entries);
    expect(body.session.tallies).toEqual([{ drill: 'strap-held-start', reps: 6, good: 6, close: 0, off: 0 }]);
  });

  it('undo once and tag a cheat once', async () => {
    const athlete = await addAthlete(coach);
    const session = await startSession(coach, athlete);
    const [good, off] = [rep(), rep({ judged: 'off' })] as { id: string }[];
    const more = [
      { type: 'undo', id: uuid(), at: '2026-05-04T15:02:00.000Z', rep: good!.id },
      { type: 'cheat', id: uuid(), at: '2026-05-04T15:02:01.000Z', rep: off!.id, cheat: 'back-leg-lost' },
    ];
    for (let time = 0; time < 2; time++)
      await coach.post(`/athletes/${athlete}/sessions/${session}/log`, { entries: [good, off, ...more] }).expect(200);
    const rows = await harness.db('reps').where('session_id', session).orderBy('judged');
    expect(rows.map((r) => [r.judged, r.undone, r.cheat])).toEqual([
      ['good', 1, null],
      ['off', 0, 'back-leg-lost'],
    ]);
  });

  it('refuse an id that another academy has', async () => {
    const other = await signedIn(harness);
    const [mine, theirs] = [await addAthlete(coach), await addAthlete(other)];
    const id = uuid();
    await other.put(`/athletes/${theirs}/observations/${id}`, eye('stall', 'yes')).expect(200);
    const { body } = await coach.put(`/athletes/${mine}/observations/${id}`, eye('stall', 'no')).expect(409);
    expect(body.title).toBe('That id is taken');
    expect((await harness.db('observations').where('id', id).first())!.evidence).toMatchObject({ answer: 'yes' });
  });
});

describe('the arm', () => {
  it('refuses throws after the day’s budget, and keeps them as load', async () => {
    const athlete = await addAthlete(coach);
    const session = await startSession(coach, athlete);
    const entries = Array.from({ length: 115 }, (_, n) => pitch({ at: new Date(Date.UTC(2026, 4, 4, 15, 1, n)).toISOString() }));
    const { body } = await coach.post(`/athletes/${athlete}/sessions/${session}/log`, { entries }).expect(200);
    const refused = body.results.filter((r: { status: string }) => r.status === 'refused');
    expect(refused).toHaveLength(5);
    expect(refused[0].reason).toContain('110 throws are used up');
    expect(body.session.workload.week.throws).toBe(115);
    expect(body.session.dryOnly).toContain('used up');
  });

  it('counts no throw of a day that hurt, whenever it is said to have been thrown, and dry work goes on', async () => {
    const athlete = await addAthlete(coach);
    const session = await startSession(coach, athlete);
    const pain = {
      type: 'pain',
      id: uuid(),
      at: '2026-05-04T15:05:00.000Z',
      moment: 'during',
      pain: { site: 'elbow', score: 1 },
    };
    await coach.post(`/athletes/${athlete}/sessions/${session}/log`, { entries: [pain] }).expect(200);
    const late = [
      pitch({ at: '2026-05-04T15:04:00.000Z' }),
      pitch({ at: '2026-05-04T15:06:00.000Z' }),
      rep({ at: '2026-05-04T15:07:00.000Z' }),
    ];
    const { body } = await coach.post(`/athletes/${athlete}/sessions/${session}/log`, { entries: late }).expect(200);
    expect(body.results.map((r: { status: string }) => r.status)).toEqual(['refused', 'refused', 'stored']);
    expect(body.session.notCounted[0]).toMatchObject({
      entries: expect.any(Number),
      reason: expect.stringContaining('lbow pain of 1'),
    });
    const { body: done } = await coach.get(`/athletes/${athlete}`);
    expect(done.workload.today.locked.until).toBe('2026-05-05');
  });

  it('stays locked until a clearance, also for plans', async () => {
    const athlete = await addAthlete(coach);
    await makeFocus(coach, athlete, 'stall', 4);
    await startSession(coach, athlete, '2026-05-04', [{ site: 'shoulder', score: 4 }]);
    harness.clock.now = new Date('2026-05-06T15:00:00Z');
    const session = await startSession(coach, athlete, '2026-05-06');
    const { body } = await coach
      .post(`/athletes/${athlete}/sessions/${session}/log`, { entries: [pitch({ at: '2026-05-06T15:01:00.000Z' })] })
      .expect(200);
    expect(body.results[0]).toMatchObject({ status: 'refused' });
    const plan = (await coach.put(`/athletes/${athlete}/plans/${uuid()}`, { weeks: 2, games: [], pinned: [] }).expect(200)).body
      .plan;
    expect(plan.sessions.every((s: { throws: number }) => s.throws === 0)).toBe(true);
    const { body: cleared } = await coach
      .put(`/athletes/${athlete}/clearances/${uuid()}`, { date: '2026-05-06', by: 'Dr. Fenn Made-Up' })
      .expect(200);
    expect(cleared.workload.today.locked).toBeNull();
  });

  it('goes one rung down when the arm hurts in the session', async () => {
    const athlete = await addAthlete(coach);
    const focus = await makeFocus(coach, athlete, 'stall', 3);
    const session = await startSession(coach, athlete);
    const pain = {
      type: 'pain',
      id: uuid(),
      at: '2026-05-04T15:05:00.000Z',
      moment: 'after',
      pain: { site: 'shoulder', score: 2 },
    };
    await coach
      .post(`/athletes/${athlete}/sessions/${session}/log`, {
        entries: [pitch({ focus, drill: 'hinge-start-throw', rung: 3, effort: 60 }), pain],
      })
      .expect(200);
    const { body } = await coach.post(`/athletes/${athlete}/sessions/${session}/finish`).expect(200);
    expect(body.verdicts[0]).toMatchObject({ verdict: 'regress', from: 3, to: 2 });
  });

  it('counts games and outside throwing in rest and budget', async () => {
    const athlete = await addAthlete(coach);
    const { body } = await coach
      .put(`/athletes/${athlete}/outings/${uuid()}`, { on: '2026-05-03', pitches: 62, throws: 70, highEffort: 0, innings: 4 })
      .expect(200);
    expect(body.workload.today).toMatchObject({ pitchesLeft: 0, restUntil: '2026-05-07' });
  });
});

describe('migrations', () => {
  it('go back and forth', async () => {
    const own = await startHarness();
    await rollBackAll(own.db);
    expect(
      (await own.db.raw('show tables'))[0].map((r: object) => Object.values(r)[0]).filter((t: string) => !t.startsWith('knex_')),
    ).toEqual([]);
    await migrate(own.db);
    await signedIn(own);
    await own.close();
  });
});
