import type { ImportLook, ImportRow } from '@wrightonic/contract';
import { v4 as uuid } from 'uuid';
import { addAthlete, eye, signedIn, startHarness } from './harness';
import type { Client, Harness } from './harness';

let harness: Harness;
beforeAll(async () => {
  harness = await startHarness();
});
afterAll(() => harness.close());
afterEach(() => expect(harness.faults).toEqual([]));

const base64 = (bytes: Uint8Array | string) => Buffer.from(bytes).toString('base64');
const HEADER = ['Name', 'Born', 'Hand', 'Style', 'Height', 'Weight', 'Group', 'Parent', 'Phone'];

/** A row for each number; every 40th has a fault, of one kind after another. */
function rowOf(n: number): { cells: string[]; fault: string | null } {
  const day = 1 + (n % 28);
  const month = 1 + (n % 12);
  const year = 2006 + (n % 12);
  const written = [
    `${year}-${String(month).padStart(2, '0')}-${String(day).padStart(2, '0')}`,
    `${13 + (n % 15)}.${month}.${year}`,
    `${13 + (n % 15)}/${month}/${year}`,
  ][n % 3]!;
  const cells = [
    `Zoë "Zo" Nº${n}; Quillbrook`,
    written,
    n % 2 ? 'R' : 'left',
    n % 4 ? 'overhand' : 'windmill',
    n % 5 ? '165' : '5\'5"',
    '55',
    n % 2 ? 'Morning' : 'Evening',
    'Wim',
    '+00 1',
  ];
  if (n % 40 !== 7) return { cells, fault: null };
  const faults: readonly (readonly [number, string, string])[] = [
    [0, '', 'Name'],
    [1, '31.2.2010', 'Born'],
    [2, 'both', 'Hand'],
    [3, 'tennis', 'Style'],
    [4, '16', 'Height'],
    [5, 'light', 'Weight'],
    [1, '3/4/1810', 'Born'],
  ];
  const [at, text, column] = faults[Math.floor(n / 40) % faults.length]!;
  cells[at] = text;
  return { cells, fault: column };
}
const quoted = (cells: readonly string[], mark: string) => cells.map((c) => `"${c.replace(/"/g, '""')}"`).join(mark);
const file = (count: number, mark = ';') =>
  [HEADER.join(mark), ...Array.from({ length: count }, (_, n) => quoted(rowOf(n).cells, mark))].join('\r\n');

async function everythingOf(academy: string): Promise<string> {
  const [tables] = (await harness.db.raw(
    "select table_name as name from information_schema.columns where table_schema = database() and column_name = 'academy_id' and table_name <> 'audit_entries'",
  )) as [{ name: string }[]];
  const parts = await Promise.all(
    tables.map(
      async ({ name }) =>
        `${name}: ${((await harness.db(name).where('academy_id', academy)) as object[])
          .map((r) => JSON.stringify(r))
          .sort()
          .join()}`,
    ),
  );
  return parts.sort().join('\n');
}

const look = async (client: Client, text: Uint8Array | string, more: object = {}) =>
  (await client.post('/imports/look', { fileName: 'list.csv', file: base64(text), ...more }).expect(200)).body as ImportLook;

describe('two thousand rows', () => {
  const COUNT = 2000;
  const bad = Array.from({ length: COUNT }, (_, n) => ({ line: n + 2, fault: rowOf(n).fault })).filter((r) => r.fault !== null);

  it('come in but for the bad ones, each of which is named with its line and column; undo leaves no trace', async () => {
    const owner = await signedIn(harness);
    await addAthlete(owner);
    const before = await everythingOf(owner.academy);
    const seen = await look(owner, file(COUNT));
    expect([seen.rows, seen.good.length, seen.bad.length]).toEqual([COUNT, COUNT - bad.length, bad.length]);
    expect(seen.bad.map((b) => ({ line: b.line, fault: b.faults[0]!.column }))).toEqual(bad);
    expect(await everythingOf(owner.academy)).toBe(before);

    const id = uuid();
    const body = { fileName: 'list.csv', file: base64(file(COUNT)), choices: seen.choices };
    await owner.put(`/imports/${id}`, body).expect(200);
    await owner.put(`/imports/${id}`, body).expect(200);
    expect(await harness.db('athletes').where('academy_id', owner.academy).count({ n: '*' }).first()).toEqual({
      n: 1 + COUNT - bad.length,
    });
    // Each with the size they came in with, once: growth is told from there.
    expect(await harness.db('athlete_sizes').where('academy_id', owner.academy).count({ n: '*' }).first()).toEqual({
      n: 1 + COUNT - bad.length,
    });
    const found = await owner.get(`/athletes?search=${encodeURIComponent('nº1234')}`).expect(200);
    expect(found.body.rows[0].name).toBe('Zoë "Zo" Nº1234; Quillbrook');

    // Brought in again, everybody is known.
    const again = await look(owner, file(COUNT));
    expect([again.good.length, again.duplicates.length]).toEqual([0, COUNT - bad.length]);
    await owner.put(`/imports/${uuid()}`, body).expect(422);

    await owner.delete(`/imports/${id}`).expect(200);
    expect(await everythingOf(owner.academy)).toBe(before);
    await owner.delete(`/imports/${id}`).expect(404);
  });

  it.each([
    [
      'UTF-8 with a byte-order mark',
      (text: string) => Buffer.concat([Buffer.from([0xef, 0xbb, 0xbf]), Buffer.from(text, 'utf8')]),
    ],
    ['Latin-1', (text: string) => Buffer.from(text, 'latin1')],
    ['UTF-16', (text: string) => Buffer.concat([Buffer.from([0xff, 0xfe]), Buffer.from(text, 'utf16le')])],
  ])('read the same in %s', async (encoding, write) => {
    const owner = await signedIn(harness);
    const plain = await look(owner, file(50));
    const other = await look(owner, write(file(50)));
    expect(other).toEqual({ ...plain, encoding });
    const commas = await look(owner, file(50, ','));
    expect(commas.good).toEqual(plain.good);
  });
});

