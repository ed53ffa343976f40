import type { AthleteRow, RosterPage } from '@wrightonic/contract';
import { ROSTER_PAGE } from '@wrightonic/contract';
import { v4 as uuid } from 'uuid';
import { addAcademy, addAthlete, signedIn, startHarness } from './harness';
import type { Client, Harness } from './harness';

let harness: Harness;
let owner: Client;
beforeAll(async () => {
  harness = await startHarness();
  owner = await signedIn(harness);
});
afterAll(() => harness.close());
afterEach(() => expect(harness.faults).toEqual([]));

const FIRST = ['Alda', 'Bero', 'Cilla', 'Dorn', 'Edda', 'Fenn', 'Gisa', 'Holt', 'Ilva', 'Jarn'];
const LAST = ['Ashgrove', 'Birchley', 'Coldwell', 'Dunmere', 'Elmstead', 'Fairlow', 'Greystone', 'Hartwood'];

/** Fills an academy straight through the database, words and all. */
async function fill(academy: string, count: number): Promise<void> {
  const rows = Array.from({ length: count }, (_, n) => ({
    id: uuid(),
    academy_id: academy,
    name: `${FIRST[n % FIRST.length]!} ${LAST[n % LAST.length]!} ${n}`,
    discipline: n % 3 === 0 ? ('windmill' as const) : ('overhand' as const),
    throws: n % 5 === 0 ? ('L' as const) : ('R' as const),
    birth_date: `${2002 + (n % 16)}-0${1 + (n % 9)}-11`,
    height_m: 1.7,
    mass_kg: 60,
    level: 'youth' as const,
    season: 'off' as const,
    availability: '[]',
    equipment: '[]',
    partner: false,
    schools: '{}',
    chain: '["unseen","unseen","unseen","unseen","unseen","unseen"]',
    flags: '[]',
    lock_until: n % 50 === 0 ? 'clearance' : null,
  }));
  const words = rows.flatMap(({ id, name }) =>
    name
      .toLowerCase()
      .split(' ')
      .map((word) => ({ academy_id: academy, word, athlete_id: id })),
  );
  for (let from = 0; from < rows.length; from += 500) await harness.db('athletes').insert(rows.slice(from, from + 500));
  for (let from = 0; from < words.length; from += 1000) await harness.db('athlete_words').insert(words.slice(from, from + 1000));
}

const page = async (client: Client, query = ''): Promise<RosterPage> =>
  (await client.get(`/athletes${query}`).expect(200)).body as RosterPage;

async function everyPage(client: Client, query: string): Promise<{ rows: AthleteRow[]; pages: number }> {
  const rows: AthleteRow[] = [];
  let after: string | null = null;
  let pages = 0;
  do {
    const found: RosterPage = await page(client, `?${query}${after === null ? '' : `&after=${after}`}`);
    expect(found.rows.length).toBeLessThanOrEqual(ROSTER_PAGE);
    rows.push(...found.rows);
    after = found.next;
    pages += 1;
  } while (after !== null);
  return { rows, pages };
}

