/** Work handed out to one, several, a group or a station: what each gets, who has seen and done it, and what becomes of it. */
import { DRILLS } from '@wrightonic/core';
import type { HandOutRecord, HandOutShare } from '@wrightonic/contract';
import { v4 as uuid } from 'uuid';
import { addAthlete, ATHLETE, makeFocus, rep, rowsBy, signedIn, startHarness, startSession } from './harness';
import type { Client, Harness } from './harness';

let harness: Harness;
let coach: Client;
const TODAY = '2026-05-04';
beforeAll(async () => {
  harness = await startHarness();
});
beforeEach(async () => {
  harness.clock.now = new Date(`${TODAY}T15:00:00Z`);
  coach = await signedIn(harness);
});
afterAll(() => harness.close());
afterEach(() => expect(harness.faults).toEqual([]));

const fits = (place: 'home' | 'cage') => (d: (typeof DRILLS)[number]) =>
  d.place.includes(place) && d.equipment.length === 0 && d.disciplines.includes('overhand');
const [DRY, OTHER] = DRILLS.filter((d) => fits('home')(d) && d.throws === 'none' && d.treats.length > 0).map((d) => d.id) as [
  string,
  string,
];
const THROWN = DRILLS.find((d) => fits('cage')(d) && d.throws !== 'none' && d.part === null && d.effort[0] <= 70)!.id;
const OFF_THE_MOUND = DRILLS.find((d) => !d.place.includes('mound') && d.disciplines.includes('overhand'))!.id;

const work = (athletes: readonly string[], more: object = {}) => ({
  what: { kind: 'drills', drills: [DRY] },
  to: { kind: 'athletes', athletes },
  place: 'home',
  on: TODAY,
  note: null,
  ...more,
});
const listed = async (): Promise<HandOutRecord[]> => (await coach.get('/hand-outs').expect(200)).body as HandOutRecord[];
const itemsOf = async (client: Client, athlete: string): Promise<string[]> => {
  const { body } = await client.get(`/athletes/${athlete}/work`).expect(200);
  return ((body.today?.session.items ?? []) as { drill: string }[]).map((i) => i.drill);
};
const states = (record: HandOutRecord | undefined) => record?.shares.map((s) => [s.athlete.name, s.state]);

it('goes to each of a group by their own lock, and says before it goes who would get what', async () => {
  const [well, hurt] = [
    await addAthlete(coach, { name: 'Well Aldermoor' }),
    await addAthlete(coach, { name: 'Hurt Bexley-Rowe' }),
  ];
  const away = await addAthlete(coach, { name: 'Put Away' });
  await startSession(coach, hurt, TODAY, [{ site: 'elbow', score: 5 }]);
  const group = uuid();
  await coach.put(`/groups/${group}`, { name: 'Early', athletes: [well, hurt, away] }).expect(200);
  await coach.post(`/athletes/${away}/archive`, { archived: true }).expect(200);
  const given = work([], { to: { kind: 'group', group }, what: { kind: 'drills', drills: [DRY, THROWN] }, place: 'cage' });
  const { body: looked } = await coach.post('/hand-outs/look', given).expect(200);
  const [first, second] = looked as [HandOutShare, HandOutShare];
  expect((looked as HandOutShare[]).map((s) => s.athlete.name)).toEqual(['Hurt Bexley-Rowe', 'Well Aldermoor']);
  expect(first.work?.throws ?? 0).toBe(0);
  expect(first.left.join()).toContain('.');
  expect(second.work!.throws).toBeGreaterThan(0);
  // A look keeps nothing.
  expect(await listed()).toEqual([]);
  const id = uuid();
  for (let time = 0; time < 2; time++) await coach.put(`/hand-outs/${id}`, given).expect(200);
  const [record] = await listed();
  expect([record!.to, record!.shares.length]).toEqual(['Early', first.work ? 2 : 1]);
  expect((await itemsOf(coach, well)).filter((d) => d === THROWN)).toHaveLength(1);
  expect(await itemsOf(coach, hurt)).not.toContain(THROWN);
});

