import { GATE_DEFAULTS } from '../plan/gate-settings';
import type { ClimbLog } from './climb';
import { climbOf, gateNow } from './climb';
import type { LoggedFocus, LoggedPain, LoggedRep, LoggedSession } from './entries';

const focus: LoggedFocus = {
  id: 'focus',
  finding: 'stall',
  startedOn: '2026-05-01',
  startedAt: '2026-05-01T08:00:00.000Z',
  rung: 2,
  endedAt: null,
  words: [],
};
const day = (d: number) => `2026-05-${String(d).padStart(2, '0')}`;
const at = (d: number, time = '10:00:00') => `${day(d)}T${time}.000Z`;

interface SessionGiven {
  readonly day: number;
  readonly good?: number;
  readonly off?: number;
  readonly rung?: number;
  readonly pain?: number;
  readonly open?: boolean;
  readonly more?: Partial<LoggedRep>;
}

function logOf(...given: SessionGiven[]): ClimbLog {
  const sessions: LoggedSession[] = [];
  const reps: LoggedRep[] = [];
  const pains: LoggedPain[] = [];
  given.forEach(({ day: d, good = 0, off = 0, rung = 2, pain, open, more }, s) => {
    const session = `session-${s}`;
    sessions.push({ id: session, date: day(d), startedAt: at(d, '09:00:00'), ended: !open });
    for (let i = 0; i < good + off; i++)
      reps.push({
        id: `${session}-${i}`,
        session,
        date: day(d),
        at: at(d, `${10 + 2 * s}:${String(Math.floor(i / 60)).padStart(2, '0')}:${String(i % 60).padStart(2, '0')}`),
        author: 'coach',
        alone: false,
        drill: 'strap-lower',
        rung: rung as LoggedRep['rung'],
        focus: 'focus',
        judged: i < good ? 'good' : 'off',
        effort: 0,
        receivedOn: day(d),
        ...more,
      });
    if (pain)
      pains.push({ id: `${session}-pain`, session, date: day(d), at: at(d, `${11 + 2 * s}:00:00`), site: 'elbow', score: pain });
  });
  return {
    sessions,
    reps: reps.map((rep) => ({
      rep,
      judged: { id: rep.id, isThrow: false, effort: 0, gone: false, undone: false, refused: null, cheat: null },
    })),
    pains,
  };
}
const climb = (log: ClimbLog, more: Partial<LoggedFocus> = {}) => climbOf({ ...focus, ...more }, log, GATE_DEFAULTS);
const verdicts = (log: ClimbLog, more: Partial<LoggedFocus> = {}) => climb(log, more).moves.map((m) => m.gate.verdict);

describe('the climb', () => {
  it('goes up after two good days, and counts anew from there', () => {
    const log = logOf({ day: 4, good: 10 }, { day: 6, good: 10 }, { day: 8, good: 10 });
    // The third session's reps are of the old rung: it says nothing of the new one.
    expect(climb(log)).toMatchObject({ rung: 3, moves: [{ gate: { verdict: 'hold' } }, { gate: { verdict: 'advance' } }] });
    expect(climb(log).moves).toHaveLength(2);
  });

  it('gives a verdict at the end of a session and none while it is open', () => {
    expect(verdicts(logOf({ day: 4, good: 10 }, { day: 6, good: 10, open: true }))).toEqual(['hold']);
  });

  it('goes down once for one report of pain, however many sessions that day has', () => {
    const log = logOf({ day: 4, good: 6, pain: 2 }, { day: 4, good: 3, rung: 1 }, { day: 5, good: 3, rung: 1 });
    expect(verdicts(log)).toEqual(['regress', 'hold', 'hold']);
    expect(climb(log).rung).toBe(1);
  });

  it('goes down for a session that only hurt, in which nothing was done', () => {
    expect(climb(logOf({ day: 4, good: 10 }, { day: 6, pain: 3 }))).toMatchObject({ rung: 1 });
  });

  it('is not hidden from by an empty day after it', () => {
    expect(verdicts(logOf({ day: 4, good: 12, pain: 4 }, { day: 6 }))).toEqual(['regress']);
  });

  it('leaves a focus alone that began after the pain', () => {
    const log = logOf({ day: 1, pain: 3 });
    expect(climb(log, { startedAt: at(1, '15:00:00') })).toMatchObject({ rung: 2, moves: [] });
  });

  it('keeps to the coach’s word, also when older sessions come to another verdict later', () => {
    const two = [
      { day: 4, good: 10 },
      { day: 6, good: 10 },
    ] as const;
    const words = [{ at: at(6, '15:00:00'), date: day(6), rung: 2 as const }];
    expect(climb(logOf(...two), { words })).toMatchObject({ rung: 2, since: { date: day(6) } });
    // Bad reps of the fourth that come in late take the advance away; the coach's rung stays.
    expect(climb(logOf({ day: 4, good: 10, off: 20 }, two[1]), { words }).rung).toBe(2);
    // What was done after the word counts from there, and only that.
    expect(verdicts(logOf(...two, { day: 8, good: 10 }, { day: 10, good: 10 }), { words })).toEqual([
      'hold',
      'advance',
      'hold',
      'advance',
    ]);
  });

  it('counts nothing of days before the focus, and nothing of another rung', () => {
    expect(
      verdicts(logOf({ day: 4, good: 10 }, { day: 6, good: 10 }), { startedOn: day(6), startedAt: at(6, '09:00:00') }),
    ).toEqual(['hold']);
    expect(verdicts(logOf({ day: 4, good: 10, rung: 5 }))).toEqual([]);
  });

  it('lets reps logged alone count half, and asks for a coach’s eye from rung four', () => {
    const alone = { alone: true, author: 'child' };
    const short = [4, 6].map((d) => ({ day: d, good: 9, more: alone }));
    expect(verdicts(logOf(...short))).toEqual(['hold', 'hold']);
    const long = [4, 6].map((d) => ({ day: d, good: 20, more: alone }));
    expect(verdicts(logOf(...long))).toEqual(['hold', 'advance']);
    const high = long.map((s) => ({ ...s, rung: 4 }));
    expect(climb(logOf(...high), { rung: 4 }).moves.map((m) => [m.gate.verdict, m.gate.reason])).toEqual([
      ['hold', expect.any(String)],
      ['hold', expect.stringContaining('seen by a coach')],
    ]);
    expect(verdicts(logOf(high[0]!, { day: 6, good: 20, rung: 4 }), { rung: 4 })).toEqual(['hold', 'advance']);
  });

  it('says what the gate would say now, of an open session too', () => {
    expect(gateNow(focus, logOf({ day: 4, good: 10 }, { day: 6, good: 10, open: true }), GATE_DEFAULTS).verdict).toBe('advance');
  });
});
