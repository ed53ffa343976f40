import { addDays } from '@wrightonic/core';
import { v4 as uuid } from 'uuid';
import { SETTINGS, addAthlete, ATHLETE, eye, makeFocus, pitch, rep, signedIn, startHarness, startSession } from './harness';
import type { Client, Harness } from './harness';

let harness: Harness;
let coach: Client;
beforeAll(async () => {
  harness = await startHarness();
  coach = await signedIn(harness);
});
afterAll(() => harness.close());
beforeEach(() => {
  harness.clock.now = new Date('2026-05-04T15:30:00Z');
});
afterEach(() => expect(harness.faults).toEqual([]));

const reading = (speed: number, more: object = {}) => ({
  type: 'reading',
  id: uuid(),
  at: '2026-05-04T15:02:00.000Z',
  speed,
  unit: 'mph',
  effort: 100,
  gun: 'gun 1',
  setting: 'mound',
  ...more,
});
const at = (day: string) => (harness.clock.now = new Date(`${day}T15:00:00Z`));

describe('today', () => {
  it('lists the day’s work and what needs the coach, most urgent first', async () => {
    const own = await signedIn(harness);
    const planned = await addAthlete(own, { name: 'Planned Person' });
    await makeFocus(own, planned);
    const plan = uuid();
    await own.put(`/athletes/${planned}/plans/${plan}`, { weeks: 2, games: [], pinned: [] }).expect(200);
    await own.post(`/athletes/${planned}/plans/${plan}/assign`).expect(200);
    const hurt = await addAthlete(own, { name: 'Hurt Person' });
    await startSession(own, hurt, '2026-05-04', [{ site: 'elbow', score: 5 }]);
    const fresh = await addAthlete(own, { name: 'Fresh Person' });
    const { body } = await own.get('/today').expect(200);
    expect(body.today).toBe('2026-05-04');
    expect(body.rows.map((r: { athlete: { id: string }; line: string }) => r.athlete.id)).toEqual([planned]);
    expect(body.rows[0].line).toMatch(/min, (dry|\d+ throws)/);
    expect(body.needs[0]).toMatchObject({ athlete: hurt, kind: 'pain' });
    expect(body.needs.find((n: { athlete: string }) => n.athlete === fresh)).toMatchObject({ kind: 'intake' });
    expect(body.needs.filter((n: { athlete: string }) => n.athlete === planned).map((n: { kind: string }) => n.kind)).toEqual([
      'intake',
    ]);
  });

  it('names whoever has work the day after once, of its own academy alone, and nobody who is put away', async () => {
    const own = await signedIn(harness);
    const other = await signedIn(harness);
    const planned = async (client: Client, name: string) => {
      const athlete = await addAthlete(client, { name });
      const given = { what: { kind: 'drills', drills: ['wall-hip-fall'] }, to: { kind: 'athletes', athletes: [athlete] } };
      await client.put(`/hand-outs/${uuid()}`, { ...given, place: 'cage', on: '2026-05-05', note: null }).expect(200);
      return athlete;
    };
    expect((await own.get('/today').expect(200)).body.tomorrow).toEqual([]);
    const [late, early, gone] = [
      await planned(own, 'Zed Late'),
      await planned(own, 'Abel Early'),
      await planned(own, 'Mid Gone'),
    ];
    await planned(other, 'Other Yard');
    await own.post(`/athletes/${gone}/archive`, { archived: true }).expect(200);
    expect((await own.get('/today').expect(200)).body.tomorrow).toEqual([
      { id: early, name: 'Abel Early' },
      { id: late, name: 'Zed Late' },
    ]);
    expect((await own.get('/today').expect(200)).body.rows).toEqual([]);
  });

  it('calls a focus stuck after four sessions without a move', async () => {
    const own = await signedIn(harness);
    const athlete = await addAthlete(own);
    const focus = await makeFocus(own, athlete);
    for (let n = 0; n < 4; n++) {
      const day = addDays('2026-05-04', n);
      at(day);
      const session = await startSession(own, athlete, day);
      await own
        .post(`/athletes/${athlete}/sessions/${session}/log`, {
          entries: [rep({ focus, at: `${day}T15:01:00.000Z`, judged: n % 2 ? 'good' : 'off' })],
        })
        .expect(200);
      await own.post(`/athletes/${athlete}/sessions/${session}/finish`).expect(200);
    }
    const { body } = await own.get('/today').expect(200);
    expect(body.needs.map((n: { kind: string }) => n.kind)).toContain('stuck');
  });
});

