import { openAccount } from '../load/account';
import type { LoadRow } from '../load/days';
import type { Clearance } from '../load/clearance';
import { THROWER } from '../testing/athletes';
import { judgeDay } from './day';
import { marksBy } from './marks';
import type { LoggedMark, LoggedReading, LoggedRep } from './entries';

const date = '2026-05-04';
const at = (minute: number, second = 0) =>
  `${date}T10:${String(minute).padStart(2, '0')}:${String(second).padStart(2, '0')}.000Z`;
/** Four usual weeks, so that the first-week rule is out of the way. */
const usual = ['2026-03-23', '2026-03-30', '2026-04-06', '2026-04-13', '2026-04-20', '2026-04-27'].map((d): LoadRow => ({
  date: d,
  throws: 200,
  highEffort: 0,
}));

let n = 0;
const rep = (more: Partial<LoggedRep> = {}): LoggedRep => ({
  id: `rep-${String(n++).padStart(4, '0')}`,
  session: 's',
  date,
  at: at(0, n % 60),
  author: 'coach',
  alone: false,
  drill: 'measured-bullpen',
  rung: 6,
  focus: null,
  judged: 'good',
  effort: 75,
  receivedOn: date,
  ...more,
});
const reading = (more: Partial<LoggedReading> = {}): LoggedReading => ({
  id: `reading-${n++}`,
  session: 's',
  date,
  at: at(0),
  author: 'coach',
  alone: false,
  effort: 100,
  gun: 'gun 1',
  rep: null,
  ...more,
});
const undo = (rep: string, instant: string, more: Partial<LoggedMark> = {}): LoggedMark =>
  ({ id: `undo-${n++}`, at: instant, author: 'coach', alone: false, rep, kind: 'undo', ...more }) as LoggedMark;

interface Given {
  readonly reps?: LoggedRep[];
  readonly readings?: LoggedReading[];
  readonly marks?: LoggedMark[];
  readonly log?: LoadRow[];
  readonly clearances?: Clearance[];
  readonly removed?: string[];
  readonly sessionDate?: string;
}
const judge = ({ reps = [], readings = [], marks = [], log = [], clearances = [], removed = [], sessionDate = date }: Given) =>
  judgeDay(
    { date, reps, readings, marks: marksBy(marks), removed: new Set(removed), sessionDate: () => sessionDate },
    openAccount({ athlete: THROWER, leagueDailyLimit: null, log: [...usual, ...log], clearances }),
  );
const refused = (day: ReturnType<typeof judge>) => [...day.reps.values()].map((r) => r.refused !== null);

describe('what a rep is', () => {
  it('is known from the drill, whatever the sender says of effort', () => {
    const [easy, nearly, dry] = [rep({ effort: 40 }), rep({ effort: 89.9 }), rep({ drill: 'crossover-tap', effort: 95 })];
    const day = judge({ reps: [easy, nearly, dry] });
    expect(day.reps.get(easy.id)).toMatchObject({ isThrow: true, effort: expect.any(Number) });
    expect(day.reps.get(easy.id)!.effort).toBeGreaterThanOrEqual(50);
    expect(day.reps.get(nearly.id)).toMatchObject({ effort: 90 });
    expect(day.reps.get(dry.id)).toMatchObject({ isThrow: false, effort: 0 });
    expect([day.throws, day.highEffort]).toEqual([2, 1]);
  });

  it('is as hard as its reading says', () => {
    const throwing = rep({ at: at(1), effort: 60 });
    const day = judge({ reps: [throwing], readings: [reading({ at: at(1, 5), rep: throwing.id })] });
    expect([day.reps.get(throwing.id)!.effort, day.throws, day.highEffort]).toEqual([100, 1, 1]);
  });

  it('a speed without its throw is a throw, as load only, and said', () => {
    const measured = reading();
    const day = judge({ readings: [measured] });
    expect([day.throws, day.highEffort]).toEqual([1, 1]);
    expect(day.readings.get(measured.id)!.refused).toContain('No throw was logged');
    // Fifty readings that all name one throw are forty-nine throws more.
    const named = rep({ at: at(1) });
    expect(judge({ reps: [named], readings: Array.from({ length: 50 }, () => reading({ rep: named.id })) }).throws).toBe(50);
    // Two guns at one throw are one throw.
    expect(
      judge({ reps: [named], readings: [reading({ rep: named.id }), reading({ rep: named.id, gun: 'gun 2' })] }).throws,
    ).toBe(1);
  });

  it('a speed finds the nearest throw within three minutes, each throw once', () => {
    const reps = [rep({ at: at(1) }), rep({ at: at(2) })];
    expect(judge({ reps, readings: [reading({ at: at(1, 10) }), reading({ at: at(2, 10) })] }).throws).toBe(2);
    expect(
      judge({ reps, readings: [reading({ at: at(1, 10) }), reading({ at: at(1, 20) }), reading({ at: at(1, 30) })] }).throws,
    ).toBe(3);
    expect(judge({ reps, readings: [reading({ at: at(30) })] }).throws).toBe(3);
  });
});

