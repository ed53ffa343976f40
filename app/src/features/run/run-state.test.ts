import type { AthleteWork, LogEntry } from '@wrightonic/contract';
import type { Operation, Work } from '../../data/operations';
import { leftOpen, openSession, runState, tallyOf } from './run-state';

const room = { throwsLeft: 60, highEffortLeft: 20, highestEffort: 100, locked: null, lockComesBack: null };
const overview = { age: 16, lastThrow: null, workload: { today: room } } as unknown as AthleteWork;
let seq = 0;
const op = (work: Work, status: Operation['status'] = 'sent', session = 's1'): Operation => ({
  seq: ++seq,
  user: 'u',
  athlete: 'a',
  session,
  work,
  status,
  reason: null,
});
const start = (painBefore: never[] = []) => op({ kind: 'start', session: { on: '2026-05-04', assignment: null, painBefore } });
const rep = (id: string, more: Partial<Extract<LogEntry, { type: 'rep' }>> = {}, status: Operation['status'] = 'sent') =>
  op(
    {
      kind: 'log',
      entry: {
        type: 'rep',
        id,
        at: '2026-05-04T10:00:00Z',
        drill: 'knee-gate',
        rung: 3,
        focus: null,
        judged: 'good',
        effort: 60,
        ...more,
      },
    },
    status,
  );

describe('what a run shows', () => {
  it('has where throws went, without those taken back, and without those of throws taken back', () => {
    const spot = (id: string, of: string | null) =>
      op({
        kind: 'log',
        entry: {
          type: 'spot',
          id,
          at: '2026-05-04T10:00:10Z',
          target: { x: 0, y: 60 },
          actual: { x: 5, y: 70 },
          zone: [49, 97],
          effort: 90,
          rep: of,
        },
      });
    const undo = (of: string) => op({ kind: 'log', entry: { type: 'undo', id: `u-${of}`, at: '2026-05-04T10:01:00Z', rep: of } });
    const operations = [start(), rep('r1'), rep('r2'), spot('s1', 'r1'), spot('s2', 'r2'), spot('s3', null), spot('s4', null)];
    expect(runState([...operations, undo('r2'), undo('s4')], 's1', overview, null).spots.map((s) => s.id)).toEqual(['s1', 's3']);
  });

  it('counts taps of this session without those undone', () => {
    const undo = op({ kind: 'log', entry: { type: 'undo', id: 'x', at: '2026-05-04T10:01:00Z', rep: 'r2' } });
    const other = op(
      {
        kind: 'log',
        entry: {
          type: 'rep',
          id: 'o',
          at: '2026-05-04T10:00:00Z',
          drill: 'knee-gate',
          rung: 3,
          focus: null,
          judged: 'good',
          effort: 60,
        },
      },
      'sent',
      'other',
    );
    const { reps } = runState([start(), rep('r1'), rep('r2', { judged: 'off' }), undo, other], 's1', overview, null);
    expect(tallyOf(reps, 'knee-gate')).toEqual({ good: 1, close: 0, off: 0, reps: 1 });
  });

  it('takes throws that still wait off what the server said is left', () => {
    const state = runState(
      [
        start(),
        rep('r1', {}, 'waiting'),
        rep('r2', {}, 'waiting'),
        rep('r3', { drill: 'crossover-tap', rung: 2 }, 'waiting'),
        rep('r4'),
      ],
      's1',
      overview,
      null,
    );
    expect(state.throwsLeft).toBe(58);
    expect(state.sent).toBe(false);
  });

  it('ends throwing at once when elbow or shoulder hurts, connection or not', () => {
    const pain = op(
      {
        kind: 'log',
        entry: { type: 'pain', id: 'p', at: '2026-05-04T10:02:00Z', moment: 'during', pain: { site: 'shoulder', score: 1 } },
      },
      'waiting',
    );
    const state = runState([start(), pain], 's1', overview, null);
    expect(state.dryOnly).toContain('shoulder pain of 1');
    expect(state.throwsLeft).toBe(0);
    expect(state.legsClosed).toBeNull();
  });

  it('stops legs and throws when the knee hurts from three on, and both for a sign', () => {
    const hurt = (pain: { site: 'knee' | 'hand'; score: number; signs?: 'swelling'[] }) =>
      runState(
        [start(), op({ kind: 'log', entry: { type: 'pain', id: 'k', at: '2026-05-04T10:02:00Z', moment: 'during', pain } })],
        's1',
        overview,
        null,
      );
    expect(hurt({ site: 'knee', score: 4 })).toMatchObject({
      dryOnly: expect.stringContaining('knee pain of 4'),
      legsClosed: expect.stringContaining('leg work'),
      throwsLeft: 0,
    });
    expect(hurt({ site: 'knee', score: 2 })).toMatchObject({ dryOnly: null, legsClosed: null, throwsLeft: 60 });
    expect(hurt({ site: 'hand', score: 0, signs: ['swelling'] })).toMatchObject({ throwsLeft: 0, legsClosed: null });
  });

  it('closes hard effort once the hard throws are used up, and keeps a clearance’s ceiling', () => {
    const few = { ...overview, workload: { today: { ...room, highEffortLeft: 2 } } } as unknown as AthleteWork;
    const hard = (id: string) => rep(id, { effort: 95 }, 'waiting');
    expect(runState([start(), hard('a')], 's1', few, null)).toMatchObject({ hardLeft: 1, highestEffort: 100 });
    expect(runState([start(), hard('a'), hard('b')], 's1', few, null)).toMatchObject({ hardLeft: 0, highestEffort: 85 });
    const cleared = { ...overview, workload: { today: { ...room, highestEffort: 70 } } } as unknown as AthleteWork;
    expect(runState([start()], 's1', cleared, null).highestEffort).toBe(70);
  });

  it('knows what the server refused, and the end', () => {
    const state = runState([start(), rep('r1', {}, 'refused'), op({ kind: 'finish' }, 'waiting')], 's1', overview, null);
    expect([state.refused.length, state.finished, state.sent]).toEqual([1, true, false]);
  });
});

