/** The log over HTTP: what each entry means, early and late, and whose it is. */
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
beforeEach(() => at('2026-05-04T15:30:00Z'));
afterEach(() => expect(harness.faults).toEqual([]));

const at = (instant: string) => {
  harness.clock.now = new Date(instant);
};
const stamp = (minute: number, second = 0, day = '2026-05-04') =>
  `${day}T15:${String(minute).padStart(2, '0')}:${String(second).padStart(2, '0')}.000Z`;
const statuses = (body: { results: { status: string }[] }) => body.results.map((r) => r.status);
const undo = (of: string, when: string) => ({ type: 'undo', id: uuid(), at: when, rep: of });
const finish = async (client: Client, athlete: string, session: string) =>
  (await client.post(`/athletes/${athlete}/sessions/${session}/finish`).expect(200)).body;
const focusOf = async (athlete: string) => (await coach.get(`/athletes/${athlete}`).expect(200)).body.foci[0];
const idOf = (entry: object) => (entry as { id: string }).id;

describe('what a rep is', () => {
  it('is known from drill, reading and clock, not from the sender', async () => {
    const athlete = await addAthlete(coach);
    const session = await startSession(coach, athlete);
    const many = Array.from({ length: 112 }, (_, n) =>
      pitch({ at: stamp(Math.floor(n / 60), n % 60), effort: n % 2 ? 40 : 89.9, isThrow: false }),
    );
    const body = await log(coach, athlete, session, many);
    expect(body.session.workload.week.throws).toBe(112);
    expect(statuses(body).filter((s) => s === 'refused').length).toBeGreaterThan(2);
    // Every second one is 89.9 %, so 90: after forty of them no more are allowed.
    const reasons = body.results.map((r: { reason: string | null }) => r.reason ?? '');
    expect(reasons.filter((r: string) => r.includes('hard throws')).length).toBe(15);
  });

  it('refuses one by one what cannot be, and keeps the rest', async () => {
    const athlete = await addAthlete(coach);
    const session = await startSession(coach, athlete);
    const good = rep({ at: stamp(1) });
    const body = await log(coach, athlete, session, [
      good,
      rep({ at: '2009-12-31T12:00:00Z' }),
      rep({ at: stamp(33) }),
      rep({ drill: 'turned-in-finish', rung: 4 }),
      { type: 'cheat', id: uuid(), at: stamp(1, 5), rep: idOf(good), cheat: 'never-heard-of' },
      { type: 'cheat', id: uuid(), at: stamp(1, 6), rep: idOf(good), cheat: 'back-leg-lost' },
      rep({ drill: 'strap-held-start', rung: 7 }),
      rep({ at: stamp(31) }),
    ]);
    expect(body.results.map((r: { kept: boolean }) => r.kept)).toEqual([true, false, false, false, false, true, false, true]);
    for (const { kept, reason } of body.results) if (!kept) expect(reason.length).toBeGreaterThan(20);
    expect(await harness.db('reps').where('session_id', session)).toHaveLength(2);
  });

  it('a speed without its throw counts as one, as load only', async () => {
    const athlete = await addAthlete(coach);
    const session = await startSession(coach, athlete);
    const thrown = pitch({ at: stamp(1) });
    const reading = (more: object) => ({
      type: 'reading',
      id: uuid(),
      speed: 70,
      unit: 'mph',
      effort: 100,
      gun: 'gun 1',
      setting: 'mound',
      ...more,
    });
    const body = await log(coach, athlete, session, [
      thrown,
      reading({ at: stamp(1, 3), rep: idOf(thrown) }),
      reading({ at: stamp(20) }),
    ]);
    expect(statuses(body)).toEqual(['stored', 'stored', 'refused']);
    expect(body.session.workload.week.throws).toBe(2);
    expect(body.session.workload.today.highEffortLeft).toBe(38);
    expect(body.session.notCounted).toEqual([{ entries: 1, reason: expect.stringContaining('No throw was logged') }]);
  });
});

