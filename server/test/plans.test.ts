import type { PlanRecord } from '@wrightonic/contract';
import { v4 as uuid } from 'uuid';
import { drillById } from '@wrightonic/core';
import { addAcademy, addAthlete, log, makeFocus, rep, signedIn, startHarness, startSession } from './harness';
import type { Client, Harness } from './harness';

jest.setTimeout(60_000);

let harness: Harness;
let coach: Client;

beforeAll(async () => {
  harness = await startHarness();
  coach = await signedIn(harness, { role: 'owner' });
});
afterAll(() => harness.close());
beforeEach(() => {
  harness.clock.now = new Date('2026-05-04T15:00:00Z');
});

async function planned(assign = false): Promise<{ athlete: string; plan: PlanRecord; path: string }> {
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
  await makeFocus(coach, athlete, 'knee-led-load', 4);
  const id = uuid();
  const path = `/athletes/${athlete}/plans/${id}`;
  const { body } = await coach.put(path, { weeks: 4, games: [], pinned: [] }).expect(200);
  if (assign) await coach.post(`${path}/assign`).expect(200);
  return { athlete, plan: body as PlanRecord, path };
}

const changed = async (path: string, edits: object[], status = 200) =>
  (await coach.put(`${path}/edits`, { edits }).expect(status)).body as PlanRecord & { detail: string };

describe('a better plan', () => {
  it('is looked for once, keeps every session’s throws, and says how good any could be', async () => {
    const { plan, path } = await planned();
    expect(plan.plan.bound).toBeUndefined();
    const better = (await coach.post(`${path}/better`).expect(200)).body as PlanRecord;
    expect(better.plan.bound!.gap).toBeLessThanOrEqual(0.02);
    expect(better.plan.bound!.score).toBeLessThanOrEqual(better.plan.bound!.best);
    expect(better.plan.sessions.map((s) => [s.date, s.throws])).toEqual(plan.plan.sessions.map((s) => [s.date, s.throws]));
    expect((await coach.post(`${path}/better`).expect(200)).body).toEqual(better);
  });

  it('leaves alone what is assigned or was changed by hand', async () => {
    const given = await planned(true);
    expect(((await coach.post(`${given.path}/better`).expect(200)).body as PlanRecord).plan.bound).toBeUndefined();
    const own = await planned();
    const first = own.plan.plan.sessions[0]!;
    await changed(own.path, [{ kind: 'drop-session', date: first.date }]);
    const after = (await coach.post(`${own.path}/better`).expect(200)).body as PlanRecord;
    expect(after.plan.sessions.some((s) => s.date === first.date)).toBe(false);
  });
});

