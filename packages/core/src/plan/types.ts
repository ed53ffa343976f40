import type { Equipment, Place, Rung } from '../drills/types';
import type { OwnLibrary } from '../drills/library';
import type { FindingId } from '../findings/ids';
import type { AthleteProfile } from '../athlete/athlete';
import type { IsoDate, Weekday } from '../shared/dates';
import type { Schools } from '../athlete/schools';
import type { Clearance } from '../load/clearance';
import type { PainReport } from '../load/pain';
import type { LeagueRule, Season } from '../load/rules';

/** A day of the week on which there is time. */
export interface Slot {
  readonly weekday: Weekday;
  readonly minutes: number;
  readonly place: Place;
  /** Kit at this place; in its absence the athlete's own. */
  readonly equipment?: readonly Equipment[];
}

/** What the judgement says of this athlete. */
export interface PlanJudgement {
  /** P(present) of findings, 0 to 1. */
  readonly present?: Partial<Record<FindingId, number>>;
  /** Limits and cues that a test or a talk has ruled out. */
  readonly cleared?: readonly FindingId[];
}

export interface PlanRequest {
  readonly on: IsoDate;
  readonly athlete: AthleteProfile;
  readonly schools?: Partial<Schools>;
  /** At most one lower-half and one arm-action focus, with the rung each stands on. */
  readonly focus: readonly { readonly finding: FindingId; readonly rung: Rung }[];
  /** Without it only the focus itself is known. */
  readonly judgement?: PlanJudgement;
  /** Cheats seen in the last reps of a drill. */
  readonly cheats?: readonly { readonly drill: string; readonly cheat: string; readonly reps: number; readonly seen: number }[];
  readonly weeks: number;
  /** Last day of the plan where it ends before its weeks do: what is left of a plan made anew. */
  readonly until?: IsoDate;
  /** First day of the plan that this one goes on with: weeks, light weeks and tests are counted from it. */
  readonly began?: IsoDate;
  readonly availability: readonly Slot[];
  readonly equipment: readonly Equipment[];
  readonly partner: boolean;
  readonly season: Season;
  readonly games: readonly { readonly date: IsoDate; readonly pitches: number }[];
  /** Spans in which the arm rests from all throwing. */
  readonly restBlocks?: readonly { readonly from: IsoDate; readonly until: IsoDate }[];
  readonly recentLoad: readonly {
    readonly date: IsoDate;
    readonly pitches?: number;
    readonly throws: number;
    readonly highEffort: number;
  }[];
  /** Throws of a usual week as told at intake, for who has nothing on record. */
  readonly weekTold?: number;
  readonly pain: readonly ({ readonly date: IsoDate } & PainReport)[];
  readonly clearances?: readonly Clearance[];
  readonly leagueDailyLimit: number | null;
  readonly league?: LeagueRule;
  /** Health-flagged findings that are likely. */
  readonly flags: readonly FindingId[];
  readonly pinned: readonly { readonly date: IsoDate; readonly drill: string }[];
  /** What was done lately with each drill: in how many sessions, and the aids that are gone already. */
  readonly recentDrills?: readonly {
    readonly drill: string;
    readonly sessions: number;
    readonly aidsGone?: readonly string[];
    /** Sessions at this rung without a move of the gate. */
    readonly stuck?: boolean;
  }[];
  /** The plan as it stands: what it holds is kept where it is as good. */
  readonly asItStands?: readonly { readonly date: IsoDate; readonly drills: readonly string[] }[];
  /** What the academy says of drills and ladders. */
  readonly library?: OwnLibrary;
  /** Day of the last test. */
  readonly lastTest?: IsoDate;
}

/** Part that an item plays in its session. */
export const ROLES = ['prepare', 'warm-throws', 'test', 'main', 'carry-over', 'support', 'arm-work', 'pinned'] as const;
export type Role = (typeof ROLES)[number];

export interface PlanItem {
  readonly drill: string;
  readonly role: Role;
  /** The focus that it serves; null for what serves the day. */
  readonly focus: FindingId | null;
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
  /** Kit used as a support today. */
  readonly aids: readonly string[];
  /** What changed since the drill was last done: aids and counters. */
  readonly constraints: { readonly add: readonly string[]; readonly remove: readonly string[] };
  readonly why: string;
  /** Version of the academy’s own words that it was planned with; 0 where there were none. */
  readonly words?: number;
}

export interface PlanSession {
  readonly date: IsoDate;
  readonly place: Place;
  readonly minutes: number;
  readonly throws: number;
  readonly highEffort: number;
  readonly testDay: boolean;
  /** The one cue of each focus for this session. */
  readonly cues: Partial<Record<FindingId, string>>;
  /** What the athlete meets for the first time today. */
  readonly new: string | null;
  /** What limits the session, and what else is asked for. */
  readonly note: string | null;
  readonly items: readonly PlanItem[];
}

export interface PlanWeek {
  readonly from: IsoDate;
  /** Throws that are planned. */
  readonly throws: number;
  /** Throws that the load plan leaves for practice. */
  readonly target: number;
  /** Throws of the week's game days, warm-up and between innings included. */
  readonly games: number;
  /** About seven tenths of the last normal week. */
  readonly light: boolean;
}

export interface Plan {
  readonly sessions: readonly PlanSession[];
  readonly weeks: readonly PlanWeek[];
  /** What was wished and could not be had. */
  readonly violations: readonly { readonly rule: string; readonly detail: string }[];
  readonly infeasible: { readonly reason: string; readonly relax: readonly string[] } | null;
  /** How good the plan is, and how good any could be. */
  readonly bound?: { readonly score: number; readonly best: number; readonly gap: number };
  readonly summary: string;
}

/** One change by hand. */
export type PlanEdit =
  | { readonly kind: 'move'; readonly date: IsoDate; readonly to: IsoDate }
  | { readonly kind: 'drop-session'; readonly date: IsoDate }
  | { readonly kind: 'drop'; readonly date: IsoDate; readonly drill: string }
  | { readonly kind: 'swap'; readonly date: IsoDate; readonly drill: string; readonly with: string }
  | { readonly kind: 'add'; readonly date: IsoDate; readonly drill: string }
  | { readonly kind: 'sets'; readonly date: IsoDate; readonly drill: string; readonly sets: number }
  | { readonly kind: 'pin'; readonly date: IsoDate; readonly drill: string };

/** A rule that a changed plan breaks. */
export interface Broken {
  readonly date: IsoDate;
  readonly drill: string | null;
  /** It must be mended before the plan can be assigned. */
  readonly hard: boolean;
  readonly detail: string;
  /** One change that mends it; null where only a person can say. */
  readonly mend: { readonly label: string; readonly edit: PlanEdit } | null;
}
