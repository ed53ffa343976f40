/** The arm's rules as they are enforced over HTTP: locks and clearances in time, who may record what, and what a plan makes of it. */
import { v4 as uuid } from 'uuid';
import { addAthlete, log, makeFocus, pitch, rep, signedIn, startHarness, startSession } from './harness';
import type { Client, Harness } from './harness';

let harness: Harness;
let coach: Client;
beforeAll(async () => {
  harness = await startHarness();
  coach = await signedIn(harness);
});
afterAll(() => harness.close());
beforeEach(() => at('2026-05-04T15:00:00Z'));
afterEach(() => expect(harness.faults).toEqual([]));

const at = (instant: string) => {
  harness.clock.now = new Date(instant);
};
const pain = (site: string, score: number, stamp: string, more: object = {}) => ({
  type: 'pain',
  id: uuid(),
  at: stamp,
  moment: 'during',
  pain: { site, score, ...more },
});
const clear = (client: Client, athlete: string, body: object, id = uuid()) =>
  client.put(`/athletes/${athlete}/clearances/${id}`, { date: '2026-05-04', by: 'A. Clinician', ...body });
const today = async (athlete: string) => (await coach.get(`/athletes/${athlete}`).expect(200)).body.workload.today;
const rosterRow = async (athlete: string) =>
  (await coach.get('/athletes').expect(200)).body.rows.find((r: { id: string }) => r.id === athlete);

describe('a lock', () => {
  it('stands from its instant, on page, work, roster and today’s list, and for every session of the day', async () => {
    const athlete = await addAthlete(coach);
    const session = await startSession(coach, athlete);
    await log(coach, athlete, session, [pain('elbow', 4, '2026-05-04T14:30:00Z')]);
    expect(await today(athlete)).toMatchObject({
      throwsLeft: 0,
      highEffortLeft: 0,
      pitchesLeft: 0,
      locked: { until: 'clearance' },
    });
    expect((await rosterRow(athlete)).locked).toBe(true);
    const needs = (await coach.get('/today').expect(200)).body.needs as { kind: string; athlete: string }[];
    expect(needs).toContainEqual(expect.objectContaining({ kind: 'pain', athlete }));
    const other = await startSession(coach, athlete);
    expect((await log(coach, athlete, other, [pitch({ at: '2026-05-04T14:59:00Z' })])).results[0]).toMatchObject({
      status: 'refused',
      kept: true,
    });
  });

  it('comes again with what is reported after a clearance, the same day too', async () => {
    const athlete = await addAthlete(coach);
    const session = await startSession(coach, athlete, '2026-05-04', [{ site: 'shoulder', score: 5 }]);
    at('2026-05-05T10:00:00Z');
    await clear(coach, athlete, { date: '2026-05-05', at: '09:00' }).expect(200);
    expect((await today(athlete)).locked).toBeNull();
    const next = await startSession(coach, athlete, '2026-05-05');
    expect((await log(coach, athlete, next, [pitch({ at: '2026-05-05T09:30:00Z' })])).results[0].status).toBe('stored');
    await log(coach, athlete, next, [pain('hand', 0, '2026-05-05T09:45:00Z', { signs: ['numbness'] })]);
    expect((await today(athlete)).locked).toMatchObject({ until: 'clearance', reason: expect.stringContaining('numbness') });
    // The clearance of the morning does not open it.
    expect((await log(coach, athlete, session, [pitch({ at: '2026-05-05T09:50:00Z' })])).results[0].status).toBe('refused');
  });

  it('is back on the day after the clearance’s last, with nobody writing anything', async () => {
    const athlete = await addAthlete(coach);
    await startSession(coach, athlete, '2026-05-04', [{ site: 'elbow', score: 6 }]);
    at('2026-05-05T10:00:00Z');
    await clear(coach, athlete, { date: '2026-05-05', at: '09:00', until: '2026-05-07' }).expect(200);
    expect(await today(athlete)).toMatchObject({ locked: null, lockComesBack: '2026-05-08' });
    expect((await rosterRow(athlete)).locked).toBe(false);
    at('2026-05-08T06:00:00Z');
    expect((await rosterRow(athlete)).locked).toBe(true);
    expect((await coach.get('/athletes?flag=locked').expect(200)).body.rows.map((r: { id: string }) => r.id)).toContain(athlete);
    expect(((await coach.get('/today').expect(200)).body.needs as { athlete: string }[]).map((n) => n.athlete)).toContain(
      athlete,
    );
    expect((await today(athlete)).locked.reason).toContain('run out');
    const session = await startSession(coach, athlete, '2026-05-08');
    expect((await log(coach, athlete, session, [pitch({ at: '2026-05-08T05:59:00Z' })])).results[0].status).toBe('refused');
  });

  it('of the knee stops legs and throws of its day, and two sessions running until it is cleared', async () => {
    const athlete = await addAthlete(coach);
    const session = await startSession(coach, athlete, '2026-05-04', [{ site: 'knee', score: 3 }]);
    const entries = [rep({ at: '2026-05-04T14:59:00Z' }), pitch({ at: '2026-05-04T14:59:10Z' })];
    expect((await log(coach, athlete, session, entries)).results.map((r: { status: string }) => r.status)).toEqual([
      'refused',
      'refused',
    ]);
    at('2026-05-05T15:00:00Z');
    expect((await today(athlete)).locked).toBeNull();
    await startSession(coach, athlete, '2026-05-05', [{ site: 'hip', score: 4 }]);
    at('2026-05-09T15:00:00Z');
    expect((await today(athlete)).locked).toMatchObject({ until: 'clearance', legs: true });
    await clear(coach, athlete, { date: '2026-05-09', at: '14:00' }).expect(200);
    expect((await today(athlete)).locked).toBeNull();
  });
});

