import { openAccount } from './account';
import { loadCalendar } from './calendar';
import type { CalendarDay } from './calendar';
import type { Clearance } from './clearance';
import type { LoadRow } from './days';

/** A Wednesday. */
const ON = '2026-06-17';
const calendar = (log: readonly LoadRow[], games: readonly string[] = [], clearances: readonly Clearance[] = []) =>
  loadCalendar(
    openAccount({
      athlete: { discipline: 'overhand', birthDate: '2011-02-01' },
      leagueDailyLimit: null,
      log,
      clearances,
    }),
    ON,
    2,
    games,
  );
const dayOf = (weeks: ReturnType<typeof calendar>, date: string): CalendarDay =>
  weeks.flatMap((w) => w.days).find((d) => d.date === date)!;

it('goes by whole weeks from Monday, to the end of the next one', () => {
  const weeks = calendar([]);
  expect(weeks.map((w) => w.from)).toEqual(['2026-06-01', '2026-06-08', '2026-06-15', '2026-06-22']);
  expect(weeks.flatMap((w) => w.days)).toHaveLength(28);
  expect(weeks[2]!.days[2]!.date).toBe(ON);
});

it('adds what one day held, and the week', () => {
  const weeks = calendar([
    { date: '2026-06-09', throws: 40, highEffort: 0 },
    { date: '2026-06-09', throws: 20, highEffort: 12 },
    { date: '2026-06-11', throws: 30, highEffort: 0, pain: [{ site: 'elbow', score: 2 }] },
  ]);
  expect(dayOf(weeks, '2026-06-09')).toMatchObject({ throws: 60, hard: true, pitches: 0, pain: 0 });
  expect(dayOf(weeks, '2026-06-11')).toMatchObject({ throws: 30, hard: false, pain: 2 });
  expect(weeks.map((w) => w.throws)).toEqual([0, 90, 0, 0]);
});

it('shows the rest that pitches ask for, after that day and not before', () => {
  // 55 pitches at fifteen: two days of rest by the table (46 to 60).
  const weeks = calendar([{ date: '2026-06-16', throws: 55, pitches: 55, highEffort: 0 }]);
  expect(weeks[2]!.days.map((d) => d.rest)).toEqual([false, false, true, true, false, false, false]);
});

it('shows a lock from the day of the report until it is cleared', () => {
  const hurt: LoadRow = {
    date: '2026-06-10',
    throws: 0,
    highEffort: 0,
    pain: [{ site: 'elbow', score: 6, at: '2026-06-10T16:00:00.000Z' }],
  };
  const locked = (clearances: readonly Clearance[]) =>
    calendar([hurt], [], clearances)
      .flatMap((w) => w.days)
      .filter((d) => d.locked)
      .map((d) => d.date);
  expect(locked([])[0]).toBe('2026-06-10');
  expect(locked([])).toContain('2026-06-28');
  const cleared = locked([{ date: '2026-06-15', by: 'Dr. Imelda Fennigard', at: '2026-06-15T09:00:00.000Z' }]);
  expect(cleared).toContain('2026-06-14');
  expect(cleared).not.toContain('2026-06-16');
});

it('has games that are still to come, and none that should have been', () => {
  const weeks = calendar([], ['2026-06-20', '2026-06-10', ON]);
  expect(
    weeks
      .flatMap((w) => w.days)
      .filter((d) => d.game)
      .map((d) => d.date),
  ).toEqual(['2026-06-20']);
});
