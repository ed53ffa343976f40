/** One day of a camp as it is to be planned: what is given, and what a model chooses from. */
import type { Entry } from '../shared/linear';
import type { Camp, ReadKind } from './camp';
import type { Assignment, CampAthlete, CampStation } from './types';

/** A day whose rotations before `from` are past and stay as they are. */
export interface DayTask {
  readonly camp: Camp;
  readonly day: number;
  readonly from: number;
  readonly past: readonly Assignment[];
  /** Where everybody was to be; null where nothing was planned. */
  readonly current: readonly Assignment[] | null;
  /** Who alone is placed, all others staying where they are; everybody where it is not said. */
  readonly only?: { readonly free: ReadonlySet<string>; readonly others: readonly Assignment[] };
  /** Whether wishes are left out, so that nothing counts but places, readings and who is moved. */
  readonly wishless?: true;
  /** Whether it is asked for the bound alone: what helps that to lie low, and takes time with whole numbers, is added. */
  readonly bound?: true;
}

/** The columns of a reading that is owed. */
export interface Reading {
  readonly athlete: string;
  readonly kind: ReadKind;
  /** Whether it is missed. */
  readonly missed: number;
  /** Readings beyond the one. */
  readonly again: number;
}

export interface Choice {
  readonly column: number;
  readonly athlete: CampAthlete;
  readonly station: CampStation;
  readonly rotation: number;
}

export const entriesOf = (choices: readonly Choice[]): Entry[] => choices.map(({ column }): Entry => [column, 1]);

/** Throws of an athlete's stations of the day that are past. */
export const thrownBefore = ({ camp, past }: DayTask, athlete: string): number =>
  past.reduce((total, a) => total + (a.athlete === athlete ? camp.station(a.station).throwsPerVisit : 0), 0);
