/** Where throws went, read as a pattern. */
import type { Hand } from '../delivery/sides';
import type { MissPattern } from '../evidence/kinds/miss';

/** Where a throw went, seen from the pitcher, in half widths and half heights of the strike zone from its middle: right and up positive. */
export interface Landing {
  readonly x: number;
  readonly y: number;
}

/** Throws from which a pattern is read. */
export const MISSES_WANTED = 5;
/** Share of the throws that makes a pattern. Provenance of all numbers here: `house`. */
const MOST = 0.6;
/** The middle of the zone: nobody aims there. */
const MIDDLE = 0.45;

/**
 * The pattern of some throws: to the middle; high, whichever side; high on the arm's side; from one side of the plate to the
 * other; or none. Null with fewer than {@link MISSES_WANTED}.
 */
export function missPattern(landings: readonly Landing[], throws: Hand): MissPattern | null {
  if (landings.length < MISSES_WANTED) return null;
  const share = (is: (at: Landing) => boolean) => landings.filter(is).length / landings.length;
  const arm = throws === 'R' ? 1 : -1;
  if (share(({ x, y }) => Math.abs(x) <= MIDDLE && Math.abs(y) <= MIDDLE) >= MOST) return 'middle';
  if (share(({ y }) => y > 1) >= MOST) return share(({ x, y }) => y > 1 && arm * x > 0.5) >= MOST ? 'arm-side-high' : 'high';
  const wide = (side: 1 | -1) => share(({ x }) => side * x > 1);
  return wide(1) >= MOST / 3 && wide(-1) >= MOST / 3 && wide(1) + wide(-1) >= MOST ? 'inside-outside' : 'none';
}
