/**
 * Somebody who knows the API tries every way round lock, rest, budget, league, age and clearance, as every role, at once and out of
 * order. What got through is counted from the rows alone, against numbers written out here.
 */
import type { Role } from '@wrightonic/contract';
import { v4 as uuid } from 'uuid';
import { addAthlete, ATHLETE, pitch, rep, SETTINGS, signedIn, startHarness } from './harness';
import type { Client, Harness } from './harness';

let harness: Harness;
let owner: Client;
const NOW = '2026-05-04T15:00:00Z';
const TODAY = '2026-05-04';
beforeAll(async () => {
  harness = await startHarness();
  owner = await signedIn(harness);
});
afterAll(() => harness.close());
afterEach(() => expect(harness.faults).toEqual([]));

const at = (instant: string) => {
  harness.clock.now = new Date(instant);
};
const before = (minutes: number): string => new Date(Date.parse(NOW) - 60_000 * minutes).toISOString();

/** A state of an athlete, and what may be thrown in it today. */
interface Situation {
  readonly name: string;
  readonly athlete?: Partial<typeof ATHLETE>;
  readonly prepare: (athlete: string) => Promise<void>;
  /** Throws and hard throws that may still count as allowed today, and the highest effort of any. */
  readonly most: { readonly throws: number; readonly hard: number; readonly effort: number };
}

const session = async (client: Client, athlete: string, on: string, painBefore: object[] = [], id = uuid()) => {
  const { status } = await client.put(`/athletes/${athlete}/sessions/${id}`, { on, assignment: null, painBefore });
  return status === 200 ? id : null;
};
const send = (client: Client, athlete: string, id: string | null, entries: object[]) =>
  id === null ? Promise.resolve() : client.post(`/athletes/${athlete}/sessions/${id}/log`, { entries }).then(() => undefined);
const outing = (athlete: string, on: string, pitches: number, throws: number, highEffort = 0) =>
  owner.put(`/athletes/${athlete}/outings/${uuid()}`, { on, pitches, throws, highEffort, innings: 0 }).expect(200);
const usual = async (athlete: string) => {
  for (const on of ['2026-03-30', '2026-04-06', '2026-04-13', '2026-04-20', '2026-04-24']) await outing(athlete, on, 0, 90);
};
const hurt = async (athlete: string, on: string, site: string, score: number) => {
  const now = harness.clock.now;
  at(`${on}T14:00:00Z`);
  await session(owner, athlete, on, [{ site, score }]);
  harness.clock.now = now;
};

const NOTHING = { throws: 0, hard: 0, effort: 0 };
const SITUATIONS: readonly Situation[] = [
  { name: 'locked since the day before yesterday', prepare: (a) => hurt(a, '2026-05-02', 'elbow', 5), most: NOTHING },
  { name: 'the shoulder hurts today', prepare: (a) => hurt(a, TODAY, 'shoulder', 1), most: NOTHING },
  { name: 'the knee hurts today', prepare: (a) => hurt(a, TODAY, 'knee', 3), most: NOTHING },
  {
    name: 'the arm hurt two sessions running',
    prepare: async (a) => {
      await hurt(a, '2026-05-01', 'wrist', 1);
      await hurt(a, '2026-05-02', 'wrist', 1);
    },
    most: NOTHING,
  },
  {
    name: 'a clearance that ran out yesterday',
    prepare: async (a) => {
      await hurt(a, '2026-04-28', 'elbow', 5);
      await owner
        .put(`/athletes/${a}/clearances/${uuid()}`, { date: '2026-04-29', by: 'A. Clinician', until: '2026-05-03' })
        .expect(200);
    },
    most: NOTHING,
  },
  {
    name: 'a clearance with limits',
    prepare: async (a) => {
      await hurt(a, '2026-04-28', 'elbow', 5);
      await owner
        .put(`/athletes/${a}/clearances/${uuid()}`, { date: '2026-04-29', by: 'A. Clinician', mostThrows: 6, highestEffort: 80 })
        .expect(200);
    },
    most: { throws: 6, hard: 0, effort: 80 },
  },
  { name: 'an ordinary day at sixteen', prepare: () => Promise.resolve(), most: { throws: 110, hard: 40, effort: 100 } },
  {
    name: 'an ordinary day at eight',
    athlete: { birthDate: '2018-02-01', heightM: 1.3, massKg: 28 },
    prepare: () => Promise.resolve(),
    most: { throws: 60, hard: 20, effort: 100 },
  },
  {
    name: 'the day after a hard day',
    prepare: (a) => outing(a, '2026-05-03', 0, 20, 12).then(() => undefined),
    most: { throws: 110, hard: 9, effort: 100 },
  },
  {
    name: 'a game today',
    prepare: (a) => outing(a, TODAY, 30, 30).then(() => undefined),
    most: { throws: 80, hard: 0, effort: 89 },
  },
];

