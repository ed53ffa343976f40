import { addDays } from '../shared/dates';
import { lockAt, lockComesBack } from './locks';
import type { PainDay } from './locks';
import type { Clearance } from './clearance';
import type { PainReport } from './pain';

const on = '2026-06-15';
const ago = (days: number) => addDays(on, -days);
const day = (date: string, ...pain: PainReport[]): PainDay => ({ date, pain });
const elbow = (score: number, more: Partial<PainReport> = {}): PainReport => ({ site: 'elbow', score, ...more });
const clear = (date: string, more: Partial<Clearance> = {}): Clearance => ({ date, by: 'A. Clinician', ...more });
const until = (days: PainDay[], clearances: Clearance[] = [], moment: { date: string; at?: string } = { date: on }) =>
  lockAt(days, clearances, moment)?.until ?? null;

describe('locks are instants', () => {
  const sore = day(on, elbow(4, { at: '14:00' }));

  it('stand from the report on, and not before it', () => {
    expect(until([sore], [], { date: on, at: '13:59' })).toBeNull();
    expect(until([sore], [], { date: on, at: '14:00' })).toBe('clearance');
  });

  it.each([
    ['given before the report of that day', '13:00', 'clearance'],
    ['given at the very minute of the report', '14:00', 'clearance'],
    // The lock is open; that nothing more is thrown on the day itself stands.
    ['given after the report of that day', '15:00', addDays(on, 1)],
    ['of that day, nobody knows when', undefined, 'clearance'],
  ])('a clearance %s', (_, at, expected) => {
    expect(until([sore], [clear(on, at === undefined ? {} : { at })])).toBe(expected);
  });

  it('a report without a time counts as made after the clearance of its day', () => {
    expect(until([day(ago(5), elbow(4)), day(on, elbow(3))], [clear(on, { at: '23:59' })])).toBe('clearance');
  });

  it('opens from the instant of the clearance, not before', () => {
    const days = [day(ago(2), elbow(5))];
    const given = [clear(on, { at: '10:00' })];
    expect(until(days, given, { date: on, at: '09:59' })).toBe('clearance');
    expect(until(days, given, { date: on, at: '10:00' })).toBeNull();
    expect(until(days, given, { date: ago(1) })).toBe('clearance');
  });

  it('what is reported after a clearance locks again, whatever the order of the lists', () => {
    const days = [
      day(ago(9), elbow(4)),
      day(ago(3), elbow(3, { at: '09:00' }), { site: 'hand', score: 0, signs: ['numbness'], at: '20:00' }),
    ];
    const given = [clear(ago(3), { at: '12:00' }), clear(ago(8))];
    expect(until(days, given)).toBe('clearance');
    expect(until([days[0]!, { ...days[1]!, pain: [...days[1]!.pain].reverse() }], [...given].reverse())).toBe('clearance');
    expect(until(days, [...given, clear(ago(2))])).toBeNull();
  });

  it('stays shut where the clearance is of the report’s own minute, and says that the report is the later', () => {
    const days = [day(ago(2), elbow(5, { at: '10:00' }))];
    expect(lockAt(days, [clear(ago(2), { at: '10:00' })], { date: on })).toMatchObject({
      until: 'clearance',
      reason: expect.stringContaining('later than the last clearance'),
    });
    expect(until(days, [clear(ago(2), { at: '10:01' })])).toBeNull();
    expect(lockAt(days, [], { date: on })?.reason).not.toContain('last clearance');
  });

  it('is back on the day after a clearance has run out, and says that it has', () => {
    const days = [day(ago(20), elbow(6))];
    const given = [clear(ago(18), { until: on })];
    expect(until(days, given)).toBeNull();
    expect(lockAt(days, given, { date: addDays(on, 1) })).toMatchObject({
      until: 'clearance',
      reason: expect.stringContaining('run out'),
    });
    expect(lockComesBack(days, given, on)).toBe(addDays(on, 1));
    // A second one that is still standing keeps it open.
    expect(lockComesBack(days, [...given, clear(ago(1), { until: addDays(on, 30) })], on)).toBe(addDays(on, 31));
    expect(lockComesBack(days, [...given, clear(ago(1))], on)).toBeNull();
  });
});

describe('the words of a lock', () => {
  it('name a sign without a score as what it is, and days as a person says them', () => {
    const swollen = day(on, { site: 'wrist', score: 0, signs: ['swelling'], at: '09:00' });
    const reason = (given: Clearance[]) => lockAt([swollen], given, { date: on })?.reason;
    expect(reason([])).toMatch(/swelling was reported with the wrist on \d{1,2} [A-Z][a-z]{2} \d{4}\./);
    expect(reason([clear(on, { at: '10:00' })])).toBe('No more throwing today: swelling with the wrist was reported.');
  });
});

describe('pain elsewhere', () => {
  const knee = (score: number): PainReport => ({ site: 'knee', score });

  it('of three and more stops leg work and throws of its day', () => {
    expect(lockAt([day(on, knee(2))], [], { date: on })).toBeNull();
    expect(lockAt([day(on, knee(3))], [], { date: on })).toMatchObject({ until: addDays(on, 1), legs: true });
    expect(lockAt([day(ago(1), knee(3))], [], { date: on })).toBeNull();
    // Of the arm, but no throwing joint: the day's throws, not the legs.
    expect(lockAt([day(on, { site: 'wrist', score: 3 })], [], { date: on })).toMatchObject({ legs: false });
  });

  it('two sessions running locks until it is cleared; a session without it in between breaks the run', () => {
    const two = [day(ago(4), knee(3)), day(ago(2), { site: 'back', score: 4 })];
    expect(lockAt(two, [], { date: on })).toMatchObject({ until: 'clearance', legs: true });
    expect(lockAt(two, [clear(ago(1))], { date: on })).toBeNull();
    expect(lockAt([two[0]!, day(ago(3)), two[1]!], [], { date: on })).toBeNull();
  });
});
