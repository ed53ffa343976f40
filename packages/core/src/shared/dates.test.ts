import fc from 'fast-check';
import { addDays, ageOn, daysBetween, dayNumber, fromDayNumber, isDate, WEEKDAYS, weekdayOf } from './dates';

const anyDay = fc.integer({ min: -20_000, max: 40_000 }).map(fromDayNumber);

describe('days', () => {
  it('survive there and back', () => {
    fc.assert(fc.property(anyDay, (date) => fromDayNumber(dayNumber(date)) === date));
  });

  it('add up', () => {
    fc.assert(
      fc.property(anyDay, fc.integer({ min: -3000, max: 3000 }), (date, days) => daysBetween(date, addDays(date, days)) === days),
    );
  });

  it('have the weekday that the platform gives them', () => {
    fc.assert(fc.property(anyDay, (date) => WEEKDAYS[(new Date(`${date}T12:00:00Z`).getUTCDay() + 6) % 7] === weekdayOf(date)));
  });

  it.each(['2026-02-29', '2026-13-01', '2026-00-10', '2026-1-1', '20260101', 'yesterday', ''])('refuse %s', (text) => {
    expect(isDate(text)).toBe(false);
    expect(() => dayNumber(text)).toThrow(RangeError);
  });

  it('know leap days', () => {
    expect(isDate('2028-02-29')).toBe(true);
    expect(addDays('2028-02-28', 1)).toBe('2028-02-29');
    expect(addDays('2026-02-28', 1)).toBe('2026-03-01');
  });
});

describe('age', () => {
  it('turns on the birthday, not before', () => {
    expect(ageOn('2012-06-15', '2026-06-14')).toBe(13);
    expect(ageOn('2012-06-15', '2026-06-15')).toBe(14);
    expect(ageOn('2012-02-29', '2026-02-28')).toBe(13);
    expect(ageOn('2012-02-29', '2026-03-01')).toBe(14);
  });

  it('never goes down as days pass', () => {
    fc.assert(
      fc.property(
        anyDay,
        fc.nat(12_000),
        (birth, later) => ageOn(birth, addDays(birth, later + 1)) >= ageOn(birth, addDays(birth, later)),
      ),
    );
  });
});