/** Nobody, for a client who has the right. */
const family = (client: Client): Client[] => (client === instructor ? [] : [client]);
let instructor: Client | null = null;

const throwsNow = (count: number, more: (n: number) => object) =>
  Array.from({ length: count }, (_, n) => pitch({ at: before(30 - n / 10), ...more(n) }));

/** Ways round, each with everything that the API takes. */
const WAYS: Readonly<Record<string, (client: Client, athlete: string) => Promise<unknown>>> = {
  plainly: async (c, a) =>
    send(
      c,
      a,
      await session(c, a, TODAY),
      throwsNow(50, () => ({})),
    ),
  'as no throws': async (c, a) =>
    send(
      c,
      a,
      await session(c, a, TODAY),
      throwsNow(30, () => ({ isThrow: false, effort: 0 })),
    ),
  'at efforts just under': async (c, a) =>
    send(
      c,
      a,
      await session(c, a, TODAY),
      throwsNow(30, (n) => ({ effort: [40, 49.9, 89.9, 79.99][n % 4] })),
    ),
  'all out': async (c, a) =>
    send(
      c,
      a,
      await session(c, a, TODAY),
      throwsNow(42, () => ({ effort: 100 })),
    ),
  'stamped long ago': async (c, a) =>
    send(
      c,
      a,
      await session(c, a, TODAY),
      throwsNow(20, (n) => ({ at: n % 2 ? '2026-04-01T12:00:00Z' : '2011-01-01T00:00:00Z' })),
    ),
  'stamped ahead': async (c, a) =>
    send(
      c,
      a,
      await session(c, a, TODAY),
      throwsNow(20, (n) => ({ at: n % 2 ? before(-1) : before(-600) })),
    ),
  'in a session of days ago': async (c, a) => {
    for (const on of ['2026-05-03', '2026-04-27', '2026-01-01'])
      await send(
        c,
        a,
        await session(c, a, on),
        throwsNow(6, () => ({})),
      );
  },
  'in a session to come': async (c, a) =>
    send(
      c,
      a,
      await session(c, a, '2026-05-05'),
      throwsNow(10, () => ({})),
    ),
  'in a session put again without its pain': async (c, a) => {
    const id = uuid();
    await session(c, a, TODAY, [{ site: 'hand', score: 1 }], id);
    await session(c, a, TODAY, [], id);
    await send(
      c,
      a,
      id,
      throwsNow(20, () => ({})),
    );
  },
  'in four sessions at once': async (c, a) => {
    const ids = await Promise.all([1, 2, 3, 4].map(() => session(c, a, TODAY)));
    await Promise.all(
      ids.map((id) =>
        send(
          c,
          a,
          id,
          throwsNow(20, () => ({ effort: 92 })),
        ),
      ),
    );
  },
  'taken back and thrown again': async (c, a) => {
    const id = await session(c, a, TODAY);
    const first = throwsNow(20, () => ({ at: before(20) })) as { id: string }[];
    await send(c, a, id, first);
    await send(
      c,
      a,
      id,
      first.map((r) => ({ type: 'undo', id: uuid(), at: before(5), rep: r.id })),
    );
    await send(
      c,
      a,
      id,
      throwsNow(20, () => ({ at: before(4) })),
    );
  },
  'as speeds alone': async (c, a) => {
    const reading = (n: number) => ({
      type: 'reading',
      id: uuid(),
      at: before(20 - n / 10),
      speed: 70,
      unit: 'mph',
      effort: 100,
      gun: 'g',
      setting: 'mound',
      rep: null,
    });
    await send(
      c,
      a,
      await session(c, a, TODAY),
      Array.from({ length: 20 }, (_, n) => reading(n)),
    );
  },
  'as easy throws with hard speeds': async (c, a) => {
    const thrown = throwsNow(20, () => ({ effort: 50 })) as { id: string; at: string }[];
    const speeds = thrown.map((r) => ({
      type: 'reading',
      id: uuid(),
      at: r.at,
      speed: 70,
      unit: 'mph',
      effort: 100,
      gun: 'g',
      setting: 'mound',
      rep: r.id,
    }));
    await send(c, a, await session(c, a, TODAY), [...speeds, ...thrown]);
  },
  'with pain told of the future': async (c, a) => {
    const id = await session(c, a, TODAY);
    await send(c, a, id, [
      ...throwsNow(10, () => ({})),
      { type: 'cheat', id: uuid(), at: before(1), rep: uuid(), cheat: 'swing-around' },
    ]);
    await send(c, a, id, [rep({ at: before(2), drill: 'hinge-start-throw', rung: 3, effort: 55 })]);
  },
  'with a clearance of one’s own': async (c, a) => {
    // Given the day before the pain, given without a time on the day of it, or by somebody without the right.
    await c.put(`/athletes/${a}/clearances/${uuid()}`, { date: '2026-04-20', by: 'Nobody' });
    await send(
      c,
      a,
      await session(c, a, TODAY),
      throwsNow(20, () => ({})),
    );
  },
  'with another birth date': async (c, a) => {
    // An instructor may correct a birth date; whoever trains under it may not.
    for (const client of family(c)) await client.put(`/athletes/${a}`, { ...ATHLETE, birthDate: '1990-01-01' });
    await c.put('/academy/settings', { ...SETTINGS, leagueDailyLimit: 300 });
    await send(
      c,
      a,
      await session(c, a, TODAY),
      throwsNow(20, () => ({})),
    );
  },
  'with an outing of nought': async (c, a) => {
    const known = (await harness.db('outings').where('athlete_id', a).select('id')) as { id: string }[];
    for (const { id } of known)
      await c.put(`/athletes/${a}/outings/${id}`, { on: '2026-04-01', pitches: 0, throws: 0, highEffort: 0, innings: 0 });
    for (const { id } of known)
      await c.put(`/athletes/${a}/outings/${id}`, { on: '2026-04-01', pitches: 0, throws: 1, highEffort: 0, innings: 0 });
    await send(
      c,
      a,
      await session(c, a, TODAY),
      throwsNow(10, () => ({ effort: 95 })),
    );
  },
};

