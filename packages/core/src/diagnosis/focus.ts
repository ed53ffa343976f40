import { linkName, linkOrder } from '../delivery/links';
import type { Discipline } from '../delivery/links';
import type { FindingId } from '../findings/ids';
import type { Finding } from '../findings/types';
import { SCHOOL_OPTIONS } from '../athlete/schools';
import type { Schools } from '../athlete/schools';

export type RepairOrder = Schools['repairOrder'];
export const REPAIR_ORDERS: readonly RepairOrder[] = SCHOOL_OPTIONS.repairOrder;

/** A root that could be worked on, with what repairing it may give. */
export interface Candidate {
  readonly finding: Finding;
  readonly probability: number;
  /** Expected return, % of own speed: low, middle and high of the house ranges. */
  readonly worth: Worth;
  /** Whether it may be told: no speed is promised to the youngest. */
  readonly worthTold: boolean;
  /** How many times its worth it counts for in the school that is set. */
  readonly ranked: number;
  /** Whether another candidate is among its causes. */
  readonly hasRootBehind: boolean;
  /** The coach has called it the root. */
  readonly byWord: boolean;
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
  /** Why this one and not another, by the order of repair; null where there is none. */
  readonly why: { readonly lowerHalf: string | null; readonly arm: string | null };
}

export const LIKELY_ENOUGH = 0.35;
/** From here on a cause is worth a coach's attention, probability. `house` */
export const WORTH_NAMING = 0.2;

interface Chosen {
  readonly finding: FindingId;
  readonly why: string;
}

const phaseRank = (finding: Finding): number => (finding.phase === null ? -1 : linkOrder(finding.phase));
const percent = (probability: number): string => `${Math.round(100 * probability)} %`;

function firstLink(candidate: Candidate, discipline: Discipline): string {
  const { phase, kind } = candidate.finding;
  if (phase !== null) return `The earliest link among the likely roots: ${linkName(phase, discipline)}.`;
  return `A ${kind === 'limit' ? 'limit of the body' : 'misread cue'} comes before all links.`;
}

const leak = ({ worth, worthTold }: Candidate): string =>
  !worthTold
    ? 'What hangs on it is most worth the work; no speed is promised at this age.'
    : worth.high < 0.05
      ? 'The likeliest of them; what it costs in speed is not known.'
      : `The largest expected return: about ${worth.expected.toFixed(1)} % of own speed (${worth.low.toFixed(1)} to ${worth.high.toFixed(1)}).`;

function choose(candidates: readonly Candidate[], order: RepairOrder, discipline: Discipline): Chosen | null {
  const by = (key: (c: Candidate) => number, among = candidates) =>
    among.reduce<Candidate | null>((best, c) => (best === null || key(c) > key(best) ? c : best), null);
  const said = by(
    (c) => c.probability,
    candidates.filter((c) => c.byWord),
  );
  if (said) return { finding: said.finding.id, why: 'The coach has called it the root.' };
  const likeliestLimit = by(
    (c) => c.probability,
    candidates.filter((c) => c.finding.kind === 'limit'),
  );
  if (order === 'body-first' && likeliestLimit)
    return {
      finding: likeliestLimit.finding.id,
      why: `The likeliest limit of the body, ${percent(likeliestLimit.probability)}, before any movement.`,
    };
  const best =
    order === 'first-link'
      ? by((c) => -phaseRank(c.finding) * 1000 + c.probability)
      : by((c) => c.worth.expected * c.ranked * 1000 + c.probability);
  if (!best) return null;
  const why = order === 'first-link' ? firstLink(best, discipline) : leak(best);
  return { finding: best.finding.id, why: order === 'body-first' ? `No limit of the body is likely enough. ${why}` : why };
}

/** What to work on, at most one lower-half and one arm-action focus, by an order of repair. */
export function chooseFocus(candidates: readonly Candidate[], order: RepairOrder, discipline: Discipline): Focus {
  const likely = candidates.filter((c) => c.probability >= LIKELY_ENOUGH && !(c.finding.healthFlag && c.hasRootBehind));
  const slot = (arm: boolean) =>
    choose(
      likely.filter((c) => (c.finding.area === 'arm-action') === arm),
      order,
      discipline,
    );
  const [lowerHalf, arm] = [slot(false), slot(true)];
  const first = candidates[0];
  const open =
    lowerHalf === null && arm === null && first && first.probability >= WORTH_NAMING
      ? { finding: first.finding.id, probability: first.probability }
      : null;
  return {
    lowerHalf: lowerHalf?.finding ?? null,
    arm: arm?.finding ?? null,
    open,
    why: { lowerHalf: lowerHalf?.why ?? null, arm: arm?.why ?? null },
  };
}
