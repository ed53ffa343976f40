import { v4 as uuid } from 'uuid';
import { measuredStride } from './clip';
import { addAthlete, eye, makeFocus, signedIn, startHarness } from './harness';
import type { Client, Harness } from './harness';

let harness: Harness;
let coach: Client;
beforeAll(async () => {
  harness = await startHarness();
  coach = await signedIn(harness);
});
afterAll(() => harness.close());
beforeEach(() => {
  harness.clock.now = new Date('2026-03-02T15:30:00Z');
});
afterEach(() => expect(harness.faults).toEqual([]));

const at = (day: string) => (harness.clock.now = new Date(`${day}T15:30:00Z`));

/** A measured throw of a day, and what follows from it. */
async function measured(athlete: string, on: string, value: number, effort: number | null = 95): Promise<void> {
  at(on);
  await measuredStride(harness, coach, athlete, on, { value, sd: 2, effort });
  // Whatever is seen next renews what is kept.
  await coach.put(`/athletes/${athlete}/observations/${uuid()}`, eye('fly-open', 'unsure', on)).expect(200);
}

const today = async (athlete: string) => {
  const { body } = await coach.get('/today').expect(200);
  return (body.needs as { athlete: string; kind: string; text: string }[]).filter(
    (n) => n.athlete === athlete && !['no-plan', 'no-focus', 'intake'].includes(n.kind),
  );
};
const progress = async (athlete: string) => (await coach.get(`/athletes/${athlete}/progress`).expect(200)).body;

/** A grown thrower with a stride that is too short, measured on the first day. */
async function shortStrider(): Promise<{ athlete: string; focus: string }> {
  const athlete = await addAthlete(coach, { birthDate: '2005-01-10' });
  await coach.put(`/athletes/${athlete}/consents/${uuid()}`, { kind: 'film', given: true, by: 'Testa Birchley' }).expect(200);
  await coach.put(`/athletes/${athlete}/observations/${uuid()}`, eye('short-stride', 'yes', '2026-03-02')).expect(200);
  await measured(athlete, '2026-03-02', 64);
  return { athlete, focus: await makeFocus(coach, athlete, 'short-stride') };
}

it('goes from working over holding and done to owned by the coach’s word, and relapses when it is measured so', async () => {
  const { athlete, focus } = await shortStrider();
  expect((await progress(athlete)).focus[0].course.state).toBe('working');
  await measured(athlete, '2026-04-01', 84);
  expect((await progress(athlete)).focus[0].course.state).toBe('holding');
  expect((await today(athlete)).filter((n) => n.kind === 'done')).toEqual([]);
  await measured(athlete, '2026-04-08', 83);
  expect(await today(athlete)).toContainEqual(
    expect.objectContaining({ kind: 'done', text: expect.stringContaining('in band') }),
  );

  const { body: after } = await coach
    .post(`/athletes/${athlete}/foci/${focus}/change`, { end: 'owned', reason: 'In band on two days' })
    .expect(200);
  expect(after.foci).toEqual([]);
  expect(after.owned).toMatchObject([{ finding: 'short-stride', course: { state: 'owned', watch: null } }]);
  expect(after.chain).toContain('owned');

  at('2026-05-05');
  expect(await today(athlete)).toEqual([]);
  at('2026-05-06');
  expect(await today(athlete)).toMatchObject([{ kind: 'watch', text: expect.stringContaining('4 weeks after') }]);
  await coach.post(`/athletes/${athlete}/foci/${focus}/change`, { ask: true, reason: 'Asked for a clip' }).expect(200);
  expect(await today(athlete)).toEqual([]);

  await measured(athlete, '2026-05-10', 64);
  expect((await today(athlete)).map((n) => n.kind)).toEqual(['relapsed']);
  const { body: back } = await coach.get(`/athletes/${athlete}`).expect(200);
  expect(back.chain).toContain('relapsed');
  const { focus: told } = await progress(athlete);
  expect(told[0].course.state).toBe('relapsed');
  // A tune-up starts at the rung before last, as a focus of its own; it is not asked for twice.
  await makeFocus(coach, athlete, 'short-stride', told[0].tuneUp);
  expect((await today(athlete)).filter((n) => n.kind === 'relapsed')).toEqual([]);
});

it('counts nothing whose effort was not noted, and says so', async () => {
  const { athlete } = await shortStrider();
  await measured(athlete, '2026-04-01', 84, null);
  await measured(athlete, '2026-04-08', 83, null);
  const { focus } = await progress(athlete);
  expect(focus[0].course).toMatchObject({ state: 'working', reason: expect.stringContaining('not noted') });
  expect((await today(athlete)).map((n) => n.kind)).not.toContain('done');
});

