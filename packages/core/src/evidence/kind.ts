/** What a kind of evidence is: everything that is known of it stands in its one file under `kinds/`. */
import type { CueId, FindingId } from '../findings/ids';
import { findingById } from '../findings/catalogue';
import type { Times } from '../findings/types';
import type { Provenance } from '../load/tables';
import { round } from '../shared/maths';
import type { DatedEvidence, Origin } from './evidence';
import { ratio } from './likelihood';
import type { Likelihood } from './likelihood';
import type { Situation } from './situation';
import type { Standing } from './standing';

/** A node that exists only because something was observed: its causes bring the observation about. */
export interface Observation {
  readonly id: string;
  readonly leak: number;
  readonly causes: readonly { readonly finding: FindingId; readonly weight: number }[];
  readonly likelihood: Likelihood;
}

/** What one evidence item says. */
export interface Contribution {
  /** Likelihood ratios on findings. */
  readonly on: readonly { readonly finding: FindingId; readonly likelihood: Likelihood }[];
  readonly observation?: Observation;
  /** An arrow that exists for this athlete only. */
  readonly arrow?: { readonly cause: CueId; readonly consequence: FindingId; readonly weight: number };
  /** The item completes a limit that was read twice; the first of `on` is what it says of it. */
  readonly fact?: { readonly finding: FindingId; readonly holds: number };
  /** Findings that the item is about: items about the same finding are weighed together. */
  readonly about: readonly string[];
}

/** What an item said on its day, before it is weighed and faded; `thing` where a part of it has a weight of its own. */
export type Saying = Omit<Contribution, 'on'> & {
  readonly on: readonly { readonly finding: FindingId; readonly likelihood: Likelihood; readonly thing?: string }[];
};
export const SILENT: Saying = { on: [], about: [] };

/** So many times likelier each, of what this delivery has. */
export function timesEach(says: Times, situation: Situation): Saying {
  const on = says
    .filter(([finding]) => situation.inPlay.has(finding))
    .map(([finding, times]) => ({ finding, likelihood: ratio(times) }));
  return { on, about: on.map((c) => c.finding) };
}

/** Where an item stands among all of the evidence. */
export interface Place {
  readonly index: number;
  readonly evidence: readonly DatedEvidence[];
  readonly standing: Standing;
  readonly situation: Situation;
  /** @throws EvidenceError unless `here`: the item cannot be about this athlete */
  readonly require: (here: boolean, field: string, message: string) => void;
  /** @throws EvidenceError unless this delivery has it */
  readonly requireHere: (here: boolean, field: string, what: string) => void;
}

/** A number behind what an item says. */
export interface TracedNumber {
  readonly name: string;
  readonly value: number;
  readonly unit: string;
  readonly provenance: Provenance;
  /** The academy, or what is known of this eye, has put it in place of the catalogue's. */
  readonly changed: boolean;
}
export const PERCENT = '%';
/** A number of provenance `house`, rounded to three digits. */
export const house = (name: string, value: number, unit = '', changed = false): TracedNumber => ({
  name,
  value: round(value, 3),
  unit,
  provenance: 'house',
  changed,
});
export const timesBehind = (says: Times, { inPlay }: Situation): TracedNumber[] =>
  says
    .filter(([finding]) => inPlay.has(finding))
    .map(([finding, times]) => house(`Makes “${findingById(finding).title.toLowerCase()}” likelier, times`, times));

/** How whoever tells an item says findings, sides and values. */
export interface Teller {
  readonly title: (finding: FindingId) => string;
  readonly side: (side: string) => string;
  /** A value of a test, with its unit. */
  readonly value: (value: number, unit: string) => string;
  /** A value measured on film, with its unit. */
  readonly measured: (value: number, unit: string) => string;
  readonly event: (event: string) => string;
}

/** How what was observed grows old. Provenance `house`. */
export interface Ageing {
  /** Days after which what was seen has an even chance to have changed. */
  readonly halfLifeDays: number;
  /** A grown body makes it stale. */
  readonly ofTheBody?: true;
}

/**
 * A kind of evidence.
 * @typeParam Item the items of this kind
 */
export interface EvidenceKind<Item extends { readonly kind: string }> extends Ageing {
  readonly kind: Item['kind'];
  /** What an item is a statement about: two items with one of these in common say the same thing again. */
  thingsOf(item: Item & Origin): readonly string[];
  /** An older statement still says a little; of all other kinds only the newest counts. */
  readonly lingers?: true;
  /** Statements of these about one finding are hearsay of one sort: together they weigh little more than the strongest. */
  readonly hearsay?: 'told' | 'tried';
  /** Tests fade and are weighed side by side, each by its own day: that is in what they say already. */
  readonly weighsItself?: true;
  says(item: Item & Origin, place: Place): Saying;
  /** The numbers behind what it says. */
  numbers(item: Item & Origin, situation: Situation): readonly TracedNumber[];
  /** Findings that were looked at, tested or measured by it. */
  looksAt?(item: Item): readonly FindingId[];
  /** A finding that it is a try of, in slow or in a drill. */
  tries?(item: Item): FindingId;
  /** What a careful person would remark on the item by itself. */
  odd?(item: Item): string | null;
  /** Why it says nothing here; null where that needs no word. */
  whySilent?(item: Item & Origin, place: Place, about: readonly string[]): string | null;
  /** The item in one line. */
  words(item: Item, say: Teller): string;
}
