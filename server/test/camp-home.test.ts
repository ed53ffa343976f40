/** What goes home from a camp: handed out once and kept as it was, read by the family alone, and behind links that close. */
import type { CampLink, CampReports, CampWay, Shared } from '@wrightonic/contract';
import { addDays } from '@wrightonic/core';
import { v4 as uuid } from 'uuid';
import { campOf, station, TODAY } from './camp-steps';
import { clipOf, webm } from './clip';
import { addAthlete, log, makeFocus, rep, signedIn, startHarness, startSession } from './harness';
import type { Client, Harness } from './harness';
import { getPdf, pdfText } from './pdf';

let harness: Harness;
let coach: Client;
let one: string;
let other: string;
let focus: string;
const LAST = addDays(TODAY, 1);
const at = (date: string, time = '08:00') => (harness.clock.now = new Date(`${date}T${time}:00Z`));
beforeAll(async () => {
  harness = await startHarness();
});
beforeEach(async () => {
  at(TODAY);
  coach = await signedIn(harness);
  one = await addAthlete(coach, { name: 'Ilse Rookwell' });
  other = await addAthlete(coach, { name: 'Odo Tarnbeck' });
  focus = await makeFocus(coach, one);
});
afterAll(() => harness.close());
afterEach(() => expect(harness.faults).toEqual([]));

const nobody = () => signedIn(harness);
const family = (athlete: string) => signedIn(harness, { academy: coach.academy, role: 'guardian', athletes: [athlete] });
const reports = async (id: string) => (await coach.get(`/camps/${id}/reports`).expect(200)).body as CampReports;
const handOut = (id: string) => coach.post(`/camps/${id}/reports`);
const ways = async (as: Client, athlete: string) => (await as.get(`/athletes/${athlete}/camps`).expect(200)).body as CampWay[];
const linksTo = (id: string, athletes: readonly string[], days = 14) =>
  coach.post(`/camps/${id}/links`, { days, links: athletes.map((athlete) => ({ id: uuid(), athlete })) });
const look = async (token: string) => (await nobody()).post('/shared/look', { token });

/** A camp of two that is published. */
async function held(): Promise<string> {
  const id = uuid();
  const given = campOf([one, other]);
  const [gun, ...rest] = given.stations;
  await coach.put(`/camps/${id}`, { ...given, stations: [{ ...gun!, coach: coach.user, place: 'Lane 1' }, ...rest] }).expect(200);
  await coach.post(`/camps/${id}/schedule`).expect(200);
  await coach.post(`/camps/${id}/publish`).expect(200);
  return id;
}

async function throwOn(date: string, many: number): Promise<void> {
  at(date, '15:30');
  const session = await startSession(coach, one, date);
  await log(
    coach,
    one,
    session,
    Array.from({ length: many }, (_, n) => rep({ focus, at: `${date}T15:0${n}:00.000Z` })),
  );
}

it('stays as it was handed out, whatever comes after, until it is handed out again', async () => {
  const id = await held();
  await throwOn(TODAY, 3);
  expect((await handOut(id).expect(409)).body.detail).toContain(LAST);
  expect((await reports(id)).handedOutAt).toBeNull();
  at(LAST, '16:00');
  const handed = (await handOut(id).expect(200)).body as CampReports;
  expect([handed.handedOutAt, handed.reports.map((r) => r.reps)]).toEqual([`${LAST}T16:00:00.000Z`, [3, 0]]);
  const plan = handed.reports[0]!.home;
  expect(plan!.length).toBeGreaterThan(4);
  await throwOn(LAST, 2);
  await coach.put(`/athletes/${one}`, { ...(await recordOf(one)), name: 'Ilse Marsh' }).expect(200);
  at(addDays(LAST, 3));
  const later = await reports(id);
  expect([later.reports[0]!.reps, later.reports[0]!.athlete.name, later.reports[0]!.home]).toEqual([3, 'Ilse Marsh', plan]);
  expect(later.totals.reps).toBe(3);
  expect(pdfText(await getPdf(coach, `/camps/${id}/paper?of=reports`))).toContain('3 reps on the days of the camp');
  await handOut(id).expect(200);
  const again = await reports(id);
  expect([again.handedOutAt, again.reports[0]!.reps]).toEqual([`${addDays(LAST, 3)}T08:00:00.000Z`, 5]);
});

