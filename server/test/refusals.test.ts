import { ROUTES } from '@wrightonic/contract';
import type { Route, RouteName } from '@wrightonic/contract';
import request from 'supertest';
import { v4 as uuid } from 'uuid';
import { addAthlete, ATHLETE, eye, makeFocus, rep, signedIn, startHarness, startSession } from './harness';
import type { Client, Harness } from './harness';

let harness: Harness;
let coach: Client;
let stranger: Client;
let child: Client;
let own: string;
let foreign: string;
beforeAll(async () => {
  harness = await startHarness();
  coach = await signedIn(harness);
  stranger = await signedIn(harness);
  own = await addAthlete(coach);
  foreign = await addAthlete(stranger, { name: 'Foreign Rowanby' });
  child = await signedIn(harness, { academy: coach.academy, athlete: own });
});
afterAll(() => harness.close());
afterEach(() => expect(harness.faults).toEqual([]));

const ATHLETE_ROUTES = (Object.entries(ROUTES) as [RouteName, Route][]).filter(([, r]) => r.path.includes(':athlete'));
const call = (client: Client, route: Route, athlete: string, body: object = {}) =>
  client[route.method](route.path.replace(':athlete', athlete).replace(':id', uuid()), body);

describe('who may do what', () => {
  it.each(ATHLETE_ROUTES)('%s asks for a sign-in and stays inside the academy', async (_name, route) => {
    const path = `/api${route.path.replace(':athlete', own).replace(':id', uuid())}`;
    await request(harness.server)[route.method](path).expect(401);
    const body = VALID[_name] ?? {};
    const { body: problem, status } = await call(coach, route, foreign, body);
    // A new athlete's id that is taken elsewhere is refused as taken; everything else is not found.
    expect([status, problem.errors]).toEqual([_name === 'putAthlete' ? 409 : 404, []]);
  });

  it.each(ATHLETE_ROUTES)('%s lets an athlete reach only what is theirs', async (name, route) => {
    const body = VALID[name] ?? {};
    const other = await call(child, route, foreign, body);
    expect(other.status).toBe(route.roles.includes('athlete') ? 404 : 403);
    if (!route.roles.includes('athlete')) expect((await call(child, route, own, body)).status).toBe(403);
  });

  it('leaves a foreign academy untouched by all of it', async () => {
    const { body } = await stranger.get(`/athletes/${foreign}`).expect(200);
    expect(body.athlete).toEqual({ ...ATHLETE, name: 'Foreign Rowanby' });
    expect(body.timeline).toEqual([]);
    expect((await coach.get('/athletes').expect(200)).body.map((a: { id: string }) => a.id)).toEqual([own]);
    await child.get('/athletes').expect(403);
  });

  it('ends with the sign-out, and refuses a wrong password without saying which part was wrong', async () => {
    const guest = await signedIn(harness);
    await guest.post('/sign-out').expect(204);
    await guest.get('/me').expect(401);
    const wrong = await request(harness.server).post('/api/sign-in').send({ signIn: 'nobody', password: 'x' }).expect(401);
    expect(wrong.body.detail).toContain('do not go together');
  });

  it('slows down guessing for one name', async () => {
    const guess = () => request(harness.server).post('/api/sign-in').send({ signIn: 'victim', password: 'guess' });
    const answers = [];
    for (let n = 0; n < 22; n++) answers.push((await guess()).status);
    expect(answers.slice(-1)).toEqual([429]);
    await request(harness.server).post('/api/sign-in').send({ signIn: 'somebody-else', password: 'x' }).expect(401);
  });

  it('refuses writes from another site’s page', async () => {
    await coach
      .put(`/athletes/${own}/observations/${uuid()}`, eye('stall', 'yes'))
      .set('Origin', 'http://elsewhere.invalid')
      .expect(403);
  });
});

/** A body that each endpoint would take, so that the refusal is about the person and not the body. */
const VALID: Partial<Record<RouteName, object>> = {
  putAthlete: ATHLETE,
  putObservation: eye('stall', 'yes'),
  putFocus: { finding: 'stall', rung: 1, diagnosis: null },
  changeFocus: { rung: 2, reason: 'to see' },
  putPlan: { weeks: 2, games: [], pinned: [] },
  putSession: { on: '2026-05-04', assignment: null, painBefore: [] },
  log: { entries: [rep()] },
  putOuting: { on: '2026-05-04', pitches: 0, throws: 10, highEffort: 0, innings: 0 },
  putClearance: { date: '2026-05-04', by: 'Dr. Nobody' },
};

