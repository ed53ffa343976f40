import { planRequest as request } from '../testing/plan';
import { openLedger } from './ledger';

describe('the ledger', () => {
  it('owes rest after a game, keeps the day of the game free, and spaces hard days', () => {
    const ledger = openLedger({
      ...request,
      recentLoad: [{ date: '2026-04-20', throws: 90, highEffort: 0 }],
      games: [{ date: '2026-05-06', pitches: 50 }],
    });
    expect(ledger.allowance('2026-05-06').because).toContain('game');
    // 50 pitches: the day after is free of throws, the next holds easy catch of three tenths of 120.
    expect(ledger.allowance('2026-05-07')).toMatchObject({ throws: 0, because: expect.stringContaining('free of throws') });
    expect(ledger.allowance('2026-05-08')).toMatchObject({ highestEffort: 69, catchOnly: true });
    expect(ledger.allowance('2026-05-08').throws).toBeLessThanOrEqual(36);
    // The day before: nothing hard, no leg work.
    expect(ledger.allowance('2026-05-05')).toMatchObject({ highEffort: 0, highestEffort: 69, strainClosed: true });
  });

  it('closes hard throws for a health flag, and everything for a lock', () => {
    expect(openLedger({ ...request, flags: ['arm-drag'] }).allowance('2026-05-04').highEffort).toBe(0);
    const locked = openLedger({ ...request, pain: [{ date: '2026-05-02', site: 'shoulder', score: 4 }] });
    expect(locked.allowance('2026-06-01')).toMatchObject({ throws: 0, because: expect.stringContaining('locked') });
    const cleared = openLedger({
      ...request,
      pain: [{ date: '2026-05-02', site: 'shoulder', score: 4 }],
      clearances: [{ date: '2026-05-03', by: 'Dr. Made-Up' }],
    });
    expect(cleared.allowance('2026-05-04').throws).toBeGreaterThan(0);
  });

  it('takes what is booked off the week', () => {
    const weeks = ['2026-04-06', '2026-04-13', '2026-04-20', '2026-04-27'];
    const ledger = openLedger({ ...request, recentLoad: weeks.map((date) => ({ date, throws: 200, highEffort: 0 })) });
    // A day holds eight tenths of 120; seven days 1.3 times the usual 200.
    expect(ledger.allowance('2026-05-05').throws).toBe(96);
    ledger.book('2026-05-04', 96, 0);
    ledger.book('2026-05-06', 96, 0);
    expect(ledger.allowance('2026-05-08').throws).toBe(260 - 192);
  });

  it('starts somebody of whom nothing is known with half a daily budget a week, and then builds', () => {
    const ledger = openLedger(request);
    expect(ledger.allowance('2026-05-04')).toMatchObject({ throws: 48, highestEffort: 70, highEffort: 0 });
    ledger.book('2026-05-04', 40, 0);
    expect(ledger.allowance('2026-05-06').throws).toBe(20);
    ledger.book('2026-05-06', 20, 0);
    // A week later three quarters of a budget, at 80 %.
    expect(ledger.allowance('2026-05-12')).toMatchObject({ throws: 1.3 * 40, highestEffort: 80 });
  });

  it('reads the age on each day: a birthday within the plan changes its budget', () => {
    const usual = ['2026-04-06', '2026-04-13', '2026-04-20', '2026-04-27'].map((date) => ({ date, throws: 400, highEffort: 0 }));
    const turning = { ...request, recentLoad: usual, athlete: { ...request.athlete, birthDate: '2009-05-08' } };
    const ledger = openLedger(turning);
    expect([ledger.allowance('2026-05-07').throws, ledger.allowance('2026-05-08').throws]).toEqual([88, 96]);
  });

  it('keeps the league’s day, week and rest', () => {
    const usual = ['2026-04-06', '2026-04-13', '2026-04-20', '2026-04-27'].map((date) => ({ date, throws: 200, highEffort: 0 }));
    const ledger = openLedger({
      ...request,
      recentLoad: [...usual, { date: '2026-05-01', pitches: 25, throws: 25, highEffort: 0 }],
      league: { daily: 40, weekly: 90, rest: [{ from: 20, days: 3 }] },
    });
    // 25 pitches on Friday owe three days by the league: easy until Monday.
    expect(ledger.allowance('2026-05-04')).toMatchObject({ highestEffort: 69, because: expect.stringContaining('rest day') });
    expect(ledger.allowance('2026-05-05').throws).toBe(40);
    ledger.book('2026-05-05', 40, 0);
    expect(ledger.allowance('2026-05-07').throws).toBe(90 - 25 - 40);
  });

  it('keeps the windmill’s third day, for practice and for a game to come', () => {
    const young = { ...request, athlete: { ...request.athlete, discipline: 'windmill' as const, birthDate: '2015-02-01' } };
    const usual = ['2026-04-06', '2026-04-13', '2026-04-20', '2026-04-27'].map((date) => ({ date, throws: 200, highEffort: 0 }));
    const inARow = ['2026-05-02', '2026-05-03'].map((date) => ({ date, pitches: 30, throws: 30, highEffort: 0 }));
    expect(openLedger({ ...young, recentLoad: [...usual, ...inARow] }).allowance('2026-05-04').throws).toBe(0);
    // Heavy practice on both days before a game would make it a third day.
    const before = openLedger({ ...young, recentLoad: usual, games: [{ date: '2026-05-06', pitches: 40 }] });
    before.book('2026-05-04', 60, 0);
    expect(before.allowance('2026-05-05').throws).toBeLessThanOrEqual(31);
  });

  it('throws nothing past a clearance’s last day, and keeps its numbers before it', () => {
    const ledger = openLedger({
      ...request,
      recentLoad: ['2026-04-06', '2026-04-13', '2026-04-20'].map((date) => ({ date, throws: 200, highEffort: 0 })),
      pain: [{ date: '2026-05-02', site: 'shoulder', score: 4 }],
      clearances: [{ date: '2026-05-03', by: 'A. Clinician', until: '2026-05-10', mostThrows: 12, highestEffort: 60 }],
    });
    expect(ledger.allowance('2026-05-08')).toMatchObject({ throws: 6, highEffort: 0, highestEffort: 60, noSpeedTest: true });
    // The first throwing day at half, no two in a row, then the whole of what is allowed.
    ledger.book('2026-05-08', 6, 0);
    expect(ledger.allowance('2026-05-09').throws).toBe(0);
    expect(ledger.allowance('2026-05-10').throws).toBe(12);
    expect(ledger.allowance('2026-05-11')).toMatchObject({ throws: 0, because: expect.stringContaining('run out') });
  });
});