describe('marks', () => {
  it('that come before their rep wait for it', async () => {
    const athlete = await addAthlete(coach);
    const session = await startSession(coach, athlete);
    const [slip, tagged] = [pitch({ at: stamp(1) }), rep({ at: stamp(2), judged: 'off' })];
    await log(coach, athlete, session, [
      undo(idOf(slip), stamp(1, 20)),
      { type: 'cheat', id: uuid(), at: stamp(2, 5), rep: idOf(tagged), cheat: 'back-leg-lost' },
    ]);
    const body = await log(coach, athlete, session, [slip, tagged]);
    expect(body.session.workload.week.throws).toBe(0);
    expect((await harness.db('reps').where('id', idOf(tagged)).first())!.cheat).toBe('back-leg-lost');
  });

  it('take the verdict away after a minute and keep the load; a coach may take that away too, with a reason', async () => {
    const athlete = await addAthlete(coach);
    const session = await startSession(coach, athlete);
    const [slip, thrown] = [pitch({ at: stamp(1) }), pitch({ at: stamp(2) })];
    await log(coach, athlete, session, [slip, thrown]);
    const body = await log(coach, athlete, session, [undo(idOf(slip), stamp(1, 59)), undo(idOf(thrown), stamp(4))]);
    expect([body.session.tallies, body.session.workload.week.throws]).toEqual([[], 1]);
    const child = await signedIn(harness, { academy: coach.academy, role: 'athlete', athletes: [athlete] });
    await child.post(`/athletes/${athlete}/load/${idOf(thrown)}/remove`, { reason: 'no' }).expect(403);
    await coach.post(`/athletes/${athlete}/load/${idOf(thrown)}/remove`, {}).expect(422);
    const { body: page } = await coach
      .post(`/athletes/${athlete}/load/${idOf(thrown)}/remove`, { reason: 'tapped on the bench' })
      .expect(200);
    expect(page.workload.week.throws).toBe(0);
    const [line] = await harness.db('audit_entries').where('athlete_id', athlete).where('did', 'like', '%tapped on the bench%');
    expect(line!.who).toBe('Test Person');
    expect(await harness.db('corrections').where('row_id', idOf(thrown))).toHaveLength(1);
  });

  it('of an athlete’s reps are not the family’s to set where a coach logged them', async () => {
    const athlete = await addAthlete(coach);
    const session = await startSession(coach, athlete);
    const child = await signedIn(harness, { academy: coach.academy, role: 'athlete', athletes: [athlete] });
    const thrown = pitch({ at: stamp(1) });
    // Before the rep is there it waits, and then does nothing.
    expect(statuses(await log(child, athlete, session, [undo(idOf(thrown), stamp(1, 5))]))).toEqual(['stored']);
    await log(coach, athlete, session, [thrown]);
    expect(await log(child, athlete, session, [undo(idOf(thrown), stamp(1, 6))])).toMatchObject({
      results: [{ status: 'refused', kept: false }],
      session: { workload: { week: { throws: 1 } } },
    });
  });
});