it('is seen when the family opens it and not when a coach does, and done with the session of that day', async () => {
  const athlete = await addAthlete(coach, { name: 'Seen Calloway' });
  const family = await signedIn(harness, { academy: coach.academy, role: 'guardian', athletes: [athlete] });
  const id = uuid();
  await coach.put(`/hand-outs/${id}`, work([athlete], { note: 'Ten slow ones before supper' })).expect(200);
  const state = async () => states((await listed())[0])![0]![1];
  expect(await state()).toBe('open');
  await coach.post(`/athletes/${athlete}/work/seen`).expect(204);
  expect(await state()).toBe('open');
  await family.post(`/athletes/${athlete}/work/seen`).expect(204);
  expect(await state()).toBe('seen');
  const { body } = await family.get(`/athletes/${athlete}/work`).expect(200);
  expect(body.today.notes).toEqual(['Ten slow ones before supper']);
  const session = uuid();
  await family
    .put(`/athletes/${athlete}/sessions/${session}`, { on: TODAY, assignment: body.today.id, painBefore: [] })
    .expect(200);
  const done = { ...rep(), drill: DRY, rung: DRILLS.find((d) => d.id === DRY)!.rungs[0] };
  await family.post(`/athletes/${athlete}/sessions/${session}/log`, { entries: [done] }).expect(200);
  await family.post(`/athletes/${athlete}/sessions/${session}/finish`).expect(200);
  expect(await state()).toBe('done');
  // What was done is not taken back.
  await coach.delete(`/hand-outs/${id}`).expect(200);
  expect(await state()).toBe('done');
});

it('stands beside the plan of the day, is left alone when the plan is made anew, and goes when it is taken back', async () => {
  const athlete = await addAthlete(coach, { name: 'Planned Dunmoor' });
  await makeFocus(coach, athlete);
  const plan = uuid();
  await coach.put(`/athletes/${athlete}/plans/${plan}`, { weeks: 2, games: [], pinned: [] }).expect(200);
  await coach.post(`/athletes/${athlete}/plans/${plan}/assign`).expect(200);
  const planned = await itemsOf(coach, athlete);
  const extra = [DRY, OTHER].find((d) => !planned.includes(d))!;
  const id = uuid();
  await coach.put(`/hand-outs/${id}`, work([athlete], { what: { kind: 'drills', drills: [extra] } })).expect(200);
  expect((await itemsOf(coach, athlete)).sort()).toEqual([...planned, extra].sort());
  // A game entered makes the plan anew.
  await coach
    .put(`/athletes/${athlete}/outings/${uuid()}`, { on: '2026-05-03', pitches: 60, throws: 90, highEffort: 60, innings: 4 })
    .expect(200);
  expect(await itemsOf(coach, athlete)).toContain(extra);
  const { body: today } = await coach.get('/today').expect(200);
  expect(today.rows).toHaveLength(1);
  await coach.delete(`/hand-outs/${id}`).expect(200);
  expect(await itemsOf(coach, athlete)).not.toContain(extra);
  expect(await listed()).toEqual([]);
  await coach.delete(`/hand-outs/${id}`).expect(404);
});

it('gives each of a station’s athletes a plan of their own, and says of whom there is none', async () => {
  const [ready, fresh] = [
    await addAthlete(coach, { name: 'Ready Elmstone' }),
    await addAthlete(coach, { name: 'Fresh Fairholt' }),
  ];
  await makeFocus(coach, ready);
  const group = uuid();
  await coach.put(`/groups/${group}`, { name: 'Net one', athletes: [ready, fresh] }).expect(200);
  const station = await signedIn(harness, { academy: coach.academy, role: 'station', groups: [group] });
  const given = work([], { what: { kind: 'plan', weeks: 2 }, to: { kind: 'station', person: station.user }, place: 'cage' });
  const { body: looked } = await coach.post('/hand-outs/look', given).expect(200);
  expect((looked as HandOutShare[]).map((s) => [s.athlete.name, s.work !== null])).toEqual([
    ['Fresh Fairholt', false],
    ['Ready Elmstone', true],
  ]);
  await coach.put(`/hand-outs/${uuid()}`, given).expect(200);
  expect(states((await listed())[0])).toEqual([['Ready Elmstone', 'open']]);
  expect((await coach.get(`/athletes/${ready}/plan`).expect(200)).body.assigned).toBe(true);
  // A station runs what was handed out, and hands out nothing.
  await station.put(`/hand-outs/${uuid()}`, given).expect(403);
});

it('loses its throws with the lock that comes after it, and keeps what is dry', async () => {
  const athlete = await addAthlete(coach, { name: 'Later Hurt' });
  const given = work([athlete], { what: { kind: 'drills', drills: [DRY, THROWN] }, place: 'cage' });
  await coach.put(`/hand-outs/${uuid()}`, given).expect(200);
  expect(await itemsOf(coach, athlete)).toContain(THROWN);
  await startSession(coach, athlete, TODAY, [{ site: 'elbow', score: 5 }]);
  const { body } = await coach.get(`/athletes/${athlete}/work`).expect(200);
  expect(body.today?.session.throws ?? 0).toBe(0);
  expect(await itemsOf(coach, athlete)).not.toContain(THROWN);
});

