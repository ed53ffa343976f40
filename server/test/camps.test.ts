/** Camps: built, planned within everybody's own limits, published to station coaches, planned anew when something happens, sent home. */
import type { CampDifference, CampRecord, CampReports, CampRow, NewCamp } from '@wrightonic/contract';
import { addDays, DRILLS } from '@wrightonic/core';
import { v4 as uuid } from 'uuid';
import { campOf, comes, day, station, THROWN, TODAY } from './camp-steps';
import { addAthlete, makeFocus, rep, signedIn, startHarness, startSession } from './harness';
import type { Client, Harness } from './harness';
import { getPdf, pdfText } from './pdf';

let harness: Harness;
let coach: Client;
const at = (date: string, time = '08:00') => (harness.clock.now = new Date(`${date}T${time}:00Z`));
beforeAll(async () => {
  harness = await startHarness();
});
beforeEach(async () => {
  at(TODAY);
  coach = await signedIn(harness);
});
afterAll(() => harness.close());
afterEach(() => expect(harness.faults).toEqual([]));

const put = async (id: string, given: NewCamp): Promise<CampRecord> =>
  (await coach.put(`/camps/${id}`, given).expect(200)).body as CampRecord;
const read = async (id: string, as = coach): Promise<CampRecord> => (await as.get(`/camps/${id}`).expect(200)).body as CampRecord;
const scheduled = async (id: string): Promise<CampRecord> =>
  (await coach.post(`/camps/${id}/schedule`).expect(200)).body as CampRecord;
const people = (many: number) =>
  Promise.all(Array.from({ length: many }, (_, n) => addAthlete(coach, { name: `Camper ${'ABCDEFGH'[n]!} Rookwell` })));
const stationsOf = (record: CampRecord, athlete: string, of = 0) => {
  const names = new Map(record.stations.map((s) => [s.id, s.name]));
  return record.visits.filter((v) => v.athlete === athlete && v.day === of).map((v) => names.get(v.station)!);
};

it('gives everybody a place in each rotation, reads them on both days, and keeps who may not throw from throwing', async () => {
  const [hurt, ...well] = await people(5);
  await startSession(coach, hurt!, TODAY, [{ site: 'elbow', score: 5 }]);
  const id = uuid();
  const built = await put(id, campOf([hurt!, ...well]));
  expect([built.state, built.revision, built.visits]).toEqual(['draft', 1, []]);
  expect(built.cautions.join()).toContain('Camper A Rookwell');
  const record = await scheduled(id);
  expect([record.state, record.revision, record.broken, record.infeasible]).toEqual(['scheduled', 2, [], null]);
  expect(record.visits).toHaveLength(5 * 2 * 4);
  for (const athlete of well)
    for (const of of [0, 1])
      for (const once of ['Gun', 'Film']) expect(stationsOf(record, athlete, of).filter((s) => s === once)).toHaveLength(1);
  for (const of of [0, 1]) expect(new Set(stationsOf(record, hurt!, of))).toEqual(new Set(['Shade']));
  expect(record.worth!.score).toBeLessThanOrEqual(record.worth!.bound);
  // The same again is the same.
  expect((await scheduled(id)).visits).toEqual(record.visits);
});

it('says what is wrong with a camp, where, and keeps none of it', async () => {
  const [one] = await people(1);
  const id = uuid();
  const refused = async (more: Partial<NewCamp>, path: string) => {
    const { body } = await coach.put(`/camps/${id}`, campOf([one!], more)).expect(422);
    expect(body.errors.map((e: { path: string }) => e.path)).toContain(path);
  };
  await refused({ days: [day(TODAY), day(TODAY)] }, 'days[1].date');
  await refused({ days: [{ ...day(TODAY), start: '23:00' }] }, 'days[0]');
  await refused({ stations: [station('A', { kind: 'drill' })] }, 'stations[0].drill');
  await refused({ stations: [station('A', { drill: THROWN })] }, 'stations[0].drill');
  await refused({ stations: [station('A', { kind: 'drill', drill: 'no-such-drill' })] }, 'stations[0].drill');
  await refused({ stations: [station('A', { coach: uuid() })] }, 'stations[0].coach');
  await refused({ athletes: [comes(uuid())] }, 'athletes[0].athlete');
  await refused({ athletes: [comes(one!, { with: [uuid()] })] }, 'athletes[0].with[0]');
  await coach.get(`/camps/${id}`).expect(404);
  const other = await signedIn(harness);
  const theirs = await addAthlete(other, { name: 'Not Ours' });
  await refused({ athletes: [comes(theirs)] }, 'athletes[0].athlete');
  await put(id, campOf([one!]));
  for (const call of [other.get(`/camps/${id}`), other.post(`/camps/${id}/schedule`), other.delete(`/camps/${id}`)])
    await call.expect(404);
  await other.put(`/camps/${id}`, campOf([theirs])).expect(409);
  expect((await read(id)).athletes.map((a) => a.athlete)).toEqual([one]);
});