describe('late entries', () => {
  async function twoDays(good: number, more: number) {
    const athlete = await addAthlete(coach);
    at('2026-05-04T15:00:00Z');
    const focus = await makeFocus(coach, athlete);
    const first = await startSession(coach, athlete, '2026-05-04');
    at('2026-05-04T15:30:00Z');
    await log(
      coach,
      athlete,
      first,
      Array.from({ length: good }, (_, n) => rep({ focus, at: stamp(1, n) })),
    );
    await finish(coach, athlete, first);
    at('2026-05-06T15:30:00Z');
    const second = await startSession(coach, athlete, '2026-05-06');
    await log(
      coach,
      athlete,
      second,
      Array.from({ length: more }, (_, n) => rep({ focus, at: stamp(1, n, '2026-05-06') })),
    );
    const done = await finish(coach, athlete, second);
    return { athlete, focus, first, second, done };
  }

  it('after the end of a session belong to it, and a verdict that they change says so', async () => {
    const { athlete, focus, first, second, done } = await twoDays(10, 10);
    expect(done.verdicts[0]).toMatchObject({ verdict: 'advance', from: 1, to: 2, revised: null });
    const late = Array.from({ length: 20 }, (_, n) => rep({ focus, judged: 'off', at: stamp(10, n) }));
    await log(coach, athlete, first, late);
    // Rung 1 is the lowest of its ladder: twenty bad ones on the fourth keep it there.
    expect(await focusOf(athlete)).toMatchObject({ rung: 1 });
    const { body } = await coach.get(`/athletes/${athlete}`).expect(200);
    const changed = body.moves.filter((m: { revised: object | null }) => m.revised !== null);
    expect(changed.length).toBeGreaterThan(0);
    expect(changed[0].revised).toMatchObject({ on: '2026-05-06' });
    const record = (await coach.get(`/athletes/${athlete}/sessions/${second}`).expect(200)).body;
    expect(record.verdicts).toHaveLength(1);
  });

  it('say nothing again once they are taken back within the minute', async () => {
    const { athlete, focus, first } = await twoDays(10, 10);
    const late = Array.from({ length: 20 }, (_, n) => rep({ focus, judged: 'off', at: stamp(10, n) }));
    await log(coach, athlete, first, late);
    await log(
      coach,
      athlete,
      first,
      late.map((r, n) => undo(idOf(r), stamp(10, n + 10))),
    );
    const { body } = await coach.get(`/athletes/${athlete}`).expect(200);
    expect(body.foci[0].rung).toBe(2);
    expect(body.moves.every((m: { revised: object | null }) => m.revised === null)).toBe(true);
  });

  it('never undo what the coach has reversed', async () => {
    const { athlete, focus, first } = await twoDays(10, 9);
    expect((await focusOf(athlete)).rung).toBe(2);
    at('2026-05-06T16:00:00Z');
    await coach.post(`/athletes/${athlete}/foci/${focus}/change`, { rung: 1, reason: 'Not clean yet' }).expect(200);
    at('2026-05-06T17:00:00Z');
    await log(coach, athlete, first, [rep({ focus, at: stamp(5) }), rep({ focus, at: stamp(6) })]);
    expect(await focusOf(athlete)).toMatchObject({ rung: 1, rungSince: '2026-05-06' });
  });

  it('of an open session of yesterday end it as of yesterday when today begins', async () => {
    const athlete = await addAthlete(coach);
    const focus = await makeFocus(coach, athlete);
    const yesterday = await startSession(coach, athlete, '2026-05-04');
    await log(
      coach,
      athlete,
      yesterday,
      Array.from({ length: 10 }, (_, n) => rep({ focus, at: stamp(1, n) })),
    );
    at('2026-05-05T10:00:00Z');
    await startSession(coach, athlete, '2026-05-05');
    const { body } = await coach.get(`/athletes/${athlete}/sessions/${yesterday}`).expect(200);
    expect(body).toMatchObject({ finished: true, verdicts: [{ verdict: 'hold', on: '2026-05-04' }] });
    // A tap of today in yesterday's session is load of today, and told so.
    const late = await log(coach, athlete, yesterday, [
      rep({ focus, at: '2026-05-05T09:59:00Z' }),
      pitch({ at: '2026-05-05T09:59:30Z' }),
    ]);
    expect(late.results.map((r: { reason: string }) => r.reason)).toEqual([
      expect.stringContaining('Start a new session'),
      expect.stringContaining('Start a new session'),
    ]);
    expect((await coach.get(`/athletes/${athlete}/work`).expect(200)).body.workload.week.throws).toBe(1);
  });

  it('logged alone count two days back and no further, and half', async () => {
    const athlete = await addAthlete(coach);
    at('2026-05-01T08:00:00Z');
    const focus = await makeFocus(coach, athlete);
    const child = await signedIn(harness, { academy: coach.academy, role: 'athlete', athletes: [athlete] });
    at('2026-05-06T15:30:00Z');
    const verdicts: string[] = [];
    for (const day of ['2026-05-02', '2026-05-03', '2026-05-04', '2026-05-05', '2026-05-06']) {
      const session = await startSession(child, athlete, day);
      const body = await log(
        child,
        athlete,
        session,
        Array.from({ length: 10 }, (_, n) => rep({ focus, at: stamp(1, n, day) })),
      );
      expect([day, statuses(body).every((s) => s === (day < '2026-05-04' ? 'refused' : 'stored'))]).toEqual([day, true]);
      verdicts.push(...(await finish(child, athlete, session)).verdicts.map((v: { verdict: string }) => v.verdict));
    }
    expect(verdicts).toEqual(['hold', 'advance', 'hold'].slice(0, verdicts.length));
    expect((await focusOf(athlete)).rung).toBe(2);
    // Days before the focus: nothing, whoever logs them.
    const early = await startSession(coach, athlete, '2026-04-20');
    await log(
      coach,
      athlete,
      early,
      Array.from({ length: 20 }, (_, n) => rep({ focus, rung: 2, drill: 'crossover-tap', at: stamp(1, n, '2026-04-20') })),
    );
    expect((await finish(coach, athlete, early)).verdicts).toEqual([]);
  });
});

