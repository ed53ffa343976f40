import { ARROWS, STRENGTH } from '../findings/arrows';
import { findingById } from '../findings/catalogue';
import type { FindingId } from '../findings/ids';
import { STANDS } from './choose';
import type { PlanRequest } from './types';

/** A limit or cue behind a focus that stands in this athlete. */
export interface Behind {
  readonly finding: FindingId;
  readonly probability: number;
  readonly of: FindingId;
}

const here = (finding: FindingId, request: PlanRequest): boolean =>
  findingById(finding).disciplines.includes(request.athlete.discipline);

/** Limits and cues straight behind the foci that stand in this athlete and are not cleared, the likeliest first. */
export function behindFoci(request: PlanRequest): Behind[] {
  const present = request.judgement?.present ?? {};
  const cleared = new Set(request.judgement?.cleared ?? []);
  const found = new Map<FindingId, Behind>();
  for (const { finding: focus } of request.focus)
    for (const { cause, consequence } of ARROWS) {
      if (consequence !== focus || !here(cause, request) || findingById(cause).kind === 'habit') continue;
      if (request.focus.some((f) => f.finding === cause) || cleared.has(cause)) continue;
      const probability = present[cause] ?? 0;
      if (probability >= STANDS && !found.has(cause)) found.set(cause, { finding: cause, probability, of: focus });
    }
  return [...found.values()].sort((a, b) => b.probability - a.probability || (a.finding < b.finding ? -1 : 1));
}

/** The movement that a limit held back most: the likeliest habit that it causes, else that of its strongest arrow; null when none is. */
export function heldBack(limit: FindingId, request: PlanRequest): FindingId | null {
  const present = request.judgement?.present ?? {};
  const cleared = new Set(request.judgement?.cleared ?? []);
  const arrows = ARROWS.filter(
    (a) =>
      a.cause === limit &&
      here(a.consequence, request) &&
      findingById(a.consequence).kind === 'habit' &&
      !cleared.has(a.consequence),
  );
  const rank = ({ consequence, strength }: (typeof arrows)[number]) => {
    const p = present[consequence] ?? 0;
    return (p >= STANDS ? 1 + p : 0) + STRENGTH[strength] / 10;
  };
  const best = [...arrows].sort((a, b) => rank(b) - rank(a) || (a.consequence < b.consequence ? -1 : 1))[0];
  return best?.consequence ?? null;
}
