import { ACADEMY_CSV, ATHLETE_CSV } from '@wrightonic/contract';
import { parse } from 'csv-parse/sync';
import { createHash, randomBytes } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { v4 as uuid } from 'uuid';
import { AUTHORED } from '../src/bundle/out';
import { BUNDLED, LEFT_OUT, REFERS } from '../src/bundle/tables';
import { clipOf, webm } from './clip';
import { BODY_EXAMPLES } from '../src/http/examples';
import { keepReport } from './camp-steps';
import { addAthlete, eye, makeFocus, pitch, rowsBy, signedIn, startHarness, startSession, log } from './harness';
import type { Client, Harness } from './harness';

let harness: Harness;
/** Another server with nothing on it. */
let elsewhere: Harness;
let owner: Client;
let athlete: string;
beforeAll(async () => {
  harness = await startHarness();
  elsewhere = await startHarness();
  owner = await signedIn(harness);
  for (const { clock } of [harness, elsewhere]) clock.now = new Date('2026-05-04T15:30:00Z');
  athlete = await academyOf(owner);
});
afterAll(async () => {
  await harness.close();
  await elsewhere.close();
});
afterEach(() => expect([...harness.faults, ...elsewhere.faults]).toEqual([]));

/** An academy in which most tables have rows, with names that a spreadsheet or a parser might trip over. */
async function academyOf(client: Client): Promise<string> {
  const id = await addAthlete(client, { name: '=SUM(A1) "Ada", Ωmega\u{1F3CF} O’Birch' });
  const other = await addAthlete(client, { name: 'Brück Ålder-Ñandu' });
  await client.put(`/groups/${uuid()}`, { name: 'Evening, late', athletes: [id, other] }).expect(200);
  const camp = uuid();
  await client.put(`/camps/${camp}`, BODY_EXAMPLES.putCamp!(id)).expect(200);
  await client.post(`/camps/${camp}/schedule`).expect(200);
  await client.put(`/camps/${camp}/arrivals`, { day: 1, athlete: id, here: true }).expect(200);
  await keepReport(harness.db, { academy: client.academy, camp, athlete: id });
  await client.put(`/athletes/${id}/consents/${uuid()}`, { kind: 'film', given: true, by: 'Wim' }).expect(200);
  for (const [finding, answer] of [
    ['stall', 'yes'],
    ['late-hips', 'yes'],
  ] as const)
    await client.put(`/athletes/${id}/observations/${uuid()}`, eye(finding, answer)).expect(200);
  const focus = await makeFocus(client, id);
  const plan = uuid();
  await client.put(`/athletes/${id}/plans/${plan}`, { weeks: 2, games: [], pinned: [] }).expect(200);
  await client.post(`/athletes/${id}/plans/${plan}/assign`).expect(200);
  const session = await startSession(client, id);
  await log(client, id, session, [pitch({ focus }), { ...pitch(), judged: 'off' }]);
  await client.post(`/athletes/${id}/sessions/${session}/finish`).expect(200);
  await client
    .put(`/athletes/${id}/outings/${uuid()}`, { on: '2026-05-01', pitches: 20, throws: 30, highEffort: 2, innings: 2 })
    .expect(200);
  const clip = uuid();
  const file = webm(5000);
  await client.put(`/athletes/${id}/clips/${clip}`, clipOf(file)).expect(200);
  await client.putBytes(`/athletes/${id}/clips/${clip}/bytes?from=0`, file).expect(200);
  return id;
}

const bundleOf = async (client: Client, clips = false): Promise<string> =>
  (
    await client
      .get(`/bundle?clips=${clips ? 'yes' : 'no'}`)
      .buffer(true)
      .expect(200)
  ).text;
const take = (client: Client, text: string) => client.postBytes('/bundle', Buffer.from(text));

it('holds every table of an academy, or says why not', async () => {
  const [rows] = (await harness.db.raw(
    `select table_name as t, column_name as c from information_schema.columns where table_schema = database() and table_name in
     (select table_name from information_schema.columns where table_schema = database() and column_name = 'academy_id')`,
  )) as [{ t: string; c: string }[]];
  expect([...new Set(rows.map((r) => r.t))].sort()).toEqual([...BUNDLED, ...Object.keys(LEFT_OUT)].sort());
  const authored = rows.filter((r) => r.c === 'author_id').map((r) => r.t);
  expect(authored.sort()).toEqual([...AUTHORED].sort());
  const references = rows.filter(
    (r) => r.c.endsWith('_id') && r.c !== 'academy_id' && (BUNDLED as readonly string[]).includes(r.t),
  );
  expect([...new Set(references.map((r) => r.c))].filter((c) => !(c in REFERS))).toEqual([]);
});

