/** What a physical test is. */
import type { JumpNorms } from '../athlete/athlete';
import type { Pose } from '../delivery/pose';
import type { TestSide } from '../delivery/sides';
import type { FindingId } from '../findings/ids';

/** Thresholds of the grades: from `pass` on it passes, from `watch` on it is to be watched; all grades count by ≥. */
export interface Thresholds {
  readonly pass: number;
  readonly watch: number;
}

/** What a test's own thresholds may depend on. */
export interface Tested {
  /** Completed years. */
  readonly age: number;
  readonly heightM: number;
  /** Under 18, or below college level. */
  readonly young: boolean;
  readonly norms: JumpNorms;
}

/** What a body can show in a test: anything beyond is a slip of the hand, the unit or the decimal point. */
export interface ReadingRange {
  readonly low: number;
  readonly high: number;
  /** Highest for the young, by completed years, rising; where none fits, `high` holds. */
  readonly young?: readonly { readonly under: number; readonly high: number }[];
}

/** A physical test with the two thresholds that make its three grades, and everything else that is its own. */
export interface TestOf<Id extends string = string> extends Thresholds {
  readonly id: Id;
  readonly name: string;
  /** What a therapist calls it. */
  readonly term: string;
  readonly how: string;
  /** How the athlete lies, sits or stands. */
  readonly position: 'supine' | 'prone' | 'side' | 'seated' | 'standing';
  /** On the side, a leg is lifted from above; a plank stands on its own side. */
  readonly lyingOn?: 'own side';
  /** What reads it: an inclinometer, a watch, a tape or gauge typed in, or whole steps. */
  readonly readBy: 'tilt' | 'timer' | 'keypad' | 'steps';
  readonly unit: 'deg' | 'cm' | 's' | '%BW' | 'score' | 'in' | '%height' | 'xBW';
  readonly sides: readonly TestSide[];
  /** Thresholds where they are not the same for everybody. */
  readonly bandOf?: (own: Thresholds, tested: Tested) => Thresholds;
  /** Typical difference of two readings by the same hand, 1 SD. */
  readonly readingSd: number;
  /** Which of several tries counts: the best one, or what they come to. */
  readonly counts: 'best' | 'mean';
  /** Provenance `house`, wide of what is published. */
  readonly range: ReadingRange;
  /** Which limit (or habit) it speaks about, by side. */
  readonly speaksOf: Partial<Record<TestSide, FindingId>>;
  /** Side that matters first when only one can be done. */
  readonly firstSide: TestSide;
  /** Coach's minutes per side. */
  readonly minutes: number;
  readonly adultsOnly?: boolean;
  /** Done only when asked for: it needs a gauge, a bar, or a floor that few cages have. */
  readonly onRequest?: boolean;
  readonly provenance: 'published' | 'convention' | 'house';
  /** Start and end, on the side that `shows` names. */
  readonly poses: readonly [from: Pose, to: Pose];
  /** Left out: the drive side. */
  readonly shows?: TestSide;
}

export const LEGS = ['drive', 'lead'] as const;
export const bothSides = (finding: FindingId) => ({ drive: finding, lead: finding });

/** A test under its own id, so that the list of tests knows all ids. */
export const bodyTest = <const Id extends string>(test: TestOf<Id>): TestOf<Id> => test;
