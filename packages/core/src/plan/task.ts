import type { Context } from './choose';
import type { Standing } from './standing';
import type { PlanSession } from './types';

/** What one session is asked for. */
export interface SessionTask {
  readonly context: Context;
  /** Throws of the day’s share of its week. */
  readonly throws: number;
  /** Why the share is what it is, where the week says it. */
  readonly why: string | null;
  readonly foci: readonly Standing[];
  readonly testDue: boolean;
  /** A test is due that this day cannot hold. */
  readonly noTest: boolean;
  /** A body test to repeat. */
  readonly retest: string | null;
  readonly pinned: readonly string[];
  /** The last session at this place. */
  readonly last: PlanSession | null;
}
