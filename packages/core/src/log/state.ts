import { openAccount } from '../load/account';
import type { LoadRow } from '../load/days';
import type { RuledAthlete } from '../load/rules';
import type { GateSettings } from '../plan/gate-settings';
import type { IsoDate } from '../shared/dates';
import { climbOf } from './climb';
import type { ClimbState, JudgedEntry } from './climb';
import { judgeDays } from './day';
import { marksBy } from './marks';
import type { JudgedDay } from './day';
import type { AthleteLog } from './entries';
import { inOrder } from './entries';

/** All that follows from a log: what each day's entries came to, and where each focus stands. */
export interface LogState {
  /** By date, in rising order. */
  readonly days: ReadonlyMap<IsoDate, JudgedDay>;
  readonly foci: ReadonlyMap<string, ClimbState>;
}

/** Load that a log brings beside its reps and readings: outings, and pain as locks read it. */
export const loadBeside = (log: Pick<AthleteLog, 'outings' | 'pains'>): LoadRow[] => [
  ...log.outings,
  ...inOrder(log.pains).map(({ date, at, site, score, signs }): LoadRow => ({
    date,
    throws: 0,
    highEffort: 0,
    pain: [{ site, score, at, ...(signs ? { signs } : {}) }],
  })),
];

/** The state of a whole log, from nothing. */
export function stateOf(log: AthleteLog, ruled: RuledAthlete, settings: GateSettings): LogState {
  const reps = inOrder(log.reps);
  const sessions = new Map(log.sessions.map((s) => [s.id, s]));
  const days = judgeDays(
    {
      reps,
      readings: inOrder(log.readings),
      marks: marksBy(log.marks),
      removed: new Set(log.removed),
      sessionDate: (id) => sessions.get(id)?.date,
    },
    openAccount({ ...ruled, log: loadBeside(log), clearances: log.clearances }),
  );
  const judged = reps.map((rep): JudgedEntry => ({ rep, judged: days.get(rep.date)!.reps.get(rep.id)! }));
  const climbLog = { sessions: [...sessions.values()], reps: judged, pains: log.pains };
  return { days, foci: new Map(log.foci.map((focus) => [focus.id, climbOf(focus, climbLog, settings)])) };
}