describe('a plan changed by hand', () => {
  it('holds the change, and is as it was when the change is taken back', async () => {
    const { plan, path } = await planned();
    const session = plan.plan.sessions[1]!;
    const main = session.items.find((i) => i.role === 'main')!;
    const dropped = await changed(path, [{ kind: 'drop', date: session.date, drill: main.drill }]);
    expect(dropped.plan.sessions[1]!.items.some((i) => i.drill === main.drill)).toBe(false);
    const undone = await changed(path, []);
    expect(undone.plan.sessions).toEqual(plan.plan.sessions);
    expect(undone.broken).toEqual([]);
  });

  it('says what breaks and what mends it, and is not assigned before', async () => {
    const { plan, path } = await planned();
    const session = plan.plan.sessions.find((s) => s.throws > 20)!;
    const edits = session.items
      .filter((i) => i.throws > 0 && i.role !== 'warm-throws')
      .map((i) => ({ kind: 'sets', date: session.date, drill: i.drill, sets: 8 }));
    const broken = await changed(path, edits);
    const hard = broken.broken.find((b) => b.hard)!;
    expect(hard.detail).toContain('are open');
    await coach.post(`${path}/assign`).expect(409);
    // Mend on a tap until nothing hard is left.
    let now = broken;
    const made: object[] = [...edits];
    for (let taps = 0; taps < 30 && now.broken.some((b) => b.hard); taps++) {
      made.push(now.broken.find((b) => b.hard)!.mend!.edit);
      now = await changed(path, made);
    }
    expect(now.broken.filter((b) => b.hard)).toEqual([]);
    await coach.post(`${path}/assign`).expect(200);
  });

  it('once assigned, is changed from tomorrow on and only within the rules', async () => {
    const { athlete, plan, path } = await planned(true);
    const [today] = plan.plan.sessions;
    const next = plan.plan.sessions[plan.plan.sessions.length - 1]!;
    expect(today!.date).toBe('2026-05-04');
    expect((await changed(path, [{ kind: 'drop-session', date: today!.date }], 409)).detail).toContain('from tomorrow');
    await changed(path, [{ kind: 'drop-session', date: next.date }]);
    const rows = (await harness.db('assignments').where('athlete_id', athlete)) as { on_date: string }[];
    expect(rows.some((r) => r.on_date === next.date)).toBe(false);
    expect(rows.some((r) => r.on_date === today!.date)).toBe(true);
    const throwing = plan.plan.sessions.filter((s) => s.throws > 0 && s.date > today!.date)[0]!;
    const main = throwing.items.find((i) => i.throws > 0 && i.role !== 'warm-throws')!;
    await changed(path, [{ kind: 'sets', date: throwing.date, drill: main.drill, sets: 8 }], 409);
  });

  it('refuses drills that nobody knows, plans of others, and tells the family nothing of what it was made from', async () => {
    const { athlete, path } = await planned();
    expect((await changed(path, [{ kind: 'add', date: '2026-05-06', drill: 'no-such-drill' }], 422)).detail).toBeTruthy();
    const stranger = await signedIn(harness, { role: 'owner', academy: await addAcademy(harness.db) });
    await stranger.put(`${path}/edits`, { edits: [] }).expect(404);
    const family = await signedIn(harness, { academy: coach.academy, role: 'guardian', athletes: [athlete] });
    const seen = (await family.get(`/athletes/${athlete}/plan`).expect(200)).body as PlanRecord;
    expect([seen.request, seen.base]).toEqual([null, null]);
    expect(seen.plan.sessions.flatMap((s) => s.items).every((i) => i.why === '')).toBe(true);
    await family.put(`${path}/edits`, { edits: [] }).expect(403);
  });
});

describe('a drill in the academy’s own words', () => {
  const own = (drill: string, words: object, use = 'usual') => coach.put(`/library/drills/${uuid()}`, { drill, words, use });

  it('has versions, and a plan keeps those that it was made with', async () => {
    const { body: none } = await coach.get('/library').expect(200);
    expect(none).toEqual({ drills: [], ladders: [], findings: [] });
    await own('march-and-reach', { name: 'Tall march' }).expect(200);
    const { plan } = await planned();
    const items = plan.plan.sessions.flatMap((s) => s.items);
    expect(items.find((i) => i.drill === 'march-and-reach')!.words).toBe(1);
    expect(items.find((i) => i.drill === 'build-up-throws')!.words).toBe(0);
    const { body } = await own('march-and-reach', { name: 'Very tall march', success: 'Taller than before' }).expect(200);
    expect(body.drills.map((o: { version: number; words: { name: string } }) => [o.version, o.words.name])).toEqual([
      [1, 'Tall march'],
      [2, 'Very tall march'],
    ]);
    const later = (await planned()).plan.plan.sessions.flatMap((s) => s.items).find((i) => i.drill === 'march-and-reach')!;
    expect([later.words, later.success]).toEqual([2, 'Taller than before']);
  });

  it('can be left out of plans, or be taken first', async () => {
    const mains = async () =>
      (await planned()).plan.plan.sessions.flatMap((s) => s.items.filter((i) => i.role === 'main').map((i) => i.drill));
    const usual = (await mains())[0]!;
    await own(usual, {}, 'never').expect(200);
    expect(await mains()).not.toContain(usual);
    await own(usual, {}, 'usual').expect(200);
    expect(await mains()).toContain(usual);
  });

  it('is the owner’s to change, the academy’s to read, and nobody else’s', async () => {
    const instructor = await signedIn(harness, { academy: coach.academy, role: 'instructor' });
    await instructor.put(`/library/drills/${uuid()}`, { drill: 'easy-catch', words: {}, use: 'first' }).expect(403);
    expect((await instructor.get('/library').expect(200)).body.drills.length).toBeGreaterThan(0);
    const stranger = await signedIn(harness, { role: 'owner', academy: await addAcademy(harness.db) });
    expect((await stranger.get('/library').expect(200)).body).toEqual({ drills: [], ladders: [], findings: [] });
    await own('no-such-drill', {}).expect(422);
    await own('easy-catch', { steps: [] }).expect(422);
  });
});