describe('a clearance on the device', () => {
  it('has run out on its day, with or without a connection', () => {
    const until = (lockComesBack: string) =>
      ({ ...overview, workload: { today: { ...room, lockComesBack } } }) as unknown as AthleteWork;
    expect(runState([start()], 's1', until('2026-05-05'), null)).toMatchObject({ dryOnly: null, throwsLeft: 60 });
    expect(runState([start()], 's1', until('2026-05-04'), null)).toMatchObject({
      dryOnly: expect.stringContaining('run out'),
      throwsLeft: 0,
    });
  });
});

describe('the phone’s day', () => {
  const startOn = (on: string, session: string) =>
    op({ kind: 'start', session: { on, assignment: null, painBefore: [] } }, 'sent', session);

  it('yesterday’s open session is not today’s, and is to be ended', () => {
    const list = [startOn('2026-05-03', 'old'), startOn('2026-05-03', 'ended'), op({ kind: 'finish' }, 'sent', 'ended')];
    expect(openSession(list, 'a', 'u', '2026-05-04')).toBeNull();
    expect(leftOpen(list, 'a', 'u', '2026-05-04')).toEqual(['old']);
    expect(openSession(list, 'a', 'u', '2026-05-03')).toBe('ended');
    expect(leftOpen(list, 'a', 'u', '2026-05-03')).toEqual([]);
  });

  it('is the user’s own: another’s sessions on the same phone are none of it', () => {
    const list = [startOn('2026-05-04', 's')];
    expect([openSession(list, 'a', 'u', '2026-05-04'), openSession(list, 'a', 'other', '2026-05-04')]).toEqual(['s', null]);
    expect(openSession(list, 'b', 'u', '2026-05-04')).toBeNull();
  });

  it('takes of the day what was said before the start, by the newest word', () => {
    const said = (readiness: { soreness: number; sleepH: number | null; warm: boolean }) =>
      op({ kind: 'start', session: { on: '2026-05-04', assignment: null, painBefore: [], readiness } });
    const cold = said({ soreness: 5, sleepH: 8, warm: false });
    const run = runState([cold], 's1', overview, null);
    expect([run.dose.share, run.highestEffort]).toEqual([0.75, 60]);
    const warm = said({ soreness: 5, sleepH: 8, warm: true });
    expect(runState([cold, warm], 's1', overview, null).highestEffort).toBe(80);
    const away = { ...overview, lastThrow: '2026-04-19' } as AthleteWork;
    expect(runState([], null, away, null).dose.share).toBe(1);
    expect(runState([start()], 's1', away, null).dose).toMatchObject({ share: 0.5, highestEffort: 70 });
    expect(runState([start()], 's1', overview, null)).toMatchObject({ readiness: null, highestEffort: 100, hurt: false });
  });

  it('knows a cheat that was taken back as none, and keeps notes', () => {
    const cheat = (id: string, what: string) =>
      op({ kind: 'log', entry: { type: 'cheat', id, at: '2026-05-04T10:01:00Z', rep: 'r1', cheat: what } });
    const note = op({ kind: 'log', entry: { type: 'note', id: 'n', at: '2026-05-04T10:02:00Z', text: 'Better with the cone' } });
    const { cheats, notes } = runState(
      [start(), rep('r1'), cheat('c1', 'swing-around'), cheat('c2', 'none'), note],
      's1',
      overview,
      null,
    );
    expect([cheats.size, notes]).toEqual([0, ['Better with the cone']]);
  });
});
