import { addDays, sheetRow, sheetWords, UNITS } from '@wrightonic/core';
import type { ReportSheet } from '@wrightonic/contract';
import ICAL from 'ical.js';
import { v4 as uuid } from 'uuid';
import { clipOf, webm } from './clip';
import { addAthlete, eye, makeFocus, signedIn, startHarness, startSession } from './harness';
import type { Client, Harness } from './harness';
import { getPdf, pdfText } from './pdf';

let harness: Harness;
let coach: Client;
let athlete: string;
const DAYS = ['2026-04-07', '2026-04-28'] as const;
const at = (day: string) => (harness.clock.now = new Date(`${day}T15:30:00Z`));

beforeAll(async () => {
  harness = await startHarness();
  at(DAYS[0]);
  coach = await signedIn(harness);
  athlete = await addAthlete(coach, { name: 'Ørla Fenwyck', birthDate: '2005-01-10' });
  await coach.put(`/athletes/${athlete}/consents/${uuid()}`, { kind: 'film', given: true, by: 'Ørla Fenwyck' }).expect(200);
  await coach.put(`/athletes/${athlete}/observations/${uuid()}`, eye('short-stride', 'yes', DAYS[0])).expect(200);
  await makeFocus(coach, athlete, 'short-stride');
  for (const [on, stride, tilt, mph] of [
    [DAYS[0], 64, 30, 70],
    [DAYS[1], 84, 12, 74],
  ] as const) {
    at(on);
    await measure(on, 'stride-length', 'contact', '%height', stride);
    await measure(on, 'trunk-tilt-forward', 'release', 'deg', tilt);
    await speeds(on, mph);
  }
  at('2026-05-04');
});
afterAll(() => harness.close());
afterEach(() => {
  expect(harness.faults).toEqual([]);
  at('2026-05-04');
});

async function measure(on: string, name: string, event: string, unit: string, value: number): Promise<void> {
  const [clip, observation] = [uuid(), uuid()];
  const setup = { ...clipOf(webm(64)).setup, effort: 95 };
  await coach.put(`/athletes/${athlete}/clips/${clip}`, clipOf(webm(64), { on, setup })).expect(200);
  const own = { academy_id: coach.academy };
  await harness.db('observations').insert({
    ...own,
    id: observation,
    athlete_id: athlete,
    on_date: on,
    author: 'film',
    source: 'film',
    evidence: JSON.stringify({ kind: 'measure', measure: name, event, value, unit, sd: 2 }),
  });
  await harness.db('clip_measures').insert({ ...own, clip_id: clip, observation_id: observation });
}

async function speeds(on: string, mph: number): Promise<void> {
  const session = await startSession(coach, athlete, on);
  const entries = [0, 1, 2, 3, 4, 5].map((n) => ({
    type: 'reading',
    id: uuid(),
    at: `${on}T15:05:0${n}.000Z`,
    speed: mph + 0.3 * (n % 3),
    unit: 'mph',
    effort: 100,
    gun: 'gun 1',
    setting: 'mound',
    rep: null,
  }));
  await coach.post(`/athletes/${athlete}/sessions/${session}/log`, { entries }).expect(200);
}

