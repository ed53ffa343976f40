import type { Drill } from '../drills/types';

/** A rep as the aids of its drill are read from it. */
export interface AidedRep {
  readonly session: string;
  readonly good: boolean;
  /** Kit that supported it; null where nobody told. */
  readonly aids: readonly string[] | null;
}

/** An aid comes off after so many good ones of the last reps with it. Source: rule of one aid at a time, provenance `house`. */
const COMES_OFF = { good: 8, of: 10 } as const;

/**
 * Aids of a drill that have come off, one at a time and at most one a session.
 * @param reps of this drill since its focus last went down a rung, oldest first; an aid comes back with a step down
 */
export function aidsOff({ aids }: Pick<Drill, 'aids'>, reps: readonly AidedRep[]): string[] {
  const off: string[] = [];
  let last: boolean[] = [];
  let offIn: string | null = null;
  for (const rep of reps) {
    const next = aids[off.length]?.kit;
    if (next === undefined) break;
    const without = rep.aids !== null && !rep.aids.includes(next);
    if (without || rep.session === offIn) continue;
    last = [...last, rep.good].slice(-COMES_OFF.of);
    if (last.filter(Boolean).length < COMES_OFF.good) continue;
    off.push(next);
    last = [];
    offIn = rep.session;
  }
  return off;
}
