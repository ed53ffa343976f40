/**
 * A phone that was away for hours knows neither lock nor budget, consent or right as they are now. Whatever it sends when it is back, the
 * server has the last word.
 */
import { readdirSync } from 'node:fs';
import { v4 as uuid } from 'uuid';
import { addAthlete, log, pitch, rep, rowsBy, signedIn, startHarness, startSession } from './harness';
import type { Client, Harness } from './harness';

let harness: Harness;
let owner: Client;
const TODAY = '2026-05-04';
beforeAll(async () => {
  harness = await startHarness();
});
beforeEach(async () => {
  at('15:00');
  owner = await signedIn(harness);
});
afterAll(() => harness.close());
afterEach(() => expect(harness.faults).toEqual([]));

const at = (time: string) => {
  harness.clock.now = new Date(`${TODAY}T${time}:00Z`);
};
const throwsFrom = (time: string, count: number) => {
  const start = Date.parse(`${TODAY}T${time}:00Z`);
  return Array.from({ length: count }, (_, n) => pitch({ at: new Date(start + 20_000 * n).toISOString() }));
};
const counted = (results: readonly { status: string }[]) => results.filter((r) => r.status === 'stored').length;
const allowedOn = async (athlete: string) =>
  Number(
    ((await harness
      .db('reps')
      .where({ athlete_id: athlete, gone: false, is_throw: true })
      .whereNull('refused')
      .count({ n: '*' })
      .first()) as { n: number } | undefined)!.n,
  );

it('a lock: throws of after the pain are not counted as allowed, and are not lost from the load', async () => {
  const athlete = await addAthlete(owner);
  const phone = await signedIn(harness, { academy: owner.academy, role: 'instructor' });
  const session = await startSession(phone, athlete);
  at('15:10');
  await startSession(owner, athlete, TODAY, [{ site: 'elbow', score: 5 }]);
  // The phone has heard nothing of it, threw on, and is back half an hour later.
  at('15:40');
  const { results, session: now } = await log(phone, athlete, session, throwsFrom('15:15', 10));
  expect(counted(results)).toBe(0);
  expect(new Set(results.map((r: { kept: boolean }) => r.kept))).toEqual(new Set([true]));
  expect(now.workload.today.locked).not.toBeNull();
  expect(now.workload.week.throws).toBe(10);
});

it('a budget: two phones that each had room have no more than one together, whichever is back first', async () => {
  const child = { birthDate: '2018-02-01', heightM: 1.3, massKg: 28 };
  const ends: number[] = [];
  for (const turned of [false, true]) {
    at('15:00');
    const athlete = await addAthlete(owner, child);
    const phones = [
      await signedIn(harness, { academy: owner.academy, role: 'instructor' }),
      await signedIn(harness, { academy: owner.academy, role: 'guardian', athletes: [athlete] }),
    ];
    const sessions = await Promise.all(phones.map((phone) => startSession(phone, athlete)));
    at('17:00');
    const batches = [throwsFrom('15:05', 45), throwsFrom('15:06', 45)];
    for (const n of turned ? [1, 0] : [0, 1]) await log(phones[n]!, athlete, sessions[n]!, batches[n]!);
    const allowed = await allowedOn(athlete);
    expect(allowed).toBeGreaterThan(0);
    expect(allowed).toBeLessThanOrEqual(60);
    ends.push(allowed);
  }
  // One state, in either order.
  expect(new Set(ends).size).toBe(1);
});

it('a consent: film of before it was taken back is not taken in after, and leaves neither row nor file', async () => {
  const athlete = await addAthlete(owner);
  const consent = (given: boolean) =>
    owner.put(`/athletes/${athlete}/consents/${uuid()}`, { kind: 'film', given, by: 'Wim Birchley' }).expect(200);
  await consent(true);
  await consent(false);
  const clip = {
    on: TODAY,
    name: 'barn.webm',
    type: 'video/webm',
    bytes: 100,
    sha256: 'a'.repeat(64),
    captureFps: 120,
    frames: 100,
    width: 640,
    height: 360,
    setup: { view: 'side-open', distanceM: 6, cameraHeightM: 1, level: true, whole: true },
    poster: null,
  };
  const id = uuid();
  const { body } = await owner.put(`/athletes/${athlete}/clips/${id}`, clip).expect(403);
  expect(body.detail).toContain('took it back');
  await owner.putBytes(`/athletes/${athlete}/clips/${id}/bytes?from=0`, Buffer.alloc(100)).expect((res) => {
    expect([403, 404]).toContain(res.status);
  });
  expect(await harness.db('clips').where('athlete_id', athlete)).toEqual([]);
  expect(readdirSync(harness.clipsFolder).filter((name) => name.includes(id))).toEqual([]);
});

it('a right: whoever lost it while away writes nothing any more, of athlete or session', async () => {
  const athlete = await addAthlete(owner);
  const group = uuid();
  await owner.put(`/groups/${group}`, { name: `Net ${group}`, athletes: [athlete] }).expect(200);
  const station = await signedIn(harness, { academy: owner.academy, role: 'station', groups: [group] });
  const helper = await signedIn(harness, { academy: owner.academy, role: 'instructor' });
  const [ofStation, ofHelper] = [await startSession(station, athlete), await startSession(helper, athlete)];
  await owner.put(`/groups/${group}`, { name: `Net ${group}`, athletes: [] }).expect(200);
  await owner.delete(`/people/${helper.user}`).expect(200);
  const before = await rowsBy(harness.db, 'athlete_id', athlete);
  at('16:00');
  await station.post(`/athletes/${athlete}/sessions/${ofStation}/log`, { entries: [rep()] }).expect(404);
  await station.put(`/athletes/${athlete}/sessions/${uuid()}`, { on: TODAY, assignment: null, painBefore: [] }).expect(404);
  await helper.post(`/athletes/${athlete}/sessions/${ofHelper}/log`, { entries: [rep()] }).expect(401);
  expect(await rowsBy(harness.db, 'athlete_id', athlete)).toBe(before);
});
