/** Calendar days as `YYYY-MM-DD`. All arithmetic is on days, so no time zone can shift it. */
export type IsoDate = string;

const DAY_MS = 86_400_000;
const PATTERN = /^(\d{4})-(\d{2})-(\d{2})$/;

/** Days are worked out again and again: those seen lately are remembered. */
const REMEMBERED = 20_000;
const numbers = new Map<IsoDate, number>();
const dates = new Map<number, IsoDate>();

function remember<K, V>(known: Map<K, V>, key: K, value: V): V {
  if (known.size >= REMEMBERED) known.clear();
  known.set(key, value);
  return value;
}

/** Days since 1970-01-01. @throws RangeError when the text is no real calendar day */
export function dayNumber(date: IsoDate): number {
  const known = numbers.get(date);
  if (known !== undefined) return known;
  const match = PATTERN.exec(date);
  if (match) {
    const [year, month, day] = [Number(match[1]), Number(match[2]), Number(match[3])];
    const ms = Date.UTC(year, month - 1, day);
    const back = new Date(ms);
    if (back.getUTCMonth() === month - 1 && back.getUTCDate() === day) return remember(numbers, date, ms / DAY_MS);
  }
  throw new RangeError(`“${date}” is not a calendar day`);
}

export const isDate = (date: string): boolean => {
  try {
    dayNumber(date);
    return true;
  } catch {
    return false;
  }
};

export const fromDayNumber = (day: number): IsoDate =>
  dates.get(day) ?? remember(dates, day, new Date(day * DAY_MS).toISOString().slice(0, 10));
export const addDays = (date: IsoDate, days: number): IsoDate => fromDayNumber(dayNumber(date) + days);

/** Whole days from `from` to `to`; negative when `to` is earlier. */
export const daysBetween = (from: IsoDate, to: IsoDate): number => dayNumber(to) - dayNumber(from);

export const WEEKDAYS = ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'] as const;
export type Weekday = (typeof WEEKDAYS)[number];

/** 1970-01-01 was a Thursday. */
export const weekdayOf = (date: IsoDate): Weekday => WEEKDAYS[(((dayNumber(date) + 3) % 7) + 7) % 7]!;

const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'] as const;

/** A day as a sentence says it: 25 Nov 2026. */
export const dayInWords = (date: IsoDate): string =>
  `${Number(date.slice(8))} ${MONTHS[Number(date.slice(5, 7)) - 1]!} ${date.slice(0, 4)}`;

/** First and last day, or the one there is. */
export const daysInWords = (from: IsoDate, to: IsoDate): string =>
  from === to ? dayInWords(from) : `${dayInWords(from)} to ${dayInWords(to)}`;

/** Completed years of age on a day. */
export function ageOn(birthDate: IsoDate, on: IsoDate): number {
  dayNumber(birthDate);
  dayNumber(on);
  const years = Number(on.slice(0, 4)) - Number(birthDate.slice(0, 4));
  return on.slice(5) < birthDate.slice(5) ? years - 1 : years;
}
