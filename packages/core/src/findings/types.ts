import type { Discipline, Link } from '../delivery/links';
import type { FindingId, FindingKind } from './ids';

export type Area = 'lower-half' | 'trunk' | 'arm-action' | 'body' | 'thought';
export type LeakClass = 'habit' | 'usual-consequence' | 'limit' | 'cue';

/** How many times likelier (or less likely) something makes findings. */
export type Times = readonly (readonly [finding: FindingId, times: number])[];

export type CostKind = 'speed' | 'command' | 'health';

export interface Cost {
  readonly of: readonly CostKind[];
  readonly how: string;
}

/** One thing that can be wrong, in words for both sides of the lesson. */
export interface Finding {
  readonly id: FindingId;
  readonly kind: FindingKind;
  readonly area: Area;
  /** Link where it shows; null for limits and cues, which come before all links. */
  readonly phase: Link | null;
  readonly disciplines: readonly Discipline[];
  /** A sentence that can head a page: what goes wrong. */
  readonly title: string;
  /** What the coach sees. */
  readonly seen: string;
  /** The same as room to gain, for the athlete. */
  readonly forAthlete: string;
  /** A question that one look answers; "yes" means the finding is there. */
  readonly eyeCheck: string;
  /** Hard to see live: the eye is trusted less. */
  readonly hardToSee: boolean;
  readonly leak: LeakClass;
  readonly healthFlag: boolean;
  /** What it usually costs, % of the athlete's own speed, low and high. Provenance `house`. */
  readonly costPercent: readonly [low: number, high: number];
  readonly leaveAlone?: string;
  readonly lookAlikes?: readonly FindingId[];
  /** What tells it from its look-alikes. */
  readonly tellApart?: string;
  /** What it costs; null for limits and cues, which cost through what they cause. */
  readonly cost: Cost | null;
}

type Given = Omit<Finding, 'kind' | 'hardToSee' | 'leak' | 'healthFlag' | 'costPercent' | 'cost'> &
  Partial<Pick<Finding, 'hardToSee' | 'leak' | 'healthFlag' | 'costPercent'>>;

/** A habit with the usual defaults filled in. */
export const habit = (given: Given): Finding => ({
  kind: 'habit',
  hardToSee: false,
  leak: 'habit',
  healthFlag: false,
  costPercent: [0, 1.3],
  cost: null,
  ...given,
});

type Inner = Pick<Finding, 'id' | 'title' | 'seen' | 'forAthlete' | 'eyeCheck' | 'disciplines'> &
  Partial<Pick<Finding, 'costPercent'>>;

/** A limit of the body: tested rather than seen, and costing speed only through what it causes. */
export const limit = (given: Inner): Finding => ({
  kind: 'limit',
  area: 'body',
  phase: null,
  hardToSee: true,
  leak: 'limit',
  healthFlag: false,
  costPercent: [0, 0],
  cost: null,
  ...given,
});

/** A misread instruction or thought: heard by asking. */
export const cue = (given: Inner): Finding => ({ ...limit(given), kind: 'cue', area: 'thought', leak: 'cue' });