it('is still the same plan from the same hand when it is made anew, and does not come back once it is taken back', async () => {
  const athlete = await addAthlete(coach, { name: 'Anew Harrowgate' });
  const family = await signedIn(harness, { academy: coach.academy, role: 'guardian', athletes: [athlete] });
  await makeFocus(coach, athlete);
  const id = uuid();
  const plan = { what: { kind: 'plan', weeks: 2 }, place: 'cage' };
  await coach.put(`/hand-outs/${id}`, work([athlete], plan)).expect(200);
  await family.post(`/athletes/${athlete}/work/seen`).expect(204);
  const game = (on: string) =>
    coach.put(`/athletes/${athlete}/outings/${uuid()}`, { on, pitches: 60, throws: 90, highEffort: 60, innings: 4 }).expect(200);
  await game('2026-05-03');
  expect(states((await listed())[0])).toEqual([['Anew Harrowgate', 'seen']]);
  expect(await harness.db('assignments').where({ athlete_id: athlete, done: false }).whereNull('hand_out_id')).toEqual([]);
  await coach.delete(`/hand-outs/${id}`).expect(200);
  await game('2026-05-02');
  expect(await harness.db('assignments').where({ athlete_id: athlete, done: false })).toEqual([]);
  // The plan that stood before goes on.
  const before = uuid();
  await coach.put(`/athletes/${athlete}/plans/${before}`, { weeks: 2, games: [], pinned: [] }).expect(200);
  await coach.post(`/athletes/${athlete}/plans/${before}/assign`).expect(200);
  const again = uuid();
  await coach.put(`/hand-outs/${again}`, work([athlete], plan)).expect(200);
  await coach.delete(`/hand-outs/${again}`).expect(200);
  const rows = await harness.db('assignments').where({ athlete_id: athlete, done: false });
  expect(rows.length).toBeGreaterThan(0);
  expect(rows.every((row) => row.hand_out_id === null && row.on_date > TODAY)).toBe(true);
});

it('is refused where it cannot be, with what to mend, and leaves nothing half done', async () => {
  const athlete = await addAthlete(coach);
  const other = await signedIn(harness);
  const foreign = await addAthlete(other);
  const before = await rowsBy(harness.db, 'academy_id', coach.academy);
  const cases: readonly (readonly [object, number, string])[] = [
    [work([foreign]), 422, 'to.athletes'],
    [work([athlete, foreign]), 422, 'to.athletes'],
    [work([athlete], { on: '2026-05-03' }), 422, 'on'],
    [work([athlete], { on: '2027-05-03' }), 422, 'on'],
    [work([athlete], { what: { kind: 'drills', drills: ['no-such-drill'] } }), 422, 'what.drills[0]'],
    [work([athlete], { what: { kind: 'drills', drills: [] } }), 422, 'what.drills'],
    [work([athlete], { what: { kind: 'song' } }), 422, 'what.kind'],
    [work([], { to: { kind: 'group', group: uuid() } }), 422, 'to.group'],
    [work([], { to: { kind: 'station', person: coach.user } }), 422, 'to.person'],
    [work([athlete], { what: { kind: 'plan', weeks: 2 } }), 409, ''],
    [work([athlete], { what: { kind: 'drills', drills: [OFF_THE_MOUND] }, place: 'mound' }), 409, ''],
  ];
  for (const [body, status, path] of cases) {
    const answer = await coach.put(`/hand-outs/${uuid()}`, body);
    expect([status, answer.status, ((answer.body.errors ?? []) as { path: string }[])[0]?.path ?? '']).toEqual([
      status,
      status,
      path,
    ]);
  }
  expect(await rowsBy(harness.db, 'academy_id', coach.academy)).toBe(before);
  // Another academy's is not there.
  const id = uuid();
  await coach.put(`/hand-outs/${id}`, work([athlete])).expect(200);
  await other.delete(`/hand-outs/${id}`).expect(404);
  expect((await other.get('/hand-outs').expect(200)).body).toEqual([]);
});

it('goes with the athlete who is erased, name and all', async () => {
  const athlete = await addAthlete(coach, { ...ATHLETE, name: 'Erased Gravenhurst' });
  await coach.put(`/hand-outs/${uuid()}`, work([athlete], { note: 'For Erased Gravenhurst alone' })).expect(200);
  await coach.post(`/athletes/${athlete}/erase`, { name: 'Erased Gravenhurst' }).expect(204);
  const left = await rowsBy(harness.db, 'academy_id', coach.academy);
  expect(left).not.toContain('Gravenhurst');
  expect(await harness.db('hand_outs').where('academy_id', coach.academy)).toEqual([]);
});
