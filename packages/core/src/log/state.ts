import { openAccount, withMore } from '../load/account';
import type { LoadAccount } from '../load/account';
import type { LoadRow } from '../load/days';
import type { RuledAthlete } from '../load/rules';
import type { GateSettings } from '../plan/gate-settings';
import type { IsoDate } from '../shared/dates';
import { climbOf } from './climb';
import type { ClimbState, JudgedEntry } from './climb';
import { judgeDay, marksBy } from './day';
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

/** One judged day as a row of the load. */
export const loadOfDay = ({ date, throws, highEffort }: JudgedDay): LoadRow => ({ date, throws, highEffort });

/** Entries by their day. @param entries in the order of their instants, so that those of a day mostly stand together */
function byDate<T extends { readonly date: IsoDate }>(entries: readonly T[]): Map<IsoDate, T[]> {
  const found = new Map<IsoDate, T[]>();
  let day: T[] = [];
  let date: IsoDate | null = null;
  for (const entry of entries) {
    if (entry.date !== date) {
      date = entry.date;
      day = found.get(date) ?? [];
      found.set(date, day);
    }
    day.push(entry);
  }
  return found;
}

/**
 * The state of a whole log, from nothing. A rule looks back from its day and never forward, so the days are judged in their order;
 * refused throws are load like all others.
 */
export function stateOf(log: AthleteLog, ruled: RuledAthlete, settings: GateSettings): LogState {
  const reps = byDate(inOrder(log.reps));
  const readings = byDate(inOrder(log.readings));
  const dates = [...new Set([...reps.keys(), ...readings.keys()])].sort();
  const sessions = new Map(log.sessions.map((s) => [s.id, s]));
  const removed = new Set(log.removed);
  const marks = marksBy(log.marks);
  let account: LoadAccount = openAccount({ ...ruled, log: loadBeside(log), clearances: log.clearances });
  const days = new Map<IsoDate, JudgedDay>();
  const judgedReps: JudgedEntry[] = [];
  for (const date of dates) {
    const [mine, measured] = [reps.get(date) ?? [], readings.get(date) ?? []];
    const day = judgeDay(
      {
        date,
        reps: mine,
        readings: measured,
        marks,
        removed,
        sessionDate: (id) => sessions.get(id)?.date ?? date,
      },
      account,
    );
    days.set(date, day);
    for (const rep of mine) judgedReps.push({ rep, judged: day.reps.get(rep.id)! });
    account = withMore(account, loadOfDay(day));
  }
  const climbLog = { sessions: [...sessions.values()], reps: judgedReps, pains: log.pains };
  return { days, foci: new Map(log.foci.map((focus) => [focus.id, climbOf(focus, climbLog, settings)])) };
}