const QUERY = `from=${DAYS[0]}&to=${DAYS[1]}`;
describe('the sheet of two dates', () => {
  it('names what is really better and worse, with the speed beside it', async () => {
    const { body } = await coach.get(`/athletes/${athlete}/sheet?${QUERY}`).expect(200);
    const { sheet, next } = body as ReportSheet;
    expect(sheet.better.map((m) => m.measure)).toEqual(['stride-length']);
    expect(sheet.worse.map((m) => m.measure)).toEqual(['trunk-tilt-forward']);
    expect(sheet.speed).toMatchObject({ gained: true, unit: 'mph' });
    // Four miles an hour on two days three weeks apart: most of it, as two days are not sure of more.
    expect(sheet.speed!.now - sheet.speed!.then).toBeGreaterThan(1.5);
    expect(sheet.speed!.now - sheet.speed!.then).toBeLessThan(4.5);
    expect(sheet.why).toContain('may explain it');
    expect(next.length).toBeGreaterThan(0);
  });

  it('turned round, or of a day to come, is refused in words', async () => {
    for (const query of [`from=${DAYS[1]}&to=${DAYS[0]}`, `from=${DAYS[0]}&to=${DAYS[0]}`, `from=${DAYS[0]}&to=2026-06-01`])
      expect((await coach.get(`/athletes/${athlete}/sheet?${query}`).expect(422)).body.detail).toContain('to');
    const { body } = await coach.get(`/athletes/${athlete}/sheet?from=2026-01-01&to=2026-02-01`).expect(200);
    expect(body.sheet).toMatchObject({ speed: null, measures: [], better: [], worse: [], why: null });
  });

  it('says the same numbers on paper as on screen', async () => {
    const { body } = await coach.get(`/athletes/${athlete}/sheet?${QUERY}`).expect(200);
    const text = pdfText(await getPdf(coach, `/athletes/${athlete}/sheet/pdf?${QUERY}`));
    const { sheet, athlete: name, lengthUnit, next } = body as ReportSheet;
    const units = UNITS[lengthUnit];
    const words = sheetWords(sheet, units);
    for (const said of [
      name,
      words.speed,
      ...words.better,
      ...words.worse,
      sheet.why!,
      ...next,
      ...sheet.measures.flatMap((m) => sheetRow(m, units)),
    ])
      expect(text).toContain(said.replace(/\s+/g, ' '));
  });

  it('comes as athlete’s sheet and as plan', async () => {
    expect(pdfText(await getPdf(coach, `/athletes/${athlete}/paper?paper=athlete`))).toContain('Ørla Fenwyck');
    expect((await coach.get(`/athletes/${athlete}/paper?paper=plan`).expect(409)).body.detail).toContain('No plan');
    const plan = uuid();
    const { body } = await coach.put(`/athletes/${athlete}/plans/${plan}`, { weeks: 2, games: [], pinned: [] }).expect(200);
    const text = pdfText(await getPdf(coach, `/athletes/${athlete}/paper?paper=plan`));
    for (const session of body.plan.sessions)
      for (const item of session.items) expect(text).toContain(item.cue.replace(/\s+/g, ' '));
  });
});

describe('a link for the family', () => {
  const picture = { on: DAYS[0], of: 'at contact', url: 'data:image/jpeg;base64,/9j/4AAQSkZJRg==' };
  const make = async (days = 14) => {
    const id = uuid();
    const { body } = await coach
      .put(`/athletes/${athlete}/links/${id}`, { from: DAYS[0], to: DAYS[1], days, pictures: [picture] })
      .expect(200);
    return { id, token: body.token as string };
  };
  const nobody = async () => signedIn(harness);
  const look = async (token: string) => (await nobody()).post('/shared/look', { token });

  it('shows the sheet to whoever has it, counts, and leads nowhere else', async () => {
    const { id, token } = await make();
    const { status, body } = await look(token);
    expect(status).toBe(200);
    expect(body.kind).toBe('sheet');
    expect(body.sheet.sheet.better).toHaveLength(1);
    expect(body.sheet.pictures).toHaveLength(1);
    // That picture is cut short: the paper comes without it.
    const paper = await (await nobody()).post('/shared/pdf', { token });
    expect([paper.status, paper.headers['content-type']]).toEqual([200, 'application/pdf']);
    await look(token);
    const { body: rows } = await coach.get(`/athletes/${athlete}/links`).expect(200);
    expect(rows.find((r: { id: string }) => r.id === id)).toMatchObject({ state: 'open', views: 2 });
    expect(JSON.stringify(rows)).not.toContain(token);
    // The secret opens nothing but this, and no kept secret is in the database.
    expect(await harness.db('links').where('key_hash', token).first()).toBeUndefined();
    const stranger = await nobody();
    await stranger.get(`/athletes/${athlete}/sheet?${QUERY}`).expect(404);
    await stranger.get(`/feeds/${token}.ics`).expect(404);
  });

  it('is closed at once when it is closed, too old, or the athlete put away', async () => {
    const closed = await make();
    await coach.delete(`/athletes/${athlete}/links/${closed.id}`).expect(200);
    expect((await look(closed.token)).status).toBe(404);
    const old = await make(1);
    harness.clock.now = new Date('2026-05-05T15:29:59Z');
    expect((await look(old.token)).status).toBe(200);
    harness.clock.now = new Date('2026-05-05T15:30:00Z');
    expect((await look(old.token)).status).toBe(404);
    expect((await (await nobody()).post('/shared/pdf', { token: old.token })).status).toBe(404);
    at('2026-05-04');
    const open = await make();
    await coach.post(`/athletes/${athlete}/archive`, { archived: true }).expect(200);
    expect((await look(open.token)).status).toBe(404);
    await coach.post(`/athletes/${athlete}/archive`, { archived: false }).expect(200);
    for (const token of ['', 'x', open.token.slice(1), `${open.token}x`])
      expect([404, 422]).toContain((await look(token)).status);
  });

  it('shows no picture once consent to film is taken back', async () => {
    const { token } = await make();
    await coach.put(`/athletes/${athlete}/consents/${uuid()}`, { kind: 'film', given: false, by: 'Ørla Fenwyck' }).expect(200);
    expect((await look(token)).body.sheet.pictures).toEqual([]);
    await coach.put(`/athletes/${athlete}/consents/${uuid()}`, { kind: 'film', given: true, by: 'Ørla Fenwyck' }).expect(200);
  });

  it('under another athlete’s name, or another’s id, is no link', async () => {
    const { id } = await make();
    const other = await addAthlete(coach);
    await coach.put(`/athletes/${other}/links/${id}`, { from: DAYS[0], to: DAYS[1], days: 3, pictures: [] }).expect(404);
    await coach.delete(`/athletes/${other}/links/${id}`).expect(404);
    const guardian = await signedIn(harness, { academy: coach.academy, role: 'guardian', athletes: [athlete] });
    await guardian.get(`/athletes/${athlete}/links`).expect(403);
    // What they may read of their own child they may have on paper.
    await getPdf(guardian, `/athletes/${athlete}/sheet/pdf?${QUERY}`);
  });
});

