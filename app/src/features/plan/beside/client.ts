import { makePlan } from '@wrightonic/core';
import type { Plan, PlanRequest } from '@wrightonic/core';
import type { PlanNews, PlanWanted } from './messages';

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
  const worker = new Worker(WORKER, { type: 'module' });
  let at = 0;
  const ask = () => {
    const request = requests[at];
    if (request) worker.postMessage({ ask: at, request } satisfies PlanWanted);
    else worker.terminate();
  };
  worker.onmessage = ({ data }: MessageEvent<PlanNews>) => {
    hear(data.ask, data.plan, data.last);
    if (!data.last) return;
    at++;
    ask();
  };
  worker.onerror = () => {
    worker.terminate();
    here(at);
  };
  ask();
  return () => worker.terminate();
}
