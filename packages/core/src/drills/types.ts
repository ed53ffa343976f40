import type { Discipline } from '../delivery/links';
import type { FindingId } from '../findings/ids';
import type { Area } from '../findings/types';
import type { Schools } from '../athlete/schools';
import type { PoseId } from '../delivery/poses';
import { sharedCheat } from './cheat-table';
import type { Cheat, CheatId } from './cheat-table';

export type { Cheat, CheatId } from './cheat-table';

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

/** Kit beyond ball, glove, a wall and the rubber. Towel and tape are always there. */
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

/** Kit as a sentence names it; anything that is no kit stays as it is. */
export const kitName = (kit: string): string => ((EQUIPMENT as readonly string[]).includes(kit) ? kit.replaceAll('-', ' ') : kit);
export const ALWAYS_THERE: readonly Equipment[] = ['tape', 'towel'];

/** How much a drill asks of the legs: nothing to speak of, heavy leg work, or jumps. */
export const STRAINS = ['none', 'leg', 'jump'] as const;
export type Strain = (typeof STRAINS)[number];

/** What a drill that serves any focus is for. */
export const GENERAL_PARTS = [
  'pulse',
  'after-throwing',
  'warm-throws',
  'catch',
  'game',
  'whole',
  'blocks',
  'mound',
  'game-like',
  'test',
] as const;
export type GeneralPart = (typeof GENERAL_PARTS)[number];

/** Kit that supports a drill until it is good without. */
export interface Aid {
  readonly kit: Equipment;
  /** What the drill looks like when it is gone. */
  readonly without: string;
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
  /** Aids in the order in which they are taken away: last on, first off. All are among its equipment. */
  readonly aids: readonly Aid[];
  /** Serves whatever is worked on: preparation, warm-up, catch, whole throws, blocks and tests. */
  readonly general: boolean;
  /** What it is for when it serves any focus; null for a drill of its own findings. */
  readonly part: GeneralPart | null;
  readonly strain: Strain;
  /** The arm swings without a ball: what a lock or pain stops too. */
  readonly armSwing: boolean;
  /** Oldest age it is meant for. */
  readonly maxAge: number;
  /** Findings that make the drill a bad idea while they are likely. */
  readonly notWhile: readonly FindingId[];
  readonly distanceM?: number;
  readonly poses: readonly PoseId[];
}

export const isThrowingDrill = (drill: Drill): boolean => drill.throws !== 'none';
/** Nothing is thrown below rung 3, and something from it on. */
export const isRungFor = (drill: Drill, rung: Rung): boolean => rung >= 3 === isThrowingDrill(drill);
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
  | 'aids'
  | 'general'
  | 'part'
  | 'strain'
  | 'armSwing'
  | 'maxAge'
  | 'notWhile'
  | 'treats'
  | 'cheats';
export type DrillGiven = Omit<Drill, Defaults> &
  Partial<Omit<Drill, 'treats' | 'cheats' | 'general'>> & {
    readonly treats: Partial<Record<FindingId, number>>;
    /** Ids of the shared table, or a cheat with this drill's own answer. */
    readonly cheats: readonly (CheatId | Cheat)[];
  };

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
    aids: [],
    part: null,
    strain: 'none',
    armSwing: false,
    maxAge: 99,
    notWhile: [],
    ...given,
    general: given.part !== undefined && given.part !== null,
    cheats: given.cheats.map((cheat) => (typeof cheat === 'string' ? sharedCheat(cheat) : cheat)),
    treats: Object.entries(given.treats).map(([finding, weight]) => ({ finding: finding as FindingId, weight })),
  };
}

/** A finding that a drill treats directly: its weight on the finding itself is at least a half. */
export const DIRECT_WEIGHT = 0.5;
export const treatsDirectly = (drill: Drill, finding: FindingId): boolean =>
  drill.treats.some((t) => t.finding === finding && t.weight >= DIRECT_WEIGHT);
