/** The rows of the log that a gate looks at. */
import { hasDrill } from '../drills/catalogue';
import { STANDARD_LIBRARY } from '../drills/library';
import type { Library } from '../drills/library';
import { treatsDirectly } from '../drills/types';
import type { Rung } from '../drills/types';
import type { RepRow } from '../plan/gate';
import type { IsoDate } from '../shared/dates';
import { SHARED_FROM } from './climb';
import type { ClimbLog, Countable, JudgedEntry } from './climb';
import type { LoggedFocus, LoggedRep } from './entries';

/** Reps of a session that are looked at by themselves. */
const FIRST_REPS = 5;

/** Rows of the gate: reps of one drill on one day, those logged alone apart. */
export function rowsOf(entries: readonly JudgedEntry[], painOn: (date: IsoDate) => number): RepRow[] {
  const groups = new Map<string, JudgedEntry[]>();
  for (const entry of entries) {
    const key = `${entry.rep.date}|${entry.rep.drill}|${entry.rep.alone}`;
    const known = groups.get(key);
    if (known) known.push(entry);
    else groups.set(key, [entry]);
  }
  const opened = new Set<IsoDate>();
  return [...groups.values()].map((group): RepRow => {
    const { date, drill, alone } = group[0]!.rep;
    const count = (judgement: LoggedRep['judged']) => group.filter(({ rep }) => rep.judged === judgement).length;
    const cheats: Record<string, number> = {};
    for (const { judged } of group) if (judged.cheat !== null) cheats[judged.cheat] = (cheats[judged.cheat] ?? 0) + 1;
    const told = group.some(({ rep }) => rep.aids !== undefined && rep.aids !== null);
    const first = opened.has(date) ? [] : entries.filter(({ rep }) => rep.date === date).slice(0, FIRST_REPS);
    opened.add(date);
    return {
      date,
      drill,
      reps: group.length,
      good: count('good'),
      close: count('close'),
      off: count('off'),
      cheats,
      pain: painOn(date),
      alone,
      seen: alone ? null : 'coach',
      ...(told ? { aids: [...new Set(group.flatMap(({ rep }) => rep.aids ?? []))] } : {}),
      ...(first.length === FIRST_REPS
        ? { firstFive: { good: first.filter(({ rep }) => rep.judged === 'good').length, cued: false } }
        : {}),
    };
  });
}

/** Whether a rep is of work that the gate reads: a direct drill of the focus, or on the mound and in game-like work the shared drills. */
function countsForGate(rep: LoggedRep, focus: LoggedFocus, library: Library): boolean {
  if (!hasDrill(rep.drill)) return false;
  const drill = library.drill(rep.drill);
  return rep.rung >= SHARED_FROM ? drill.part !== null : treatsDirectly(drill, focus.finding);
}

export function countable(focus: LoggedFocus, log: ClimbLog): Countable {
  const byRung = new Map<Rung, JudgedEntry[]>();
  const sessions = new Set<string | null>();
  for (const entry of log.reps) {
    const { rep, judged } = entry;
    if (rep.focus !== focus.id || rep.date < focus.startedOn) continue;
    sessions.add(rep.session);
    if (judged.gone || judged.undone || judged.refused !== null || !countsForGate(rep, focus, log.library ?? STANDARD_LIBRARY))
      continue;
    const known = byRung.get(rep.rung);
    if (known) known.push(entry);
    else byRung.set(rep.rung, [entry]);
  }
  return { byRung, sessions };
}