it('is documented, table by table and column by column', async () => {
  const [rows] = (await harness.db.raw(
    `select table_name as t, column_name as c from information_schema.columns where table_schema = database() order by 1, 2`,
  )) as [{ t: string; c: string }[]];
  const page = readFileSync(join(__dirname, '..', '..', 'docs', 'formats.md'), 'utf8');
  const section = (table: string) => page.split(`\n### ${table}\n`)[1]?.split('\n#')[0] ?? '';
  const missing = rows.filter(
    ({ t, c }) => (ACADEMY_CSV as readonly string[]).includes(t) && c !== 'academy_id' && !section(t).includes(`\`${c}\``),
  );
  expect(missing.map(({ t, c }) => `${t}.${c}`)).toEqual([]);
});

it('goes out, in elsewhere, and out again as the same bytes, clips and all', async () => {
  const first = await bundleOf(owner, true);
  // Read by somebody else’s parser, it is one JSON document.
  const document = JSON.parse(first) as { tables: Record<string, unknown[]>; files: unknown[]; people: { name: string }[] };
  expect(document.tables.athletes).toHaveLength(2);
  expect(document.tables.reps).toHaveLength(2);
  expect(document.files).toHaveLength(1);
  expect(first).not.toContain('password');
  expect(first).not.toContain(owner.signIn);

  const there = await signedIn(elsewhere);
  const { body } = await take(there, first).expect(200);
  expect(body).toMatchObject({ files: 1, athletes: expect.arrayContaining([expect.objectContaining({ id: athlete })]) });
  expect(await bundleOf(there, true)).toBe(first);
  // And it is alive: the athlete is found, the clip plays, work goes on.
  expect((await there.get('/athletes?search=nandu').expect(200)).body.rows).toHaveLength(1);
  const { body: seen } = await there.get(`/athletes/${athlete}`).expect(200);
  expect(seen.foci[0].finding).toBe('stall');
  const { body: clips } = await there.get(`/athletes/${athlete}/clips`).expect(200);
  const { body: file } = await there.get(`/athletes/${athlete}/clips/${clips[0].id}/file`).buffer(true).expect(200);
  expect(
    createHash('sha256')
      .update(file as Buffer)
      .digest('hex'),
  ).toBe((document.tables.clips as { sha256: string }[])[0]!.sha256);
  // Once more it is refused: the academy has athletes now.
  expect((await take(there, first).expect(409)).body.title).toContain('not empty');
});

it('takes one athlete into another academy, whoever has written there, and not twice', async () => {
  const third = await startHarness();
  third.clock.now = new Date('2026-05-04T15:30:00Z');
  const there = await signedIn(third);
  await addAthlete(there, { name: 'Resident Thornby' });
  const text = (await owner.get(`/athletes/${athlete}/bundle`).buffer(true).expect(200)).text;
  await take(there, text).expect(200);
  const { body } = await there.get(`/athletes/${athlete}`).expect(200);
  expect(body.foci[0].finding).toBe('stall');
  expect((await take(there, text).expect(409)).body.detail).toContain('Nothing was taken in');
  await third.close();
});