describe('a clearance', () => {
  it('is a ceiling in numbers, enforced with the words beside it', async () => {
    const athlete = await addAthlete(coach);
    await startSession(coach, athlete, '2026-05-04', [{ site: 'elbow', score: 5 }]);
    at('2026-05-06T15:00:00Z');
    await clear(coach, athlete, {
      date: '2026-05-06',
      at: '09:00',
      limits: 'Light catch',
      mostThrows: 3,
      highestEffort: 80,
    }).expect(200);
    expect(await today(athlete)).toMatchObject({ throwsLeft: 3, highEffortLeft: 0, pitchesLeft: 0, highestEffort: 80 });
    const session = await startSession(coach, athlete, '2026-05-06');
    const stamps = [1, 2, 3, 4].map((s) => `2026-05-06T14:5${s}:00Z`);
    const entries = [
      pitch({ at: stamps[0]! }),
      pitch({ at: stamps[1]!, effort: 85 }),
      pitch({ at: stamps[2]! }),
      pitch({ at: stamps[3]! }),
    ];
    const { results } = await log(coach, athlete, session, entries);
    expect(results.map((r: { reason: string | null }) => r.reason)).toEqual([
      null,
      expect.stringContaining('80 % effort at most'),
      null,
      expect.stringContaining('3 throws a day'),
    ]);
    const { body } = await coach.get(`/athletes/${athlete}/work`).expect(200);
    expect(body.clearance).toMatchObject({ limits: 'Light catch', mostThrows: 3, recordedBy: 'Test Person' });
  });

  it('without a time does not open for the pain of its own day; with one it does', async () => {
    const athlete = await addAthlete(coach);
    await startSession(coach, athlete, '2026-05-04', [{ site: 'elbow', score: 5 }]);
    at('2026-05-04T18:00:00Z');
    await clear(coach, athlete, {}).expect(200);
    expect((await today(athlete)).locked.until).toBe('clearance');
    await clear(coach, athlete, { at: '17:00' }).expect(200);
    // The lock is open; the day on which it hurt has no more throws.
    expect((await today(athlete)).locked.until).toBe('2026-05-05');
    await clear(coach, athlete, { at: '18:03' }).expect(422);
  });

  it('is recorded by owner, instructor, the guardian of a minor and the athlete from eighteen, and by nobody else', async () => {
    const { academy } = coach;
    const athletes = { minor: await addAthlete(coach), adult: await addAthlete(coach, { birthDate: '2007-05-05' }) };
    const group = uuid();
    await coach.put(`/groups/${group}`, { name: `G ${group}`, athletes: Object.values(athletes) }).expect(200);
    const people = {
      owner: coach,
      instructor: await signedIn(harness, { academy, role: 'instructor' }),
      station: await signedIn(harness, { academy, role: 'station', groups: [group] }),
      guardian: await signedIn(harness, { academy, role: 'guardian', athletes: Object.values(athletes) }),
      athlete: await signedIn(harness, { academy, role: 'athlete', athletes: Object.values(athletes) }),
    };
    const may: Record<string, [minor: number, adult: number]> = {
      owner: [200, 200],
      instructor: [200, 200],
      station: [403, 403],
      guardian: [200, 403],
      athlete: [403, 200],
    };
    for (const [role, [minor, adult]] of Object.entries(may)) {
      const client = people[role as keyof typeof people];
      expect([role, (await clear(client, athletes.minor, {})).status]).toEqual([role, minor]);
      expect([role, (await clear(client, athletes.adult, {})).status]).toEqual([role, adult]);
    }
    // Eighteen on the fifth: from that day on the guardian's word is the athlete's.
    const turning = await addAthlete(coach, { birthDate: '2008-05-05' });
    const [guardian, self] = [
      await signedIn(harness, { academy, role: 'guardian', athletes: [turning] }),
      await signedIn(harness, { academy, role: 'athlete', athletes: [turning] }),
    ];
    expect([(await clear(guardian, turning, {})).status, (await clear(self, turning, {})).status]).toEqual([200, 403]);
    at('2026-05-05T00:30:00Z');
    expect([(await clear(guardian, turning, {})).status, (await clear(self, turning, {})).status]).toEqual([403, 200]);
  });

  it('is nobody’s to rewrite but its author’s, and what stood before is kept', async () => {
    const athlete = await addAthlete(coach);
    const guardian = await signedIn(harness, { academy: coach.academy, role: 'guardian', athletes: [athlete] });
    const id = uuid();
    await clear(coach, athlete, { mostThrows: 20 }, id).expect(200);
    await clear(guardian, athlete, { mostThrows: 200 }, id).expect(404);
    await clear(coach, await addAthlete(coach), { mostThrows: 200 }, id).expect(404);
    expect((await harness.db('clearances').where('id', id).first())!.most_throws).toBe(20);
    await clear(coach, athlete, { mostThrows: 25 }, id).expect(200);
    const [kept] = await harness.db('corrections').where('row_id', id);
    expect(JSON.parse(JSON.stringify(kept!.before)).most_throws).toBe(20);
    // Of two that overlap the stricter counts, whoever recorded it and in whatever order.
    await startSession(coach, athlete, '2026-05-04', [{ site: 'elbow', score: 4 }]);
    at('2026-05-06T12:00:00Z');
    await clear(guardian, athlete, { date: '2026-05-05', mostThrows: 200 }).expect(200);
    await clear(coach, athlete, { date: '2026-05-05', mostThrows: 8, highestEffort: 60 }).expect(200);
    expect(await today(athlete)).toMatchObject({ throwsLeft: 8, highestEffort: 60 });
  });
});

