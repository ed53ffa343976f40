/** Was the prediction right that something eases once the root is worked on? */
import type { FindingId } from '../findings/ids';

/** A finding that should ease, and how likely it was there when that was said. */
export interface Expected {
  readonly finding: FindingId;
  readonly then: number;
}

/** What became of it; `eased` is null where nothing has spoken of it since, so that nobody can say. */
export interface Eased extends Expected {
  readonly now: number;
  readonly eased: boolean | null;
}

/** Odds have to fall to this share of what they were. Provenance `house`. */
const EASED_TO = 0.5;

const odds = (p: number): number => p / Math.max(1e-6, 1 - p);

/**
 * What became of each: eased where its odds have at least halved by something seen of it since.
 * @param present P(present) per finding now
 * @param spokenOf whether something has spoken of a finding since the focus began
 */
export const easedOf = (
  expects: readonly Expected[],
  present: Readonly<Partial<Record<FindingId, number>>>,
  spokenOf: (finding: FindingId) => boolean,
): Eased[] =>
  expects.map(({ finding, then }) => {
    const now = present[finding] ?? 0;
    return { finding, then, now, eased: spokenOf(finding) ? odds(now) <= EASED_TO * odds(then) : null };
  });