const recordOf = async (athlete: string) => (await coach.get(`/athletes/${athlete}`).expect(200)).body.athlete as object;

it('shows a family where their own child goes, and of the others nothing; a draft it does not show', async () => {
  const draft = uuid();
  await coach.put(`/camps/${draft}`, campOf([one], { name: 'Not yet' })).expect(200);
  const id = await held();
  const parent = await family(one);
  const [way, ...more] = await ways(parent, one);
  expect(more).toEqual([]);
  expect([way!.id, way!.days.map((d) => [d.date, d.stops.length]), way!.report]).toEqual([
    id,
    [
      [TODAY, 4],
      [LAST, 4],
    ],
    null,
  ]);
  const gun = way!.days[0]!.stops.find((stop) => stop.station === 'Gun');
  expect(gun).toMatchObject({ place: 'Lane 1', coach: 'Test Person' });
  expect(way!.days[0]!.stops.map((stop) => stop.from)).toEqual(['09:00', '09:20', '09:40', '10:00']);
  expect(JSON.stringify(way)).not.toMatch(/Tarnbeck|Odo/);
  expect(JSON.stringify(way)).not.toContain(other);
  // The same places as on the coach's screen.
  const { body: camp } = await coach.get(`/camps/${id}`).expect(200);
  const names = new Map(camp.stations.map((s: { id: string; name: string }) => [s.id, s.name]));
  for (const visit of camp.visits.filter((v: { athlete: string }) => v.athlete === one))
    expect(way!.days[visit.day]!.stops[visit.rotation]!.station).toBe(names.get(visit.station));
  await parent.get(`/athletes/${other}/camps`).expect(404);
  await parent.get(`/camps/${id}`).expect(403);
  at(LAST, '16:00');
  await handOut(id).expect(200);
  expect((await ways(parent, one))[0]!.report!.athlete.id).toBe(one);
  at(addDays(LAST, 60));
  expect(await ways(await family(one), one)).toHaveLength(1);
  at(addDays(LAST, 61));
  expect(await ways(await family(one), one)).toEqual([]);
});

it('is behind a link of each athlete’s own, which counts, closes, ends, and says that the arm is locked meanwhile', async () => {
  const id = await held();
  await throwOn(TODAY, 3);
  at(LAST, '16:00');
  const early = await linksTo(id, [one, other]).expect(422);
  expect(early.body.errors[0].path).toBe('links[0].athlete');
  await handOut(id).expect(200);
  const made = (await linksTo(id, [one, other], 3).expect(200)).body as CampLink[];
  expect(made.map((link) => link.athlete.id)).toEqual([one, other]);
  const [{ token }] = made as [CampLink];
  const shared = (await look(token)).body as Extract<Shared, { kind: 'camp' }>;
  expect(shared).toMatchObject({ kind: 'camp', camp: 'Two days at the mill', from: TODAY, to: LAST, locked: null });
  expect([shared.report.athlete.name, shared.report.reps]).toEqual(['Ilse Rookwell', 3]);
  expect(JSON.stringify(shared)).not.toContain('Tarnbeck');
  const paper = async () => {
    const { body } = await (
      await nobody()
    )
      .post('/shared/pdf', { token })
      .buffer(true)
      .parse((res, done) => {
        const parts: Buffer[] = [];
        res.on('data', (part: Buffer) => parts.push(part));
        res.on('end', () => done(null, Buffer.concat(parts)));
      })
      .expect(200);
    return pdfText(body as Buffer);
  };
  expect(await paper()).toContain(shared.report.speed.sentence);
  const [row] = (await coach.get(`/athletes/${one}/links`).expect(200)).body;
  expect(row).toMatchObject({ camp: 'Two days at the mill', from: TODAY, to: LAST, state: 'open', views: 1 });
  await startSession(coach, one, LAST, [{ site: 'elbow', score: 5 }]);
  const hurt = (await look(token)).body as Extract<Shared, { kind: 'camp' }>;
  expect(hurt.locked).toContain('elbow');
  expect((await ways(await family(one), one))[0]!.locked).toBe(hurt.locked);
  expect(await paper()).toContain(hurt.locked!.replace(/\s+/g, ' '));
  // Of the two, one is closed by hand and the other by time.
  await coach.delete(`/athletes/${one}/links/${row.id}`).expect(200);
  expect((await look(token)).status).toBe(404);
  expect((await look(made[1]!.token)).status).toBe(200);
  at(addDays(LAST, 3), '16:00');
  expect((await look(made[1]!.token)).status).toBe(404);
});