describe('speed', () => {
  it('becomes a trend, a summary of the day, and evidence by itself', async () => {
    const athlete = await addAthlete(coach);
    for (const [day, base] of [
      ['2026-04-06', 74],
      ['2026-05-04', 76],
    ] as const) {
      at(day);
      const session = await startSession(coach, athlete, day);
      const entries = [0, 0.3, -0.2, 0.1, 3.4, -0.1, 0.2].map((d) => reading(base + d, { at: `${day}T15:02:00.000Z` }));
      await coach.post(`/athletes/${athlete}/sessions/${session}/log`, { entries }).expect(200);
    }
    at('2026-05-04');
    const { body: progress } = await coach.get(`/athletes/${athlete}/progress`).expect(200);
    expect(progress.trend.gain.weeks).toBe(4);
    expect(progress.days).toHaveLength(2);
    expect(progress.days[1].summary).toMatchObject({ n: 7, top: 79.4 });
    expect(progress.days[1].summary.spike.outlying).toBe(true);
    const { body: diagnosis } = await coach.get(`/athletes/${athlete}/diagnosis`).expect(200);
    expect(diagnosis.evidence.at(-1).evidence.kind).toBe('velocity');
    expect(diagnosis.result.posterior['early-peel']).toBeGreaterThan(0.08);
    const { body: overview } = await coach.get(`/athletes/${athlete}`).expect(200);
    expect(overview.speed.series).toHaveLength(2);
  });

  it('is shown in the academy’s unit, whatever it was read in, and undone readings are gone', async () => {
    const own = await signedIn(harness);
    const athlete = await addAthlete(own);
    const session = await startSession(own, athlete);
    const wrong = reading(190, { unit: 'km/h' });
    await own
      .post(`/athletes/${athlete}/sessions/${session}/log`, { entries: [reading(120, { unit: 'km/h' }), wrong] })
      .expect(200);
    await own
      .post(`/athletes/${athlete}/sessions/${session}/log`, {
        entries: [{ type: 'undo', id: uuid(), at: '2026-05-04T15:03:00.000Z', rep: wrong.id }],
      })
      .expect(200);
    const top = async () => (await own.get(`/athletes/${athlete}/progress`).expect(200)).body.days[0].summary.top;
    expect(await top()).toBe(74.6);
    const settings = { ...SETTINGS, speedUnit: 'km/h' };
    expect((await own.put('/academy/settings', settings).expect(200)).body.academy.speedUnit).toBe('km/h');
    expect(await top()).toBe(120);
  });
});

describe('the academy', () => {
  it('has its own day, and its own rules', async () => {
    const own = await signedIn(harness);
    const athlete = await addAthlete(own);
    harness.clock.now = new Date('2026-05-04T23:30:00Z');
    const settings = {
      ...SETTINGS,
      timeZone: 'Pacific/Auckland',
      leagueDailyLimit: 40,
      league: { weekly: 60 },
      schools: { repairOrder: 'first-link' },
    };
    const { body: me } = await own.put('/academy/settings', settings).expect(200);
    expect(me.academy).toMatchObject({ today: '2026-05-05', leagueDailyLimit: 40, schools: { repairOrder: 'first-link' } });
    const { body } = await own.get(`/athletes/${athlete}`).expect(200);
    expect(body.workload.today.pitchesLeft).toBe(40);
    await own
      .put(`/athletes/${athlete}/outings/${uuid()}`, { on: '2026-04-30', pitches: 30, throws: 30, highEffort: 0, innings: 2 })
      .expect(200);
    expect((await own.get(`/athletes/${athlete}`)).body.workload.today.pitchesLeft).toBe(30);
  });
});

describe('an athlete', () => {
  it('is changed by the same write, and keeps history', async () => {
    const athlete = await addAthlete(coach);
    await coach.put(`/athletes/${athlete}/observations/${uuid()}`, eye('stall', 'yes')).expect(200);
    const { body } = await coach
      .put(`/athletes/${athlete}`, { ...ATHLETE, name: 'Renamed Birchley', heightM: 1.8, equipment: [] })
      .expect(200);
    expect(body.athlete).toMatchObject({ name: 'Renamed Birchley', heightM: 1.8, equipment: [] });
    expect(body.chain).toContain('open');
    expect(body.timeline[0].text).toContain('1 look');
  });

  it('keeps any name as it was written', async () => {
    const name = 'Zoë “Ømega” Ĺongwindingham-de la Très-Très-Longue-Maison 🥎';
    const athlete = await addAthlete(coach, { name });
    expect((await coach.get(`/athletes/${athlete}`).expect(200)).body.athlete.name).toBe(name);
  });

  it('cannot be born tomorrow', async () => {
    const { body } = await coach.put(`/athletes/${uuid()}`, { ...ATHLETE, birthDate: '2026-05-05' }).expect(422);
    expect(body.errors[0].path).toBe('birthDate');
  });

  it('signs in, sees the own day, logs a session and may not decide', async () => {
    const athlete = await addAthlete(coach);
    const focus = await makeFocus(coach, athlete);
    const child = await signedIn(harness, { academy: coach.academy, role: 'athlete', athletes: [athlete] });
    expect((await child.get('/me').expect(200)).body).toMatchObject({ role: 'athlete', athletes: [{ id: athlete }] });
    const session = await startSession(child, athlete);
    await child.post(`/athletes/${athlete}/sessions/${session}/log`, { entries: [rep({ focus })] }).expect(200);
    const { body } = await child.post(`/athletes/${athlete}/sessions/${session}/finish`).expect(200);
    expect(body.verdicts[0].verdict).toBe('hold');
    await child.post(`/athletes/${athlete}/foci/${focus}/change`, { rung: 8, reason: 'I want to' }).expect(403);
  });
});

