import { findingById } from '@wrightonic/core';
import { v4 as uuid } from 'uuid';
import { addAcademy, addAthlete, eye, signedIn, SETTINGS, startHarness } from './harness';
import type { Client, Harness } from './harness';

/** What an academy says in its own words, and the one story of a focus. */
let harness: Harness;
let owner: Client;
let instructor: Client;

beforeAll(async () => {
  harness = await startHarness();
  owner = await signedIn(harness);
  instructor = await signedIn(harness, { academy: owner.academy, role: 'instructor' });
});
afterAll(() => harness.close());
afterEach(() => expect(harness.faults).toEqual([]));

const word = (words: object, id = uuid(), client = owner) => client.put(`/library/findings/${id}`, { finding: 'stall', words });
const see = (athlete: string, finding: string, answer: 'yes' | 'no', on = '2026-05-04') =>
  owner.put(`/athletes/${athlete}/observations/${uuid()}`, eye(finding as never, answer, on)).expect(200);

describe('a finding in the academy’s own words', () => {
  it('has versions that come back as they were written; a repeated request is one version', async () => {
    const id = uuid();
    await word({ title: 'The trip halts' }, id).expect(200);
    await word({ title: 'The trip halts' }, id).expect(200);
    const { body } = await word({ title: 'It halts', cue: 'Keep rolling' }).expect(200);
    expect(body.findings.map((f: { version: number; words: object }) => [f.version, f.words])).toEqual([
      [1, { title: 'The trip halts' }],
      [2, { title: 'It halts', cue: 'Keep rolling' }],
    ]);
    expect(body.findings[1].by).not.toBe('');
    // Empty words are the catalogue's again.
    expect((await word({}).expect(200)).body.findings.at(-1)).toMatchObject({ version: 3, words: {} });
  });

  it('two at once become two versions, or one is told to look again', async () => {
    const before = (await owner.get('/library')).body.findings.length as number;
    const answers = await Promise.all(['A way', 'B way', 'C way'].map((title) => word({ title })));
    const kept = answers.filter((a) => a.status === 200).length;
    expect(answers.every((a) => a.status === 200 || a.status === 409)).toBe(true);
    expect((await owner.get('/library')).body.findings).toHaveLength(before + kept);
  });

  it('is the owner’s to change, the academy’s to read, and nobody else’s; what cannot be is refused by name', async () => {
    await word({ title: 'Mine' }, uuid(), instructor).expect(403);
    expect((await instructor.get('/library').expect(200)).body.findings.length).toBeGreaterThan(0);
    const stranger = await signedIn(harness, { role: 'owner', academy: await addAcademy(harness.db) });
    expect((await stranger.get('/library').expect(200)).body.findings).toEqual([]);
    expect((await word({ title: 'x'.repeat(81) }).expect(422)).body.detail).toMatch(/title/);
    expect((await word({ nonsense: 'a' }).expect(422)).body.detail).toMatch(/nonsense/);
    await owner.put(`/library/findings/${uuid()}`, { finding: 'no-such', words: {} }).expect(422);
  });

  it('is what an athlete of the academy is told, and no word to avoid is said to the young', async () => {
    const athlete = await addAthlete(owner, { birthDate: '2015-01-01' });
    await see(athlete, 'stall', 'yes');
    await owner.put(`/athletes/${athlete}/foci/${uuid()}`, { finding: 'stall', rung: 1, diagnosis: null }).expect(200);
    const next = async () => (await owner.get(`/athletes/${athlete}`).expect(200)).body.told.next as string;
    await word({}).expect(200);
    expect(await next()).toBe(`Next: ${findingById('stall').forAthlete}`);
    await word({ forAthlete: 'Roll on through the gate.' }).expect(200);
    expect(await next()).toBe('Next: Roll on through the gate.');
    await owner.put('/academy/settings', { ...SETTINGS, words: ['push', 'push'] }).expect(422);
    await owner.put('/academy/settings', { ...SETTINGS, words: ['push'] }).expect(200);
    await owner.put(`/athletes/${athlete}/foci/${uuid()}`, { finding: 'push-misread', rung: 1, diagnosis: null }).expect(200);
    const told = (await owner.get(`/athletes/${athlete}`).expect(200)).body.told as Record<string, string | null>;
    expect(Object.values(told).join(' ')).not.toMatch(/\bpush\b/i);
  });
});

describe('the story of a focus', () => {
  it('has its number then and now and what has spoken since, the same on the athlete’s page and the roster', async () => {
    const athlete = await addAthlete(owner);
    await see(athlete, 'stall', 'yes');
    await see(athlete, 'late-hips', 'no');
    const { body: chosen } = await owner
      .put(`/athletes/${athlete}/foci/${uuid()}`, { finding: 'stall', rung: 1, diagnosis: null })
      .expect(200);
    const [then] = chosen.foci;
    expect(then.then).toBeCloseTo(then.now, 9);
    await see(athlete, 'stall', 'no');
    const [now] = (await owner.get(`/athletes/${athlete}`).expect(200)).body.foci;
    expect(now.then).toBe(then.then);
    expect(now.now).toBeLessThan(then.now);
    expect(now.since.map((e: { finding: string }) => e.finding)).toEqual(['stall', 'stall']);
    const { body: page } = await owner.get('/athletes').expect(200);
    const rows = (page.athletes ?? page.rows) as { id: string; focusChance: number }[];
    expect(rows.find((r) => r.id === athlete)!.focusChance).toBeCloseTo(now.now, 9);
  });

  it('is no business of the athlete’s or the family’s', async () => {
    const athlete = await addAthlete(owner);
    await see(athlete, 'stall', 'yes');
    await owner.put(`/athletes/${athlete}/foci/${uuid()}`, { finding: 'stall', rung: 1, diagnosis: null }).expect(200);
    const family = await signedIn(harness, { academy: owner.academy, role: 'guardian', athletes: [athlete] });
    const { body } = await family.get(`/athletes/${athlete}`).expect(200);
    const [focus] = body.foci;
    expect(body.why).toBeNull();
    const said = (body.timeline as { text: string }[]).map((t) => t.text).join('\n');
    expect(said).toContain('1 look');
    expect(said).not.toContain(findingById('stall').title);
    expect(said).toContain(findingById('stall').forAthlete);
    expect(Object.keys(focus)).not.toEqual(expect.arrayContaining(['now']));
    expect(focus).not.toHaveProperty('then');
    expect(focus).not.toHaveProperty('since');
  });
});