/** Throws of today that count as allowed beyond what may be. Counted from what was sent and what was answered by the rows. */
async function gotThrough(athlete: string, most: Situation['most']): Promise<string[]> {
  const rows = (await harness.db('reps').where({ athlete_id: athlete, gone: false }).whereNull('refused')) as {
    on_date: string;
    drill: string;
    said_effort: number;
    effort: number;
  }[];
  const thrown = rows.filter((r) => r.drill !== 'strap-held-start' && r.on_date === TODAY);
  const through: string[] = [];
  if (thrown.length > most.throws) through.push(`${thrown.length} throws, ${most.throws} allowed`);
  const hard = thrown.filter((r) => Math.max(r.said_effort, r.effort) >= 90);
  if (hard.length > most.hard) through.push(`${hard.length} hard throws, ${most.hard} allowed`);
  const over = thrown.filter((r) => r.said_effort > most.effort);
  if (over.length > 0) through.push(`${over.length} throws harder than ${most.effort} %`);
  const [loaded] = (await harness.db('load_days').where({ athlete_id: athlete, on_date: TODAY })) as { throws: number }[];
  const kept = (await harness
    .db('reps')
    .where({ athlete_id: athlete, on_date: TODAY, gone: false })
    .whereNot('drill', 'strap-held-start')) as object[];
  const speeds = (await harness
    .db('readings')
    .where({ athlete_id: athlete, on_date: TODAY })
    .whereNotNull('refused')) as object[];
  // Nothing thrown is lost from the load either.
  if ((loaded?.throws ?? 0) !== kept.length + speeds.length)
    through.push(`load of ${loaded?.throws} for ${kept.length} throws and ${speeds.length} speeds`);
  return through;
}

const ROLES_THAT_LOG: readonly Role[] = ['instructor', 'station', 'athlete', 'guardian'];

describe.each(SITUATIONS)('on $name', ({ name, athlete: more, prepare, most }) => {
  it('nothing gets through, whoever tries whichever way, one after the other and all at once', async () => {
    at(NOW);
    const { academy } = owner;
    const athlete = await addAthlete(owner, more ?? {});
    await usual(athlete);
    await prepare(athlete);
    const group = uuid();
    await owner.put(`/groups/${group}`, { name: `G ${group}`, athletes: [athlete] }).expect(200);
    const clients = await Promise.all(
      ROLES_THAT_LOG.map((role) =>
        signedIn(harness, {
          academy,
          role,
          ...(role === 'station' ? { groups: [group] } : role === 'instructor' ? {} : { athletes: [athlete] }),
        }),
      ),
    );
    instructor = clients[0]!;
    for (const [n, [way, go]] of Object.entries(WAYS).entries()) {
      await go(clients[n % clients.length]!, athlete);
      expect([way, await gotThrough(athlete, most)]).toEqual([way, []]);
    }
    // At once: every way by another role than before, which goes round with the situations, and one way by all roles together.
    const turn = SITUATIONS.findIndex((situation) => situation.name === name);
    const ways = Object.values(WAYS);
    await Promise.all([
      ...ways.map((go, n) => go(clients[(n + turn + 1) % clients.length]!, athlete)),
      ...clients.map((client) => ways[turn % ways.length]!(client, athlete)),
    ]);
    expect(await gotThrough(athlete, most)).toEqual([]);
  });
});
