/**
 * The time by which taps are stamped. A phone's clock may be minutes off: how far is measured with every answer of the server, and
 * kept on the device, so that stamps are right without a connection too.
 */
const KEPT_AS = 'clock-error-ms';
/** An answer that took longer tells nothing about the clock. */
const SLOWEST_ANSWER_MS = 8000;
/** The server tells whole seconds: less than this is no error. */
const SMALLEST_ERROR_MS = 2000;

const store = (): Storage | null => (typeof localStorage === 'undefined' ? null : localStorage);
let errorMs = Number(store()?.getItem(KEPT_AS) ?? 0) || 0;

/** How far this device's clock is ahead of the server's, milliseconds; behind is negative. */
export const clockError = (): number => errorMs;

/** Takes an answer as a measurement. @param told the server's own time, as its answer carries it */
export function measureClock(told: string | null | undefined, sentAt: number, receivedAt: number): void {
  const server = told ? Date.parse(told) : NaN;
  if (Number.isNaN(server) || receivedAt - sentAt > SLOWEST_ANSWER_MS) return;
  // The second that was told began up to a second before.
  const ahead = (sentAt + receivedAt) / 2 - (server + 500);
  errorMs = Math.abs(ahead) < SMALLEST_ERROR_MS ? 0 : Math.round(ahead);
  try {
    store()?.setItem(KEPT_AS, String(errorMs));
  } catch {
    // A device that keeps nothing still knows it while the page is open.
  }
}

/** The instant by the server's clock, as well as it is known. */
export const now = (): Date => new Date(Date.now() - errorMs);

/** What a clock of a time zone shows at an instant, HH:MM. */
export const clockIn = (timeZone: string, instant: Date = now()): string =>
  new Intl.DateTimeFormat('en-GB', { timeZone, hour: '2-digit', minute: '2-digit', hourCycle: 'h23' }).format(instant);

/** The calendar day of a time zone at an instant. */
export const dayIn = (timeZone: string, instant: Date = now()): string =>
  new Intl.DateTimeFormat('en-CA', { timeZone, year: 'numeric', month: '2-digit', day: '2-digit' }).format(instant);
