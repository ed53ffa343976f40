import type { FindingId } from '../findings/ids';
import { findingById } from '../findings/catalogue';
import type { AthleteProfile } from '../shared/athlete';
import type { Evidence, StyleItem } from './evidence';
import { LIKELY_ENOUGH } from './focus';

/** Something that nobody should “fix”, with the reason. */
export interface LeftAlone {
  readonly item: StyleItem | FindingId;
  readonly why: string;
}

const STYLE_WORDS: Record<StyleItem, string> = {
  'high-leg-kick': 'How high the leg goes is style',
  'hands-overhead': 'Where the hands start is style',
  'hands-still': 'Quiet hands are style',
  'finish-off-line': 'Which way the finish falls is style',
  'rubber-side': 'The side of the rubber is a choice',
};

/** Style that does no harm, and consequences that ease with their cause. */
export function whatToLeave(
  evidence: readonly Evidence[],
  athlete: AthleteProfile,
  leadHipLimited: number,
  easing: readonly { readonly finding: FindingId; readonly probability: number }[],
  roots: readonly { readonly finding: FindingId; readonly probability: number }[],
): LeftAlone[] {
  const outcomes = evidence.flatMap((e) => (e.kind === 'outcome' ? [e] : []));
  const poor = outcomes.some((o) => [o.strikes, o.movement, o.velocity].includes('poor'));
  const beginner = athlete.level === 'beginner';
  const fine = outcomes.length > 0 ? 'strikes, movement and velocity are fine' : 'nothing speaks against it so far';
  const styles = [...new Set(evidence.flatMap((e) => (e.kind === 'style' ? [e.item] : [])))].flatMap((item) => {
    if (poor && !beginner) return [];
    if (item === 'finish-off-line' && leadHipLimited >= LIKELY_ENOUGH) return [];
    return [{ item, why: `${STYLE_WORDS[item]}; ${beginner ? 'a beginner is left to find their own' : fine}.` }];
  });
  const likelyRoots = new Set(roots.filter((r) => r.probability >= LIKELY_ENOUGH).map((r) => r.finding));
  const consequences = easing
    .filter((e) => e.probability >= LIKELY_ENOUGH && !likelyRoots.has(e.finding))
    .map((e) => ({
      item: e.finding,
      why: 'Usually a consequence; it should ease once the cause is mended.',
    }));
  const fineAll = outcomes.length > 0 && !poor;
  const shown = new Set<string>(consequences.map((c) => c.item));
  const harmless = [...new Set(evidence.flatMap((e) => (e.kind === 'eye' && e.answer === 'yes' ? [e.finding] : [])))].flatMap(
    (item) => {
      const { leaveAlone, healthFlag } = findingById(item);
      if (!fineAll || !leaveAlone || healthFlag || likelyRoots.has(item) || shown.has(item)) return [];
      return [{ item, why: `${leaveAlone} Strikes, movement and velocity are fine.` }];
    },
  );
  return [...styles, ...consequences, ...harmless];
}
