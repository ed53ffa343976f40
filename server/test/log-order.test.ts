/** The log over HTTP in other orders, late, doubled and at the same instant: one state comes of it. */
import { GATE_DEFAULTS, randomFrom, stateOf } from '@wrightonic/core';
import { arrived, sentBy } from '@wrightonic/core/simulate';
import type { LoggedFocus, Random } from '@wrightonic/core';
import type { Sent } from '@wrightonic/core/simulate';
import { v4 as uuid } from 'uuid';
import { addAthlete, ATHLETE, log, makeFocus, pitch, rep, signedIn, startHarness, startSession } from './harness';
import type { Client, Harness } from './harness';

let harness: Harness;
let coach: Client;
beforeAll(async () => {
  harness = await startHarness();
  coach = await signedIn(harness);
});
afterAll(() => harness.close());
beforeEach(() => at('2026-05-04T15:30:00Z'));
afterEach(() => expect(harness.faults).toEqual([]));

const at = (instant: string) => {
  harness.clock.now = new Date(instant);
};
const stamp = (minute: number, second = 0, day = '2026-05-04') =>
  `${day}T15:${String(minute).padStart(2, '0')}:${String(second).padStart(2, '0')}.000Z`;
const finish = async (client: Client, athlete: string, session: string) =>
  (await client.post(`/athletes/${athlete}/sessions/${session}/finish`).expect(200)).body;

const shuffledBy = <T>(random: Random, list: readonly T[]): T[] =>
  list
    .map((item) => ({ item, key: random.uniform() }))
    .sort((a, b) => a.key - b.key)
    .map(({ item }) => item);

describe('one state', () => {
  const start = '2026-05-04';

  /** Ids that the API takes, the same in each delivery. */
  function withUuids(sent: readonly Sent[], focus: string): Sent[] {
    const known = new Map<string, string>();
    const of = (id: string) => known.get(id) ?? known.set(id, uuid()).get(id)!;
    return sent.map((what) => {
      if (what.kind === 'end') return { ...what, session: of(what.session) };
      if (what.kind === 'session') return { ...what, row: { ...what.row, id: of(what.row.id) } };
      const row = { ...what.row, id: of(what.row.id) } as Record<string, unknown>;
      if (typeof row.session === 'string') row.session = of(row.session);
      if (typeof row.rep === 'string') row.rep = of(row.rep);
      if ('focus' in row) row.focus = focus;
      return { ...what, row } as unknown as Sent;
    });
  }

  /** As an endpoint takes it. */
  function entryOf(what: Exclude<Sent, { kind: 'end' | 'session' }>): object {
    const { id } = what.row;
    const base = { id, at: new Date(what.device).toISOString() };
    if (what.kind === 'rep') {
      const { drill, rung, focus, judged, effort } = what.row;
      return { ...base, type: 'rep', drill, rung, focus, judged, effort };
    }
    if (what.kind === 'reading') {
      const { effort, gun, rep: of } = what.row;
      return { ...base, type: 'reading', speed: 70, unit: 'mph', effort, gun, setting: 'mound', rep: of };
    }
    if (what.kind === 'pain')
      return { ...base, type: 'pain', moment: 'during', pain: { site: what.row.site, score: what.row.score } };
    return what.row.kind === 'undo'
      ? { ...base, type: 'undo', rep: what.row.rep }
      : { ...base, type: 'cheat', rep: what.row.rep, cheat: what.row.cheat };
  }

  /** Sends everything in one of many ways: sessions first, as a phone must, then entries shuffled, doubled and in odd batches. */
  async function deliver(client: Client, athlete: string, sent: readonly Sent[], random: Random, inTurn: boolean): Promise<void> {
    const mix = <T>(list: readonly T[]) =>
      inTurn ? [...list] : shuffledBy(random, [...list, ...list.filter(() => random.chance(0.2))]);
    for (const what of mix(sent.filter((s) => s.kind === 'session')))
      await client
        .put(`/athletes/${athlete}/sessions/${what.row.id}`, {
          on: what.row.date,
          assignment: null,
          at: what.row.startedAt,
          painBefore: [],
        })
        .expect(200);
    const rest = mix(sent.filter((s) => s.kind !== 'session'));
    let batch: { session: string; entries: object[] } = { session: '', entries: [] };
    const flush = async () => {
      if (batch.entries.length > 0) await log(client, athlete, batch.session, batch.entries);
      batch = { session: '', entries: [] };
    };
    const sessionOf = new Map(sent.flatMap((s) => (s.kind === 'rep' ? [[s.row.id, s.row.session] as const] : [])));
    for (const what of rest) {
      const session =
        what.kind === 'end'
          ? what.session
          : what.kind === 'mark'
            ? sessionOf.get(what.row.rep)!
            : (what.row as { session: string }).session;
      if (what.kind === 'end' || session !== batch.session || random.chance(0.1)) await flush();
      if (what.kind === 'end') await finish(client, athlete, session);
      else batch = { session, entries: [...batch.entries, entryOf(what)] };
    }
    await flush();
  }

  async function stored(athlete: string): Promise<unknown> {
    const pick = async (table: string, columns: string[]) =>
      (await harness.db(table).where('athlete_id', athlete).orderBy(columns.slice(0, 2)).select(columns)) as object[];
    const { body } = await coach.get(`/athletes/${athlete}`).expect(200);
    return {
      reps: (await pick('reps', ['at', 'drill', 'effort', 'is_throw', 'gone', 'undone', 'cheat', 'refused']))
        .map((r) => JSON.stringify(r))
        .sort(),
      days: await pick('load_days', ['on_date', 'throws', 'high_effort']),
      verdicts: await pick('verdicts', ['at', 'verdict', 'from_rung', 'to_rung', 'reason']),
      focus: [body.foci[0].rung, body.foci[0].rungSince],
      today: body.workload.today,
    };
  }

  it('comes of every delivery of the same entries, and it is the one that the core derives', async () => {
    const random = randomFrom(31_415);
    for (let n = 0; n < 5; n++) {
      const focusRow = { finding: 'knee-led-load', rung: 3 } as const;
      const sample = sentBy(random, start, {
        id: 'focus',
        startedOn: start,
        startedAt: `${start}T08:00:00.000Z`,
        endedAt: null,
        words: [],
        ...focusRow,
      });
      const states: unknown[] = [];
      for (let way = 0; way < 4; way++) {
        at('2026-05-04T15:00:00Z');
        const athlete = await addAthlete(coach);
        const focus = await makeFocus(coach, athlete, 'knee-led-load', 3);
        at('2026-06-02T12:00:00Z');
        const own = withUuids(sample, focus);
        await deliver(coach, athlete, own, random, way === 0);
        states.push(await stored(athlete));
        if (way === 0) {
          const logged: LoggedFocus = {
            id: focus,
            startedOn: start,
            startedAt: `${start}T15:00:00.000Z`,
            endedAt: null,
            words: [],
            ...focusRow,
          };
          const everything = arrived(
            own.map((what) => ({ what, received: what.device })),
            logged,
          );
          const asCoach = {
            ...everything,
            sessions: everything.sessions.map((s) => ({ ...s, ended: true })),
            reps: everything.reps.map((r) => ({ ...r, author: 'coach', alone: false })),
            marks: everything.marks.map((m) => ({ ...m, author: 'coach', alone: false })),
            readings: everything.readings.map((r) => ({ ...r, author: 'coach', alone: false })),
          };
          const { days, foci } = stateOf(asCoach, { athlete: ATHLETE, leagueDailyLimit: null }, GATE_DEFAULTS);
          expect((states[0] as { days: { on_date: string; throws: number }[] }).days.map((d) => [d.on_date, d.throws])).toEqual(
            [...days].filter(([, d]) => d.throws > 0).map(([date, d]) => [date, d.throws]),
          );
          expect((states[0] as { focus: unknown[] }).focus[0]).toBe(foci.get(focus)!.rung);
          expect((states[0] as { verdicts: { verdict: string }[] }).verdicts.map((v) => v.verdict)).toEqual(
            foci.get(focus)!.moves.map((m) => m.gate.verdict),
          );
        }
        await coach.post(`/athletes/${athlete}/archive`, { archived: true }).expect(200);
      }
      for (const state of states) expect(state).toEqual(states[0]);
    }
  });
});

