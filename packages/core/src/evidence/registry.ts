/** What is known of an item by its kind. */
import type { FindingId } from '../findings/ids';
import type { IsoDate } from '../shared/dates';
import type { DatedEvidence } from './evidence';
import { holdsStill } from './fading';
import type { Known } from './fading';
import type { EvidenceKind, Teller } from './kind';
import { KINDS } from './kinds';
import type { Evidence } from './kinds';

/** Days after which what was seen has an even chance to have changed. Provenance `house`. */
export const HALF_LIFE_DAYS = Object.fromEntries(
  Object.values(KINDS).map(({ kind, halfLifeDays }) => [kind, halfLifeDays]),
) as Readonly<Record<Evidence['kind'], number>>;

/** The kind of an item. Its functions take items of that very kind, so it is asked with the item it came from. */
export const kindOf = (item: Pick<Evidence, 'kind'>): EvidenceKind<Evidence> => KINDS[item.kind];

/** What an item is a statement about: two items with one of these in common say the same thing again. */
export const thingsOf = (item: DatedEvidence): readonly string[] => kindOf(item).thingsOf(item);

/** Chance that what was observed then still holds: see {@link holdsStill}. */
export const stillHolds = (
  kind: Evidence['kind'],
  observedOn: IsoDate | undefined,
  on: IsoDate,
  finding: FindingId | null,
  known: Known,
): number => holdsStill(KINDS[kind], observedOn, on, finding, known);

/** An item in one line. */
export const evidenceWords = (item: Evidence, say: Teller): string => kindOf(item).words(item, say);

/** Findings that somebody has looked at, tested or measured. */
export const lookedAt = (evidence: readonly Evidence[]): ReadonlySet<FindingId> =>
  new Set(evidence.flatMap((item) => kindOf(item).looksAt?.(item) ?? []));