describe('observations', () => {
  it('may be taken back, and the roster’s chain with them', async () => {
    const athlete = await addAthlete(coach);
    const id = uuid();
    await coach.put(`/athletes/${athlete}/observations/${id}`, eye('stall', 'yes')).expect(200);
    const chain = async () =>
      (await coach.get('/athletes').expect(200)).body.rows.find((a: { id: string }) => a.id === athlete).chain[2];
    expect(await chain()).toBe('open');
    const { body } = await coach.delete(`/athletes/${athlete}/observations/${id}`).expect(200);
    expect(body.evidence).toEqual([]);
    expect(await chain()).toBe('unseen');
  });
});

describe('plans', () => {
  it('give way to a newer one, and keep what was done', async () => {
    const athlete = await addAthlete(coach);
    await makeFocus(coach, athlete);
    const make = async () => {
      const id = uuid();
      await coach
        .put(`/athletes/${athlete}/plans/${id}`, {
          weeks: 2,
          games: [{ date: '2026-05-08', pitches: 40 }],
          pinned: [{ date: '2026-05-04', drill: 'crossover-tap' }],
        })
        .expect(200);
      await coach.post(`/athletes/${athlete}/plans/${id}/assign`).expect(200);
      return id;
    };
    await make();
    const { body: before } = await coach.get(`/athletes/${athlete}`);
    const session = uuid();
    await coach
      .put(`/athletes/${athlete}/sessions/${session}`, { on: '2026-05-04', assignment: before.today.id, painBefore: [] })
      .expect(200);
    await coach.post(`/athletes/${athlete}/sessions/${session}/finish`).expect(200);
    const second = await make();
    const rows = await harness.db('assignments').where('athlete_id', athlete).orderBy('on_date');
    expect(rows.filter((r) => r.done)).toHaveLength(1);
    expect(rows.filter((r) => !r.done).every((r) => r.plan_id === second)).toBe(true);
    expect(rows.every((r) => r.on_date !== '2026-05-08')).toBe(true);
    const { body: plan } = await coach.get(`/athletes/${athlete}/plan`);
    expect(plan.plan.sessions[0].items.some((i: { drill: string }) => i.drill === 'crossover-tap')).toBe(true);
  });

  it('cannot be assigned without a session in them', async () => {
    const athlete = await addAthlete(coach, { availability: [] });
    await makeFocus(coach, athlete);
    const id = uuid();
    expect(
      (await coach.put(`/athletes/${athlete}/plans/${id}`, { weeks: 2, games: [], pinned: [] }).expect(200)).body.plan.infeasible
        .relax[0],
    ).toContain('weekday');
    await coach.post(`/athletes/${athlete}/plans/${id}/assign`).expect(409);
    await coach
      .put(`/athletes/${athlete}/plans/${uuid()}`, { weeks: 2, games: [], pinned: [{ date: '2026-05-04', drill: 'no-such' }] })
      .expect(422);
  });
});

describe('two phones', () => {
  it('log the same athlete at once, and nothing is lost, doubled or over the budget', async () => {
    const athlete = await addAthlete(coach);
    const child = await signedIn(harness, { academy: coach.academy, role: 'athlete', athletes: [athlete] });
    const session = await startSession(coach, athlete);
    const batch = (from: number) =>
      Array.from({ length: 60 }, (_, n) => pitch({ at: new Date(Date.UTC(2026, 4, 4, 15, from, n % 60)).toISOString() }));
    const answers = await Promise.all([
      coach.post(`/athletes/${athlete}/sessions/${session}/log`, { entries: batch(1) }),
      child.post(`/athletes/${athlete}/sessions/${session}/log`, { entries: batch(3) }),
    ]);
    expect(answers.map((a) => a.status)).toEqual([200, 200]);
    const results = answers.flatMap((a) => (a.body as { results: { status: string }[] }).results);
    // Whoever comes second learns what is refused of the earlier throws or, where theirs are the earlier ones, takes the place of later.
    expect(results.filter((r) => r.status === 'stored').length).toBeGreaterThanOrEqual(110);
    const rows = () => harness.db('reps').where('session_id', session);
    expect(await rows().count({ n: '*' }).first()).toEqual({ n: 120 });
    expect(await rows().whereNull('refused').count({ n: '*' }).first()).toEqual({ n: 110 });
  });

  it('close hard throws once they are used up', async () => {
    const athlete = await addAthlete(coach);
    const session = await startSession(coach, athlete);
    const hard = Array.from({ length: 42 }, (_, n) =>
      pitch({ effort: 95, at: new Date(Date.UTC(2026, 4, 4, 15, 1, n)).toISOString() }),
    );
    const { body } = await coach.post(`/athletes/${athlete}/sessions/${session}/log`, { entries: hard }).expect(200);
    const refused = body.results.filter((r: { status: string }) => r.status === 'refused');
    expect(refused).toHaveLength(2);
    expect(refused[0].reason).toContain('hard throws');
  });
});