describe('a list', () => {
  it('asks which comes first, day or month, where nothing in it tells', async () => {
    const owner = await signedIn(harness);
    const text = 'Name,Born,Throws,Height,Weight,Discipline\nAlda Quill,3/4/2011,R,160,50,overhand\n';
    const unsure = await look(owner, text);
    expect(unsure.bad[0]!.faults[0]!.message).toContain('2011-04-03 or 2011-03-04');
    const told = await look(owner, text, { choices: { ...unsure.choices, dayOrder: 'month-first' } });
    expect(told.good[0]!.entry.birthDate).toBe('2011-03-04');
  });

  it('names the same person twice in it', async () => {
    const owner = await signedIn(harness);
    const row = 'Alda Quill,2011-03-04,R,160,50,overhand\n';
    const seen = await look(owner, `Name,Born,Throws,Height,Weight,Discipline\n${row}${row.replace('Alda', 'ALDA')}`);
    expect(seen.duplicates).toEqual([{ line: 3, name: 'ALDA Quill', of: 'line 2' }]);
  });

  it.each([
    ['nothing', '', 'holds no rows'],
    ['headings alone', 'Name,Born\n', 'holds no rows'],
    ['something that is no text', new Uint8Array([0x50, 0x4b, 3, 4, 0, 0, 0, 0]), 'not a text file'],
    ['a quote that never closes', 'Name,Born\n"Alda,2011-01-01\n', 'line 2: a quotation mark is not closed'],
  ])('of %s is refused whole', async (_what, text, words) => {
    const owner = await signedIn(harness);
    const { body } = await owner.post('/imports/look', { fileName: 'x.csv', file: base64(text as string) }).expect(422);
    expect(body.errors[0].path).toBe('file');
    expect(body.detail).toContain(words);
  });

  it('is an owner’s to take back once there was work with somebody of it, and then only by a word', async () => {
    const owner = await signedIn(harness);
    const instructor = await signedIn(harness, { academy: owner.academy, role: 'instructor' });
    const id = uuid();
    const text = 'Name,Born,Throws,Height,Weight,Discipline\nAlda Quill,2011-03-04,R,160,50,overhand\n';
    await instructor.put(`/imports/${id}`, { fileName: 'a.csv', file: base64(text) }).expect(200);
    const { body } = await owner.get('/athletes').expect(200);
    const athlete = (body.rows as { id: string }[])[0]!.id;
    await owner.put(`/athletes/${athlete}/observations/${uuid()}`, eye('stall', 'yes')).expect(200);
    const [row] = (await owner.get('/imports').expect(200)).body as ImportRow[];
    expect(row!.grown).toContain('Alda Quill');
    for (const [client, path, status] of [
      [instructor, `/imports/${id}`, 403],
      [instructor, `/imports/${id}?with=work`, 403],
      [owner, `/imports/${id}`, 409],
      [owner, `/imports/${id}?with=anything`, 422],
    ] as const)
      expect([path, (await client.delete(path)).status]).toEqual([path, status]);
    expect(await harness.db('observations').where('athlete_id', athlete)).toHaveLength(1);
    await owner.delete(`/imports/${id}?with=work`).expect(200);
    expect(await harness.db('athletes').where('id', athlete)).toHaveLength(0);
    expect(await harness.db('observations').where('athlete_id', athlete)).toHaveLength(0);
    expect(JSON.stringify(await harness.db('audit_entries').where('academy_id', owner.academy))).not.toContain('Alda');
  });
});
