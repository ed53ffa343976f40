import { isValid, parse } from 'date-fns';
import type { IsoDate } from '../shared/dates';

/** Which of two numbers under 13 is the day. */
export type DayOrder = 'day-first' | 'month-first';

const AS_WRITTEN = [
  'yyyy-MM-dd',
  'yyyy/MM/dd',
  'yyyy.MM.dd',
  'yyyyMMdd',
  'd MMM yyyy',
  'd MMMM yyyy',
  'd-MMM-yyyy',
  'MMM d yyyy',
  'MMMM d yyyy',
];
const NUMERIC = /^(\d{1,2})[./-](\d{1,2})[./-](\d{4})$/;
const START = new Date(2000, 0, 1);

const isoOf = (year: number, month: number, day: number): IsoDate | null => {
  const date = new Date(Date.UTC(year, month - 1, day));
  return date.getUTCMonth() === month - 1 && date.getUTCDate() === day && year >= 1900 ? date.toISOString().slice(0, 10) : null;
};

export type ReadDate =
  | { readonly kind: 'date'; readonly date: IsoDate }
  /** Both numbers could be the day. */
  | { readonly kind: 'either'; readonly dayFirst: IsoDate; readonly monthFirst: IsoDate }
  | { readonly kind: 'none' };

/** A day as people write it: 2011-03-14, 14.3.2011, 3/14/2011, 14 Mar 2011, March 14, 2011. */
export function readDate(written: string): ReadDate {
  const text = written.trim().replace(/,/g, ' ').replace(/\s+/g, ' ');
  const numeric = NUMERIC.exec(text);
  if (numeric) {
    const [a, b, year] = [Number(numeric[1]), Number(numeric[2]), Number(numeric[3])];
    const dayFirst = isoOf(year, b, a);
    const monthFirst = isoOf(year, a, b);
    if (dayFirst && monthFirst && dayFirst !== monthFirst) return { kind: 'either', dayFirst, monthFirst };
    const only = dayFirst ?? monthFirst;
    return only ? { kind: 'date', date: only } : { kind: 'none' };
  }
  for (const format of AS_WRITTEN) {
    const found = parse(text, format, START);
    if (isValid(found)) {
      const date = isoOf(found.getFullYear(), found.getMonth() + 1, found.getDate());
      if (date) return { kind: 'date', date };
    }
  }
  return { kind: 'none' };
}

/** The order that the unmistakable dates of a column are written in; null when there is none, or both are found. */
export function dayOrderOf(column: readonly string[]): DayOrder | null {
  let dayFirst = false;
  let monthFirst = false;
  for (const written of column) {
    const numeric = NUMERIC.exec(written.trim());
    if (!numeric) continue;
    if (Number(numeric[1]) > 12 && Number(numeric[2]) <= 12) dayFirst = true;
    if (Number(numeric[2]) > 12 && Number(numeric[1]) <= 12) monthFirst = true;
  }
  return dayFirst === monthFirst ? null : dayFirst ? 'day-first' : 'month-first';
}