it('takes along the first and the last picture of the camp, and shows none once consent is taken back', async () => {
  const id = await held();
  const agreed = (given: boolean) =>
    coach.put(`/athletes/${one}/consents/${uuid()}`, { kind: 'film', given, by: 'Vera Rookwell' }).expect(200);
  await agreed(true);
  const poster = (of: string) => `data:image/jpeg;base64,${Buffer.from(of).toString('base64')}`;
  const film = async (on: string, of: string) => {
    at(on, '12:00');
    await coach.put(`/athletes/${one}/clips/${uuid()}`, clipOf(webm(64), { on, poster: poster(of) })).expect(200);
  };
  await film(TODAY, 'first');
  await film(LAST, 'between');
  at(LAST, '13:00');
  await film(LAST, 'last');
  await film(addDays(LAST, 1), 'after');
  const handed = (await handOut(id).expect(200)).body as CampReports;
  expect(handed.reports.map((r) => r.pictures)).toEqual([
    [
      { on: TODAY, of: 'from the open side', url: poster('first') },
      { on: LAST, of: 'from the open side', url: poster('last') },
    ],
    [],
  ]);
  // Those are no pictures that could be read: the paper comes without them.
  expect(pdfText(await getPdf(coach, `/camps/${id}/paper?of=reports`))).toContain('Ilse Rookwell');
  const [{ token }] = (await linksTo(id, [one]).expect(200)).body as [CampLink];
  const seen = async () => ((await look(token)).body as Extract<Shared, { kind: 'camp' }>).report.pictures.length;
  expect(await seen()).toBe(2);
  await agreed(false);
  expect([await seen(), (await reports(id)).reports[0]!.pictures, (await ways(coach, one))[0]!.report!.pictures]).toEqual([
    0,
    [],
    [],
  ]);
});

it('opens nothing once the camp is dropped, and makes no link of another’s', async () => {
  const id = await held();
  at(LAST, '16:00');
  await handOut(id).expect(200);
  const link = uuid();
  await coach.post(`/camps/${id}/links`, { days: 3, links: [{ id: link, athlete: one }] }).expect(200);
  // One is right, the other has the id of somebody else's: neither is made.
  await coach
    .post(`/camps/${id}/links`, {
      days: 3,
      links: [
        { id: uuid(), athlete: one },
        { id: link, athlete: other },
      ],
    })
    .expect(404);
  expect((await coach.get(`/athletes/${one}/links`).expect(200)).body).toHaveLength(1);
  await linksTo(id, [one, one]).expect(422);
  const stranger = await signedIn(harness);
  await stranger.post(`/camps/${id}/reports`).expect(404);
  await stranger.post(`/camps/${id}/links`, { days: 3, links: [{ id: uuid(), athlete: one }] }).expect(404);
  const parent = await family(one);
  await parent.post(`/camps/${id}/links`, { days: 3, links: [{ id: uuid(), athlete: one }] }).expect(403);
  const [{ token }] = (await linksTo(id, [other]).expect(200)).body as [CampLink];
  await coach.delete(`/camps/${id}`).expect(200);
  expect((await look(token)).status).toBe(404);
});

it('tells each coach on one page where they are when, and says so where no station has a coach', async () => {
  const id = await held();
  const text = pdfText(await getPdf(coach, `/camps/${id}/paper?of=coaches`));
  expect(text).toContain('Runs Gun (Lane 1).');
  expect(text).toContain('Ilse Rookwell');
  const bare = uuid();
  await coach.put(`/camps/${bare}`, campOf([one], { stations: [station('Shade')] })).expect(200);
  await coach.post(`/camps/${bare}/schedule`).expect(200);
  expect((await coach.get(`/camps/${bare}/paper?of=coaches`).expect(409)).body.title).toContain('No station has a coach');
});