describe('the assigned plan answers at once', () => {
  const assigned = async (athlete: string) => harness.db('assignments').where('athlete_id', athlete).orderBy('on_date');
  const throwsFrom = async (athlete: string, from: string, to = '9999') =>
    (await assigned(athlete)).filter((a) => a.on_date >= from && a.on_date <= to).reduce((n, a) => n + a.session.throws, 0);

  async function planned(rung = 4, weeks = 4) {
    const athlete = await addAthlete(coach);
    for (const on of [
      '2026-04-06',
      '2026-04-08',
      '2026-04-13',
      '2026-04-15',
      '2026-04-20',
      '2026-04-22',
      '2026-04-27',
      '2026-04-29',
    ])
      await coach
        .put(`/athletes/${athlete}/outings/${uuid()}`, { on, pitches: 0, throws: 80, highEffort: 0, innings: 0 })
        .expect(200);
    const focus = await makeFocus(coach, athlete, 'knee-led-load', rung);
    const plan = uuid();
    await coach.put(`/athletes/${athlete}/plans/${plan}`, { weeks, games: [], pinned: [] }).expect(200);
    await coach.post(`/athletes/${athlete}/plans/${plan}/assign`).expect(200);
    return { athlete, focus };
  }

  it('to a lock: today and all days after it hold no throw, and the legs go on', async () => {
    const { athlete } = await planned();
    expect(await throwsFrom(athlete, '2026-05-04')).toBeGreaterThan(40);
    const [first] = await assigned(athlete);
    expect(first).toMatchObject({ on_date: '2026-05-04' });
    const session = uuid();
    await coach
      .put(`/athletes/${athlete}/sessions/${session}`, {
        on: '2026-05-04',
        assignment: first!.id,
        painBefore: [{ site: 'elbow', score: 4 }],
      })
      .expect(200);
    expect(await throwsFrom(athlete, '2026-05-04')).toBe(0);
    expect((await assigned(athlete)).length).toBeGreaterThan(4);
    // The session that is running goes on under what stands for today now, and ends it.
    await coach.post(`/athletes/${athlete}/sessions/${session}/finish`).expect(200);
    expect((await assigned(athlete)).find((a) => a.on_date === '2026-05-04')).toMatchObject({ done: 1 });
  });

  it('to a clearance and to its end', async () => {
    const { athlete } = await planned();
    await startSession(coach, athlete, '2026-05-04', [{ site: 'elbow', score: 4 }]);
    at('2026-05-05T15:00:00Z');
    await clear(coach, athlete, {
      date: '2026-05-05',
      at: '14:00',
      until: '2026-05-15',
      mostThrows: 20,
      highestEffort: 70,
    }).expect(200);
    const open = (await assigned(athlete)).filter((a) => a.on_date > '2026-05-05' && a.on_date <= '2026-05-15');
    expect(open.reduce((n, a) => n + a.session.throws, 0)).toBeGreaterThan(0);
    for (const { session } of open) {
      expect(session.throws).toBeLessThanOrEqual(20);
      for (const item of session.items) if (item.throws > 0) expect(item.effort[1]).toBeLessThanOrEqual(70);
    }
    expect(await throwsFrom(athlete, '2026-05-16')).toBe(0);
  });

  it('to a game: today has no throw on it, and the days after have their rest', async () => {
    const { athlete } = await planned();
    await coach
      .put(`/athletes/${athlete}/outings/${uuid()}`, { on: '2026-05-04', pitches: 60, throws: 60, highEffort: 0, innings: 4 })
      .expect(200);
    // Sixteen years old: after sixty pitches a day without throws, then easy catch of three tenths of 110 at most.
    expect(await throwsFrom(athlete, '2026-05-04', '2026-05-05')).toBe(0);
    expect(await throwsFrom(athlete, '2026-05-06', '2026-05-06')).toBeLessThanOrEqual(33);
    expect(await throwsFrom(athlete, '2026-05-07')).toBeGreaterThan(0);
  });

  it('to a rung moved by hand, from tomorrow; what stands for today stays', async () => {
    const { athlete, focus } = await planned();
    const before = (await assigned(athlete))[0]!;
    await coach.post(`/athletes/${athlete}/foci/${focus}/change`, { rung: 1, reason: 'Back to the hold' }).expect(200);
    const [first, ...rest] = await assigned(athlete);
    expect(first).toEqual(before);
    const main = rest.slice(0, 2).flatMap((a) => a.session.items.filter((item) => item.role === 'main'));
    expect(main.length).toBeGreaterThan(0);
    for (const item of main) expect(item.rung).toBeLessThanOrEqual(2);
  });

  it('to another birth date: the budget is the younger one’s', async () => {
    const { athlete } = await planned();
    const { body } = await coach.get(`/athletes/${athlete}`).expect(200);
    const before = await assigned(athlete);
    await coach.put(`/athletes/${athlete}`, { ...body.athlete, birthDate: '2018-05-01', heightM: 1.3, massKg: 28 }).expect(200);
    const after = await assigned(athlete);
    expect(after).not.toEqual(before);
    expect(Math.max(...after.filter((a) => a.on_date > '2026-05-04').map((a) => a.session.throws))).toBeLessThanOrEqual(60);
  });

  it('and ends when it always ended, however often it is made anew', async () => {
    const { athlete, focus } = await planned(2, 4);
    for (const [day, rung] of [
      ['05', 1],
      ['07', 2],
      ['12', 1],
      ['20', 2],
      ['29', 1],
    ] as const) {
      at(`2026-05-${day}T15:00:00Z`);
      await coach.post(`/athletes/${athlete}/foci/${focus}/change`, { rung, reason: 'moved about' }).expect(200);
      // Four weeks from the fourth end on the thirty-first.
      for (const { on_date: on } of await assigned(athlete)) expect(on <= '2026-05-31').toBe(true);
    }
    at('2026-06-02T15:00:00Z');
    await coach.post(`/athletes/${athlete}/foci/${focus}/change`, { rung: 2, reason: 'after its end' }).expect(200);
    expect((await assigned(athlete)).filter((a) => a.on_date > '2026-05-31')).toEqual([]);
  });
});

// Last: nobody of the tests above is signed in years later.
describe('in time', () => {
  it('a lock does not grow old: a report of years ago locks until it is cleared', async () => {
    const athlete = await addAthlete(coach);
    await startSession(coach, athlete, '2026-05-04', [{ site: 'elbow', score: 5 }]);
    at('2028-05-04T15:00:00Z');
    const later = await signedIn(harness, { academy: coach.academy });
    expect((await later.get(`/athletes/${athlete}`).expect(200)).body.workload.today.locked?.until).toBe('clearance');
  });
});
