import { may } from '@wrightonic/contract';
import type { Me, RightName, RouteName } from '@wrightonic/contract';
import { addDays } from '@wrightonic/core';
import { useEffect } from 'react';
import { addressOf, api } from '../../data/api';
import { requestOf } from '../../data/endpoints';
import { keptAnswer } from '../../data/kept-answers';
import { askToKeep, isNarrow, roomOf } from '../../data/room';
import { opensOffline } from '../../data/service-worker';
import { useAppDispatch, useAppSelector } from '../../data/store';

/** What the device has from less long ago, and no write has changed, is not asked for again. */
const FRESH_MS = 30 * 60_000;
/** The first screen has its answers before anything is taken along; then it is looked after now and then. */
const AFTER_MS = 3000;
const AGAIN_MS = 60_000;
/** Athletes of one list that are taken along. */
const MOST = 40;

interface OfAthlete {
  readonly athlete: string;
}

/**
 * Takes along what the day needs before the signal goes: today's and tomorrow's athletes with their work, plan and judgement, the work of
 * those in groups, the roster's first page, the drills. What is answered is kept on the device by itself.
 */
export function useTakeAlong(me: Me): void {
  const dispatch = useAppDispatch();
  const connected = useAppSelector((s) => s.operations.connected);
  useEffect(() => {
    if (!connected) return undefined;
    let here = true;
    let busy = false;
    const { role } = me;
    const { endpoints } = api;
    /** Whether this device has it as it is. */
    const has = async (name: RouteName, call?: OfAthlete | { readonly id: string }) => {
      const now = Date.now();
      const kept = await keptAnswer(me.id, addressOf(requestOf(name, call)), now);
      return kept !== null && !kept.old && now - kept.at < FRESH_MS;
    };
    // A read that fails is away again: what is there is kept.
    const once = { subscribe: false, forceRefetch: true } as const;
    /** What of an athlete is taken along by whoever may see it. */
    const ofAthlete: readonly (readonly [RouteName, RightName, (call: OfAthlete) => PromiseLike<unknown>])[] = [
      ['work', 'seeWork', (call) => dispatch(endpoints.work.initiate(call, once))],
      ['athlete', 'seeAthlete', (call) => dispatch(endpoints.athlete.initiate(call, once))],
      ['plan', 'seePlan', (call) => dispatch(endpoints.plan.initiate(call, once))],
      ['progress', 'seeProgress', (call) => dispatch(endpoints.progress.initiate(call, once))],
      ['diagnosis', 'judge', (call) => dispatch(endpoints.diagnosis.initiate(call, once))],
      ['body', 'judge', (call) => dispatch(endpoints.body.initiate(call, once))],
    ];
    /** The camps that run, or begin tomorrow: whoever stands at a station knows the day without a signal. */
    const campsOfNow = async () => {
      const { data } = await dispatch(
        endpoints.camps.initiate(undefined, { subscribe: false, forceRefetch: !(await has('camps')) }),
      );
      const { today } = me.academy;
      for (const { id, from, to } of data ?? [])
        if (from <= addDays(today, 1) && to >= today && !(await has('camp', { id })))
          await dispatch(endpoints.camp.initiate({ id }, once));
    };
    const takeAlong = async () => {
      if (isNarrow(await roomOf())) return;
      if (!(await has('library'))) await dispatch(endpoints.library.initiate(undefined, once));
      const ids = new Set(me.athletes.map((a) => a.id));
      const inGroups = new Set<string>();
      if (may(role, 'seeToday')) {
        const forceRefetch = !(await has('today'));
        const { data } = await dispatch(endpoints.today.initiate(undefined, { subscribe: false, forceRefetch }));
        for (const row of data?.rows ?? []) ids.add(row.athlete.id);
        // Whoever leaves tonight may have no signal in the morning.
        for (const { id } of data?.tomorrow ?? []) ids.add(id);
      }
      if (may(role, 'seeCamps')) await campsOfNow();
      if (may(role, 'seeRoster')) {
        const { data: groups } = await dispatch(
          endpoints.groups.initiate(undefined, { subscribe: false, forceRefetch: !(await has('groups')) }),
        );
        for (const group of groups ?? []) for (const { id } of group.athletes) inGroups.add(id);
        const { data } = await dispatch(
          endpoints.rosterPages.initiate({}, { subscribe: false, forceRefetch: !(await has('athletes')) }),
        );
        if (role === 'station') for (const row of data?.pages[0]?.rows ?? []) ids.add(row.id);
      }
      for (const athlete of [...new Set([...ids, ...inGroups])].slice(0, MOST))
        for (const [name, right, take] of ofAthlete) {
          if (!here) return;
          // Of whoever only stands in a line, their work is enough.
          const wanted = ids.has(athlete) || name === 'work';
          if (wanted && may(role, right) && !(await has(name, { athlete }))) await take({ athlete });
        }
    };
    const go = () => {
      if (busy) return;
      busy = true;
      void takeAlong().finally(() => (busy = false));
    };
    let again: ReturnType<typeof setInterval> | undefined;
    let first: ReturnType<typeof setTimeout> | undefined;
    // A device that could not open without a network has no use for it.
    void opensOffline().then(() => {
      if (!here) return;
      void askToKeep();
      first = setTimeout(go, AFTER_MS);
      again = setInterval(go, AGAIN_MS);
    });
    return () => {
      here = false;
      clearTimeout(first);
      clearInterval(again);
    };
  }, [connected, me, dispatch]);
}