describe('bad input', () => {
  const problem = (answer: {
    status: number;
    headers: Record<string, string>;
    body: { title: string; detail: string; errors: { path: string; message: string }[] };
  }) => {
    expect(answer.headers['content-type']).toContain('application/problem+json');
    expect(JSON.stringify(answer.body)).not.toMatch(/\bat .*\.(ts|js)|node_modules|select |insert /i);
    return answer.body;
  };

  it.each(ATHLETE_ROUTES.filter(([, r]) => r.body))('%s names every wrong field', async (_name, route) => {
    for (const body of [{}, { surplus: 1 }, { on: 'yesterday', entries: 'many', weeks: -1, rung: 99, name: 7 }]) {
      const answer = await call(coach, route, own, body);
      expect(answer.status).toBe(422);
      const { errors, detail } = problem(answer);
      expect(errors.length).toBeGreaterThan(0);
      for (const e of errors) expect(e.message.length).toBeGreaterThan(5);
      expect(detail).toContain(errors[0]!.message);
    }
  });

  it('answers broken JSON, wrong ids, unknown addresses and too much at once', async () => {
    const broken = await coach
      .put(`/athletes/${own}/observations/${uuid()}`)
      .set('Content-Type', 'application/json')
      .send('{"on":');
    expect([broken.status, problem(broken).title]).toEqual([400, 'The input is not JSON']);
    expect(problem(await coach.get('/athletes/not-an-id').expect(422)).errors[0]!.path).toBe('athlete');
    expect(problem(await coach.get('/nowhere').expect(404)).detail).toContain('/api/docs');
    await coach
      .put(`/athletes/${own}/observations/${uuid()}`, {
        on: '2026-05-04',
        evidence: { kind: 'eye', finding: 'x'.repeat(1_100_000), answer: 'yes' },
      })
      .expect(413);
  });

  it.each([
    ['a finding of the other discipline', { kind: 'eye', finding: 'straight-whip', answer: 'yes' }, 'evidence.finding'],
    [
      'a test in the wrong unit',
      { kind: 'screen', test: 'hip-internal-rotation', side: 'drive', value: 30, unit: 'cm' },
      'evidence.unit',
    ],
    [
      'a side that the test has not',
      { kind: 'screen', test: 'vertical-jump', side: 'drive', value: 20, unit: 'in' },
      'evidence.side',
    ],
    ['a reading that cannot be', { kind: 'screen', test: 'knee-to-wall', side: 'drive', value: 105, unit: 'cm' }, 'evidence'],
  ])('refuses %s', async (_what, evidence, path) => {
    const before = await harness.db('observations').where('athlete_id', own).count({ n: '*' }).first();
    const { body } = await coach.put(`/athletes/${own}/observations/${uuid()}`, { on: '2026-05-04', evidence }).expect(422);
    expect(body.errors[0].path).toContain(path.split('.').pop());
    expect(await harness.db('observations').where('athlete_id', own).count({ n: '*' }).first()).toEqual(before);
  });

  it('refuses what lies in the future, and a plan without a focus', async () => {
    await coach.put(`/athletes/${own}/observations/${uuid()}`, eye('stall', 'yes', '2026-05-05')).expect(422);
    await coach.put(`/athletes/${own}/sessions/${uuid()}`, { on: '2026-06-01', assignment: null, painBefore: [] }).expect(422);
    const fresh = await addAthlete(coach);
    const { body } = await coach.put(`/athletes/${fresh}/plans/${uuid()}`, { weeks: 4, games: [], pinned: [] }).expect(409);
    expect(body.detail).toContain('Choose a focus');
  });

  it('saves nothing of a batch in which one entry is wrong', async () => {
    const session = await startSession(coach, own);
    const { body } = await coach
      .post(`/athletes/${own}/sessions/${session}/log`, { entries: [rep(), rep({ drill: 'no-such-drill' })] })
      .expect(422);
    expect(body.errors[0].path).toBe('entries[1].drill');
    expect(await harness.db('reps').where('session_id', session)).toEqual([]);
  });

  it('refuses another change of a focus that has ended', async () => {
    const fresh = await addAthlete(coach);
    const focus = await makeFocus(coach, fresh);
    await coach.post(`/athletes/${fresh}/foci/${focus}/change`, { end: 'left-alone', reason: 'enough' }).expect(200);
    await coach.post(`/athletes/${fresh}/foci/${focus}/change`, { rung: 3, reason: 'again' }).expect(409);
  });

  it('refuses a time zone that is none', async () => {
    const { body } = await coach
      .put('/academy/settings', { speedUnit: 'mph', timeZone: 'Moon/Base', leagueDailyLimit: null, league: {}, schools: {} })
      .expect(422);
    expect(body.errors[0].path).toBe('timeZone');
  });
});

describe('the documents', () => {
  it('describe every route', async () => {
    const { body } = await request(harness.server).get('/api/openapi.json').expect(200);
    const described = Object.values(body.paths as Record<string, object>).reduce((n, p) => n + Object.keys(p).length, 0);
    expect(described).toBe(Object.keys(ROUTES).length);
    const page = await request(harness.server).get('/api/docs').expect(200);
    expect(page.text).toContain('/athletes/:athlete/sessions/:id/log');
    expect(page.text).not.toContain('<script');
  });
});
