/** What a judgement is. */
import type { FindingId, FindingKind } from '../findings/ids';
import type { WeighedCheck } from './checks';
import type { Focus, RepairOrder, Worth } from './focus';
import type { LeftAlone } from './leave-alone';
import type { Note } from './notes';
import type { Overruled } from './overruled';
import type { Cleared, Pull } from './pulls';

export interface Root {
  readonly finding: FindingId;
  readonly kind: FindingKind;
  readonly probability: number;
  readonly because: readonly Pull[];
  readonly against: readonly Pull[];
  /** Other possible causes of the same picture that the evidence cleared, with what cleared them. */
  readonly cleared: readonly Cleared[];
  /** What repairing it may give, % of own speed; null under twelve, and where it was not worth computing. */
  readonly worth: Worth | null;
  readonly sentence: string;
  /** The coach's word made it the root. */
  readonly byWord: boolean;
}

export interface Diagnosis {
  readonly roots: readonly Root[];
  /** P(present), per finding of the discipline. */
  readonly posterior: Readonly<Partial<Record<FindingId, number>>>;
  readonly expectedToEase: readonly { readonly finding: FindingId; readonly probability: number }[];
  readonly leaveAlone: readonly LeftAlone[];
  readonly split: { readonly body: number; readonly timing: number; readonly cue: number };
  readonly nextChecks: readonly WeighedCheck[];
  readonly flags: readonly FindingId[];
  /** Own speed by the newest readings at full effort, mph: what shares of it are shares of. */
  readonly ownSpeedMph: number | null;
  /** By the order of repair in force. */
  readonly focus: Focus;
  /** What each order of repair would choose, and why. */
  readonly focusBy: Readonly<Record<RepairOrder, Focus>>;
  /** What the coach has ruled, with what the evidence would say. */
  readonly overruled: readonly Overruled[];
  /** Remarks on the evidence itself: contradictions, what tells nothing, what is out of date. */
  readonly notes: readonly Note[];
  /** Glances not yet taken, the most telling first. */
  readonly lookNext: readonly FindingId[];
  /** No glance that is left is likely to change the focus. */
  readonly lookingSettled: boolean;
}
