import type { Equipment, Place, Rung } from '../drills/types';
import type { FindingId } from '../findings/ids';
import type { AthleteProfile } from '../shared/athlete';
import type { IsoDate, Weekday } from '../shared/dates';
import type { Schools } from '../shared/schools';
import type { Clearance } from '../load/clearance';
import type { PainReport } from '../load/pain';
import type { LeagueRule, Season } from '../load/rules';

export interface PlanRequest {
  readonly on: IsoDate;
  readonly athlete: AthleteProfile;
  readonly schools?: Partial<Schools>;
  /** At most one lower-half and one arm-action focus, with the rung each stands on. */
  readonly focus: readonly { readonly finding: FindingId; readonly rung: Rung }[];
  readonly weeks: number;
  /** Last day of the plan where it ends before its weeks do: what is left of a plan made anew. */
  readonly until?: IsoDate;
  readonly availability: readonly { readonly weekday: Weekday; readonly minutes: number; readonly place: Place }[];
  readonly equipment: readonly Equipment[];
  readonly partner: boolean;
  readonly season: Season;
  readonly games: readonly { readonly date: IsoDate; readonly pitches: number }[];
  readonly recentLoad: readonly {
    readonly date: IsoDate;
    readonly pitches?: number;
    readonly throws: number;
    readonly highEffort: number;
  }[];
  readonly pain: readonly ({ readonly date: IsoDate } & PainReport)[];
  readonly clearances?: readonly Clearance[];
  readonly leagueDailyLimit: number | null;
  readonly league?: LeagueRule;
  /** Health-flagged findings that are likely. */
  readonly flags: readonly FindingId[];
  readonly pinned: readonly { readonly date: IsoDate; readonly drill: string }[];
  /** In how many recent sessions each drill was used: what has settled, and which aids are gone already. */
  readonly recentDrills?: readonly { readonly drill: string; readonly sessions: number }[];
}

export interface PlanItem {
  readonly drill: string;
  readonly rung: Rung;
  readonly sets: number;
  readonly reps: number;
  readonly holdS?: number;
  readonly effort: readonly [number, number];
  readonly distanceM?: number;
  readonly throws: number;
  readonly minutes: number;
  readonly cue: string;
  readonly success: string;
  readonly constraints: { readonly add: readonly string[]; readonly remove: readonly string[] };
  readonly why: string;
  /** Part it plays in the session. */
  readonly role: Role;
  /** The focus that it was chosen for. */
  readonly focus: FindingId;
}

export type Role = 'prepare' | 'warm' | 'main' | 'taste' | 'test' | 'pinned';

export interface PlanSession {
  readonly date: IsoDate;
  readonly place: Place;
  readonly minutes: number;
  readonly throws: number;
  readonly highEffort: number;
  readonly testDay: boolean;
  readonly items: readonly PlanItem[];
  /** Why the session is as small as it is, when a rule made it so. */
  readonly note: string | null;
}

export interface Plan {
  readonly sessions: readonly PlanSession[];
  /** What was wished and could not be had. */
  readonly violations: readonly { readonly rule: string; readonly detail: string }[];
  readonly infeasible: { readonly reason: string; readonly relax: readonly string[] } | null;
  readonly summary: string;
}

/** One future session as the climb wants it, before drills are chosen. */
export interface SessionOutline {
  readonly date: IsoDate;
  readonly place: Place;
  readonly minutes: number;
  readonly testDay: boolean;
  readonly focus: readonly { readonly finding: FindingId; readonly main: Rung }[];
}
