import { addDays } from '@wrightonic/core';
import type { IsoDate } from '@wrightonic/core';

const DAY_MS = 86_400_000;
const formats = new Map<string, Intl.DateTimeFormat>();

/** Writes an instant as a day and time of a zone; made once for each zone. @throws RangeError for no such zone */
function formatOf(timeZone: string): Intl.DateTimeFormat {
  const known = formats.get(timeZone);
  if (known) return known;
  const made = new Intl.DateTimeFormat('en-CA', {
    timeZone,
    year: 'numeric',
    month: '2-digit',
    day: '2-digit',
    hour: '2-digit',
    minute: '2-digit',
    second: '2-digit',
    hourCycle: 'h23',
  });
  formats.set(timeZone, made);
  return made;
}

/** No clock of our days is changed but at a quarter of an hour. */
const QUARTER_MS = 900_000;
const OFFSETS_KEPT = 5000;
const offsets = new Map<string, number>();

/** Milliseconds that a zone's clock is ahead of UTC at an instant; worked out once for each zone and quarter of an hour. */
function offsetAt(timeZone: string, instant: number): number {
  const start = Math.floor(instant / QUARTER_MS) * QUARTER_MS;
  const key = `${start} ${timeZone}`;
  const known = offsets.get(key);
  if (known !== undefined) return known;
  const found = offsetFrom(timeZone, start);
  if (offsets.size >= OFFSETS_KEPT) offsets.clear();
  offsets.set(key, found);
  return found;
}

function offsetFrom(timeZone: string, instant: number): number {
  const part = Object.fromEntries(
    formatOf(timeZone)
      .formatToParts(instant)
      .map((p) => [p.type, p.value]),
  );
  const local = Date.UTC(
    Number(part.year),
    Number(part.month) - 1,
    Number(part.day),
    Number(part.hour),
    Number(part.minute),
    Number(part.second),
  );
  return local - Math.floor(instant / 1000) * 1000;
}

/** The calendar day of an instant in a time zone. */
export const dayIn = (timeZone: string, instant: Date): IsoDate =>
  new Date(instant.getTime() + offsetAt(timeZone, instant.getTime())).toISOString().slice(0, 10);

/** The instant at which a clock of the zone shows a day and a time; shown twice, the first of them; skipped, the next. */
export function instantIn(timeZone: string, date: IsoDate, time = '00:00'): Date {
  const wanted = Date.parse(`${date}T${time}:00Z`);
  const candidates = [-DAY_MS, 0, DAY_MS].map((shift) => wanted - offsetAt(timeZone, wanted + shift));
  const shown = candidates.filter((instant) => instant + offsetAt(timeZone, instant) === wanted);
  return new Date(shown.length > 0 ? Math.min(...shown) : Math.max(...candidates));
}

/** First instant of a day and of the day after it. */
export const spanOf = (timeZone: string, date: IsoDate): { start: number; end: number } => ({
  start: instantIn(timeZone, date).getTime(),
  end: instantIn(timeZone, addDays(date, 1)).getTime(),
});
