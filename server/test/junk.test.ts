import { check, clipMarksSchema, EMPTY_INTAKE, EMPTY_MARKS } from '@wrightonic/contract';
import { v4 as uuid } from 'uuid';
import { clipOf, webm } from './clip';
import { addAthlete, ATHLETE, eye, signedIn, startHarness } from './harness';
import type { Client, Harness } from './harness';

/** Input that nobody means: it is refused in words or taken as it is, and never a fault of the server. */
let harness: Harness;
let owner: Client;
beforeAll(async () => {
  harness = await startHarness();
  owner = await signedIn(harness);
});
afterAll(() => harness.close());
afterEach(() => expect(harness.faults).toEqual([]));

const HALF_EMOJI = 'half \ud83d emoji';

describe('names that the database compares as people do', () => {
  it('of groups: é is not e to a coach, but two of one spelling are one; none is a fault', async () => {
    const put = (name: string, id = uuid()) => owner.put(`/groups/${id}`, { name, athletes: [] });
    for (const name of ['Cafe', 'Café', 'CAFE', 'Strasse', 'Straße', 'cafe ']) {
      const { status } = await put(name);
      expect([name, [200, 409, 422].includes(status)]).toEqual([name, true]);
    }
    const at = await Promise.all(['Twin', 'Twin', 'twin'].map((name) => put(name)));
    expect(at.every((a) => [200, 409, 422].includes(a.status))).toBe(true);
    expect(at.filter((a) => a.status === 200).length).toBeGreaterThanOrEqual(1);
  });
});

describe('half an emoji', () => {
  it('is refused or kept, wherever text is taken', async () => {
    const athlete = await addAthlete(owner);
    const answers = [
      await owner.put(`/groups/${uuid()}`, { name: HALF_EMOJI, athletes: [] }),
      await owner.put(`/athletes/${uuid()}`, { ...ATHLETE, name: HALF_EMOJI }),
      await owner.put(`/athletes/${athlete}/rulings/${uuid()}`, { finding: 'stall', as: 'absent', reason: HALF_EMOJI }),
      await owner.put(`/library/findings/${uuid()}`, { finding: 'stall', words: { title: HALF_EMOJI } }),
      await owner.put(`/library/drills/${uuid()}`, { drill: 'easy-catch', words: { name: HALF_EMOJI }, use: 'usual' }),
    ];
    expect(answers.map((a) => a.status < 500)).toEqual(answers.map(() => true));
    // Texts that may be empty are texts, too: each is refused by its name.
    for (const field of ['told', 'goals'] as const)
      expect(
        (await owner.put(`/athletes/${athlete}/intake`, { ...EMPTY_INTAKE, [field]: HALF_EMOJI }).expect(422)).body.errors,
      ).toEqual([expect.objectContaining({ path: field, message: expect.stringContaining('half a letter') })]);
    const drawing = { id: uuid(), kind: 'note', points: [[1, 1]], text: HALF_EMOJI, from: 0, to: 0 };
    expect(check(clipMarksSchema, { ...EMPTY_MARKS, drawings: [drawing] })).toMatchObject({ ok: false });
    expect(check(clipMarksSchema, { ...EMPTY_MARKS, drawings: [{ ...drawing, text: '' }] })).toMatchObject({ ok: true });
    for (const path of [`/athletes?search=${encodeURIComponent('\u{1F600}')}`, '/athletes?search=%ED%A0%BD'])
      expect([path, (await owner.get(path)).status < 500]).toEqual([path, true]);
  });
});

describe('days that no calendar has', () => {
  it('are refused by name', async () => {
    const athlete = await addAthlete(owner);
    for (const on of ['99999-01-01', '0000-00-00', '-001-01-01', '2026-02-30', '2026-13-01', '9999-12-31', '0001-01-01', '']) {
      const seen = await owner.put(`/athletes/${athlete}/observations/${uuid()}`, eye('stall' as never, 'yes', on));
      expect([on, seen.status]).toEqual([on, 422]);
      const born = await owner.put(`/athletes/${uuid()}`, { ...ATHLETE, birthDate: on });
      expect([on, born.status]).toEqual([on, 422]);
      const out = await owner.put(`/athletes/${athlete}/outings/${uuid()}`, {
        on,
        pitches: 1,
        throws: 1,
        highEffort: 0,
        innings: 0,
      });
      expect([on, out.status < 500]).toEqual([on, true]);
    }
  });
});

describe('ids that are not', () => {
  it('are refused wherever they stand', async () => {
    for (const id of ['not-an-id', '%00', '..%2f..', `${uuid()}x`, "'; drop table athletes; --", 'null'])
      for (const path of [`/athletes/${id}`, `/athletes/${id}/diagnosis`, `/athletes/${id}/plan`]) {
        const { status } = await owner.get(path);
        expect([path, status >= 400 && status < 500 ? 'refused' : status]).toEqual([path, 'refused']);
      }
  });
});

describe('marks that say one thing twice', () => {
  it('two of one frame, frames out of order, events at the end of time: refused or kept, never a fault', async () => {
    const athlete = await addAthlete(owner);
    await owner.put(`/athletes/${athlete}/consents/${uuid()}`, { kind: 'film', given: true, by: 'A Guardian' }).expect(200);
    const file = webm(4000);
    const id = uuid();
    await owner.put(`/athletes/${athlete}/clips/${id}`, clipOf(file)).expect(200);
    await owner.putBytes(`/athletes/${athlete}/clips/${id}/bytes?from=0`, file).expect(200);
    const joints = { 'drive-hip': { x: 1, y: 2 }, 'lead-hip': { x: 1, y: 2 } };
    for (const frames of [
      [
        { frame: 3, joints },
        { frame: 3, joints },
      ],
      [
        { frame: 9, joints },
        { frame: 2, joints },
        { frame: 9, joints: {} },
      ],
      [{ frame: 399, joints }],
      [],
    ])
      for (const events of [{}, { set: { frame: 0 }, release: { frame: 0 }, contact: { frame: 399 } }]) {
        const { status } = await owner.put(`/athletes/${athlete}/clips/${id}/marks`, { ...EMPTY_MARKS, frames, events });
        expect([frames.length, status < 500]).toEqual([frames.length, true]);
      }
  });
});

describe('a discipline that is changed', () => {
  it('after looks, tests, a focus and a plan is refused or taken whole, and every page still opens', async () => {
    for (const [from, to] of [
      ['overhand', 'windmill'],
      ['windmill', 'overhand'],
    ] as const) {
      const record = { ...ATHLETE, discipline: from };
      const athlete = await addAthlete(owner, record);
      for (const finding of ['stall', 'late-hips', 'idle-drive-leg', 'knee-caves'])
        await owner.put(`/athletes/${athlete}/observations/${uuid()}`, eye(finding, 'yes'));
      await owner.put(`/athletes/${athlete}/foci/${uuid()}`, { finding: 'knee-caves', rung: 1, diagnosis: null });
      await owner.put(`/athletes/${athlete}/plans/${uuid()}`, { weeks: 2, games: [], pinned: [] });
      const changed = await owner.put(`/athletes/${athlete}`, { ...record, discipline: to });
      expect(changed.status < 500).toBe(true);
      const { body } = await owner.get(`/athletes/${athlete}`).expect(200);
      const { discipline } = (body as { athlete: { discipline: string } }).athlete;
      expect(discipline).toBe(changed.status === 200 ? to : from);
      for (const path of ['/diagnosis', '/plan', '/progress', '/body', '/clips', '/work'])
        await owner.get(`/athletes/${athlete}${path}`).expect(200);
    }
  });
});
