import { EMPTY_INTAKE } from '@wrightonic/contract';
import type { AthleteOverview } from '@wrightonic/contract';
import { v4 as uuid } from 'uuid';
import { addAthlete, ATHLETE, eye, signedIn, startHarness } from './harness';
import type { Client, Harness } from './harness';

let harness: Harness;
let owner: Client;
beforeAll(async () => {
  harness = await startHarness();
  owner = await signedIn(harness);
});
afterAll(() => harness.close());
afterEach(() => expect(harness.faults).toEqual([]));

describe('a growing athlete', () => {
  it('keeps every size by its day, and a spurt is said', async () => {
    const id = await addAthlete(owner, { heightM: 1.6, massKg: 50 });
    const overview = async () => (await owner.get(`/athletes/${id}`).expect(200)).body as AthleteOverview;
    expect((await overview()).spurt).toBeNull();
    // The same day twice: the last counts, and nothing is a spurt against itself.
    await owner.put(`/athletes/${id}`, { ...ATHLETE, heightM: 1.7, massKg: 50 }).expect(200);
    await owner.put(`/athletes/${id}`, { ...ATHLETE, heightM: 1.63, massKg: 51 }).expect(200);
    const rows = await harness.db('athlete_sizes').where('athlete_id', id);
    expect(rows).toHaveLength(1);
    expect(rows[0]).toMatchObject({ height_m: 1.63, mass_kg: 51 });
    await harness.db('athlete_sizes').where('athlete_id', id).update({ on_date: '2026-03-04', height_m: 1.6 });
    await owner.put(`/athletes/${id}`, { ...ATHLETE, heightM: 1.63, massKg: 52 }).expect(200);
    expect((await overview()).spurt).toMatchObject({ since: '2026-03-04', cm: 3 });
  });

  it('has the norms of the jump that were chosen, and those of the delivery until then', async () => {
    const id = await addAthlete(owner, { discipline: 'windmill', birthDate: '2003-02-02', level: 'adult' });
    const jump = { kind: 'screen', test: 'vertical-jump', side: 'none', value: 21, unit: 'in' };
    await owner.put(`/athletes/${id}/observations/${uuid()}`, { on: '2026-05-04', evidence: jump }).expect(200);
    const power = async () =>
      (await owner.get(`/athletes/${id}/diagnosis`).expect(200)).body.result.posterior['low-power'] as number;
    const women = await power();
    const record = { ...ATHLETE, discipline: 'windmill', birthDate: '2003-02-02', level: 'adult' } as const;
    await owner.put(`/athletes/${id}`, { ...record, jumpNorms: 'men' }).expect(200);
    expect(await power()).toBeGreaterThan(women + 0.3);
    await owner.put(`/athletes/${id}`, { ...record, jumpNorms: 'girls' }).expect(422);
    await owner.put(`/athletes/${id}`, record).expect(200);
    expect(await power()).toBe(women);
  });
});

describe('throwing elsewhere', () => {
  const outing = { on: '2026-05-03', pitches: 0, throws: 0, highEffort: 0, innings: 0 };
  it('is told by its kind, and catching and breaking pitches are warned about', async () => {
    const id = await addAthlete(owner, { birthDate: '2015-02-02' });
    const put = (more: object) => owner.put(`/athletes/${id}/outings/${uuid()}`, { ...outing, ...more });
    await put({ pitches: 30, throws: 40, innings: 2, kind: 'game' }).expect(200);
    await put({ throws: 30, kind: 'lesson', caught: true, breakingPitches: 31 }).expect(422);
    const { body } = await put({ throws: 30, kind: 'lesson', caught: true, breakingPitches: 4 }).expect(200);
    const rules = (body as AthleteOverview).workload.warnings.map((w) => w.rule);
    expect(rules).toEqual(expect.arrayContaining(['caught-and-pitched', 'breaking-pitches']));
    const texts = (body as AthleteOverview).timeline.map((t) => t.text);
    expect(texts).toContain('30 pitches in a game');
    expect(texts).toContain('30 throws in another lesson, and caught');
    await put({ throws: 5, kind: 'party' }).expect(422);
  });
});

describe('what is told and seen beside the looks', () => {
  it('becomes evidence by itself at intake, and is judged', async () => {
    const id = await addAthlete(owner);
    await owner.put(`/athletes/${id}/intake`, { ...EMPTY_INTAKE, thoughts: ['move-push', 'set-quiet'], next: null }).expect(200);
    const { body } = await owner.get(`/athletes/${id}/diagnosis`).expect(200);
    expect((body.evidence as { evidence: object }[]).map((e) => e.evidence)).toEqual([{ kind: 'told', thought: 'move-push' }]);
    expect(body.result.roots[0].finding).toBe('push-misread');
  });

  it('is refused by name where this delivery has no such thing', async () => {
    const id = await addAthlete(owner);
    const put = (evidence: object) =>
      owner.put(`/athletes/${id}/observations/${uuid()}`, { on: '2026-05-04', evidence }).expect(422);
    expect((await put({ kind: 'told', thought: 'turn-wrist' })).body.detail).toContain('overhand');
    expect((await put({ kind: 'glance', detail: 'tether', answer: 'slack' })).body.detail).toContain('overhand');
    expect((await put({ kind: 'glance', detail: 'first-touch', answer: 'slack' })).body.detail).toContain('ball');
    expect((await owner.get(`/athletes/${id}/diagnosis`).expect(200)).body.evidence).toEqual([]);
  });

  it('opens the link of the chain that it speaks of', async () => {
    const id = await addAthlete(owner);
    const chain = async () => ((await owner.get(`/athletes/${id}`).expect(200)).body as AthleteOverview).chain;
    expect((await chain())[0]).toBe('unseen');
    await owner.put(`/athletes/${id}/observations/${uuid()}`, eye('unstable-base', 'yes')).expect(200);
    expect((await chain())[0]).toBe('open');
    const other = await addAthlete(owner);
    const detail = { kind: 'glance', detail: 'drive-foot', answer: 'edge' };
    await owner.put(`/athletes/${other}/observations/${uuid()}`, { on: '2026-05-04', evidence: detail }).expect(200);
    expect(((await owner.get(`/athletes/${other}`).expect(200)).body as AthleteOverview).chain[0]).toBe('clear');
  });
});
