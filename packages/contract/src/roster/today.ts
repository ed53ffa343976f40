/** The instructor's day: lessons, and what needs a look. */
import type { IsoDate } from '@wrightonic/core';
import type { AssignmentRecord } from '../plan/plans';
import type { NamedId } from '../people/people';
import type { AthleteRow } from './roster';

export interface TodayRow {
  readonly athlete: AthleteRow;
  readonly assignment: AssignmentRecord;
  /** The day in one line. */
  readonly line: string;
}

export interface Need {
  readonly athlete: string;
  readonly name: string;
  readonly kind: 'pain' | 'relapsed' | 'stuck' | 'done' | 'watch' | 'move' | 'no-focus' | 'no-plan' | 'intake';
  readonly text: string;
}

export interface TodayList {
  readonly today: IsoDate;
  readonly rows: readonly TodayRow[];
  /** A few of each kind, the most urgent kind first. */
  readonly needs: readonly Need[];
  /** Kinds of which there are more than shown; the roster's filter lists them all. */
  readonly more: readonly Need['kind'][];
  /** Whose work is planned for the day after, by name; not in what a device kept before there was such a list. */
  readonly tomorrow?: readonly NamedId[];
}
