import type { Discipline } from '../delivery/links';
import type { FindingId } from '../findings/ids';
import type { Area } from '../findings/types';
import type { Schools } from '../shared/schools';
import type { PoseId } from '../delivery/poses';

export const RUNGS = [0, 1, 2, 3, 4, 5, 6, 7, 8] as const;
export type Rung = (typeof RUNGS)[number];
export const RUNG_NAMES: Record<Rung, string> = {
  0: 'Prepare',
  1: 'Hold',
  2: 'Dry move',
  3: 'Constrained throw',
  4: 'Part throw',
  5: 'Joined throw',
  6: 'Flat, full',
  7: 'Mound',
  8: 'Game-like, measured',
};

export const PLACES = ['home', 'cage', 'field', 'mound'] as const;
export type Place = (typeof PLACES)[number];

/** Kit beyond ball, glove and a wall, that an athlete may or may not have. */
export const EQUIPMENT = [
  'net',
  'strap',
  'band',
  'cone',
  'bag',
  'hurdle',
  'slope-board',
  'box',
  'mat',
  'tape',
  'towel',
  'belt-cord',
  'mirror',
  'string',
  'radar',
  'weighted-ball',
] as const;
export type Equipment = (typeof EQUIPMENT)[number];

export interface Cheat {
  /** Shared by all drills in which this way round is found. */
  readonly cheat: string;
  /** Words for the chip that a coach taps. */
  readonly label: string;
  /** What to add so that this way round is closed. */
  readonly counter: string;
}

export interface Dose {
  readonly sets: number;
  readonly reps: number;
  /** Seconds held per rep, for holds. */
  readonly holdS?: number;
}

/** One drill with all that is needed to choose it, do it, judge it and make it harder or easier. */
export interface Drill {
  readonly id: string;
  readonly name: string;
  readonly disciplines: readonly Discipline[];
  readonly treats: readonly { readonly finding: FindingId; readonly weight: number }[];
  readonly area: Area;
  readonly rungs: readonly Rung[];
  readonly setup: string;
  readonly steps: readonly string[];
  readonly equipment: readonly Equipment[];
  readonly place: readonly Place[];
  readonly partner: boolean;
  readonly ball: boolean;
  /** How its reps count as load. */
  readonly throws: 'none' | 'light' | 'full';
  /** Percent of full effort, from the first rep to the last that stays good. */
  readonly effort: readonly [low: number, high: number];
  readonly dose: Dose;
  readonly cue: { readonly external: string; readonly internal: string };
  readonly feel: string;
  /** Success sign that one look can judge. */
  readonly success: string;
  readonly cheats: readonly Cheat[];
  readonly regressTo: string | null;
  readonly progressTo: string | null;
  readonly cautions: readonly string[];
  readonly minAge: number;
  readonly schools: Partial<{ readonly [Q in keyof Schools]: readonly Schools[Q][] }>;
  /** Aids in the order in which they are taken away, least needed first. */
  readonly supports: readonly string[];
  /** Serves whatever is worked on: full deliveries, blocks and tests. */
  readonly general: boolean;
  /** Findings that make the drill a bad idea while they are likely. */
  readonly notWhile: readonly FindingId[];
  readonly distanceM?: number;
  readonly poses: readonly PoseId[];
}

export const isThrowingDrill = (drill: Drill): boolean => drill.throws !== 'none';
/** Work that a sore leg, hip or back stops. */
export const isLegWork = (drill: Drill): boolean => drill.area === 'lower-half' || drill.area === 'body';

type Defaults =
  | 'equipment'
  | 'partner'
  | 'ball'
  | 'throws'
  | 'effort'
  | 'regressTo'
  | 'progressTo'
  | 'cautions'
  | 'minAge'
  | 'schools'
  | 'supports'
  | 'general'
  | 'notWhile'
  | 'treats';
export type DrillGiven = Omit<Drill, Defaults> &
  Partial<Omit<Drill, 'treats'>> & { readonly treats: Partial<Record<FindingId, number>> };

/** A drill with the usual defaults: dry, alone, any age from seven. */
export function drill(given: DrillGiven): Drill {
  return {
    equipment: [],
    partner: false,
    ball: false,
    throws: 'none',
    effort: [0, 0],
    regressTo: null,
    progressTo: null,
    cautions: [],
    minAge: 7,
    schools: {},
    supports: [],
    general: false,
    notWhile: [],
    ...given,
    treats: Object.entries(given.treats).map(([finding, weight]) => ({ finding: finding as FindingId, weight })),
  };
}