it('takes the same change once, and refuses the one of somebody who saw another state', async () => {
  const ids = await people(2);
  const id = uuid();
  const given = campOf(ids);
  for (let time = 0; time < 2; time++) expect((await put(id, given)).revision).toBe(1);
  await put(id, { ...(await asSent(id)), name: 'Renamed' });
  const { body } = await coach.put(`/camps/${id}`, { ...given, name: 'Another', revision: 1 }).expect(409);
  expect(body.detail).toContain('Renamed');
  const both = await Promise.all(
    ['Left', 'Right'].map(async (name) => coach.put(`/camps/${id}`, { ...(await asSent(id)), name })),
  );
  expect(both.map((answer) => answer.status).sort()).toEqual([200, 409]);
});

/** A camp as it was read, to be sent again. */
async function asSent(id: string): Promise<NewCamp> {
  const { name, place, days, stations, athletes, forgetAfterDays, revision } = await read(id);
  return {
    name,
    place,
    days,
    stations,
    athletes: athletes.map(({ athlete, group, with: friends, visitor }) => ({ athlete, group, with: friends, visitor })),
    forgetAfterDays,
    revision,
  };
}

it('shows itself to its station coaches once it is published, who log for its athletes while it lasts and no longer', async () => {
  const ids = await people(2);
  const [ours, stranger] = [
    await signedIn(harness, { academy: coach.academy, role: 'station' }),
    await signedIn(harness, { academy: coach.academy, role: 'station' }),
  ];
  const id = uuid();
  const given = campOf(ids);
  await put(id, { ...given, stations: given.stations.map((s) => (s.name === 'Drill' ? { ...s, coach: ours.user } : s)) });
  await coach.post(`/camps/${id}/publish`).expect(409);
  await scheduled(id);
  await ours.get(`/camps/${id}`).expect(404);
  await coach.post(`/camps/${id}/publish`).expect(200);
  expect((await read(id, ours)).state).toBe('published');
  await stranger.get(`/camps/${id}`).expect(404);
  expect((await stranger.get('/camps').expect(200)).body).toEqual([]);
  await ours.get(`/athletes/${ids[0]!}/work`).expect(200);
  await stranger.get(`/athletes/${ids[0]!}/work`).expect(404);
  for (const call of [ours.post(`/camps/${id}/schedule`), ours.get(`/camps/${id}/reports`), ours.delete(`/camps/${id}`)])
    await call.expect(403);
  at(addDays(TODAY, 1));
  await ours.get(`/athletes/${ids[0]!}/work`).expect(200);
  at(addDays(TODAY, 4));
  await ours.get(`/athletes/${ids[0]!}/work`).expect(404);
});

it('plans the rest anew: what was stays, as few as can be go elsewhere, and it is seen before it is taken', async () => {
  const ids = await people(6);
  const id = uuid();
  await put(id, campOf(ids));
  const before = await scheduled(id);
  const closed = before.stations.find((s) => s.name === 'Drill')!.id;
  const asked = {
    revision: before.revision,
    now: { day: 0, rotation: 2 },
    changes: [{ day: 0, fromRotation: 2, type: 'station-closed', id: closed }],
  };
  const { body } = await coach.post(`/camps/${id}/replan/look`, asked).expect(200);
  const difference = body as CampDifference;
  const lost = before.visits.filter((v) => v.day === 0 && v.rotation >= 2 && v.station === closed);
  expect(difference.moved).toBeGreaterThanOrEqual(new Set(lost.map((v) => v.athlete)).size);
  expect(difference.broken).toEqual([]);
  expect((await read(id)).visits).toEqual(before.visits);
  for (let time = 0; time < 2; time++) await coach.post(`/camps/${id}/replan`, asked).expect(200);
  const after = await read(id);
  expect([after.revision, after.changes]).toEqual([before.revision + 1, asked.changes]);
  const early = (record: CampRecord) => record.visits.filter((v) => v.day === 1 || v.rotation < 2);
  expect(early(after)).toEqual(early(before));
  expect(after.visits.filter((v) => v.day === 0 && v.rotation >= 2 && v.station === closed)).toEqual([]);
  // What was shown is what came.
  const key = (v: { athlete: string; day: number; rotation: number; station: string }) =>
    `${v.athlete} ${v.day} ${v.rotation} ${v.station}`;
  const were = new Set(before.visits.map(key));
  expect(after.visits.filter((v) => !were.has(key(v)))).toHaveLength(difference.moves.filter((m) => m.to !== null).length);
  await coach.post(`/camps/${id}/replan`, { ...asked, now: { day: 1, rotation: 0 }, changes: [] }).expect(409);
});

