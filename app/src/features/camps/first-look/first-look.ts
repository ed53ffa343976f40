/** Looking at many in a short time: who comes next, what is asked of each, and how sure the judgement is. Pure. */
import type { CampMember } from '@wrightonic/contract';
import { WORTH_NAMING } from '@wrightonic/core';
import type { Diagnosis, FindingId } from '@wrightonic/core';

/** About what a camp has for one athlete, s. `house` */
export const SECONDS_EACH = 90;
/** Questions that ninety seconds have room for. `house` */
export const ASKED_AT_ONCE = 5;

/** Those at whom nobody has looked before those who are known; within either as the camp lists them. */
export const inOrder = (members: readonly CampMember[]): CampMember[] => [
  ...members.filter((m) => m.focus.length === 0),
  ...members.filter((m) => m.focus.length > 0),
];

/** The questions on the page: those that stand there stay where they are, and more come below them. */
export const asked = (before: readonly FindingId[], next: readonly FindingId[]): FindingId[] => [
  ...before,
  ...next.filter((finding) => !before.includes(finding)).slice(0, ASKED_AT_ONCE),
];

/** What the judgement comes to after a short look. */
export type FirstWord =
  | { readonly kind: 'nothing' }
  | { readonly kind: 'open' }
  | { readonly kind: 'unsure'; readonly first: FindingId; readonly second: FindingId | null }
  /** `work`: what is to be worked on before the likeliest, by the order of repair. */
  | { readonly kind: 'likely'; readonly first: FindingId; readonly work: FindingId | null };

/** @param seen whether anything was seen at all */
export function firstWord({ focus, roots }: Pick<Diagnosis, 'focus' | 'roots'>, seen: boolean): FirstWord {
  const [first, second] = named(roots);
  if (!seen) return { kind: 'nothing' };
  if (!first) return { kind: 'open' };
  const work = focus.lowerHalf ?? focus.arm;
  if (work === null) return { kind: 'unsure', first: first.finding, second: second?.finding ?? null };
  return { kind: 'likely', first: first.finding, work: work === first.finding ? null : work };
}

/** Causes that are likely enough to be named, the likeliest first. */
export const named = (roots: Diagnosis['roots']): Diagnosis['roots'] => roots.filter((root) => root.probability >= WORTH_NAMING);