describe('a copy of a drill', () => {
  const COPY = 'slow-never-stopped~ours1';
  const put = (body: object, status = 200, by: Client = coach) => by.put(`/library/drills/${uuid()}`, body).expect(status);
  const copy = (more: object = {}) => ({ drill: COPY, words: { name: 'Porch march' }, use: 'usual', ...more });
  const added = async (path: string, date: string, drill: string) => changed(path, [{ kind: 'add', date, drill }]);

  it('is refused where it does not stand, with what to do, and nothing is kept', async () => {
    for (const [more, words] of [
      [{ words: {} }, 'name of its own'],
      [{ fields: { rungs: [5] } }, 'choose rungs up to 2'],
      [{ fields: { place: ['moon'] } }, 'place'],
      [{ fields: { dose: { sets: 0, reps: 5 } } }, 'sets'],
      [{ fields: { throws: 'none' } }, 'throws'],
      [{ drill: 'nothing~ours1' }, 'nothing~ours1'],
    ] as const)
      expect(JSON.stringify((await put(copy(more), 422)).body)).toContain(words);
    await put({ drill: 'march-and-reach', words: {}, use: 'usual', fields: { minAge: 9 } }, 422);
    expect((await coach.get('/library')).body.drills.filter((d: { drill: string }) => d.drill === COPY)).toEqual([]);
  });

  it('comes into a plan that was made before it, is logged, and keeps the words of its version', async () => {
    const { athlete, plan, path } = await planned();
    const { date } = plan.plan.sessions[0]!;
    await coach.put(`${path}/edits`, { edits: [{ kind: 'add', date, drill: COPY }] }).expect(422);
    await put(copy({ fields: { dose: { sets: 1, reps: 4 } } }));
    const first = (await added(path, date, COPY)).plan.sessions[0]!.items.find((i) => i.drill === COPY)!;
    expect([first.words, first.sets, first.reps]).toEqual([1, 1, 4]);
    await put(copy({ words: { name: 'Porch march', success: 'Taller' }, fields: { dose: { sets: 1, reps: 9 } } }));
    const kept = (await coach.get(`/athletes/${athlete}/plan`)).body as PlanRecord;
    expect(kept.plan.sessions[0]!.items.find((i) => i.drill === COPY)).toEqual(first);
    const session = await startSession(coach, athlete);
    const { results } = await log(coach, athlete, session, [rep({ drill: COPY, focus: null, rung: 2, effort: 0 })]);
    expect(results.map((r: { status: string; kept: boolean }) => r.status)).toEqual(['stored']);
  });

  it('is this academy’s alone', async () => {
    const stranger = await signedIn(harness, { role: 'owner', academy: await addAcademy(harness.db) });
    const athlete = await addAthlete(stranger);
    const session = await startSession(stranger, athlete);
    const { results } = await log(stranger, athlete, session, [rep({ drill: COPY, focus: null, rung: 2, effort: 0 })]);
    expect(results.map((r: { status: string; kept: boolean }) => [r.status, r.kept])).toEqual([['refused', false]]);
    await makeFocus(stranger, athlete, 'knee-led-load', 4);
    const pinned = [{ date: '2026-05-05', drill: COPY }];
    await stranger.put(`/athletes/${athlete}/plans/${uuid()}`, { weeks: 2, games: [], pinned }).expect(422);
  });

  it('is written once by two who write at once, the other is told', async () => {
    const drill = 'slow-never-stopped~ours2';
    const answers = await Promise.all(
      ['A', 'B', 'C'].map((name) => coach.put(`/library/drills/${uuid()}`, { drill, words: { name }, use: 'usual' })),
    );
    const fine = answers.filter((a) => a.status === 200).length;
    expect(answers.map((a) => a.status).filter((s) => s !== 200 && s !== 409)).toEqual([]);
    const kept = (await coach.get('/library')).body.drills.filter((d: { drill: string }) => d.drill === drill);
    expect(kept.map((d: { version: number }) => d.version)).toEqual(Array.from({ length: fine }, (_, n) => n + 1));
  });

  it('is the same when it is sent twice', async () => {
    const id = uuid();
    const body = { drill: 'slow-never-stopped~ours3', words: { name: 'Once' }, use: 'usual' };
    for (let n = 0; n < 2; n++) await coach.put(`/library/drills/${id}`, body).expect(200);
    const kept = (await coach.get('/library')).body.drills.filter((d: { drill: string }) => d.drill === body.drill);
    expect(kept.length).toBe(1);
  });
});