it('is not planned whole any more once it has begun, by the clock of the academy', async () => {
  const ids = await people(1);
  const id = uuid();
  await put(id, campOf(ids));
  at(TODAY, '08:59');
  await coach.post(`/camps/${id}/schedule`).expect(200);
  at(TODAY, '09:00');
  await coach.post(`/camps/${id}/schedule`).expect(409);
});

it('stands in the calendars of those who come, with its times, once it is published', async () => {
  const [comer, stays] = await people(2);
  const id = uuid();
  await put(id, campOf([comer!]));
  const feed = async (athlete: string): Promise<string> => {
    const { body } = await coach.put(`/calendars/${uuid()}`, { athlete }).expect(200);
    return (await coach.get((body.path as string).replace(/^\/api/, '')).expect(200)).text;
  };
  await scheduled(id);
  expect(await feed(comer!)).not.toContain('Camp:');
  await coach.post(`/camps/${id}/publish`).expect(200);
  const text = await feed(comer!);
  expect(text.match(/SUMMARY:Camp: Two days at the mill/g)).toHaveLength(2);
  expect(text).toContain('DTSTART:20260504T090000Z');
  expect(text).toContain('DTEND:20260504T102000Z');
  expect(await feed(stays!)).not.toContain('Camp:');
});

it('lets no throw that was thrown elsewhere today count twice, and sends nobody where it is not for them', async () => {
  const [busy, free] = await people(2);
  const child = await addAthlete(coach, {
    name: 'Camper Young Rookwell',
    birthDate: '2018-03-01',
    heightM: 1.3,
    massKg: 28,
    level: 'beginner',
  });
  const id = uuid();
  const older = DRILLS.find((d) => d.minAge > 8 && d.disciplines.includes('overhand') && d.throws === 'none')!;
  const given = campOf([busy!, free!, child]);
  await put(id, { ...given, stations: [...given.stations, station('For older ones', { kind: 'drill', drill: older.id })] });
  const budget = async (athlete: string) => (await read(id)).athletes.find((a) => a.athlete === athlete)!.throwBudget;
  const before = await budget(busy!);
  await coach
    .put(`/athletes/${busy!}/outings/${uuid()}`, { on: TODAY, pitches: 0, throws: 20, highEffort: 0, innings: 0 })
    .expect(200);
  expect([await budget(busy!), await budget(free!)]).toEqual([before - 20, before]);
  const record = await scheduled(id);
  expect(record.broken).toEqual([]);
  for (const of of [0, 1]) expect(stationsOf(record, child, of)).not.toContain('For older ones');
  expect(record.cautions.join()).toContain(
    `For older ones is not for Camper Young Rookwell: its drill is for ages from ${older.minAge}.`,
  );
});

it('is not published while somebody who was added has no place, and tells no worth of another camp', async () => {
  const [first, second] = await people(2);
  const id = uuid();
  await put(id, campOf([first!]));
  await scheduled(id);
  const changed = await asSent(id);
  const record = await put(id, { ...changed, athletes: [...changed.athletes, comes(second!)] });
  expect([record.worth, record.broken.join()]).toEqual([null, expect.stringContaining('Camper B Rookwell')]);
  const { body } = await coach.post(`/camps/${id}/publish`).expect(409);
  expect(body.detail).toContain('Camper B Rookwell');
  await scheduled(id);
  await coach.post(`/camps/${id}/publish`).expect(200);
  // What is past of somebody who comes to a running camp is nobody's fault.
  at(TODAY, '09:45');
  const late = await addAthlete(coach, { name: 'Camper Late Rookwell' });
  const running = await asSent(id);
  const joined = await put(id, { ...running, athletes: [...running.athletes, comes(late)] });
  expect(joined.broken.join()).toContain('day 1, rotation 3');
  expect(joined.broken.join()).not.toMatch(/day 1, rotation [12]\b/);
});

