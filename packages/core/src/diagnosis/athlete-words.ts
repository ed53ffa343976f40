import type { Link } from '../delivery/links';
import { findingById } from '../findings/catalogue';
import type { FindingId } from '../findings/ids';
import type { Schools } from '../athlete/schools';
import type { Vocabulary } from '../findings/vocabulary';
import { spared } from '../words/spare';
import type { Diagnosis } from './diagnosis';
import type { Evidence } from '../evidence/evidence';
import { LIKELY_ENOUGH } from './focus';

/** What is told to athlete and family, in a few plain sentences. */
export interface AthleteWords {
  readonly keep: string;
  readonly next: string;
  /** How it is gone about. */
  readonly how: string | null;
  /** For those who want the reason and not just one image. */
  readonly why: string | null;
  readonly ease: string | null;
}

export interface Told {
  readonly diagnosis: Pick<Diagnosis, 'roots' | 'posterior' | 'expectedToEase' | 'focus'>;
  readonly evidence: readonly Evidence[];
  /** What is worked on; null: what the diagnosis suggests. */
  readonly focus: FindingId | null;
  readonly method: Schools['method'];
  /** One simple image, or the reason as well. */
  readonly explain: 'image' | 'reason';
  /** How the academy says things of findings. */
  readonly vocabulary: Vocabulary;
  /** Words that are not said to this athlete. */
  readonly avoid: readonly string[];
}

/** What is good when the finding is not there, by the link on which it shows. */
const GOOD_AT: Record<Link, string> = {
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
 * blame; whole phrases, another wording of them where a word is avoided.
 */
export function wordsForAthlete({ diagnosis, evidence, focus, method, explain, vocabulary, avoid }: Told): AthleteWords {
  const chosen = focus ?? diagnosis.focus.lowerHalf ?? diagnosis.focus.arm ?? diagnosis.focus.open?.finding ?? null;
  const say = (phrase: string) => spared(phrase, avoid);
  const good = praised(diagnosis.posterior, evidence, chosen);
  const keep = good ? `Keep doing: ${say(GOOD_AT[good]).toLowerCase()}.` : say('Keep doing what feels free and easy.');
  if (!chosen)
    return {
      keep,
      next: say('Next: keep throwing as you do while we look a little longer.'),
      how: null,
      why: null,
      ease: null,
    };
  const { cost } = findingById(chosen);
  const first = diagnosis.roots[0]?.finding === chosen;
  const easing = first ? diagnosis.expectedToEase.map((e) => findingById(e.finding)).find((f) => f.kind === 'habit') : undefined;
  const reasons = explain === 'reason';
  return {
    keep,
    next: `Next: ${say(vocabulary.forAthlete(chosen))}`,
    how: say(HOW[method]),
    why: reasons && cost ? `Why: ${say(cost.how)}` : null,
    ease: reasons && easing ? `And this should come along by itself: ${say(vocabulary.forAthlete(easing.id))}` : null,
  };
}

/** A link on which something was looked at and is fine, and on which nothing is likely or worked on; the surest first. */
function praised(posterior: Diagnosis['posterior'], evidence: readonly Evidence[], focus: FindingId | null): Link | undefined {
  const troubled = new Set(
    Object.entries(posterior).flatMap(([id, p]) => (p >= LIKELY_ENOUGH ? [findingById(id as FindingId).phase] : [])),
  );
  if (focus) troubled.add(findingById(focus).phase);
  const seenFine = evidence.flatMap((e) => (e.kind === 'eye' && e.answer === 'no' ? [e.finding] : []));
  return seenFine
    .sort((a, b) => (posterior[a] ?? 0) - (posterior[b] ?? 0))
    .flatMap((id) => findingById(id).phase ?? [])
    .find((phase) => !troubled.has(phase));
}
