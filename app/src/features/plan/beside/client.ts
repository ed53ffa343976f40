import { makePlan } from '@wrightonic/core';
import type { Plan, PlanRequest } from '@wrightonic/core';
import { beside } from '../../../data/beside';
import type { Planner } from './worker';

/** Where the worker lies; it is bundled apart from the app (scripts/lib/planner.mjs). */
const WORKER = '/planner/worker.js';

/**
 * Plans requests one after another in a worker of their own; where there are none (tests, old browsers), right here and without solver.
 * @param hear hears of each request twice: the plan that is there at once, and the best one
 * @returns how to stop it
 */
export function planBeside(
  requests: readonly PlanRequest[],
  hear: (index: number, plan: Plan, last: boolean) => void,
): () => void {
  const here = (from: number) => requests.slice(from).forEach((request, i) => hear(from + i, makePlan(request), true));
  if (typeof Worker === 'undefined') {
    here(0);
    return () => undefined;
  }
  const { ask, end } = beside<Planner>(new Worker(WORKER, { type: 'module' }));
  let stopped = false;
  const tell = (index: number, plan: Plan, last: boolean) => {
    if (!stopped) hear(index, plan, last);
  };
  void (async () => {
    for (const [i, request] of requests.entries()) {
      try {
        tell(i, await ask((api) => api.plan(request)), false);
        tell(i, await ask((api) => api.best(request)), true);
      } catch {
        if (!stopped) here(i);
        break;
      }
      if (stopped) return;
    }
    end();
  })();
  return () => {
    stopped = true;
    end();
  };
}
