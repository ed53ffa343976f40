import type { AthleteOverview, LogEntry } from '@wrightonic/contract';
import type { Operation, Work } from '../../state/operations';
import { runState, tallyOf } from './use-run';

const overview = { workload: { today: { throwsLeft: 60, locked: null } } } as unknown as AthleteOverview;
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
        isThrow: true,
        ...more,
      },
    },
    status,
  );

describe('what a run shows', () => {
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
          isThrow: true,
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
      [start(), rep('r1', {}, 'waiting'), rep('r2', {}, 'waiting'), rep('r3', { isThrow: false }, 'waiting'), rep('r4')],
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
    const knee = op({
      kind: 'log',
      entry: { type: 'pain', id: 'k', at: '2026-05-04T10:02:00Z', moment: 'during', pain: { site: 'knee', score: 4 } },
    });
    expect(runState([start(), knee], 's1', overview, null).dryOnly).toBeNull();
  });

  it('knows what the server refused, and the end', () => {
    const state = runState([start(), rep('r1', {}, 'refused'), op({ kind: 'finish' }, 'waiting')], 's1', overview, null);
    expect([state.refused.length, state.finished, state.sent]).toEqual([1, true, false]);
  });
});