describe('budgets', () => {
  const many = (count: number, more: Partial<LoggedRep> = {}) =>
    Array.from({ length: count }, (_, i) => rep({ at: at(Math.floor(i / 60), i % 60), ...more }));

  it('hold in the order of instants, over all sessions of the day', () => {
    const day = judge({ reps: [...many(80, { session: 'a' }), ...many(40, { session: 'b', at: at(40) })] });
    expect(refused(day).filter(Boolean)).toHaveLength(10);
    expect([...day.reps.values()].slice(-10).every((r) => r.refused?.includes('110 throws are used up'))).toBe(true);
    expect(day.throws).toBe(120);
  });

  it('count what was thrown elsewhere, and leave no hard throw after a game', () => {
    const day = judge({ reps: many(100, { effort: 95 }), log: [{ date, pitches: 20, throws: 20, highEffort: 0 }] });
    expect(refused(day).every(Boolean)).toBe(true);
    expect(judge({ reps: many(100), log: [{ date, throws: 20, highEffort: 0 }] }).reps.size - 90).toBe(10);
  });

  it('do not let a hard day follow a hard day', () => {
    const day = judge({ reps: many(12, { effort: 95 }), log: [{ date: '2026-05-03', throws: 20, highEffort: 10 }] });
    expect(refused(day)).toEqual([...Array<boolean>(9).fill(false), true, true, true]);
  });

  it('are not refilled by taking throws back later', () => {
    const reps = many(110);
    const marks = reps.map((r) => undo(r.id, at(30)));
    const more = many(5, { at: at(40) });
    const day = judge({ reps: [...reps, ...more], marks });
    expect(more.map((r) => day.reps.get(r.id)!.refused !== null)).toEqual([true, true, true, true, true]);
    expect(day.throws).toBe(115);
    expect([...day.reps.values()].filter((r) => r.undone)).toHaveLength(110);
  });
});

describe('taking back', () => {
  it('within a minute takes the tap away, later the verdict only', () => {
    const [slip, late] = [rep({ at: at(1) }), rep({ at: at(1) })];
    const day = judge({ reps: [slip, late], marks: [undo(slip.id, at(2)), undo(late.id, at(2, 1))] });
    expect(day.reps.get(slip.id)).toMatchObject({ gone: true });
    expect(day.reps.get(late.id)).toMatchObject({ gone: false, undone: true });
    expect(day.throws).toBe(1);
  });

  it('forgets ten slips a day', () => {
    const reps = Array.from({ length: 30 }, () => rep({ at: at(1) }));
    expect(judge({ reps, marks: reps.map((r) => undo(r.id, at(1, 30))) }).throws).toBe(20);
  });

  it('is for whoever logged it; a coach may for all', () => {
    const own = rep({ author: 'coach' });
    const child = undo(own.id, own.at, { author: 'child', alone: true });
    expect(judge({ reps: [own], marks: [child] }).throws).toBe(1);
    expect(judge({ reps: [rep({ id: own.id, author: 'child', alone: true })], marks: [undo(own.id, own.at)] }).throws).toBe(0);
  });

  it('by a coach for good takes it out of the load', () => {
    const thrown = rep();
    expect(judge({ reps: [thrown], removed: [thrown.id] })).toMatchObject({ throws: 0 });
  });
});

describe('pain', () => {
  const pain = (minute: number, site: 'elbow' | 'knee' = 'elbow', score = 1): LoadRow => ({
    date,
    throws: 0,
    highEffort: 0,
    pain: [{ site, score, at: at(minute) }],
  });

  it('stops the day’s throws, whenever they are said to have been thrown, and keeps them as load', () => {
    const day = judge({
      reps: [rep({ at: at(1) }), rep({ at: at(9) }), rep({ drill: 'crossover-tap', at: at(9) })],
      log: [pain(5)],
    });
    expect(refused(day)).toEqual([true, true, false]);
    expect(day.throws).toBe(2);
  });

  it('at the knee stops the legs as well', () => {
    const day = judge({ reps: [rep({ drill: 'crossover-tap', at: at(9) }), rep({ at: at(9) })], log: [pain(5, 'knee', 3)] });
    expect(refused(day)).toEqual([true, true]);
  });

  it('that locks lets nothing through until the clearance’s instant, and then its numbers hold', () => {
    const log = [{ date: '2026-05-02', throws: 0, highEffort: 0, pain: [{ site: 'elbow' as const, score: 5 }] }];
    const clearances = [{ date, at: at(5), by: 'A. Clinician', mostThrows: 3, highestEffort: 80 }];
    const reps = [rep({ at: at(4) }), rep({ at: at(6) }), rep({ at: at(7), effort: 85 }), rep({ at: at(8) }), rep({ at: at(9) })];
    const day = judge({ reps, log, clearances });
    expect(reps.map((r) => day.reps.get(r.id)!.refused)).toEqual([
      expect.stringContaining('locked'),
      null,
      expect.stringContaining('80 % effort at most'),
      expect.stringContaining('3 throws a day'),
      expect.stringContaining('3 throws a day'),
    ]);
  });
});

describe('the day of an entry', () => {
  it('is its own: what is done in the session of another day is load and not counted', () => {
    const thrown = rep();
    const day = judge({ reps: [thrown], sessionDate: '2026-05-03' });
    expect(day.throws).toBe(1);
    expect(day.reps.get(thrown.id)!.refused).toContain('Start a new session');
  });

  it('logged alone more than two days late is load and not counted', () => {
    const late = (receivedOn: string, alone: boolean) => refused(judge({ reps: [rep({ receivedOn, alone })] }))[0];
    expect([late('2026-05-06', true), late('2026-05-07', true), late('2026-05-20', false)]).toEqual([false, true, false]);
  });
});
