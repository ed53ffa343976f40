/** Smaller doors, each found open once: discipline, imports, files, consent, exports, settings, readings. */
import { existsSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { v4 as uuid } from 'uuid';
import { clipOf, webm } from './clip';
import { addAthlete, ATHLETE, eye, makeFocus, SETTINGS, signedIn, startHarness } from './harness';
import type { Client, Harness } from './harness';

let harness: Harness;
let owner: Client;
beforeAll(async () => {
  harness = await startHarness();
  owner = await signedIn(harness);
});
afterAll(() => harness.close());
afterEach(() => expect(harness.faults).toEqual([]));

describe('a discipline that is corrected', () => {
  it('is asked about, and what is foreign is set aside with its reason', async () => {
    const athlete = await addAthlete(owner);
    await owner.put(`/athletes/${athlete}/observations/${uuid()}`, eye('stall', 'yes')).expect(200);
    await owner.put(`/athletes/${athlete}/observations/${uuid()}`, eye('slouch', 'yes')).expect(200);
    await owner
      .put(`/athletes/${athlete}/rulings/${uuid()}`, { finding: 'early-hands', as: 'absent', reason: 'seen' })
      .expect(200);
    await makeFocus(owner, athlete, 'stall');
    const plan = uuid();
    await owner.put(`/athletes/${athlete}/plans/${plan}`, { weeks: 2, games: [], pinned: [] }).expect(200);
    await owner.post(`/athletes/${athlete}/plans/${plan}/assign`).expect(200);
    const corrected = { ...ATHLETE, discipline: 'windmill' };
    const { body } = await owner.put(`/athletes/${athlete}`, corrected).expect(409);
    expect(body.detail).toContain('1 thing observed, 1 focus, 1 overruling');
    expect((await owner.get(`/athletes/${athlete}`).expect(200)).body.athlete.discipline).toBe('overhand');
    const { body: page } = await owner.put(`/athletes/${athlete}`, { ...corrected, setForeignAside: true }).expect(200);
    expect([page.athlete.discipline, page.foci]).toEqual(['windmill', []]);
    const { body: diagnosis } = await owner.get(`/athletes/${athlete}/diagnosis`).expect(200);
    expect(diagnosis.evidence.map((e: { evidence: { finding: string } }) => e.evidence.finding)).toEqual(['slouch']);
    const [aside] = await harness.db('observations').where('athlete_id', athlete).whereNotNull('set_aside');
    expect(aside!.set_aside).toContain('from overhand to windmill');
    await owner.put(`/athletes/${athlete}`, { ...ATHLETE, setForeignAside: true }).expect(200);
  });
});

describe('lists brought in', () => {
  it('are listed in so many queries however many there are', async () => {
    const file = (name: string) =>
      Buffer.from(`Name,Born,Throws,Height,Weight,Discipline\n${name},2011-03-04,R,160,50,overhand\n`).toString('base64');
    const queries = async (client: Client): Promise<number> => {
      let count = 0;
      const note = () => count++;
      harness.db.on('query', note);
      await client.get('/imports').expect(200);
      harness.db.removeListener('query', note);
      return count;
    };
    const own = await signedIn(harness);
    await own.put(`/imports/${uuid()}`, { fileName: 'first.csv', file: file('Alda Quillbrook') }).expect(200);
    const one = await queries(own);
    for (let n = 0; n < 12; n++)
      await own.put(`/imports/${uuid()}`, { fileName: `${n}.csv`, file: file(`Alda Quill${'abcdefghijkl'[n]}`) }).expect(200);
    expect(await queries(own)).toBe(one);
  });

  it('name three of those with whom there was work, of each import, however many there are of another', async () => {
    const own = await signedIn(harness);
    const bring = async (fileName: string, names: readonly string[]) => {
      const rows = names.map((name) => `${name},2011-03-04,R,160,50,overhand`).join('\n');
      const file = Buffer.from(`Name,Born,Throws,Height,Weight,Discipline\n${rows}\n`).toString('base64');
      await own.put(`/imports/${uuid()}`, { fileName, file }).expect(200);
    };
    await bring(
      'many.csv',
      [...'abcdefghijklmnop'].map((letter) => `Abel Quill${letter}`),
    );
    await bring('one.csv', ['Zita Quillwood']);
    await bring('idle.csv', ['Yana Quillmoor']);
    const { rows } = (await own.get('/athletes').expect(200)).body as { rows: { id: string; name: string }[] };
    for (const { id, name } of rows) if (!name.startsWith('Yana')) await makeFocus(own, id);
    const listed = (await own.get('/imports').expect(200)).body as { fileName: string; grown: string | null }[];
    expect(Object.fromEntries(listed.map((row) => [row.fileName, row.grown]))).toEqual({
      'many.csv': 'There has been work with Abel Quilla, Abel Quillb, Abel Quillc.',
      'one.csv': 'There has been work with Zita Quillwood.',
      'idle.csv': null,
    });
  });
});

describe('a clip', () => {
  const filmed = async () => {
    const athlete = await addAthlete(owner);
    await owner.put(`/athletes/${athlete}/consents/${uuid()}`, { kind: 'film', given: true, by: 'Wim Birchley' }).expect(200);
    const file = webm(200);
    const clip = uuid();
    await owner.put(`/athletes/${athlete}/clips/${clip}`, clipOf(file)).expect(200);
    await owner.putBytes(`/athletes/${athlete}/clips/${clip}/bytes?from=0`, file).expect(200);
    return { athlete, clip, path: join(harness.clipsFolder, clip) };
  };

  it('goes from the disk only once its row is gone for good', async () => {
    const { athlete, clip, path } = await filmed();
    // The write is refused at its very end: nothing may be lost.
    await harness.db.raw('rename table audit_entries to audit_entries_away');
    await owner.delete(`/athletes/${athlete}/clips/${clip}`).expect(500);
    await harness.db.raw('rename table audit_entries_away to audit_entries');
    harness.faults.length = 0;
    expect(existsSync(path)).toBe(true);
    await owner.get(`/athletes/${athlete}/clips/${clip}/file`).expect(200);
    await owner.delete(`/athletes/${athlete}/clips/${clip}`).expect(200);
    expect(readdirSync(harness.clipsFolder)).not.toContain(clip);
  });

  it('closes to those whose right came from the consent, once it is taken back, and not to the family', async () => {
    const { athlete, clip } = await filmed();
    const { academy } = owner;
    const guardian = await signedIn(harness, { academy, role: 'guardian', athletes: [athlete] });
    const instructor = await signedIn(harness, { academy, role: 'instructor' });
    for (const client of [owner, instructor, guardian]) await client.get(`/athletes/${athlete}/clips/${clip}/file`).expect(200);
    await guardian.put(`/athletes/${athlete}/consents/${uuid()}`, { kind: 'film', given: false }).expect(200);
    for (const client of [owner, instructor]) {
      for (const what of [`clips`, `clips/${clip}`, `clips/${clip}/file`])
        expect((await client.get(`/athletes/${athlete}/${what}`).expect(403)).body.detail).toContain('took it back');
    }
    await guardian.get(`/athletes/${athlete}/clips/${clip}/file`).expect(200);
    expect((await guardian.get(`/athletes/${athlete}/clips`).expect(200)).body).toHaveLength(1);
    // A coach may still remove it.
    await owner.delete(`/athletes/${athlete}/clips/${clip}`).expect(200);
  });
});

describe('an export', () => {
  it('holds for athlete and family what their screens show, and no word from coach to coach', async () => {
    const athlete = await addAthlete(owner);
    await owner.put(`/athletes/${athlete}/observations/${uuid()}`, eye('stall', 'yes')).expect(200);
    await owner
      .put(`/athletes/${athlete}/rulings/${uuid()}`, { finding: 'stall', as: 'root', reason: 'between us coaches' })
      .expect(200);
    await makeFocus(owner, athlete, 'stall');
    const guardian = await signedIn(harness, { academy: owner.academy, role: 'guardian', athletes: [athlete] });
    const { body } = await guardian.get(`/athletes/${athlete}/export`).expect(200);
    for (const table of ['observations', 'diagnoses', 'rulings', 'body_notes', 'audit_entries'])
      expect(body.tables).not.toHaveProperty(table);
    expect(JSON.stringify(body)).not.toContain('between us coaches');
    expect(JSON.stringify((await guardian.get(`/athletes/${athlete}`).expect(200)).body)).not.toContain('between us coaches');
    expect(body.tables.foci).toHaveLength(1);
    expect(JSON.stringify((await owner.get(`/athletes/${athlete}/export`).expect(200)).body)).toContain('between us coaches');
  });
});

describe('settings', () => {
  it.each([
    [{ minimumSessions: 5, sessionsCounted: 3 }, 'minimumSessions'],
    [{ sessionsCounted: 2.5 }, 'sessionsCounted'],
    [{ minimumReps: 10.5 }, 'minimumReps'],
    [{ advanceRate: 0.99, confidence: 0.999 }, 'confidence'],
    [{ regressRate: 0.8 }, 'regressRate'],
    [{ madeUp: 1 }, 'madeUp'],
  ])('that would freeze the gate are refused: %j', async (gate, key) => {
    const own = await signedIn(harness);
    const { body } = await own.put('/academy/settings', { ...SETTINGS, numbers: { gate } }).expect(422);
    expect(body.detail).toContain(key);
    expect((await own.get('/me').expect(200)).body.academy.numbers).toEqual({});
  });
});

describe('readings', () => {
  it.each([
    ['hip-internal-rotation', 'drive', 165, 'deg', '2010-02-11'],
    ['vertical-jump', 'none', 59, 'in', '2014-12-01'],
    ['vertical-jump', 'none', 27, 'in', '2015-02-11'],
  ])(
    'that no body shows are refused by the body check and as evidence alike: %s %s %d',
    async (test, side, value, unit, birthDate) => {
      const athlete = await addAthlete(owner, { birthDate });
      const check = uuid();
      await owner
        .put(`/athletes/${athlete}/body-checks/${check}`, { on: '2026-05-04', kind: 'short', steps: [{ test, side }] })
        .expect(200);
      const { body } = await owner
        .put(`/athletes/${athlete}/body-readings/${uuid()}`, { check, test, side, value, readBy: 'keypad', moment: 'first' })
        .expect(422);
      expect(body.detail).toContain('lies between');
      const evidence = { kind: 'screen', test, side, value, unit };
      const refused = await owner.put(`/athletes/${athlete}/observations/${uuid()}`, { on: '2026-05-04', evidence }).expect(422);
      expect(refused.body.errors[0].path).toBe('evidence[0].value');
    },
  );
});
