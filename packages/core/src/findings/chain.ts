import { LINKS } from '../delivery/links';
import type { Discipline, Link } from '../delivery/links';
import { ARROWS } from './arrows';
import { FINDINGS, findingById } from './catalogue';
import type { FindingId } from './ids';

/**
 * State of a link. unseen: nobody has looked · clear: looked at, nothing likely · open: something is likely and not worked on ·
 * working, holding, owned, relapsed: the course of a focus · left-alone: on purpose.
 */
export const LINK_STATES = ['unseen', 'clear', 'open', 'working', 'holding', 'owned', 'relapsed', 'left-alone'] as const;
export type LinkState = (typeof LINK_STATES)[number];

export interface ChainFocus {
  readonly finding: FindingId;
  readonly state: 'working' | 'holding' | 'owned' | 'left-alone';
  /** Owned, and measured as back since. */
  readonly relapsed?: boolean;
}

/** From this probability on a finding is spoken of as there. */
export const LIKELY_THERE = 0.5;
/** Less likely than that it is still open when what was seen has made it so many times likelier, by odds, than in anybody. */
const STANDS_OUT = { from: 0.1, times: 3 } as const;
const odds = (p: number): number => p / Math.max(1e-9, 1 - p);

/** Link where work on a finding shows: its own, or for limits and cues the earliest that it acts on. */
export function linkOf(finding: FindingId): Link {
  const { phase } = findingById(finding);
  if (phase) return phase;
  const touched = ARROWS.filter((a) => a.cause === finding).map((a) => findingById(a.consequence).phase);
  return LINKS.find((link) => touched.includes(link)) ?? 'set';
}

/**
 * The six links' states.
 * @param looked findings that somebody has looked at or measured
 * @param present P(present) per finding, where a diagnosis gave one
 * @param before the same before anything was seen of this athlete
 * @param foci newest first; the newest on a link decides
 */
export function chainOf(
  discipline: Discipline,
  looked: ReadonlySet<FindingId>,
  present: Readonly<Partial<Record<FindingId, number>>>,
  before: Readonly<Partial<Record<FindingId, number>>>,
  foci: readonly ChainFocus[],
): LinkState[] {
  return LINKS.map((link) => {
    const here = FINDINGS.filter((f) => f.phase === link && f.disciplines.includes(discipline));
    const likely = here.filter((f) => looked.has(f.id) && (present[f.id] ?? 0) >= LIKELY_THERE);
    const standsOut = here.some((f) => {
      const now = present[f.id] ?? 0;
      return looked.has(f.id) && now >= STANDS_OUT.from && odds(now) >= STANDS_OUT.times * odds(before[f.id] ?? 1);
    });
    const focus = foci.find((f) => linkOf(f.finding) === link);
    if (focus) {
      const back = focus.state === 'owned' && (focus.relapsed || likely.some((f) => f.id === focus.finding));
      return back ? 'relapsed' : focus.state;
    }
    if (likely.length > 0 || standsOut) return 'open';
    return here.some((f) => looked.has(f.id)) ? 'clear' : 'unseen';
  });
}
