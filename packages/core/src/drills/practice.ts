import type { Rung } from './types';

/** Whom the words are for. */
export type Listener = 'athlete' | 'coach';

/**
 * How the reps of a drill follow each other and when they are judged: in a row and every set while it is new, in turn
 * with whole throws and every second time later, mixed and on request near the game. Whoever does it says first.
 * @param turns whether the session has whole throws to take turns with
 * @returns null at rung 0, where nothing is judged
 */
export function practiceAt(rung: Rung, turns: boolean, listener: Listener): string | null {
  if (rung === 0) return null;
  const says = listener === 'athlete' ? 'you say' : 'the athlete says';
  const order = turns ? 'Five of these, then five whole throws, in turn.' : 'All in a row.';
  if (rung <= 2) return `All in a row. After each set ${says} first how it was; then it is judged.`;
  if (rung === 3) return `${order} After each five ${says} first how it was; then it is judged.`;
  if (rung <= 6) return `${order} After each five ${says} how it was; every second one is judged.`;
  return `Mixed, each one called before it is thrown. After each five ${says} how it was; it is judged when ${listener === 'athlete' ? 'you ask' : 'the athlete asks'}.`;
}
