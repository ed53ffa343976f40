/** Body speeds of throws, and what is made of them. */
import type { Segment, SequenceEvidence } from '../evidence/kinds/sequence';
import type { FindingId } from '../findings/ids';

export type Series = Partial<Record<Segment, readonly number[]>>;

/** Parts whose forward speed tells how well the body stops below. */
export const LINEAR_PARTS = ['hip', 'trunk', 'upper-arm'] as const;
export type LinearPart = (typeof LINEAR_PARTS)[number];

/** One throw as a sensor gives it. All series begin together and have one rate. */
export interface SensorThrow {
  readonly rateHz: number;
  /** Seconds from the first sample. Without release the fastest moment of the forearm stands for it. */
  readonly contactS?: number;
  readonly releaseS?: number;
  /** Percent of the athlete's best. */
  readonly effort: number;
  /** Rotational speeds, deg/s, positive towards the target. */
  readonly series: Series;
  /** Forward speeds, m/s. */
  readonly linear?: Partial<Record<LinearPart, readonly number[]>>;
}

export interface SequenceRequest {
  readonly throws: readonly SensorThrow[];
}

export interface Peak {
  /** deg/s. */
  readonly value: number;
  /** Against release, ms; before it is negative. */
  readonly timeMs: number;
  /** When the segment last passed a fifth of its peak on the way up; null where that lies before the series. */
  readonly onsetMs: number | null;
}

/** A step of the relay: of one segment to the next. */
export type Step = `${Segment}-${Segment}`;

export interface Said {
  readonly finding: FindingId;
  readonly sentence: string;
  /** The numbers of the sentence, by name. */
  readonly numbers: Readonly<Record<string, number>>;
}

export interface ThrowSequence {
  readonly peaks: Partial<Record<Segment, Peak>>;
  /** Segments by the time of their peaks. */
  readonly order: readonly Segment[];
  /** From one peak to the next of the relay, ms. */
  readonly gapsMs: Partial<Record<Step, number>>;
  /** Peak against that of the segment before. */
  readonly gains: Partial<Record<Step, number>>;
  /** Share of its peak that a part has lost by release: of forward speed where that is given, else of the turn. */
  readonly shutOff: { readonly pelvis?: number; readonly trunk?: number };
  readonly startedBy: Segment;
  /** Pelvis turn minus trunk turn since the window began, degrees. */
  readonly separation?: { readonly atContact: number; readonly max: number; readonly maxAfterContactMs: number };
  readonly verdict: readonly Said[];
}

export interface Consistency {
  readonly throws: number;
  readonly peaks: Partial<
    Record<Segment, { readonly timeMs: number; readonly timeSd: number; readonly value: number; readonly valueSd: number }>
  >;
  readonly gapsMs: Partial<Record<Step, { readonly mean: number; readonly sd: number }>>;
  /** Throws, from 0, that break the order of the relay. */
  readonly brokenOrder: readonly number[];
  /** Mean peaks at full effort against those with less; null without both. */
  readonly byEffort: Partial<Record<Segment, { readonly full: number; readonly less: number }>> | null;
}

export interface SequenceAnswer {
  readonly throws: readonly ThrowSequence[];
  readonly consistency: Consistency;
  /** What the throws together say to the diagnosis. */
  readonly evidence: SequenceEvidence | null;
}
