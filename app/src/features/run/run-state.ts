/** What a run shows, worked out from what was tapped on this device and what the server last said. */
import type { AthleteWork, Judgement, LogEntry, SessionRecord } from '@wrightonic/contract';
import {
  drillById,
  HARD_EFFORT,
  isThrowingDrill,
  NO_CHEAT,
  painWords,
  readyDose,
  stopsLegs,
  stopsThrowing,
  strongest,
} from '@wrightonic/core';
import type { PainReport, Readiness, ReadyDose } from '@wrightonic/core';
import type { Operation } from '../../data/operations';

export type Rep = Extract<LogEntry, { type: 'rep' }>;

export interface Tally {
  readonly good: number;
  readonly close: number;
  readonly off: number;
  readonly reps: number;
}

export interface RunState {
  /** null until the pain check before has been answered. */
  readonly session: string | null;
  readonly finished: boolean;
  readonly reps: readonly Rep[];
  readonly cheats: ReadonlyMap<string, string>;
  readonly readings: readonly Extract<LogEntry, { type: 'reading' }>[];
  /** Why no ball may fly, or null. */
  readonly dryOnly: string | null;
  /** Why leg work is closed, or null. */
  readonly legsClosed: string | null;
  /** Pain that ends throwing was told in this session. */
  readonly hurt: boolean;
  readonly throwsLeft: number;
  /** Percent of full effort, at most. */
  readonly highestEffort: number;
  readonly hardLeft: number;
  /** What is left of the planned dose after what was said before the start. */
  readonly dose: ReadyDose;
  readonly readiness: Readiness | null;
  readonly notes: readonly string[];
  /** Throws of which it was said where they went. */
  readonly spots: readonly Extract<LogEntry, { type: 'spot' }>[];
  readonly record: SessionRecord | null;
  /** Everything logged has reached the server. */
  readonly sent: boolean;
  readonly refused: readonly Operation[];
}

const entriesOf = (operations: readonly Operation[]): LogEntry[] =>
  operations.flatMap((o) => (o.work.kind === 'log' ? [o.work.entry] : []));

/** Starts of this athlete's sessions by this user on this device, oldest first. */
const startsOf = (operations: readonly Operation[], athlete: string, user: string): Operation[] =>
  operations.filter((o) => o.athlete === athlete && o.user === user && o.work.kind === 'start' && o.status !== 'refused');

const dayOf = ({ work }: Operation): string => (work.kind === 'start' ? work.session.on : '');

/** Today's session on this device, if any: the newest. Yesterday's is not today's. */
export function openSession(operations: readonly Operation[], athlete: string, user: string, today: string): string | null {
  const starts = startsOf(operations, athlete, user).filter((o) => dayOf(o) === today);
  return starts[starts.length - 1]?.session ?? null;
}

/** Sessions of earlier days that nobody ended: they end as of their own day. */
export const leftOpen = (operations: readonly Operation[], athlete: string, user: string, today: string): string[] =>
  startsOf(operations, athlete, user)
    .filter((o) => dayOf(o) < today)
    .map((o) => o.session)
    .filter((session) => !operations.some((o) => o.session === session && o.work.kind === 'finish'));

const RAN_OUT = 'The clearance has run out: throwing is locked until a new one is recorded.';
/** Of whom nobody asked. */
const FRESH: Readiness = { soreness: 0, sleepH: null, warm: true };
/** Effort that stays open while hard throws are closed, percent. */
const CALM_EFFORT = HARD_EFFORT - 5;

export const isThrow = ({ drill }: Rep): boolean => isThrowingDrill(drillById(drill));

/** The newest word on each rep; a cheat that was taken back is none. */
function cheatsOf(entries: readonly LogEntry[]): ReadonlyMap<string, string> {
  const cheats = new Map<string, string>();
  for (const entry of entries)
    if (entry.type === 'cheat') {
      if (entry.cheat === NO_CHEAT) cheats.delete(entry.rep);
      else cheats.set(entry.rep, entry.cheat);
    }
  return cheats;
}

