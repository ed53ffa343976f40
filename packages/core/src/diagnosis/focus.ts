import { linkOrder } from '../delivery/links';
import type { FindingId } from '../findings/ids';
import type { Finding } from '../findings/types';
import type { Schools } from '../shared/schools';

/** A root that could be worked on, with what repairing it may give. */
export interface Candidate {
  readonly finding: Finding;
  readonly probability: number;
  /** Expected return, mph: low, middle and high of the house ranges. */
  readonly worth: Worth;
  /** Whether another candidate is among its causes. */
  readonly hasRootBehind: boolean;
}

export interface Worth {
  readonly low: number;
  readonly expected: number;
  readonly high: number;
}

export interface Focus {
  readonly lowerHalf: FindingId | null;
  readonly arm: FindingId | null;
  /** With no root likely enough: the likeliest one seen, to work on with open eyes; null when the cause is open. */
  readonly open: { readonly finding: FindingId; readonly probability: number } | null;
}

export const LIKELY_ENOUGH = 0.35;
const WORTH_NAMING = 0.2;

const phaseRank = (finding: Finding): number => (finding.phase === null ? -1 : linkOrder(finding.phase));

function choose(candidates: readonly Candidate[], order: Schools['repairOrder']): FindingId | null {
  const by = (key: (c: Candidate) => number) =>
    candidates.reduce<Candidate | null>((best, c) => (best === null || key(c) > key(best) ? c : best), null);
  const biggestLeak = () => by((c) => c.worth.expected * 1000 + c.probability);
  if (order === 'first-link') return by((c) => -phaseRank(c.finding) * 1000 + c.probability)?.finding.id ?? null;
  if (order === 'body-first') {
    const limits = candidates.filter((c) => c.finding.kind === 'limit');
    if (limits.length > 0) return choose(limits, 'first-link');
  }
  return biggestLeak()?.finding.id ?? null;
}

/** What to work on, at most one lower-half and one arm-action focus, by the academy's order of repair. */
export function chooseFocus(candidates: readonly Candidate[], order: Schools['repairOrder']): Focus {
  const likely = candidates.filter((c) => c.probability >= LIKELY_ENOUGH && !(c.finding.healthFlag && c.hasRootBehind));
  const lowerHalf = choose(
    likely.filter((c) => c.finding.area !== 'arm-action'),
    order,
  );
  const arm = choose(
    likely.filter((c) => c.finding.area === 'arm-action'),
    order,
  );
  const first = candidates[0];
  const open =
    lowerHalf === null && arm === null && first && first.probability >= WORTH_NAMING
      ? { finding: first.finding.id, probability: first.probability }
      : null;
  return { lowerHalf, arm, open };
}
