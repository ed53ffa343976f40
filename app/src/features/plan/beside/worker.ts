/// <reference lib="webworker" />
/** Plans beside the page. Runs as a module worker, bundled by itself; the solver's runtime lies beside it. */
import { improvePlan, makePlan } from '@wrightonic/core';
import type { Plan, PlanRequest } from '@wrightonic/core';
import { solverWith } from '@wrightonic/solver';
import { expose } from 'comlink';
import loadHighs from 'highs';

declare const self: DedicatedWorkerGlobalScope;

const solver = loadHighs({ locateFile: (name) => new URL(name, self.location.href).href }).then((highs) => solverWith(highs));

const planner = {
  /** The plan that is there at once. */
  plan: (request: PlanRequest): Plan => makePlan(request),
  /** The best that the solver finds; without its solver the plan that there is at once. */
  best: (request: PlanRequest): Promise<Plan> =>
    solver.then((solve) => improvePlan(request, solve)).catch(() => makePlan(request)),
};
export type Planner = typeof planner;

expose(planner);
