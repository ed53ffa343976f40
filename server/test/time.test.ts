/** Days and hours of a zone, beside what the platform itself writes. */
import * as fc from 'fast-check';
import { dayIn, instantIn, spanOf } from '../src/common/time';

const ZONES = [
  'UTC',
  'America/Chicago',
  'America/St_Johns',
  'Australia/Lord_Howe',
  'Asia/Kathmandu',
  'Pacific/Apia',
  'Africa/Casablanca',
];
const zone = fc.constantFrom(...ZONES);
const instant = fc.integer({ min: Date.UTC(1990, 0), max: Date.UTC(2060, 0) });

/** “2026-05-04 15:00” as a wall clock of the zone shows it. */
function shown(timeZone: string, at: number): string {
  const options = { timeZone, dateStyle: 'short', timeStyle: 'short', hourCycle: 'h23' } as const;
  return new Intl.DateTimeFormat('sv-SE', options).format(at);
}

it('names the day that the zone’s calendar shows, whichever instants were asked before', () => {
  fc.assert(
    fc.property(zone, instant, (timeZone, at) => {
      expect(dayIn(timeZone, new Date(at))).toBe(shown(timeZone, at).slice(0, 10));
    }),
    { numRuns: 2000, seed: 4101 },
  );
});

it('finds the instant at which a clock shows a time', () => {
  fc.assert(
    fc.property(zone, instant, (timeZone, at) => {
      const text = shown(timeZone, at);
      const found = instantIn(timeZone, text.slice(0, 10), text.slice(11)).getTime();
      expect(shown(timeZone, found)).toBe(text);
      // Where a clock shows it twice, the first of them.
      expect(found).toBeLessThanOrEqual(at);
    }),
    { numRuns: 2000, seed: 4102 },
  );
});

it('lets the days of a zone follow each other without gap and without overlap', () => {
  for (const timeZone of ZONES)
    for (let day = Date.UTC(2026, 0, 1); day < Date.UTC(2027, 0, 1); day += 86_400_000) {
      const date = new Date(day).toISOString().slice(0, 10);
      const next = new Date(day + 86_400_000).toISOString().slice(0, 10);
      const { start, end } = spanOf(timeZone, date);
      expect(end).toBe(spanOf(timeZone, next).start);
      const hours = (end - start) / 3_600_000;
      expect(hours).toBeGreaterThanOrEqual(23);
      expect(hours).toBeLessThanOrEqual(25);
      expect(dayIn(timeZone, new Date(start))).toBe(date);
      expect(dayIn(timeZone, new Date(end - 1))).toBe(date);
    }
});

it('counts days of 23, 24 and 25 hours where clocks are changed', () => {
  const hours = (timeZone: string, date: string) => {
    const { start, end } = spanOf(timeZone, date);
    return (end - start) / 3_600_000;
  };
  expect(hours('America/Chicago', '2026-03-08')).toBe(23);
  expect(hours('America/Chicago', '2026-11-01')).toBe(25);
  expect(hours('America/Chicago', '2026-07-01')).toBe(24);
  expect(hours('Australia/Lord_Howe', '2026-04-05')).toBe(24.5);
  // A day that a calendar left out begins with the next.
  expect(instantIn('Pacific/Apia', '2011-12-30').getTime()).toBe(instantIn('Pacific/Apia', '2011-12-31').getTime());
});

it('takes a time that a clock skips for the one after it', () => {
  expect(instantIn('America/Chicago', '2026-03-08', '02:30').toISOString()).toBe('2026-03-08T08:30:00.000Z');
  expect(instantIn('America/Chicago', '2026-11-01', '01:30').toISOString()).toBe('2026-11-01T06:30:00.000Z');
});

it('refuses a zone that there is not', () => {
  expect(() => dayIn('Nowhere/Land', new Date(0))).toThrow(RangeError);
  expect(() => dayIn('UTC', new Date(NaN))).toThrow(RangeError);
});
