import type { Rung } from '../drills/types';
import type { FindingId } from '../findings/ids';
import type { Clearance } from '../load/clearance';
import type { LoadRow } from '../load/days';
import type { PainReport } from '../load/pain';
import type { IsoDate } from '../shared/dates';

export const JUDGEMENTS = ['good', 'close', 'off'] as const;
export type Judgement = (typeof JUDGEMENTS)[number];

/** What every entry of a log carries. Instants are ISO 8601 UTC, as {@link instantOf} gives them. */
interface Entry {
  readonly id: string;
  readonly session: string;
  /** The day on which it happened. */
  readonly date: IsoDate;
  readonly at: string;
  readonly author: string;
  /** Logged by an athlete or a guardian, with no coach there. */
  readonly alone: boolean;
}

export interface LoggedRep extends Entry {
  readonly drill: string;
  readonly rung: Rung;
  readonly focus: string | null;
  readonly judged: Judgement;
  /** Percent of full effort, as the sender has it. */
  readonly effort: number;
  /** Kit that supported it; null where nobody tells. */
  readonly aids?: readonly string[] | null;
  /** The day on which it reached the log. */
  readonly receivedOn: IsoDate;
}

export interface LoggedReading extends Entry {
  readonly effort: number;
  readonly gun: string;
  /** The rep that was measured, where it is named. */
  readonly rep: string | null;
}

/** Something said of a rep or a reading; it may be there before what it speaks of. */
export type LoggedMark = Pick<Entry, 'id' | 'at' | 'author' | 'alone'> & { readonly rep: string } & (
    { readonly kind: 'undo' } | { readonly kind: 'cheat'; readonly cheat: string }
  );

export interface LoggedPain extends PainReport {
  readonly id: string;
  readonly session: string | null;
  readonly date: IsoDate;
  readonly at: string;
}

/** A session: the day it belongs to, and whether it is over. */
export interface LoggedSession {
  readonly id: string;
  readonly date: IsoDate;
  readonly startedAt: string;
  readonly ended: boolean;
}

/** A coach's own word on a focus: from that instant on it stands on that rung. */
export interface CoachWord {
  readonly at: string;
  readonly date: IsoDate;
  readonly rung: Rung;
}

export interface LoggedFocus {
  readonly id: string;
  readonly finding: FindingId;
  readonly startedOn: IsoDate;
  readonly startedAt: string;
  /** Rung on which it started. */
  readonly rung: Rung;
  readonly endedAt: string | null;
  readonly words: readonly CoachWord[];
}

/** Everything logged about one athlete, in any order; an entry that is there twice counts once. */
export interface AthleteLog {
  readonly sessions: readonly LoggedSession[];
  readonly reps: readonly LoggedRep[];
  readonly readings: readonly LoggedReading[];
  readonly marks: readonly LoggedMark[];
  /** Ids of reps and readings that a coach has taken out of the load. */
  readonly removed: readonly string[];
  readonly pains: readonly LoggedPain[];
  readonly foci: readonly LoggedFocus[];
  /** Throwing done elsewhere. */
  readonly outings: readonly LoadRow[];
  readonly clearances: readonly Clearance[];
}

type Ordered = { readonly id: string; readonly at: string };

const before = (a: Ordered, b: Ordered): number => (a.at < b.at ? -1 : a.at > b.at ? 1 : a.id < b.id ? -1 : a.id > b.id ? 1 : 0);

/** Lists that are known to be in order. */
const known = new WeakSet<readonly Ordered[]>();

/** Entries by id, each once, in the order of their instants. */
export function inOrder<T extends Ordered>(entries: readonly T[]): readonly T[] {
  if (known.has(entries)) return entries;
  // Mostly they are in order already, and then nothing is copied.
  const sorted = entries.every((entry, i) => i === 0 || before(entries[i - 1]!, entry) < 0)
    ? entries
    : [...new Map(entries.map((entry) => [entry.id, entry])).values()].sort(before);
  known.add(sorted);
  return sorted;
}
