import { ROUTES } from '@wrightonic/contract';
import type { Route, RouteName } from '@wrightonic/contract';
import request from 'supertest';
import { v4 as uuid } from 'uuid';
import { addAthlete, eye, makeFocus, rep, SETTINGS, signedIn, startHarness, startSession } from './harness';
import type { Client, Harness } from './harness';

let harness: Harness;
let coach: Client;
let own: string;
beforeAll(async () => {
  harness = await startHarness();
  coach = await signedIn(harness);
  own = await addAthlete(coach);
});
afterAll(() => harness.close());
afterEach(() => expect(harness.faults).toEqual([]));

const ATHLETE_ROUTES = (Object.entries(ROUTES) as [RouteName, Route][]).filter(([, r]) => r.path.includes(':athlete'));
const call = (client: Client, route: Route, athlete: string, body: object = {}) =>
  client[route.method](route.path.replace(':athlete', athlete).replace(':id', uuid()), body);

describe('signing in', () => {
  it('ends with the sign-out, and refuses a wrong password without saying which part was wrong', async () => {
    const guest = await signedIn(harness);
    await guest.post('/sign-out').expect(204);
    await guest.get('/me').expect(401);
    const wrong = await request(harness.server).post('/api/sign-in').send({ signIn: 'nobody', password: 'x' }).expect(401);
    expect(wrong.body.detail).toContain('do not go together');
  });

  it('refuses writes from another site’s page', async () => {
    await coach
      .put(`/athletes/${own}/observations/${uuid()}`, eye('stall', 'yes'))
      .set('Origin', 'http://elsewhere.invalid')
      .expect(403);
  });
});

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

  it('refuses the wrong entries of a batch one by one, and keeps the rest', async () => {
    const session = await startSession(coach, own);
    const { body } = await coach
      .post(`/athletes/${own}/sessions/${session}/log`, { entries: [rep(), rep({ drill: 'no-such-drill' })] })
      .expect(200);
    expect(body.results).toMatchObject([
      { status: 'stored', kept: true },
      { status: 'refused', kept: false, reason: expect.stringContaining('no-such-drill') },
    ]);
    expect(await harness.db('reps').where('session_id', session)).toHaveLength(1);
  });

  it('refuses another change of a focus that has ended', async () => {
    const fresh = await addAthlete(coach);
    const focus = await makeFocus(coach, fresh);
    await coach.post(`/athletes/${fresh}/foci/${focus}/change`, { end: 'left-alone', reason: 'enough' }).expect(200);
    await coach.post(`/athletes/${fresh}/foci/${focus}/change`, { rung: 3, reason: 'again' }).expect(409);
  });

  it('refuses a time zone that is none', async () => {
    const { body } = await coach.put('/academy/settings', { ...SETTINGS, timeZone: 'Moon/Base' }).expect(422);
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