describe('a session as it is run', () => {
  it('tap by tap comes to the same as all at once and out of order, past the day’s budget and the hard throws', async () => {
    const taps = Array.from({ length: 130 }, (_, n) =>
      n % 9 === 0
        ? rep({ at: stamp(Math.floor(n / 60), n % 60) })
        : pitch({ at: stamp(Math.floor(n / 60), n % 60), effort: n % 2 ? 95 : 80 }),
    );
    const rowsOf = async (athlete: string) =>
      (
        (await harness
          .db('reps')
          .where('athlete_id', athlete)
          .orderBy('at')
          .select('at', 'drill', 'effort', 'is_throw', 'gone', 'refused')) as object[]
      ).map((row) => JSON.stringify(row));
    const [live, late] = [await addAthlete(coach), await addAthlete(coach)];
    const session = await startSession(coach, live);
    for (let n = 0; n < taps.length; n += 13) await log(coach, live, session, taps.slice(n, n + 13));
    const other = await startSession(coach, late);
    await log(
      coach,
      late,
      other,
      shuffledBy(
        randomFrom(5),
        taps.map((tap) => ({ ...tap, id: uuid() })),
      ),
    );
    expect(await rowsOf(late)).toEqual(await rowsOf(live));
    const days = await harness.db('load_days').whereIn('athlete_id', [live, late]).select('throws', 'high_effort');
    expect(days[0]).toEqual(days[1]);
  });
});

describe('at the same instant', () => {
  it('four sessions on four phones hold the one budget of the day', async () => {
    const athlete = await addAthlete(coach);
    const sessions = await Promise.all([1, 2, 3, 4].map(() => startSession(coach, athlete)));
    const answers = await Promise.all(
      sessions.map((session, s) =>
        log(
          coach,
          athlete,
          session,
          Array.from({ length: 40 }, (_, n) => pitch({ at: stamp(5 * s + 1, n) })),
        ),
      ),
    );
    const allowed = await harness.db('reps').where({ athlete_id: athlete, refused: null }).count({ n: '*' }).first();
    expect(allowed).toEqual({ n: 110 });
    expect(answers).toHaveLength(4);
    expect((await coach.get(`/athletes/${athlete}`).expect(200)).body.workload.week.throws).toBe(160);
  });

  it('pain on one phone and throws on another: none of the day’s throws counts', async () => {
    const athlete = await addAthlete(coach);
    const [a, b] = [await startSession(coach, athlete), await startSession(coach, athlete)];
    const hurt = { type: 'pain', id: uuid(), at: stamp(10), moment: 'during', pain: { site: 'elbow', score: 2 } };
    await Promise.all([
      log(coach, athlete, a, [hurt]),
      log(
        coach,
        athlete,
        b,
        Array.from({ length: 20 }, (_, n) => pitch({ at: stamp(9, n) })),
      ),
    ]);
    expect(await harness.db('reps').where({ athlete_id: athlete, refused: null })).toEqual([]);
  });
});
