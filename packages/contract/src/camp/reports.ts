/** What goes home from a camp, and where an athlete goes there. */
import type { CampGain, IsoDate } from '@wrightonic/core';
import type { SheetPicture } from '../film/clips';
import type { NamedId } from '../people/people';
import { objectOf, oneOf } from '../schema/schema';

/** What goes home with one athlete. */
export interface CampReport {
  readonly athlete: NamedId;
  readonly age: number;
  readonly speed: CampGain;
  readonly throws: number;
  readonly reps: number;
  /** What is worked on, in the words of athlete and family. */
  readonly focus: string | null;
  /** The two drills to remember. */
  readonly drills: readonly { readonly name: string; readonly cue: string; readonly reps: number; readonly good: number }[];
  /** Four weeks at home, with the kit that is there; null with the reason where there is none. */
  readonly home: readonly CampHomeDay[] | null;
  readonly homeWhy: string | null;
  /** Out of clips of the camp, the first and the last; empty without consent to film. */
  readonly pictures: readonly SheetPicture[];
}

export interface CampHomeDay {
  readonly date: IsoDate;
  readonly minutes: number;
  readonly throws: number;
  readonly items: readonly { readonly drill: string; readonly dose: string; readonly cue: string }[];
}

export interface CampReports {
  readonly camp: string;
  /** When they were handed out: from then on they stay as they were. Null while they are made anew each time. */
  readonly handedOutAt: string | null;
  readonly from: IsoDate;
  readonly to: IsoDate;
  readonly unit: string;
  readonly reports: readonly CampReport[];
  readonly totals: {
    readonly athletes: number;
    readonly throws: number;
    readonly reps: number;
    readonly readTwice: number;
    readonly locked: number;
  };
}

/** Where to be in one rotation. */
export interface CampStop {
  /** HH:MM at the camp. */
  readonly from: string;
  readonly to: string;
  /** Null where there is nothing for them. */
  readonly station: string | null;
  readonly place: string | null;
  readonly coach: string | null;
}

/** A camp as one athlete goes through it: of others nothing is told. */
export interface CampWay {
  readonly id: string;
  readonly name: string;
  readonly place: string | null;
  readonly from: IsoDate;
  readonly to: IsoDate;
  readonly days: readonly { readonly date: IsoDate; readonly stops: readonly CampStop[] }[];
  /** What was handed out; null before that. */
  readonly report: CampReport | null;
  /** Why there is no throwing now, whatever was planned; null where there is. */
  readonly locked: string | null;
}

export const CAMP_PAPERS = ['reports', 'stations', 'coaches', 'athletes'] as const;
export interface CampPaperQuery {
  readonly of: (typeof CAMP_PAPERS)[number];
}
export const campPaperQuerySchema = objectOf<CampPaperQuery>({ of: oneOf(CAMP_PAPERS).required() });