it('takes nothing of what is broken, forged or another’s, and says where', async () => {
  const good = JSON.parse(await bundleOf(owner)) as { tables: Record<string, Record<string, unknown>[]>; [key: string]: unknown };
  const there = await signedIn(elsewhere);
  const stranger = await addAthlete(await signedIn(elsewhere), { name: 'Stranger Fennby' });
  const before = await rowsBy(elsewhere.db, 'academy_id', there.academy);
  const fresh = (change: (copy: typeof good) => void): string => {
    // New ids throughout, so that only what is changed is wrong.
    let text = JSON.stringify(good);
    for (const id of new Set(text.match(/[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}/g)))
      text = text.replaceAll(id, uuid());
    const copy = JSON.parse(text) as typeof good;
    change(copy);
    return JSON.stringify(copy);
  };
  const rep = (copy: typeof good) => copy.tables.reps![0]!;
  for (const [says, text] of [
    ['broken off', JSON.stringify(good).slice(0, 5000)],
    ['format', '{}'],
    ['format', 'null'],
    ['format', '[1, 2]'],
    ['version', fresh((c) => void (c.version = 2))],
    ['no table', fresh((c) => void (c.tables.users = [{ id: uuid() }]))],
    ['no column', fresh((c) => void (rep(c).hacked = 1))],
    // What is taken in is the taker’s, whatever a row says.
    ['no column', fresh((c) => void (rep(c).academy_id = uuid()))],
    ['points at', fresh((c) => void (rep(c).athlete_id = stranger))],
    ['points at', fresh((c) => void (rep(c).session_id = uuid()))],
    ['UUID', fresh((c) => void (rep(c).id = "x'; drop table reps"))],
    ['reps', fresh((c) => void (rep(c).judged = 'x'.repeat(5000)))],
    ['instant', fresh((c) => void (rep(c).at = 'yesterday'))],
    ['must be an object', fresh((c) => void ((c.tables.reps as unknown[]) = [null, 5]))],
    ['must be an object', fresh((c) => void (c.people = ['nobody']))],
    ['people', fresh((c) => void ((c.people as { athletes: string[] }[])[0]!.athletes = [stranger]))],
    ['people', fresh((c) => void ((c.people as { groups: unknown }[])[0]!.groups = 'all'))],
    ['people', fresh((c) => void (c.people = [{ id: uuid(), name: 'Nobody', role: 'king' }]))],
  ] as const) {
    const { status, body } = await take(there, text);
    expect([says, status]).toEqual([says, status === 400 ? 400 : 422]);
    if (says !== 'broken off') expect(`${says}: ${body.detail}`).toMatch(new RegExp(`: .*${says}`));
    expect(await rowsBy(elsewhere.db, 'academy_id', there.academy)).toBe(before);
  }
  await take(
    there,
    fresh(() => {}),
  ).expect(200);
  expect(await elsewhere.db('reps').where('academy_id', there.academy).count({ n: '*' }).first()).toEqual({ n: 2 });
});

it('is for the owner, and an athlete’s for the coaches', async () => {
  const { academy } = owner;
  for (const role of ['instructor', 'station', 'athlete', 'guardian'] as const) {
    const client = await signedIn(harness, { academy, role, athletes: [athlete] });
    await client.get('/bundle').expect(403);
    await client.get('/csv?table=reps').expect(403);
    await take(client, '{}').expect(403);
    await client.get(`/athletes/${athlete}/bundle`).expect(role === 'instructor' ? 200 : 403);
    await client.get(`/athletes/${athlete}/csv?table=diagnoses`).expect(role === 'instructor' ? 200 : 403);
  }
});

describe('CSV', () => {
  /** Rows as another parser than the one that wrote them has them. */
  const read = (text: string): string[][] => parse(text, { relaxColumnCount: true }) as string[][];

  it.each(ACADEMY_CSV)('%s has a header, all its rows, and is read the same elsewhere', async (table) => {
    const { text, headers } = await owner.get(`/csv?table=${table}`).buffer(true).expect(200);
    expect(headers['content-type']).toContain('text/csv');
    expect(text.charCodeAt(0)).toBe(0xfeff);
    const [header, ...rows] = read(text.slice(1));
    const kept = await harness.db(table).where('academy_id', owner.academy).count({ n: '*' }).first();
    expect(rows).toHaveLength(Number(kept!.n));
    expect(header).not.toContain('academy_id');
    for (const row of rows) expect(row).toHaveLength(header!.length);
  });

  it('lets no cell be taken for a formula, and leaves numbers numbers', async () => {
    const { text } = await owner.get('/csv?table=athletes').buffer(true).expect(200);
    const [header, ...rows] = read(text.slice(1));
    const names = rows.map((row) => row[header!.indexOf('name')]);
    expect(names).toContain('\'=SUM(A1) "Ada", Ωmega\u{1F3CF} O’Birch');
    expect(rows.map((row) => Number(row[header!.indexOf('height_m')]))).toEqual([expect.any(Number), expect.any(Number)]);
    for (const row of rows) for (const cell of row) expect(cell).not.toMatch(/^[=+@\t\r]/);
  });

  it('of one athlete has the rows of that athlete alone', async () => {
    for (const table of ATHLETE_CSV) {
      const { text } = await owner.get(`/athletes/${athlete}/csv?table=${table}`).buffer(true).expect(200);
      const [header, ...rows] = read(text.slice(1));
      const column = header!.indexOf(table === 'athletes' ? 'id' : 'athlete_id');
      for (const row of rows) expect(row[column]).toBe(athlete);
    }
    await owner.get('/csv?table=users').expect(422);
    await owner.get(`/athletes/${athlete}/csv?table=${randomBytes(3).toString('hex')}`).expect(422);
  });
});
