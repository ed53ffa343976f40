/** A made-up radar gun, with what real ones do: the same ball twice, bats, cars, a message sent again, a message lost. */
import { round } from '../shared/maths';
import type { Random } from '../shared/random';

export const RADAR_HABITS = ['throw', 'double', 'bat', 'car', 'resend', 'gap'] as const;
export type RadarHabit = (typeof RADAR_HABITS)[number];

export interface RadarMessage {
  readonly kind: 'speed';
  readonly n: number;
  readonly speed: number;
  readonly unit: 'mph';
  readonly agoMs: number;
}

interface Gun {
  /** Number of the last reading. */
  readonly n: number;
  readonly random: Random;
  readonly last: { readonly n: number; readonly speed: number } | null;
}

/** Spread of a thrower, mph. */
const SD = 1.2;

/**
 * The next messages of a gun.
 * @param middle speed of the made-up thrower, mph
 * @returns what it sends, and its count afterwards
 */
export function radarRead(
  { n, random, last }: Gun,
  habit: RadarHabit,
  middle: number,
): { readonly messages: readonly RadarMessage[]; readonly n: number; readonly last: Gun['last'] } {
  const message = (number: number, speed: number, agoMs = 300): RadarMessage => ({
    kind: 'speed',
    n: number,
    speed: round(speed, 1),
    unit: 'mph',
    agoMs,
  });
  const thrown = middle + random.normal(0, SD);
  const sent = (...messages: readonly RadarMessage[]) => {
    const newest = messages[messages.length - 1]!;
    return { messages, n: Math.max(n, newest.n), last: { n: newest.n, speed: newest.speed } };
  };
  switch (habit) {
    case 'throw':
      return sent(message(n + 1, thrown));
    case 'double':
      return sent(message(n + 1, thrown, 900), message(n + 2, 0.95 * thrown, 300));
    case 'bat':
      return sent(message(n + 1, 0.45 * middle + random.normal(0, SD)));
    case 'car':
      return sent(message(n + 1, 1.4 * middle + random.normal(0, SD)));
    case 'resend':
      return last === null
        ? { messages: [message(n + 1, thrown)], n: n + 1, last: { n: n + 1, speed: thrown } }
        : { ...sent(message(last.n, last.speed, 2000)), n };
    case 'gap':
      return sent(message(n + 2, thrown));
  }
}