describe('ids', () => {
  it('belong to their athlete and author for good', async () => {
    const [mine, other] = [await addAthlete(coach), await addAthlete(coach)];
    const child = await signedIn(harness, { academy: coach.academy, role: 'guardian', athletes: [mine, other] });
    const second = await signedIn(harness, { academy: coach.academy, role: 'instructor' });
    const outing = { on: '2026-05-03', pitches: 90, throws: 90, highEffort: 0, innings: 5 };
    const id = uuid();
    await coach.put(`/athletes/${mine}/outings/${id}`, outing).expect(200);
    await child.put(`/athletes/${mine}/outings/${id}`, { ...outing, pitches: 1, throws: 1 }).expect(404);
    await child.put(`/athletes/${other}/outings/${id}`, outing).expect(404);
    await second.put(`/athletes/${mine}/outings/${id}`, { ...outing, pitches: 1, throws: 1 }).expect(404);
    expect(await harness.db('outings').where('id', id).first()).toMatchObject({ athlete_id: mine, pitches: 90 });
    // Nought changes nothing.
    await coach
      .put(`/athletes/${mine}/outings/${id}`, { on: '2026-05-03', pitches: 0, throws: 0, highEffort: 0, innings: 0 })
      .expect(422);
    await coach.put(`/athletes/${mine}/outings/${id}`, { ...outing, pitches: 85, throws: 85 }).expect(200);
    expect((await harness.db('corrections').where('row_id', id))[0]!.before).toMatchObject({ pitches: 90 });

    const session = await startSession(coach, mine);
    await coach.put(`/athletes/${other}/sessions/${session}`, { on: '2026-05-04', assignment: null, painBefore: [] }).expect(404);
    await child.put(`/athletes/${mine}/sessions/${session}`, { on: '2026-05-04', assignment: null, painBefore: [] }).expect(404);
    const tapped = rep({ at: stamp(1) });
    await log(coach, mine, session, [tapped]);
    const elsewhere = await startSession(coach, other);
    expect((await log(coach, other, elsewhere, [tapped])).results[0]).toMatchObject({ status: 'refused', kept: false });
    expect((await log(child, mine, session, [{ ...tapped, judged: 'off' }])).results[0]).toMatchObject({
      status: 'refused',
      kept: false,
    });
    expect((await log(coach, other, elsewhere, [undo(idOf(tapped), stamp(1, 5))])).results[0]).toMatchObject({
      status: 'refused',
      kept: false,
    });

    const look = { on: '2026-05-04', evidence: { kind: 'eye', finding: 'stall', answer: 'yes' } };
    const seen = uuid();
    await coach.put(`/athletes/${mine}/observations/${seen}`, look).expect(200);
    await coach.put(`/athletes/${other}/observations/${seen}`, look).expect(404);
    await second.put(`/athletes/${mine}/observations/${seen}`, look).expect(404);
    // What another saw is not taken back, nor what was seen on another day.
    expect((await second.delete(`/athletes/${mine}/observations/${seen}`).expect(409)).body.detail).toContain(
      'Test Person saw it',
    );
    at('2026-05-05T10:00:00Z');
    await coach.delete(`/athletes/${mine}/observations/${seen}`).expect(409);
    const focus = uuid();
    await coach.put(`/athletes/${mine}/foci/${focus}`, { finding: 'stall', rung: 1, diagnosis: null }).expect(200);
    await coach.put(`/athletes/${other}/foci/${focus}`, { finding: 'stall', rung: 1, diagnosis: null }).expect(404);
    const plan = uuid();
    await coach.put(`/athletes/${mine}/plans/${plan}`, { weeks: 2, games: [], pinned: [] }).expect(200);
    await coach.put(`/athletes/${other}/foci/${uuid()}`, { finding: 'stall', rung: 1, diagnosis: null }).expect(200);
    await coach.put(`/athletes/${other}/plans/${plan}`, { weeks: 2, games: [], pinned: [] }).expect(404);
  });
});
