import { may } from '@wrightonic/contract';
import type { Me, RouteName } from '@wrightonic/contract';
import { useEffect } from 'react';
import { addressOf, api } from '../../data/api';
import { requestOf } from '../../data/endpoints';
import { keptAnswer } from '../../data/kept-answers';
import { useAppDispatch, useAppSelector } from '../../data/store';

/** What the device has from less long ago is not asked for again. */
const FRESH_MS = 600_000;
/** The first screen has its answers before anything is taken along. */
const AFTER_MS = 3000;
/** Athletes of one list that are taken along. */
const MOST = 40;

/**
 * Takes along what the day needs before the signal goes: today's athletes with their work, plan and judgement, the roster's first
 * page, the drills. What is answered is kept on the device by itself.
 */
export function useTakeAlong(me: Me): void {
  const dispatch = useAppDispatch();
  const connected = useAppSelector((s) => s.operations.connected);
  useEffect(() => {
    if (!connected) return undefined;
    let here = true;
    const { role } = me;
    const ask = async (query: { unwrap: () => Promise<unknown>; unsubscribe: () => void }) => {
      try {
        return await query.unwrap();
      } catch {
        return null; // Away again: what is there is kept.
      } finally {
        query.unsubscribe();
      }
    };
    /** Whether this device has it, and not from long ago. */
    const has = async (name: RouteName, call: { readonly athlete: string } | undefined) => {
      const kept = await keptAnswer(me.id, addressOf(requestOf(name, call)), Date.now());
      return kept !== null && Date.now() - kept.at < FRESH_MS;
    };
    const takeAlong = async () => {
      if (!(await has('library', undefined))) await ask(dispatch(api.endpoints.library.initiate()));
      const ids = new Set(me.athletes.map((a) => a.id));
      if (may(role, 'seeToday')) {
        if (!(await has('today', undefined))) await ask(dispatch(api.endpoints.today.initiate()));
        const today = await dispatch(api.endpoints.today.initiate(undefined, { subscribe: false }));
        for (const row of today.data?.rows ?? []) ids.add(row.athlete.id);
      }
      if (may(role, 'seeRoster')) {
        if (!(await has('groups', undefined))) await ask(dispatch(api.endpoints.groups.initiate()));
        const page = await dispatch(api.endpoints.rosterPages.initiate({}, { subscribe: false }));
        if (role === 'station') for (const row of page.data?.pages[0]?.rows ?? []) ids.add(row.id);
      }
      for (const athlete of [...ids].slice(0, MOST)) {
        if (!here) return;
        if (!(await has('work', { athlete }))) await ask(dispatch(api.endpoints.work.initiate({ athlete })));
        if (may(role, 'seeAthlete') && !(await has('athlete', { athlete })))
          await ask(dispatch(api.endpoints.athlete.initiate({ athlete })));
        if (may(role, 'seeProgress') && !(await has('progress', { athlete })))
          await ask(dispatch(api.endpoints.progress.initiate({ athlete })));
        if (may(role, 'seePlan') && !(await has('plan', { athlete })))
          await ask(dispatch(api.endpoints.plan.initiate({ athlete })));
        if (!may(role, 'judge')) continue;
        if (!(await has('diagnosis', { athlete }))) await ask(dispatch(api.endpoints.diagnosis.initiate({ athlete })));
        if (!(await has('body', { athlete }))) await ask(dispatch(api.endpoints.body.initiate({ athlete })));
      }
    };
    const timer = setTimeout(() => void takeAlong(), AFTER_MS);
    return () => {
      here = false;
      clearTimeout(timer);
    };
  }, [connected, me, dispatch]);
}
