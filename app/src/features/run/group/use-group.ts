import type { AthleteWork, Judgement, Me } from '@wrightonic/contract';
import type { Drill, PainReport, PlanItem } from '@wrightonic/core';
import { shallowEqual } from 'react-redux';
import { useEffect, useMemo, useState } from 'react';
import { api } from '../../../data/api';
import { lines } from '../../../data/storage';
import { useAppDispatch, useAppSelector } from '../../../data/store';
import { useLibrary } from '../../../data/use-library';
import { useToday } from '../../../data/use-today';
import { openSession, runState } from '../run-state';
import type { RunState } from '../run-state';
import { tick } from '../tick';
import { actionsOf } from '../use-run';
import { inFront, nextUp, toTheEnd, toTheFront } from './line';
import type { Line } from './line';
import { stationOf } from './round';
import { turnOf } from './turn';
import type { Turn } from './turn';

const EMPTY: Line = { athletes: [], drill: null };

/** The line as this device keeps it for the day. */
export function useLine(user: string, today: string) {
  const [line, setLine] = useState<Line | null>(null);
  useEffect(() => {
    let here = true;
    lines
      .get<Line>(user)
      .then((kept) => (here ? setLine(kept?.at === today ? kept.form : EMPTY) : undefined))
      // A browser that keeps nothing begins with nobody.
      .catch(() => (here ? setLine(EMPTY) : undefined));
    return () => {
      here = false;
    };
  }, [user, today]);
  const change = (to: Line) => {
    setLine(to);
    void lines.put(user, today, to).catch(() => undefined);
  };
  return [line, change] as const;
}

/** The work of several athletes, as far as it is known; asked for while the list is shown. */
export function useWorks(ids: readonly string[]): ReadonlyMap<string, AthleteWork> {
  const dispatch = useAppDispatch();
  const key = ids.join();
  useEffect(() => {
    const asked = (key === '' ? [] : key.split(',')).map((athlete) => dispatch(api.endpoints.work.initiate({ athlete })));
    return () => {
      for (const one of asked) one.unsubscribe();
    };
  }, [key, dispatch]);
  const found = useAppSelector(
    (state) => ids.map((athlete) => api.endpoints.work.select({ athlete })(state).data ?? null),
    shallowEqual,
  );
  return useMemo(() => new Map(found.flatMap((work) => (work ? [[work.id, work] as const] : []))), [found]);
}

export interface Member extends Turn {
  readonly overview: AthleteWork;
  readonly state: RunState;
}

/** Whose turn does what: at the drill of their station, where there are stations; whoever is at another than this phone waits. */
function turnAt(
  overview: AthleteWork,
  state: RunState,
  items: readonly PlanItem[],
  { round, drill }: Line,
  look: (id: string) => Drill,
): Turn {
  if (!round) return turnOf(overview, state, items, drill, look);
  const station = stationOf(round, overview.id);
  const turn = turnOf(overview, state, items, round.drills[station]!, look);
  const elsewhere = round.here !== null && round.here !== station;
  return elsewhere ? { ...turn, passed: `At station ${station + 1}.` } : turn;
}

/** A line as it is run: everybody's place and turn, and what a tap does. */
export function useGroup(me: Me, line: Line, change: (to: Line) => void) {
  const dispatch = useAppDispatch();
  const today = useToday(me);
  const { drill: look } = useLibrary();
  const operations = useAppSelector((s) => s.operations.list);
  const ticks = useAppSelector((s) => s.device.tick);
  const works = useWorks(line.athletes);
  const records = useAppSelector(
    (state) =>
      line.athletes.map((athlete) => {
        const id = openSession(state.operations.list, athlete, me.id, today);
        return id === null ? null : (api.endpoints.session.select({ athlete, id })(state).data ?? null);
      }),
    shallowEqual,
  );
  const assignmentOf = (work: AthleteWork) => (work.today && !work.today.done ? work.today : work.next);
  const members = useMemo(
    () =>
      line.athletes.flatMap((id, i): Member[] => {
        const overview = works.get(id);
        if (!overview) return [];
        const state = runState(operations, openSession(operations, id, me.id, today), overview, records[i] ?? null);
        const items = (state.record?.assignment ?? assignmentOf(overview))?.session.items ?? [];
        return [{ ...turnAt(overview, state, items, line, look), overview, state }];
      }),
    [line, works, operations, records, me.id, today, look],
  );
  const byId = new Map(members.map((m) => [m.id, m]));
  const passed = new Set(line.athletes.filter((id) => (byId.get(id)?.passed ?? (byId.has(id) ? null : 'unknown')) !== null));
  const actions = (member: Member) =>
    actionsOf(
      dispatch,
      { athlete: member.id, user: me.id, today, overview: member.overview, assignment: assignmentOf(member.overview) },
      member.state,
    );
  const frontId = inFront(line, passed);
  const nextId = nextUp(line, passed);
  const newest = members
    .flatMap((member) => {
      const rep = member.state.reps[member.state.reps.length - 1];
      return rep ? [{ member, rep }] : [];
    })
    .sort((a, b) => (a.rep.at < b.rep.at ? 1 : -1))[0];
  return {
    today,
    members,
    front: frontId === null ? null : (byId.get(frontId) ?? null),
    next: nextId === null ? null : (byId.get(nextId) ?? null),
    missing: line.athletes.filter((id) => !byId.has(id)),
    actions,
    /** Starts the sessions that are not begun: nobody hurts but those named. */
    start: (hurts: ReadonlyMap<string, PainReport>) => {
      for (const member of members)
        if (member.state.session === null || member.state.finished) {
          const pain = hurts.get(member.id);
          actions(member).start(pain ? [pain] : []);
        }
    },
    /** Judges whoever is in front; the next one is in front then. @returns the rep */
    judge: (judged: Judgement): { member: Member; rep: string } | null => {
      const member = frontId === null ? undefined : byId.get(frontId);
      if (!member?.item || member.state.session === null || member.state.finished) return null;
      const rep = actions(member).rep(member.item, judged, member.effort);
      if (ticks) tick();
      change(toTheEnd(line, member.id));
      return { member, rep };
    },
    /** The newest tap of all, taken back: whoever it was is in front again. */
    newest: newest ?? null,
    takeBack: () => {
      if (!newest) return;
      actions(newest.member).undo(newest.rep.id);
      change(toTheFront(line, newest.member.id));
    },
    finish: () => {
      for (const member of members) if (member.state.session !== null && !member.state.finished) actions(member).finish();
    },
  };
}

export type Group = ReturnType<typeof useGroup>;