it('keeps what should ease with the focus, and what became of it, and counts it', async () => {
  const athlete = await addAthlete(coach, { birthDate: '2005-01-10' });
  for (const [finding, answer] of Object.entries({
    stall: 'yes',
    'late-hips': 'yes',
    'turn-together': 'yes',
    'stuck-back': 'no',
  }))
    await coach.put(`/athletes/${athlete}/observations/${uuid()}`, eye(finding, answer, '2026-03-02')).expect(200);
  const focus = await makeFocus(coach, athlete);
  const before = (await progress(athlete)).focus[0].eased as { finding: string; eased: boolean | null }[];
  expect(before.length).toBeGreaterThan(0);
  // Nobody has looked since: nobody can say.
  expect(before.every((e) => e.eased === null)).toBe(true);
  at('2026-04-10');
  for (const finding of ['late-hips', 'turn-together', 'stall'])
    await coach.put(`/athletes/${athlete}/observations/${uuid()}`, eye(finding, 'no', '2026-04-10')).expect(200);
  const since = (await progress(athlete)).focus[0].eased as { finding: string; eased: boolean | null }[];
  expect(since.find((e) => e.finding === 'late-hips')?.eased).toBe(true);
  await coach.post(`/athletes/${athlete}/foci/${focus}/change`, { end: 'owned', reason: 'Gone' }).expect(200);
  const { easedSoFar, focus: kept } = await progress(athlete);
  expect(kept[0].eased).toEqual(since);
  expect(easedSoFar.of).toBe(since.filter((e) => e.eased !== null).length);
  expect(easedSoFar.eased).toBe(since.filter((e) => e.eased).length);
});

it('tells the family where it stands, and not what the coach suspects', async () => {
  const { athlete } = await shortStrider();
  const own = await signedIn(harness, { academy: coach.academy, role: 'guardian', athletes: [athlete] });
  const { body } = await own.get(`/athletes/${athlete}/progress`).expect(200);
  expect(body.focus[0].course.state).toBe('working');
  expect(body.focus[0].eased).toEqual([]);
  expect(body.easedSoFar).toBeNull();
});

describe('a coach’s week', () => {
  const week = async (client: Client, group?: string) =>
    (await client.get(`/week${group === undefined ? '' : `?group=${group}`}`).expect(200)).body;
  const names = (lines: { athlete: string }[]) => lines.map((l) => l.athlete);

  it('tells who is ready, back, unseen and locked, by group and by name', async () => {
    const owner = await signedIn(harness);
    const ready = await addAthlete(owner, { name: 'Zora Readywick', birthDate: '2005-01-10' });
    const gone = await addAthlete(owner, { name: 'Abel Awaymoor', birthDate: '2005-01-10' });
    const hurt = await addAthlete(owner, { name: 'Mona Sorebank' });
    for (const athlete of [ready, gone])
      await owner.put(`/athletes/${athlete}/observations/${uuid()}`, eye('short-stride', 'yes', '2026-03-02')).expect(200);
    await makeFocus(owner, ready, 'short-stride');
    await makeFocus(owner, gone, 'short-stride');
    await harness.db('foci').where('athlete_id', ready).update({ course: 'done', course_why: 'Holds on two days.' });
    const group = uuid();
    await owner.put(`/groups/${group}`, { name: 'Late', athletes: [ready, hurt] }).expect(200);
    at('2026-03-12');
    const session = uuid();
    const elbow = { site: 'elbow', score: 4, signs: [] };
    await owner
      .put(`/athletes/${hurt}/sessions/${session}`, { on: '2026-03-12', assignment: null, painBefore: [elbow] })
      .expect(200);
    const all = await week(owner);
    expect(all.athletes).toBe(3);
    expect(names(all.lines.done)).toEqual([ready]);
    expect(names(all.lines.unseen)).toEqual([gone, ready]);
    expect(names(all.lines.limit)).toEqual([hurt]);
    expect(all.lines.limit[0].text).toContain('locked');
    const some = await week(owner, group);
    expect(some.athletes).toBe(2);
    expect(names(some.lines.unseen)).toEqual([ready]);
    // Somebody who was looked at was seen; somebody put away is nobody’s week.
    await owner.put(`/athletes/${gone}/observations/${uuid()}`, eye('fly-open', 'no', '2026-03-12')).expect(200);
    await owner.post(`/athletes/${ready}/archive`, { archived: true }).expect(200);
    const later = await week(owner);
    expect(later.lines.unseen).toEqual([]);
    expect(later.lines.done).toEqual([]);
  });

  it('of nobody, and of another’s group', async () => {
    const owner = await signedIn(harness);
    const { lines, athletes } = await week(owner);
    expect(athletes).toBe(0);
    expect(Object.values(lines).flat()).toEqual([]);
    const stranger = await signedIn(harness);
    const group = uuid();
    await owner.put(`/groups/${group}`, { name: 'Ours', athletes: [] }).expect(200);
    await stranger.get(`/week?group=${group}`).expect(404);
  });
});
