/** Radar guns, and what they do to speeds. */
import { v4 as uuid } from 'uuid';
import { addAthlete, signedIn, startHarness, startSession } from './harness';
import type { Client, Harness } from './harness';

let harness: Harness;
let coach: Client;
beforeAll(async () => {
  harness = await startHarness();
  coach = await signedIn(harness);
});
afterAll(() => harness.close());
afterEach(() => expect(harness.faults).toEqual([]));

const GUN = { name: 'Barn gun', place: 'behind the plate', sideDeg: 0, upDeg: 0, unit: 'mph', offset: null, retired: false };

it('is added, says where it stands now, and keeps its name', async () => {
  const id = uuid();
  await coach.put(`/guns/${id}`, GUN).expect(200);
  const { body } = await coach.put(`/guns/${id}`, { ...GUN, upDeg: 12 }).expect(200);
  expect(body).toEqual([{ id, ...GUN, upDeg: 12 }]);
  const renamed = await coach.put(`/guns/${id}`, { ...GUN, name: 'Other' }).expect(409);
  expect(renamed.body.detail).toContain('Barn gun');
  await coach.put(`/guns/${uuid()}`, GUN).expect(422);
  expect((await coach.get('/guns').expect(200)).body).toHaveLength(1);
});

it('is another academy’s to see and change only there', async () => {
  const id = uuid();
  await coach.put(`/guns/${id}`, { ...GUN, name: 'Ours' }).expect(200);
  const other = await signedIn(harness);
  expect((await other.get('/guns').expect(200)).body).toEqual([]);
  expect([404, 409]).toContain((await other.put(`/guns/${id}`, { ...GUN, name: 'Ours' })).status);
  await other.put(`/guns/${uuid()}`, { ...GUN, name: 'Ours' }).expect(200);
});

it.each([
  ['place', { ...GUN, place: 'on the moon' }],
  ['upDeg', { ...GUN, upDeg: 75 }],
  ['offset', { ...GUN, offset: 20 }],
])('with a wrong %s is refused', async (path, gun) => {
  const { body } = await coach.put(`/guns/${uuid()}`, gun).expect(422);
  expect(JSON.stringify(body.errors)).toContain(path);
});

describe('speeds', () => {
  const speedsBy = async (gun: Omit<typeof GUN, 'offset'> & { offset: number | null }) => {
    const client = await signedIn(harness);
    const athlete = await addAthlete(client);
    await client.put(`/guns/${uuid()}`, gun).expect(200);
    const session = await startSession(client, athlete, '2026-05-04');
    const entries = Array.from({ length: 6 }, (_, n) => ({
      type: 'reading',
      id: uuid(),
      at: new Date(Date.parse('2026-05-04T14:00:00Z') + 60_000 * n).toISOString(),
      speed: 60,
      unit: 'mph',
      effort: 100,
      gun: gun.name,
      setting: 'flat',
      pitch: 'fastball',
      ballG: 142,
      distanceM: 18.4,
      surface: 'turf',
    }));
    await client.post(`/athletes/${athlete}/sessions/${session}/log`, { entries }).expect(200);
    const kept = (await harness.db('readings').where('athlete_id', athlete).first())!;
    expect([kept.pitch, kept.ball_g, kept.distance_m, kept.surface]).toEqual(['fastball', 142, 18.4, 'turf']);
    const { body } = await client.get(`/athletes/${athlete}/progress`).expect(200);
    return (body.trend.series as { level: number }[])[0]!.level;
  };

  it('are set right by the angle of their gun, and by what is known of it', async () => {
    const straight = await speedsBy(GUN);
    // By hand: 60 / (cos 20° · cos 15°) = 66.10.
    const aslant = await speedsBy({ ...GUN, name: 'Aslant', sideDeg: 20, upDeg: -15 });
    expect(aslant - straight).toBeCloseTo(6.1, 0);
    const shows = await speedsBy({ ...GUN, name: 'Shows more', offset: 2 });
    expect(straight - shows).toBeCloseTo(2, 0);
    const metric = await speedsBy({ ...GUN, name: 'Metric', unit: 'km/h', offset: 3.219 });
    expect(straight - metric).toBeCloseTo(2, 0);
  });

  it.each([
    ['pitch', { pitch: 'spitter' }],
    ['ballG', { ballG: 4000 }],
  ])('with a wrong %s are refused whole', async (path, more) => {
    const athlete = await addAthlete(coach);
    const session = await startSession(coach, athlete, '2026-05-04');
    const reading = {
      type: 'reading',
      id: uuid(),
      at: '2026-05-04T14:00:00Z',
      speed: 60,
      unit: 'mph',
      effort: 100,
      gun: 'g',
      setting: 'flat',
    };
    const { body } = await coach
      .post(`/athletes/${athlete}/sessions/${session}/log`, { entries: [{ ...reading, ...more }] })
      .expect(422);
    expect(JSON.stringify(body.errors)).toContain(path);
  });
});
