import { findingById } from '../findings/catalogue';
import type { FindingId } from '../findings/ids';
import type { Schools } from '../shared/schools';
import { spareWords } from '../words/spare';
import type { SparedWord } from '../words/spare';
import type { Diagnosis } from './diagnose';
import { LIKELY_ENOUGH } from './focus';

/** What is told to athlete and family, in a few plain sentences. */
export interface AthleteWords {
  readonly keep: string;
  readonly next: string;
  readonly why: string | null;
  readonly ease: string | null;
}

export interface Told {
  readonly diagnosis: Pick<Diagnosis, 'roots' | 'posterior' | 'expectedToEase' | 'leaveAlone' | 'focus'>;
  /** What is worked on; null: what the diagnosis suggests. */
  readonly focus: FindingId | null;
  readonly method: Schools['method'];
  /** Words to avoid, with what is said instead. */
  readonly words: readonly SparedWord[];
  /** Findings that were looked at and are fine, best first. */
  readonly fine: readonly FindingId[];
}

/** What is good when the finding is not there, by the link on which it shows. */
const GOOD_AT: Record<string, string> = {
  set: 'The start is quiet and ready',
  lift: 'The lift is steady',
  move: 'The trip to the plate is smooth',
  land: 'The landing is where it should be',
  turn: 'The turn waits for its moment',
  finish: 'The finish runs out freely',
};
const HOW: Record<Schools['method'], string> = {
  surroundings: 'We set up the place so that the right move is the easy one.',
  positions: 'We stop in the position, feel it, and put it back into the throw.',
  words: 'One short thought at a time.',
  mixed: 'A few easy steps, each a little nearer to the real throw.',
};

/**
 * The diagnosis for the athlete: keep doing, next, why, what should come along by itself. No word on the body, no numbers, no
 * blame; words to avoid are replaced.
 */
export function wordsForAthlete({ diagnosis, focus, method, words, fine }: Told): AthleteWords {
  const chosen = focus ?? diagnosis.focus.lowerHalf ?? diagnosis.focus.arm ?? diagnosis.focus.open?.finding ?? null;
  const spare = (text: string) => spareWords(text, words);
  // A link is praised only when nothing on it is likely.
  const troubled = new Set(
    Object.entries(diagnosis.posterior).flatMap(([id, p]) => (p >= LIKELY_ENOUGH ? [findingById(id as FindingId).phase] : [])),
  );
  const good = fine.map((id) => findingById(id).phase).find((phase) => phase !== null && !troubled.has(phase));
  const keep = good ? `Keep doing: ${GOOD_AT[good]!.toLowerCase()}.` : 'Keep doing what feels free and easy.';
  if (!chosen)
    return {
      keep: spare(keep),
      next: spare('Next: keep throwing as you do while we look a little longer.'),
      why: null,
      ease: null,
    };
  const { forAthlete } = findingById(chosen);
  const first = diagnosis.roots[0]?.finding === chosen;
  const easing = first ? diagnosis.expectedToEase.map((e) => findingById(e.finding)).find((f) => f.kind === 'habit') : undefined;
  return {
    keep: spare(keep),
    next: spare(`Next: ${forAthlete}`),
    why: spare(HOW[method]),
    ease: easing ? spare(`And this should come along by itself: ${easing.forAthlete}`) : null,
  };
}