it('takes an athlete from the throwing once pain locks the arm, and leaves the rotations before alone', async () => {
  const ids = await people(4);
  const id = uuid();
  await put(id, campOf(ids));
  const before = await scheduled(id);
  const hurt = ids.find((athlete) =>
    stationsOf(before, athlete)
      .slice(2)
      .some((s) => s !== 'Shade'),
  )!;
  await startSession(coach, hurt, TODAY, [{ site: 'shoulder', score: 6 }]);
  const locked = await read(id);
  expect(locked.broken.join()).toContain(locked.athletes.find((a) => a.athlete === hurt)!.name);
  const asked = { revision: locked.revision, now: { day: 0, rotation: 2 }, changes: [] };
  const { body } = await coach.post(`/camps/${id}/replan`, asked).expect(200);
  const after = body as CampRecord;
  expect(stationsOf(after, hurt).slice(0, 2)).toEqual(stationsOf(before, hurt).slice(0, 2));
  expect(new Set(stationsOf(after, hurt).slice(2))).toEqual(new Set(['Shade']));
  expect(new Set(stationsOf(after, hurt, 1))).toEqual(new Set(['Shade']));
});

it('sends home what the camp was: speeds of one gun with their error, drills, work at home; on paper the same', async () => {
  const [thrower, other] = await people(2);
  const focus = await makeFocus(coach, thrower!);
  const id = uuid();
  await put(id, campOf([thrower!, other!]));
  await scheduled(id);
  for (const [n, speeds] of [
    [60, 61, 62],
    [66, 67, 68],
  ].entries()) {
    at(addDays(TODAY, n), '15:30');
    const session = await startSession(coach, thrower!, addDays(TODAY, n));
    const entries = speeds.flatMap((speed, k) => {
      const one = { ...rep({ focus, at: `${addDays(TODAY, n)}T15:0${k}:00.000Z` }), id: uuid() };
      const reading = {
        type: 'reading',
        id: uuid(),
        at: one.at,
        speed,
        unit: 'mph',
        effort: 95,
        gun: 'Mill gun',
        setting: 'mound',
        rep: one.id,
      };
      return [one, reading];
    });
    await coach.post(`/athletes/${thrower!}/sessions/${session}/log`, { entries }).expect(200);
  }
  at(addDays(TODAY, 2));
  const reports = (await coach.get(`/camps/${id}/reports`).expect(200)).body as CampReports;
  const [first, second] = reports.reports;
  expect([first!.speed.first!.mean, first!.speed.last!.mean, first!.speed.change!.by, first!.speed.change!.differs]).toEqual([
    61,
    67,
    6,
    true,
  ]);
  expect(first!.reps).toBe(6);
  expect(first!.home!.length).toBeGreaterThan(4);
  expect(second!.speed.sentence).toBe('No speed was read at the camp.');
  expect(second!.home).toBeNull();
  expect(reports.totals).toMatchObject({ athletes: 2, reps: 6, readTwice: 1 });
  for (const of of ['reports', 'stations', 'athletes'] as const) {
    const text = pdfText(await getPdf(coach, `/camps/${id}/paper?of=${of}`));
    expect(text).toContain('Camper A Rookwell');
    if (of === 'reports') expect(text).toContain('67.0');
    if (of === 'athletes') expect(text).toContain('09:00 to 09:20');
  }
});

it('erases visitors when their time is over and not before, by the owner alone', async () => {
  const [stays, visits] = await people(2);
  const id = uuid();
  await put(id, campOf([], { athletes: [comes(stays!), comes(visits!, { visitor: true, with: [stays!] })] }));
  await scheduled(id);
  at(addDays(TODAY, 11));
  await coach.post(`/camps/${id}/erase-visitors`).expect(409);
  at(addDays(TODAY, 12));
  const [row] = (await coach.get('/camps').expect(200)).body as CampRow[];
  expect(row!.toErase.map((a) => a.id)).toEqual([visits]);
  const helper = await signedIn(harness, { academy: coach.academy, role: 'instructor' });
  await helper.post(`/camps/${id}/erase-visitors`).expect(403);
  await coach.post(`/camps/${id}/erase-visitors`).expect(200);
  await coach.get(`/athletes/${visits!}`).expect(404);
  const left = await read(id);
  expect([left.state, left.athletes.map((a) => a.athlete)]).toEqual(['over', [stays]]);
  expect(left.visits.every((v) => v.athlete === stays)).toBe(true);
  await coach.delete(`/camps/${id}`).expect(200);
  await coach.get(`/camps/${id}`).expect(404);
  await coach.get(`/athletes/${stays!}`).expect(200);
});
