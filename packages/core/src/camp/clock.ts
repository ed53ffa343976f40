/** When the rotations of a camp's day are, by the clock of the camp. */
import type { CampDay } from './types';

/** Minutes without work after so many rotations of a day. */
export interface CampBreak {
  /** Rotations that are over when it begins, from 1. */
  readonly after: number;
  readonly minutes: number;
}

/** A day with its breaks. */
export interface TimedDay extends CampDay {
  readonly breaks: readonly CampBreak[];
}

/** Minutes after midnight, from and to. */
export interface Span {
  readonly from: number;
  readonly to: number;
}

const DAY_MINUTES = 24 * 60;

/** Minutes after midnight of a time written HH:MM. */
export function minutesOf(time: string): number {
  const [hours = 0, minutes = 0] = time.split(':').map(Number);
  return 60 * hours + minutes;
}

/** @example clockOf(545) // '09:05' */
export const clockOf = (minutes: number): string => {
  const within = ((minutes % DAY_MINUTES) + DAY_MINUTES) % DAY_MINUTES;
  return `${String(Math.floor(within / 60)).padStart(2, '0')}:${String(within % 60).padStart(2, '0')}`;
};

/** Each rotation's minutes of the day, in their order. */
export function rotationTimes({ start, rotations, minutes, breaks }: TimedDay): readonly Span[] {
  const rests = (rotation: number) =>
    breaks.filter((b) => b.after <= rotation && b.after < rotations).reduce((total, b) => total + b.minutes, 0);
  return Array.from({ length: rotations }, (_, rotation) => {
    const from = minutesOf(start) + rotation * minutes + rests(rotation);
    return { from, to: from + minutes };
  });
}

/** Whether a day ends before midnight. */
export function fitsInDay(day: TimedDay): boolean {
  const last = rotationTimes(day).at(-1);
  return last !== undefined && last.to <= DAY_MINUTES;
}

/** Where a day stands: `next` is the rotation that comes, null after the last. */
export type CampMoment =
  | { readonly state: 'on'; readonly rotation: number; readonly left: number; readonly next: number | null }
  | { readonly state: 'before' | 'break'; readonly left: number; readonly next: number }
  | { readonly state: 'over'; readonly next: null };

/** @param minute minutes after midnight at the camp @returns what is on then, and for how many minutes more */
export function momentOf(day: TimedDay, minute: number): CampMoment {
  const times = rotationTimes(day);
  const on = times.findIndex(({ from, to }) => from <= minute && minute < to);
  if (on >= 0) return { state: 'on', rotation: on, left: times[on]!.to - minute, next: on + 1 < times.length ? on + 1 : null };
  const next = times.findIndex(({ from }) => minute < from);
  if (next < 0) return { state: 'over', next: null };
  return { state: next === 0 ? 'before' : 'break', left: times[next]!.from - minute, next };
}
