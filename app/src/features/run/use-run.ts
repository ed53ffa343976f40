import type { AssignmentRecord, AthleteWork, Judgement, LogEntry, SessionRecord } from '@wrightonic/contract';
import { drillById, stopsThrowing } from '@wrightonic/core';
import type { PainReport, PlanItem } from '@wrightonic/core';
import { useMemo } from 'react';
import { api } from '../../state/api';
import { newId } from '../../state/ids';
import type { Operation } from '../../state/operations';
import { record } from '../../state/outbox';
import { useAppDispatch, useAppSelector } from '../../state/store';

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
  readonly throwsLeft: number;
  readonly record: SessionRecord | null;
  /** Everything logged has reached the server. */
  readonly sent: boolean;
  readonly refused: readonly Operation[];
}

const entriesOf = (operations: readonly Operation[]): LogEntry[] =>
  operations.flatMap((o) => (o.work.kind === 'log' ? [o.work.entry] : []));

/** The session that is open on this device, if any: the newest without an end, of this athlete and this user. */
function openSession(operations: readonly Operation[], athlete: string, user: string): string | null {
  const mine = operations.filter((o) => o.athlete === athlete && o.user === user);
  const starts = mine.filter((o) => o.work.kind === 'start' && o.status !== 'refused');
  return starts[starts.length - 1]?.session ?? null;
}

/** What a run shows, worked out from what was tapped here and what the server last said. */
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
  const hurting = [...before, ...pains].find((p) => stopsThrowing(p) || (p.signs?.length ?? 0) > 0);
  const waitingThrows = mine.filter(
    (o) =>
      o.status === 'waiting' &&
      o.work.kind === 'log' &&
      o.work.entry.type === 'rep' &&
      o.work.entry.isThrow &&
      !undone.has(o.work.entry.id),
  ).length;
  const serverLeft = (server?.workload ?? overview.workload).today.throwsLeft;
  const throwsLeft = hurting ? 0 : Math.max(0, serverLeft - waitingThrows);
  const dryOnly = hurting
    ? `No more throwing today: ${hurting.site} pain of ${hurting.score} was reported.`
    : (server?.dryOnly ??
      overview.workload.today.locked?.reason ??
      (throwsLeft <= 0 ? 'Today’s throws are used up: dry work only.' : null));
  return {
    session,
    finished: mine.some((o) => o.work.kind === 'finish'),
    reps,
    cheats: new Map(entries.flatMap((e) => (e.type === 'cheat' ? [[e.rep, e.cheat] as const] : []))),
    readings: entries.filter((e): e is Extract<LogEntry, { type: 'reading' }> => e.type === 'reading' && !undone.has(e.id)),
    dryOnly,
    throwsLeft,
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
  const session = openSession(operations, athlete, user);
  const { data } = api.useSessionQuery({ athlete, id: session ?? '' }, { skip: session === null });
  const state = useMemo(() => runState(operations, session, overview, data ?? null), [operations, session, overview, data]);
  const log = (entry: LogEntry) => {
    if (session) dispatch(record(user, athlete, session, { kind: 'log', entry }));
  };
  const stamp = () => ({ id: newId(), at: new Date().toISOString() });
  return {
    state,
    start: (painBefore: readonly PainReport[]) =>
      dispatch(
        record(user, athlete, newId(), { kind: 'start', session: { on: today, assignment: assignment?.id ?? null, painBefore } }),
      ),
    rep: (item: PlanItem, judged: Judgement, effort: number): string => {
      const isThrow = drillById(item.drill).throws !== 'none';
      const focus = overview.foci.find((f) => f.finding === item.focus) ?? null;
      const entry: Rep = {
        ...stamp(),
        type: 'rep',
        drill: item.drill,
        rung: item.rung,
        focus: focus?.id ?? null,
        judged,
        effort: isThrow ? effort : 0,
        isThrow,
      };
      log(entry);
      return entry.id;
    },
    cheat: (rep: string, cheat: string) => log({ ...stamp(), type: 'cheat', rep, cheat }),
    undo: (rep: string) => log({ ...stamp(), type: 'undo', rep }),
    pain: (moment: 'during' | 'after', pain: PainReport) => log({ ...stamp(), type: 'pain', moment, pain }),
    speed: (item: PlanItem, speed: number, unit: 'mph' | 'km/h', effort: number, gun: string) =>
      log({ ...stamp(), type: 'reading', speed, unit, effort: Math.max(10, effort), gun, setting: settingOf(item) }),
    finish: () => {
      if (session) dispatch(record(user, athlete, session, { kind: 'finish' }));
    },
  };
}