describe('the roster', () => {
  beforeAll(() => fill(owner.academy, 333));

  it.each(['sort=name', 'sort=newest', 'sort=youngest'])('by %s goes through everybody once', async (query) => {
    const { rows, pages } = await everyPage(owner, query);
    expect([new Set(rows.map((r) => r.id)).size, rows.length, pages]).toEqual([333, 333, Math.ceil(333 / ROSTER_PAGE)]);
    if (query === 'sort=name') expect(rows.map((r) => r.name)).toEqual(rows.map((r) => r.name).sort());
    if (query === 'sort=youngest') expect(rows.map((r) => r.age)).toEqual([...rows.map((r) => r.age)].sort((a, b) => a - b));
  });

  it('finds by the beginnings of any words of the name, in any order, whatever the case and accents', async () => {
    const id = await addAthlete(owner, { name: 'Zoë von Quillbrook' });
    for (const search of ['zoe', 'QUILL', 'quillb zo', 'von', 'zoë quillbrook'])
      expect((await page(owner, `?search=${encodeURIComponent(search)}`)).rows.map((r) => r.id)).toEqual([id]);
    expect((await page(owner, '?search=illbrook')).rows).toEqual([]);
    const { rows } = await everyPage(owner, 'search=alda');
    expect(rows.every((r) => r.name.startsWith('Alda'))).toBe(true);
    expect(rows.length).toBe(34);
  });

  it('finds under the new name after a change', async () => {
    const id = await addAthlete(owner, { name: 'Before Marriage' });
    await owner
      .put(`/athletes/${id}`, { ...(await owner.get(`/athletes/${id}`)).body.athlete, name: 'After Marriage' })
      .expect(200);
    expect((await page(owner, '?search=before')).rows).toEqual([]);
    expect((await page(owner, '?search=after')).rows.map((r) => r.id)).toEqual([id]);
  });

  it('narrows by delivery, hand, age, group, state and focus, together with a search', async () => {
    const { rows: left } = await everyPage(owner, 'discipline=windmill&throws=L');
    expect(left.every((r) => r.discipline === 'windmill' && r.throws === 'L')).toBe(true);
    const { rows: young } = await everyPage(owner, 'ages=11-12');
    expect(young.length).toBeGreaterThan(0);
    expect(young.every((r) => r.age === 11 || r.age === 12)).toBe(true);
    expect((await everyPage(owner, 'ages=19-')).rows.every((r) => r.age >= 19)).toBe(true);
    const { rows: locked } = await everyPage(owner, 'flag=locked');
    expect(locked).toHaveLength(7);
    expect(locked.every((r) => r.locked)).toBe(true);
    const group = uuid();
    await owner.put(`/groups/${group}`, { name: 'Narrow', athletes: young.slice(0, 3).map((r) => r.id) }).expect(200);
    expect((await page(owner, `?group=${group}`)).rows.map((r) => r.id).sort()).toEqual(
      young
        .slice(0, 3)
        .map((r) => r.id)
        .sort(),
    );
    const { rows: both } = await everyPage(owner, `search=alda&discipline=windmill`);
    expect(both.every((r) => r.name.startsWith('Alda') && r.discipline === 'windmill')).toBe(true);
  });

  it('leaves out who was put away, and shows them when asked', async () => {
    const id = await addAthlete(owner, { name: 'Putaway Person' });
    await owner.post(`/athletes/${id}/archive`, { archived: true }).expect(200);
    expect((await page(owner, '?search=putaway')).rows).toEqual([]);
    expect((await page(owner, '?flag=archived')).rows.map((r) => r.id)).toEqual([id]);
    await owner.post(`/athletes/${id}/archive`, { archived: false }).expect(200);
    expect((await page(owner, '?search=putaway')).rows.map((r) => r.id)).toEqual([id]);
  });

  it('refuses what it does not know, by name', async () => {
    expect((await owner.get('/athletes?sort=best').expect(422)).body.errors[0].path).toBe('sort');
    expect((await owner.get('/athletes?rank=1').expect(422)).body.errors[0].path).toBe('rank');
    expect((await owner.get('/athletes?after=nonsense').expect(422)).body.errors[0].path).toBe('after');
  });
});

/** Rows that the database read for a request, all told, on its only connection. */
async function rowsRead(work: () => Promise<unknown>): Promise<number> {
  const read = async () => {
    const [rows] = (await harness.db.raw("show global status like 'Handler_read%'")) as [
      { Variable_name: string; Value: string }[],
    ];
    return rows.reduce((sum, row) => sum + Number(row.Value), 0);
  };
  const before = await read();
  await work();
  return (await read()) - before;
}

it('reads no more rows for a page of thousands than for a page of hundreds', async () => {
  const small = await signedIn(harness, { academy: await addAcademy(harness.db) });
  const large = await signedIn(harness, { academy: await addAcademy(harness.db) });
  await fill(small.academy, 200);
  await fill(large.academy, 3000);
  await harness.db.raw('analyze table athletes, athlete_words');
  for (const query of ['', '?sort=newest', '?sort=youngest', '?search=alda', '?discipline=windmill&throws=L', '?flag=locked']) {
    const of = async (client: Client) => {
      await page(client, query);
      return rowsRead(() => page(client, query));
    };
    const [few, many] = [await of(small), await of(large)];
    // Reading the counters costs a few hundred rows itself; growth with the roster would be thousands.
    expect({ query, grows: many > few + 250 }).toEqual({ query, grows: false });
  }
});
