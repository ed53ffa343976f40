import type { FindingId } from '../findings/ids';
import { FINDINGS, findingById } from '../findings/catalogue';
import type { IsoDate } from '../shared/dates';
import type { DatedEvidence } from '../evidence/evidence';
import type { StyleItem } from '../evidence/kinds/style';
import { LIKELY_ENOUGH } from './focus';
import type { Focus } from './focus';
import { styleIn } from './schools-say';
import type { Situation } from '../evidence/situation';
import { OUTCOMES } from '../evidence/kinds/outcome';
import type { OutcomeOf } from '../evidence/kinds/outcome';

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

interface ToLeave {
  readonly evidence: readonly DatedEvidence[];
  readonly situation: Situation;
  readonly posterior: Readonly<Partial<Record<FindingId, number>>>;
  readonly easing: readonly { readonly finding: FindingId; readonly probability: number }[];
  readonly roots: readonly { readonly finding: FindingId; readonly probability: number }[];
  readonly focus: Focus;
}

/** The newest word on each result. */
function results(evidence: readonly DatedEvidence[], today: IsoDate): ReadonlyMap<OutcomeOf, 'good' | 'poor'> {
  const newest = new Map<OutcomeOf, { day: IsoDate; said: 'good' | 'poor' }>();
  for (const item of evidence) {
    if (item.kind !== 'outcome') continue;
    const day = item.on ?? today;
    for (const key of OUTCOMES) {
      const said = item[key];
      const known = newest.get(key);
      // Of two on one day the poor one counts: nothing is called fine that was just called poor.
      if (said && (!known || day > known.day || (day === known.day && said === 'poor'))) newest.set(key, { day, said });
    }
  }
  return new Map([...newest].map(([key, { said }]) => [key, said]));
}

/**
 * Style that does no harm, what the school that is set takes for style, and consequences that ease with their cause. Never what
 * is worked on.
 */
export function whatToLeave({ evidence, situation, posterior, easing, roots, focus }: ToLeave): LeftAlone[] {
  const { athlete, on } = situation;
  const said = results(evidence, on);
  const poor = [...said.values()].includes('poor');
  const beginner = athlete.level === 'beginner';
  const fine = said.size > 0 ? 'strikes, movement and velocity are fine' : 'nothing speaks against it so far';
  const styles = [...new Set(evidence.flatMap((e) => (e.kind === 'style' ? [e.item] : [])))].sort().flatMap((item) => {
    if (poor && !beginner) return [];
    if (item === 'finish-off-line' && (posterior['lead-hip-ir'] ?? 0) >= LIKELY_ENOUGH) return [];
    return [{ item, why: `${STYLE_WORDS[item]}; ${beginner ? 'a beginner is left to find their own' : fine}.` }];
  });
  const likelyRoots = new Set(roots.filter((r) => r.probability >= LIKELY_ENOUGH).map((r) => r.finding));
  const worked = new Set<FindingId | undefined>([focus.lowerHalf ?? undefined, focus.arm ?? undefined, focus.open?.finding]);
  const consequences = easing
    .filter((e) => e.probability >= LIKELY_ENOUGH && !likelyRoots.has(e.finding))
    .map((e): LeftAlone => ({
      item: e.finding,
      why: 'Usually a consequence; it should ease once the cause is mended.',
    }));
  const taken = new Set<string>(consequences.map((c) => c.item));
  const seen = [...new Set(evidence.flatMap((e) => (e.kind === 'eye' && e.answer === 'yes' ? [e.finding] : [])))].sort();
  const ofSchool = FINDINGS.flatMap(({ id }): LeftAlone[] => {
    const why = styleIn(id, situation);
    const likely = (posterior[id] ?? 0) >= LIKELY_ENOUGH || seen.includes(id);
    return why !== null && likely && !taken.has(id) ? [{ item: id, why }] : [];
  });
  for (const { item } of ofSchool) taken.add(item);
  const harmless = seen.flatMap((item): LeftAlone[] => {
    const { leaveAlone, healthFlag } = findingById(item);
    if (said.size === 0 || poor || !leaveAlone || healthFlag || likelyRoots.has(item) || taken.has(item)) return [];
    return [{ item, why: `${leaveAlone} Strikes, movement and velocity are fine.` }];
  });
  return [...styles, ...consequences, ...ofSchool, ...harmless].filter(({ item }) => !worked.has(item as FindingId));
}