describe('an own ladder', () => {
  const put = (body: object, status = 200, by: Client = coach) => by.put(`/library/ladders/${uuid()}`, body).expect(status);
  const of = (rungs: object[] | null) => ({ finding: 'knee-led-load', discipline: 'overhand', rungs });
  const mains = async () =>
    (await planned()).plan.plan.sessions.flatMap((s) => s.items.filter((i) => i.role === 'main' && i.rung <= 6));

  it('orders what is planned, in versions, until the usual one is wanted again', async () => {
    const usual = await mains();
    const rung = usual[0]!.rung;
    const last = [...new Set(usual.filter((i) => i.rung === rung).map((i) => i.drill))].pop()!;
    await put(of([{ rung, drills: [last] }]));
    const own = await mains();
    expect(new Set(own.map((i) => i.rung))).toEqual(new Set([rung]));
    expect(own[0]!.drill).toBe(last);
    const { body } = await put(of(null));
    expect(body.ladders.map((l: { version: number; rungs: unknown }) => [l.version, l.rungs === null])).toEqual([
      [1, false],
      [2, true],
    ]);
    expect((await mains()).map((i) => i.drill)).toEqual(usual.map((i) => i.drill));
  });

  it('is refused with drills that do not treat the finding there, and to all but the owner', async () => {
    expect((await put(of([{ rung: 2, drills: ['easy-catch'] }]), 422)).body.detail).toContain('Rung 2');
    await put(of([{ rung: 2, drills: ['nothing'] }]), 422);
    await put({ ...of(null), finding: 'nothing' }, 422);
    await put(of(null), 403, await signedIn(harness, { academy: coach.academy, role: 'instructor' }));
  });
});

describe('the aids of a drill', () => {
  it('come off with good reps that had them, and come back with a step down', async () => {
    const athlete = await addAthlete(coach);
    const focus = await makeFocus(coach, athlete, 'stall', 2);
    const drill = 'no-brake-walk';
    const [aid] = drillById(drill).aids;
    const gone = async () => {
      const { body } = await coach.put(`/athletes/${athlete}/plans/${uuid()}`, { weeks: 2, games: [], pinned: [] }).expect(200);
      return (body as PlanRecord).request!.recentDrills!.find((r) => r.drill === drill)?.aidsGone;
    };
    const session = await startSession(coach, athlete);
    const reps = (from: number, n: number, aids: string[]) =>
      Array.from({ length: n }, (_, i) =>
        rep({ drill, rung: 2, focus, aids, at: new Date(Date.UTC(2026, 4, 4, 14, from, i)).toISOString() }),
      );
    await log(coach, athlete, session, reps(1, 7, [aid!.kit]));
    await log(coach, athlete, session, reps(2, 9, []));
    expect(await gone()).toEqual([]);
    await log(coach, athlete, session, reps(3, 1, [aid!.kit]));
    expect(await gone()).toEqual([aid!.kit]);
    await coach.post(`/athletes/${athlete}/foci/${focus}/change`, { rung: 1, reason: 'Back to the hold' }).expect(200);
    expect(await gone()).toEqual([]);
  });
});
