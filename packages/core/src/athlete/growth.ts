/** Growth of the body, which makes older measures and tests stale. */
import { daysBetween } from '../shared/dates';
import type { IsoDate } from '../shared/dates';

/** Height and mass on a day. */
export interface AthleteSize {
  readonly on: IsoDate;
  readonly heightM: number;
  readonly massKg: number;
}

/** Centimetres after which what was measured before has an even chance to hold no longer. Provenance `house`. */
export const HALF_LIFE_CM = 3;
/** Growth so fast is a spurt: centimetres a month, and so many in all. Provenance `house`. */
const SPURT = { cmAMonth: 0.6, cm: 1.5, massShare: 0.06, days: 200 } as const;

/** Height gained between a day and the newest size on or before another, cm; 0 where nothing is known. */
export function grownSince(sizes: readonly AthleteSize[], since: IsoDate, until: IsoDate): number {
  const known = sizes.filter((s) => s.on <= until).sort((a, b) => (a.on < b.on ? -1 : 1));
  const now = known[known.length - 1];
  const then = known.filter((s) => s.on <= since).pop() ?? known[0];
  return now && then ? Math.max(0, Math.round(1000 * (now.heightM - then.heightM)) / 10) : 0;
}

export interface Spurt {
  readonly since: IsoDate;
  readonly cm: number;
  readonly kg: number;
}

/** A spurt of growth within the last half year: test the body anew, load less, and read older measures as stale; null without one. */
export function spurtOf(sizes: readonly AthleteSize[], on: IsoDate): Spurt | null {
  const known = sizes.filter((s) => s.on <= on).sort((a, b) => (a.on < b.on ? -1 : 1));
  const now = known[known.length - 1];
  if (!now) return null;
  for (const then of known) {
    const days = daysBetween(then.on, now.on);
    if (days <= 0 || daysBetween(then.on, on) > SPURT.days) continue;
    const cm = Math.round(1000 * (now.heightM - then.heightM)) / 10;
    const kg = Math.round(10 * (now.massKg - then.massKg)) / 10;
    const tall = cm >= SPURT.cm && cm / (days / 30.4) >= SPURT.cmAMonth;
    const heavy = kg >= SPURT.massShare * then.massKg && cm > 0;
    if (tall || heavy) return { since: then.on, cm, kg };
  }
  return null;
}
