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
  const own = (drill: string, words: object, use = 'usual') => coach.put(`/library/${uuid()}`, { drill, words, use });

  it('has versions, and a plan keeps those that it was made with', async () => {
    const { body: none } = await coach.get('/library').expect(200);
    expect(none).toEqual([]);
    await own('march-and-reach', { name: 'Tall march' }).expect(200);
    const { plan } = await planned();
    const items = plan.plan.sessions.flatMap((s) => s.items);
    expect(items.find((i) => i.drill === 'march-and-reach')!.words).toBe(1);
    expect(items.find((i) => i.drill === 'build-up-throws')!.words).toBe(0);
    const { body } = await own('march-and-reach', { name: 'Very tall march', success: 'Taller than before' }).expect(200);
    expect(body.map((o: { version: number; words: { name: string } }) => [o.version, o.words.name])).toEqual([
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
    await instructor.put(`/library/${uuid()}`, { drill: 'easy-catch', words: {}, use: 'first' }).expect(403);
    expect((await instructor.get('/library').expect(200)).body.length).toBeGreaterThan(0);
    const stranger = await signedIn(harness, { role: 'owner', academy: await addAcademy(harness.db) });
    expect((await stranger.get('/library').expect(200)).body).toEqual([]);
    await own('no-such-drill', {}).expect(422);
    await own('easy-catch', { steps: [] }).expect(422);
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