describe('a calendar', () => {
  const events = (text: string) =>
    new ICAL.Component(ICAL.parse(text) as unknown[]).getAllSubcomponents('vevent').map((e) => new ICAL.Event(e));

  it('has the days of work, as another program reads it, and closes at once', async () => {
    const plan = uuid();
    await coach.put(`/athletes/${athlete}/plans/${plan}`, { weeks: 2, games: [], pinned: [] }).expect(200);
    await coach.post(`/athletes/${athlete}/plans/${plan}/assign`).expect(200);
    const id = uuid();
    const { body } = await coach.put(`/calendars/${id}`, { athlete }).expect(200);
    const anyone = await signedIn(harness);
    const read = () => anyone.get(body.path.replace('/api', '')).buffer(true);
    const { text, headers } = await read().expect(200);
    expect(headers['content-type']).toContain('text/calendar');
    const days = await harness.db('assignments').where('athlete_id', athlete).orderBy('on_date').pluck('on_date');
    expect(events(text).map((e) => e.startDate.toString())).toEqual(days);
    expect(events(text).map((e) => e.endDate.toString())).toEqual(days.map((d) => addDays(d, 1)));
    for (const event of events(text)) expect(event.summary).toMatch(/^Pitching: \d+ min \w+, (\d+ throws|no throws)/);
    for (const line of text.split('\r\n')) expect(Buffer.byteLength(line)).toBeLessThanOrEqual(75);
    await coach.delete(`/calendars/${id}`).expect(200);
    await read().expect(404);
    expect((await coach.get('/calendars').expect(200)).body).toEqual([]);
  });

  it('of all lessons is a coach’s, of an athlete’s their own; and ends with the right to see them', async () => {
    const { academy } = coach;
    const helper = await signedIn(harness, { academy, role: 'instructor' });
    const { body: all } = await helper.put(`/calendars/${uuid()}`, { athlete: null }).expect(200);
    const text = (await helper.get(all.path.replace('/api', '')).buffer(true).expect(200)).text;
    expect(events(text)[0]!.summary).toContain('Ørla Fenwyck: ');
    const guardian = await signedIn(harness, { academy, role: 'guardian', athletes: [athlete] });
    await guardian.put(`/calendars/${uuid()}`, { athlete: null }).expect(404);
    await guardian.put(`/calendars/${uuid()}`, { athlete: await addAthlete(coach) }).expect(404);
    const { body: own } = await guardian.put(`/calendars/${uuid()}`, { athlete }).expect(200);
    await guardian.get(own.path.replace('/api', '')).expect(200);
    await harness.db('user_athletes').where('user_id', guardian.user).delete();
    await guardian.get(own.path.replace('/api', '')).expect(404);
    // Whoever is gone takes their calendars along.
    await coach.delete(`/people/${helper.user}`).expect(200);
    await coach.get(all.path.replace('/api', '')).expect(404);
  });
});
