import { may } from '@wrightonic/contract';
import type { Me } from '@wrightonic/contract';
import { useEffect } from 'react';
import { api } from '../../data/api';
import { useAppDispatch, useAppSelector } from '../../data/store';

/** What was read less long ago is not fetched again, seconds. */
const FRESH_S = 600;
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
    const options = { forceRefetch: FRESH_S };
    const takeAlong = async () => {
      await ask(dispatch(api.endpoints.library.initiate(undefined, options)));
      const ids = new Set(me.athletes.map((a) => a.id));
      if (may(role, 'seeToday')) {
        await ask(dispatch(api.endpoints.today.initiate(undefined, options)));
        const today = await dispatch(api.endpoints.today.initiate(undefined, { subscribe: false }));
        for (const row of today.data?.rows ?? []) ids.add(row.athlete.id);
      }
      if (may(role, 'seeRoster')) {
        await ask(dispatch(api.endpoints.groups.initiate(undefined, options)));
        const page = await dispatch(api.endpoints.rosterPages.initiate({}, { subscribe: false }));
        if (role === 'station') for (const row of page.data?.pages[0]?.rows ?? []) ids.add(row.id);
      }
      for (const athlete of [...ids].slice(0, MOST)) {
        if (!here) return;
        await ask(dispatch(api.endpoints.work.initiate({ athlete }, options)));
        if (may(role, 'seeAthlete')) await ask(dispatch(api.endpoints.athlete.initiate({ athlete }, options)));
        if (may(role, 'seeProgress')) await ask(dispatch(api.endpoints.progress.initiate({ athlete }, options)));
        if (may(role, 'seePlan')) await ask(dispatch(api.endpoints.plan.initiate({ athlete }, options)));
        if (!may(role, 'judge')) continue;
        await ask(dispatch(api.endpoints.diagnosis.initiate({ athlete }, options)));
        await ask(dispatch(api.endpoints.body.initiate({ athlete }, options)));
      }
    };
    const timer = setTimeout(() => void takeAlong(), AFTER_MS);
    return () => {
      here = false;
      clearTimeout(timer);
    };
  }, [connected, me, dispatch]);
}
