import { findingById } from '../findings/catalogue';
import type { FindingId } from '../findings/ids';
import type { Diagnosis } from './diagnosis';

/** Something that is judged otherwise than it was. */
export interface Change {
  readonly kind: 'root' | 'focus' | 'flag' | 'presence' | 'catalogue';
  readonly finding: FindingId | null;
  readonly sentence: string;
}

/** What is compared of two diagnoses. */
export type Judged = Pick<Diagnosis, 'roots' | 'posterior' | 'flags' | 'focus'>;

/** A change of P(present) that is worth naming. */
const NAMED_FROM = 0.2;
const PRESENCE_NAMED = 5;

const titleOf = (finding: FindingId): string => findingById(finding).title;
const quoted = (finding: FindingId): string => `“${titleOf(finding).toLowerCase()}”`;
const percent = (p: number): string => `${Math.round(100 * p)} %`;

/** How the two sides are spoken of: a past and a present, or what is and what would be. */
const TENSES = {
  past: {
    was: 'was',
    is: 'now it is',
    then: 'then',
    now: 'now',
    none: 'now none stands out',
    one: 'A likeliest root stands out now',
  },
  if: {
    was: 'is',
    is: 'it would be',
    then: 'as it is',
    now: 'then',
    none: 'none would stand out',
    one: 'A likeliest root would stand out',
  },
} as const;

/** What is judged otherwise now, most telling first; empty when nothing worth naming has changed. */
export function changesSince(before: Judged, now: Judged, tense: keyof typeof TENSES = 'past'): Change[] {
  const say = TENSES[tense];
  const changes: Change[] = [];
  const [was, is] = [before.roots[0], now.roots[0]];
  if (was?.finding !== is?.finding)
    changes.push({
      kind: 'root',
      finding: is?.finding ?? null,
      sentence: !is
        ? `The likeliest root ${say.was} ${quoted(was!.finding)}; ${say.none}.`
        : !was
          ? `${say.one}: ${quoted(is.finding)}, ${percent(is.probability)}.`
          : `The likeliest root ${say.was} ${quoted(was.finding)}; ${say.is} ${quoted(is.finding)}, ${percent(is.probability)}.`,
    });
  else if (was && is && Math.abs(was.probability - is.probability) >= NAMED_FROM)
    changes.push({
      kind: 'root',
      finding: is.finding,
      sentence: `The likeliest root is the same, ${quoted(is.finding)}, and ${is.probability > was.probability ? 'surer' : 'less sure'}: ${percent(was.probability)} ${say.then}, ${percent(is.probability)} ${say.now}.`,
    });
  for (const slot of ['lowerHalf', 'arm'] as const)
    if (before.focus[slot] !== now.focus[slot]) {
      const [from, to] = [before.focus[slot], now.focus[slot]];
      const part = slot === 'arm' ? 'arm action' : 'lower half and trunk';
      changes.push({
        kind: 'focus',
        finding: to ?? from,
        sentence: `Suggested focus, ${part}: ${from ? quoted(from) : 'none'} ${say.then}, ${to ? quoted(to) : 'none'} ${say.now}.`,
      });
    }
  for (const flag of now.flags)
    if (!before.flags.includes(flag))
      changes.push({ kind: 'flag', finding: flag, sentence: `To take care of now: ${quoted(flag)}.` });
  for (const flag of before.flags)
    if (!now.flags.includes(flag))
      changes.push({ kind: 'flag', finding: flag, sentence: `No longer likely enough for a flag: ${quoted(flag)}.` });
  const named = new Set(changes.map((c) => c.finding));
  const ids = [...new Set([...Object.keys(before.posterior), ...Object.keys(now.posterior)])] as FindingId[];
  const moved = ids
    .map((finding) => ({ finding, from: before.posterior[finding] ?? 0, to: now.posterior[finding] ?? 0 }))
    .filter((m) => Math.abs(m.to - m.from) >= NAMED_FROM && !named.has(m.finding))
    .sort((a, b) => Math.abs(b.to - b.from) - Math.abs(a.to - a.from))
    .slice(0, PRESENCE_NAMED);
  for (const { finding, from, to } of moved)
    changes.push({
      kind: 'presence',
      finding,
      sentence: `${titleOf(finding)}: ${percent(from)} ${say.then}, ${percent(to)} ${say.now}.`,
    });
  return changes;
}
