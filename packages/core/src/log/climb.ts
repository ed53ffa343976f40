import { standingRungs } from '../drills/ladders';
import { STANDARD_LIBRARY } from '../drills/library';
import type { Library } from '../drills/library';
import { RUNGS } from '../drills/types';
import type { Rung } from '../drills/types';
import { findingById } from '../findings/catalogue';
import type { FindingId } from '../findings/ids';
import { gatePain } from '../load/pain';
import { judgeGate } from '../plan/gate';
import type { GateResult, RepRow } from '../plan/gate';
import type { GateSettings } from '../plan/gate-settings';
import type { IsoDate } from '../shared/dates';
import type { JudgedRep } from './day';
import type { CoachWord, LoggedFocus, LoggedPain, LoggedRep, LoggedSession } from './entries';
import { countable, rowsOf } from './gate-rows';

/** One verdict of the gate: at the end of a session, by what had been logged up to then. */
export interface GateMove {
  readonly session: string;
  readonly date: IsoDate;
  readonly at: string;
  readonly from: Rung;
  readonly to: Rung;
  readonly gate: GateResult;
}

/** Where a focus stands, and how it came there. */
export interface ClimbState {
  readonly rung: Rung;
  /** Reps after this instant count on this rung. */
  readonly since: { readonly date: IsoDate; readonly at: string };
  readonly moves: readonly GateMove[];
}

/** What a climb is worked out from. */
export interface ClimbLog {
  readonly sessions: readonly LoggedSession[];
  /** In the order of their instants. */
  readonly reps: readonly JudgedEntry[];
  readonly pains: readonly LoggedPain[];
  /** The academy’s drills and ladders; in its absence the catalogue’s. */
  readonly library?: Library;
}

/** A rep, and what the judging of its day made of it. */
export interface JudgedEntry {
  readonly rep: LoggedRep;
  readonly judged: JudgedRep;
}

interface End {
  readonly session: LoggedSession;
  readonly at: string;
}

/** A session ends with its last entry, so that nothing hangs on when its end was told. */
function endsOf({ sessions, reps, pains }: ClimbLog): End[] {
  const ended = new Map(sessions.filter((s) => s.ended).map((session) => [session.id, { session, at: '' }]));
  let end: { session: LoggedSession; at: string } | undefined;
  const note = (session: string, date: IsoDate, at: string) => {
    // Entries of one session mostly stand together.
    if (end?.session.id !== session) end = ended.get(session);
    if (end && end.session.date === date && at > end.at) end.at = at;
  };
  for (const { rep } of reps) note(rep.session, rep.date, rep.at);
  for (const pain of pains) if (pain.session !== null) note(pain.session, pain.date, pain.at);
  return [...ended.values()]
    .map(({ session, at }) => ({ session, at: at || session.startedAt }))
    .sort((a, b) => (a.at < b.at ? -1 : a.at > b.at ? 1 : a.session.id < b.session.id ? -1 : 1));
}

/** From this rung on the work is shared and is told which focus it carries. */
export const SHARED_FROM = 7;

/** Rungs that a focus can stand on: those that its ladder does not skip, and the shared ones above; a limit ends on its own. */
export function rungsOf(finding: FindingId, library: Library = STANDARD_LIBRARY): readonly Rung[] {
  const { disciplines, kind } = findingById(finding);
  const own = new Set(disciplines.flatMap((d) => standingRungs(library.ladder(finding, d))));
  return RUNGS.filter((rung) => own.has(rung) || (kind !== 'limit' && rung >= SHARED_FROM));
}

/** The rung itself, or the nearest below that is not skipped, else the first. */
export function standingOn(finding: FindingId, rung: Rung, library?: Library): Rung {
  const rungs = rungsOf(finding, library);
  return rungs.filter((r) => r <= rung).pop() ?? rungs[0] ?? rung;
}

/** The rung that the gate is asked for: on the lowest of its ladder there is nothing to go back to, as on the lowest of all. */
const gateRung = (finding: FindingId, rung: Rung, settings: GateSettings, library?: Library): Rung =>
  rung === rungsOf(finding, library)[0] && rung < settings.seenFromRung ? 0 : rung;

/** Where a verdict takes a focus: over the rungs that its ladder skips. */
function stepFrom(finding: FindingId, from: Rung, verdict: GateResult['verdict'], library?: Library): Rung {
  const rungs = rungsOf(finding, library);
  if (verdict === 'advance') return rungs.find((r) => r > from) ?? from;
  return verdict === 'regress' ? (rungs.filter((r) => r < from).pop() ?? from) : from;
}

/** Where a focus stands while its log is read. */
interface Standing {
  readonly rung: Rung;
  readonly since: ClimbState['since'];
  /** Reps whose instant is not before this text count on the rung. */
  readonly repsFrom: string;
  /** Pain counts that was reported after this text, or in one of these sessions. */
  readonly painAfter: string;
  readonly painIn: ReadonlySet<string | null>;
}

const NOWHERE: ReadonlySet<string | null> = new Set();

