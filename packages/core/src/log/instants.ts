/** How far a device's clock may run ahead before what it sends cannot be. Milliseconds. Provenance `house`. */
export const CLOCK_ERROR_MS = 120_000;
/** An undo within this time takes the tap away as if it had not been made. Milliseconds. Provenance `house`. */
export const MIS_TAP_MS = 60_000;
/** Mis-taps of throws that a day forgets; further ones stay as load. Provenance `house`. */
export const MIS_TAPS_A_DAY = 10;
/** What an athlete logs alone counts for the gate only if it reaches the log within so many days. Provenance `house`. */
export const ALONE_DAYS_BACK = 2;

/** Whether a device's time lies further ahead of the receipt than a clock errs. All in milliseconds since 1970. */
export const isFromFuture = (device: number, received: number): boolean => device > received + CLOCK_ERROR_MS;

/**
 * The instant by which an entry is judged: the earlier of the device's time and the receipt, and not before its session's day.
 * @param dayStart first instant of the session's day; all in milliseconds since 1970
 */
export const instantOf = (device: number, received: number, dayStart: number): number =>
  Math.max(Math.min(device, received), dayStart);