/** What a run shows, worked out from what was tapped here and what the server last said, by the rules that the server keeps. */
export function runState(
  operations: readonly Operation[],
  session: string | null,
  overview: AthleteWork,
  server: SessionRecord | null,
): RunState {
  const mine = operations.filter((o) => o.session === session);
  const entries = entriesOf(mine);
  const undone = new Set(entries.flatMap((e) => (e.type === 'undo' ? [e.rep] : [])));
  const reps = entries.filter((e): e is Rep => e.type === 'rep' && !undone.has(e.id));
  const pains = entries.flatMap((e) => (e.type === 'pain' ? [e.pain] : []));
  const starts = mine.flatMap((o) => (o.work.kind === 'start' ? [o.work.session] : []));
  const start = starts[0];
  const readiness = starts.reduce<Readiness | null>((newest, s) => s.readiness ?? newest, server?.readiness ?? null);
  // Before the start nothing was said, and there is no day to count from.
  const dose = readyDose(readiness ?? FRESH, overview.age, start ? overview.lastThrow : null, start?.on ?? '');
  const before = start?.painBefore ?? [];
  const hurting = [...before, ...pains].filter(stopsThrowing);
  const waiting = mine.flatMap((o) =>
    o.status === 'waiting' && o.work.kind === 'log' && o.work.entry.type === 'rep' && !undone.has(o.work.entry.id)
      ? [o.work.entry]
      : [],
  );
  const waitingThrows = waiting.filter(isThrow);
  const { today } = server?.workload ?? overview.workload;
  const left = (said: number, used: number) => Math.max(0, said - used);
  // The device knows the day on which a clearance has run out, with or without a connection.
  const day = start?.on ?? '';
  const ranOut = today.lockComesBack && day >= today.lockComesBack ? RAN_OUT : null;
  const throwsLeft = hurting.length > 0 || ranOut ? 0 : left(today.throwsLeft, waitingThrows.length);
  const hardLeft = left(today.highEffortLeft, waitingThrows.filter((rep) => rep.effort >= HARD_EFFORT).length);
  const worst = strongest(hurting);
  const legsHurt = strongest([...before, ...pains].filter(stopsLegs));
  const told = (pain: PainReport) => `${painWords(pain)} was reported.`;
  return {
    session,
    finished: mine.some((o) => o.work.kind === 'finish'),
    reps,
    cheats: cheatsOf(entries),
    readings: entries.filter((e): e is Extract<LogEntry, { type: 'reading' }> => e.type === 'reading' && !undone.has(e.id)),
    dryOnly: worst
      ? `No more throwing today: ${told(worst)}`
      : (today.locked?.reason ??
        ranOut ??
        server?.dryOnly ??
        (throwsLeft <= 0 ? 'Today’s throws are used up: dry work only.' : null)),
    legsClosed: legsHurt ? `No more leg work today: ${told(legsHurt)}` : today.locked?.legs ? today.locked.reason : null,
    hurt: hurting.length > 0,
    throwsLeft,
    highestEffort: Math.min(today.highestEffort, hardLeft > 0 ? 100 : CALM_EFFORT, dose.highestEffort),
    hardLeft,
    dose,
    readiness,
    spots: entries.filter((e) => e.type === 'spot').filter((e) => !undone.has(e.id) && !(e.rep !== null && undone.has(e.rep))),
    notes: entries.flatMap((e) => (e.type === 'note' ? [e.text] : [])),
    record: server,
    sent: mine.every((o) => o.status !== 'waiting'),
    refused: mine.filter((o) => o.status === 'refused'),
  };
}

export function tallyOf(reps: readonly Rep[], drill: string): Tally {
  const mine = reps.filter((r) => r.drill === drill);
  const count = (judged: Judgement) => mine.filter((r) => r.judged === judged).length;
  return { good: count('good'), close: count('close'), off: count('off'), reps: mine.length };
}
