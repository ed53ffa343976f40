/** A camp as plain data: days of rotations, athletes, stations, and who is where when. */
import type { IsoDate } from '../shared/dates';

export const STATION_KINDS = ['drill', 'radar', 'screen', 'film', 'rest'] as const;
export type StationKind = (typeof STATION_KINDS)[number];

export interface CampDay {
  readonly date: IsoDate;
  /** When the first rotation begins, HH:MM at the camp. */
  readonly start: string;
  readonly rotations: number;
  /** Minutes of one rotation. */
  readonly minutes: number;
}

export interface CampAthlete {
  readonly id: string;
  /** Whole years on the first day. */
  readonly age: number;
  readonly throws: 'R' | 'L';
  /** Findings, by their ids; an academy’s own are as good as those of the catalogue. */
  readonly focus: readonly string[];
  /** Throws that all stations of a day may come to. */
  readonly throwBudget: number;
  /** No throwing until somebody has cleared it. */
  readonly locked: boolean;
  readonly group?: string;
  /** Athletes to be with, where that can be. */
  readonly with?: readonly string[];
  /** Stations that are not for them: too young for the drill, the other discipline, effort beyond a clearance. */
  readonly notAt?: readonly string[];
}

export interface CampStation {
  readonly id: string;
  readonly kind: StationKind;
  readonly treats?: readonly string[];
  /** Athletes at once. */
  readonly capacity: number;
  /** Pieces of what each athlete needs one of; as many as the places where it is not said. */
  readonly kit?: number;
  readonly throwsPerVisit: number;
  /** Whether its throws are hard. */
  readonly hard: boolean;
}

/** Who is where. Days and rotations count from 0. */
export interface Assignment {
  readonly athlete: string;
  readonly day: number;
  readonly rotation: number;
  readonly station: string;
}

export const CAMP_CHANGES = ['station-closed', 'athlete-absent', 'athlete-late'] as const;

/** Something that happens on a day: a station or an athlete is gone from a rotation on for the rest of it, or an athlete comes with it. */
export interface CampChange {
  readonly day: number;
  readonly fromRotation: number;
  readonly type: (typeof CAMP_CHANGES)[number];
  readonly id: string;
}

export interface CampRequest {
  readonly days: readonly CampDay[];
  readonly athletes: readonly CampAthlete[];
  readonly stations: readonly CampStation[];
  /** Picks after how many nodes a search stops; never the clock. */
  readonly secondsLimit: number;
  readonly seed: number;
  readonly current?: readonly Assignment[];
  readonly changes?: readonly CampChange[];
  /** With `current`: what comes before is past, and stays as it was. Left out, the first rotation in which something changes. */
  readonly now?: { readonly day: number; readonly rotation: number };
}

export const CAMP_RULES = [
  'place',
  'capacity',
  'kit',
  'budget',
  'lock',
  'not-for',
  'hard-in-a-row',
  'radar',
  'film',
  'closed',
  'absent',
] as const;
export type CampRule = (typeof CAMP_RULES)[number];

/** A hard rule that a schedule breaks, in words. */
export interface CampViolation {
  readonly rule: CampRule;
  readonly day: number;
  readonly rotation?: number;
  readonly athlete?: string;
  readonly station?: string;
  readonly detail: string;
}

/** What the wishes of a schedule come to; larger is better. */
export interface ScoreParts {
  readonly focus: number;
  readonly readings: number;
  readonly waiting: number;
  readonly variety: number;
  readonly groups: number;
  readonly wishes: number;
}

export interface CampSchedule {
  readonly assignments: readonly Assignment[];
  /** Sum of the parts. */
  readonly score: number;
  readonly scoreParts: ScoreParts;
  /** No schedule scores more; of those that move as few athletes, where the rest of a camp is planned anew. */
  readonly bound: number;
  /** Athletes who are sent elsewhere than before, for at least one rotation. */
  readonly moved: number;
  readonly violations: readonly CampViolation[];
  readonly infeasible: null | { readonly reason: string; readonly relax: readonly string[] };
}
