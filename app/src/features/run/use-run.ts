import type { AssignmentRecord, AthleteWork, Judgement, LogEntry, SessionRecord } from '@wrightonic/contract';
import { drillById, HARD_EFFORT, isThrowingDrill, painWords, stopsLegs, stopsThrowing, strongest } from '@wrightonic/core';
import type { PainReport, PlanItem } from '@wrightonic/core';
import { useEffect, useMemo } from 'react';
import { now } from '../../data/clock';
import { api } from '../../data/api';
import { newId } from '../../data/ids';
import type { Operation } from '../../data/operations';
import { record } from '../../data/outbox';
import { useAppDispatch, useAppSelector } from '../../data/store';

type Rep = Extract<LogEntry, { type: 'rep' }>;

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
  readonly throwsLeft: number;
  /** Percent of full effort, at most. */
  readonly highestEffort: number;
  readonly hardLeft: number;
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
/** Effort that stays open while hard throws are closed, percent. */
const CALM_EFFORT = HARD_EFFORT - 5;

const isThrow = ({ drill }: Rep): boolean => isThrowingDrill(drillById(drill));

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
  const start = mine.find((o) => o.work.kind === 'start');
  const before = start?.work.kind === 'start' ? start.work.session.painBefore : [];
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
  const day = start ? dayOf(start) : '';
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
    cheats: new Map(entries.flatMap((e) => (e.type === 'cheat' ? [[e.rep, e.cheat] as const] : []))),
    readings: entries.filter((e): e is Extract<LogEntry, { type: 'reading' }> => e.type === 'reading' && !undone.has(e.id)),
    dryOnly: worst
      ? `No more throwing today: ${told(worst)}`
      : (today.locked?.reason ??
        ranOut ??
        server?.dryOnly ??
        (throwsLeft <= 0 ? 'Today’s throws are used up: dry work only.' : null)),
    legsClosed: legsHurt ? `No more leg work today: ${told(legsHurt)}` : today.locked?.legs ? today.locked.reason : null,
    throwsLeft,
    highestEffort: Math.min(today.highestEffort, hardLeft > 0 ? 100 : CALM_EFFORT),
    hardLeft,
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

/** Setting of a speed reading on this item. */
const settingOf = (item: PlanItem): 'mound' | 'flat' | 'drill' => (item.rung >= 7 ? 'mound' : item.rung === 6 ? 'flat' : 'drill');

/** A session as it is run: its state, and what can be done in it. Everything done is noted on the device first. */
export function useRun(athlete: string, overview: AthleteWork, user: string, assignment: AssignmentRecord | null, today: string) {
  const dispatch = useAppDispatch();
  const operations = useAppSelector((s) => s.operations.list);
  const session = openSession(operations, athlete, user, today);
  const stale = leftOpen(operations, athlete, user, today).join();
  useEffect(() => {
    for (const old of stale === '' ? [] : stale.split(',')) dispatch(record(user, athlete, old, { kind: 'finish' }));
  }, [stale, user, athlete, dispatch]);
  const { data } = api.useSessionQuery({ athlete, id: session ?? '' }, { skip: session === null });
  const state = useMemo(() => runState(operations, session, overview, data ?? null), [operations, session, overview, data]);
  const log = (entry: LogEntry) => {
    if (session) dispatch(record(user, athlete, session, { kind: 'log', entry }));
  };
  const stamp = () => ({ id: newId(), at: now().toISOString() });
  return {
    state,
    start: (painBefore: readonly PainReport[]) =>
      dispatch(
        record(user, athlete, newId(), {
          kind: 'start',
          session: { on: today, assignment: assignment?.id ?? null, at: now().toISOString(), painBefore },
        }),
      ),
    rep: (item: PlanItem, judged: Judgement, effort: number): string => {
      const focus = overview.foci.find((f) => f.finding === item.focus) ?? null;
      const entry: Rep = {
        ...stamp(),
        type: 'rep',
        drill: item.drill,
        rung: item.rung,
        focus: focus?.id ?? null,
        judged,
        aids: item.aids,
        effort: isThrowingDrill(drillById(item.drill)) ? effort : 0,
      };
      log(entry);
      return entry.id;
    },
    cheat: (rep: string, cheat: string) => log({ ...stamp(), type: 'cheat', rep, cheat }),
    undo: (rep: string) => log({ ...stamp(), type: 'undo', rep }),
    pain: (moment: 'during' | 'after', pain: PainReport) => log({ ...stamp(), type: 'pain', moment, pain }),
    speed: (item: PlanItem, speed: number, unit: 'mph' | 'km/h', effort: number, gun: string) => {
      // A speed is of the throw tapped last, unless that has its speed already.
      const last = [...state.reps].reverse().find((rep) => rep.drill === item.drill && isThrow(rep));
      const rep = last && !state.readings.some((r) => r.rep === last.id && r.gun === gun) ? last.id : null;
      log({ ...stamp(), type: 'reading', speed, unit, effort: Math.max(10, effort), gun, setting: settingOf(item), rep });
    },
    finish: () => {
      if (session) dispatch(record(user, athlete, session, { kind: 'finish' }));
    },
  };
}