/** Sorts after its instant and before the next. */
const after = (at: string): string => `${at}~`;

/** The reps that a focus's gate may count, by rung, in the order of their instants. */
type ByRung = ReadonlyMap<Rung, readonly JudgedEntry[]>;

export interface Countable {
  readonly byRung: ByRung;
  /** Sessions in which the focus was worked on. */
  readonly sessions: ReadonlySet<string | null>;
}

/** Reps on the rung up to an instant, of the last days that the gate counts. */
function lastReps(byRung: ByRung, { rung, repsFrom }: Standing, upTo: string, sessions: number): JudgedEntry[] {
  const reps = byRung.get(rung) ?? [];
  const found: JudgedEntry[] = [];
  const days = new Set<IsoDate>();
  for (let i = lastUpTo(reps, upTo); i >= 0; i--) {
    const entry = reps[i]!;
    if (entry.rep.at < repsFrom) break;
    days.add(entry.rep.date);
    if (days.size > sessions) break;
    found.push(entry);
  }
  return found.reverse();
}

/** Index of the last rep that is not after an instant, -1 where there is none. */
function lastUpTo(reps: readonly JudgedEntry[], at: string): number {
  let [low, high] = [0, reps.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (reps[middle]!.rep.at <= at) low = middle + 1;
    else high = middle;
  }
  return low - 1;
}

/** The gate's rows of a focus on its rung, up to an instant. */
function gateLog(log: ClimbLog, reps: ByRung, state: Standing, upTo: string, sessions: number): RepRow[] {
  const pains = log.pains.filter((p) => (p.at > state.painAfter || state.painIn.has(p.session)) && p.at <= upTo);
  const painOn = (date: IsoDate) => gatePain(pains.filter((p) => p.date === date));
  const rows = rowsOf(lastReps(reps, state, upTo, sessions), painOn);
  const without = [...new Set(pains.map((p) => p.date))].filter((date) => !rows.some((row) => row.date === date));
  return [
    ...rows,
    ...without.map((date): RepRow => ({ date, reps: 0, good: 0, close: 0, off: 0, cheats: {}, pain: painOn(date) })),
  ];
}

/** Reads a focus's sessions and the coach's words on it in the order of their instants. */
function read(
  focus: LoggedFocus,
  log: ClimbLog,
  { byRung, sessions: own }: Countable,
  settings: GateSettings,
): Standing & Pick<ClimbState, 'moves'> {
  const moves: GateMove[] = [];
  // A rep names its focus: whatever its clock says, it was made after the focus began, and so was the pain of its session.
  let standing: Standing = {
    rung: standingOn(focus.finding, focus.rung, log.library),
    since: { date: focus.startedOn, at: focus.startedAt },
    repsFrom: '',
    painAfter: focus.startedAt,
    painIn: own,
  };
  const words = [...focus.words].sort((a, b) => (a.at < b.at ? -1 : a.at > b.at ? 1 : a.rung - b.rung));
  const say = ({ rung, date, at }: CoachWord) => {
    standing = {
      rung: standingOn(focus.finding, rung, log.library),
      since: { date, at },
      repsFrom: at,
      painAfter: at,
      painIn: NOWHERE,
    };
  };
  for (const { session, at } of endsOf(log)) {
    while (words[0] && words[0].at <= at) say(words.shift()!);
    if (session.date < focus.startedOn || (focus.endedAt !== null && at > focus.endedAt)) continue;
    if (at <= focus.startedAt && !own.has(session.id)) continue;
    const rows = gateLog(log, byRung, standing, at, settings.sessionsCounted);
    // A session says something of a focus by its reps on the rung, or by what hurt.
    if (!rows.some((row) => row.date === session.date && (row.reps > 0 || row.pain >= 1))) continue;
    const from = standing.rung;
    const gate = judgeGate(rows, settings, gateRung(focus.finding, from, settings, log.library));
    const to = stepFrom(focus.finding, from, gate.verdict, log.library);
    moves.push({ session: session.id, date: session.date, at, from, to, gate });
    if (to !== from)
      standing = { rung: to, since: { date: session.date, at }, repsFrom: after(at), painAfter: at, painIn: NOWHERE };
  }
  for (const word of words) say(word);
  return { ...standing, moves };
}

/**
 * Where a focus stands. The same entries give the same answer in whatever order they came.
 * @param log everything logged about the athlete since the focus began
 */
export function climbOf(focus: LoggedFocus, log: ClimbLog, settings: GateSettings): ClimbState {
  const { rung, since, moves } = read(focus, log, countable(focus, log), settings);
  return { rung, since, moves };
}

/** What the gate would say of a focus now, of all that has been logged. */
export function gateNow(focus: LoggedFocus, log: ClimbLog, settings: GateSettings): GateResult {
  const counted = countable(focus, log);
  const standing = read(focus, log, counted, settings);
  return judgeGate(
    gateLog(log, counted.byRung, standing, '~', settings.sessionsCounted),
    settings,
    gateRung(focus.finding, standing.rung, settings, log.library),
  );
}
