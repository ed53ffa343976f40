import type { AssignmentRecord, AthleteWork, Judgement, LogEntry, PitchType, ThrownAs } from '@wrightonic/contract';
import { drillById, isThrowingDrill, NO_CHEAT } from '@wrightonic/core';
import type { PainReport, PlanItem, Readiness, Spot } from '@wrightonic/core';
import { useEffect, useMemo } from 'react';
import { api } from '../../data/api';
import { now } from '../../data/clock';
import { newId } from '../../data/ids';
import { record } from '../../data/outbox';
import { useAppDispatch, useAppSelector } from '../../data/store';
import type { AppStore } from '../../data/store';
import { leftOpen, openSession, runState } from './run-state';
import type { Rep, RunState } from './run-state';

/** Setting of a speed reading on this item. */
const settingOf = (item: PlanItem): 'mound' | 'flat' | 'drill' => (item.rung >= 7 ? 'mound' : item.rung === 6 ? 'flat' : 'drill');

/** Whose session it is, by whom it is run, and of which day. */
interface Whose {
  readonly athlete: string;
  readonly user: string;
  readonly today: string;
  readonly overview: AthleteWork;
  readonly assignment: AssignmentRecord | null;
}

export interface Speed {
  readonly speed: number;
  readonly unit: 'mph' | 'km/h';
  readonly effort: number;
  readonly gun: string;
  readonly rep: string | null;
  readonly thrownAs?: ThrownAs;
}

/** What can be done in a session. Everything is noted on the device first. */
export function actionsOf(dispatch: AppStore['dispatch'], whose: Whose, state: RunState) {
  const { athlete, user, today, overview, assignment } = whose;
  const { session } = state;
  const log = (entry: LogEntry) => {
    if (session) dispatch(record(user, athlete, session, { kind: 'log', entry }));
  };
  const stamp = () => ({ id: newId(), at: now().toISOString() });
  return {
    start: (painBefore: readonly PainReport[], readiness?: Readiness) =>
      dispatch(
        record(user, athlete, newId(), {
          kind: 'start',
          session: {
            on: today,
            assignment: assignment?.id ?? null,
            at: now().toISOString(),
            painBefore,
            ...(readiness && { readiness }),
          },
        }),
      ),
    /** The warm-up is done: what was closed for a cold body is open. */
    warm: () => {
      if (!session || !state.readiness) return;
      const readiness = { ...state.readiness, warm: true };
      dispatch(
        record(user, athlete, session, {
          kind: 'start',
          session: { on: today, assignment: assignment?.id ?? null, painBefore: [], readiness },
        }),
      );
    },
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
    noCheat: (rep: string) => log({ ...stamp(), type: 'cheat', rep, cheat: NO_CHEAT }),
    undo: (rep: string) => log({ ...stamp(), type: 'undo', rep }),
    note: (text: string) => log({ ...stamp(), type: 'note', text }),
    pain: (moment: 'during' | 'after', pain: PainReport) => log({ ...stamp(), type: 'pain', moment, pain }),
    /** @param rep the throw that it was, or null where nobody knows */
    speed: (item: PlanItem, { speed, unit, effort, gun, rep, thrownAs = {} }: Speed) =>
      log({
        ...stamp(),
        type: 'reading',
        speed,
        unit,
        effort: Math.max(10, effort),
        gun,
        setting: settingOf(item),
        rep,
        ...(item.distanceM === undefined ? {} : { distanceM: item.distanceM }),
        ...thrownAs,
      }),
    /** Where a throw was aimed and where it went. @param rep the throw that it was, or null where nobody knows */
    spot: (spot: {
      target: Spot;
      actual: Spot;
      zone: readonly [low: number, high: number];
      effort: number;
      rep: string | null;
      pitch?: PitchType | null;
    }) => log({ ...stamp(), type: 'spot', ...spot, effort: Math.max(10, spot.effort) }),
    finish: () => {
      if (session) dispatch(record(user, athlete, session, { kind: 'finish' }));
    },
  };
}

/** A session as it is run: its state, and what can be done in it. */
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
  return { state, ...actionsOf(dispatch, { athlete, user, today, overview, assignment }, state) };
}
