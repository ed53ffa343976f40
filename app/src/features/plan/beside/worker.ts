/// <reference lib="webworker" />
/** Plans beside the page. Runs as a module worker, bundled by itself; the solver's runtime lies beside it. */
import { improvePlan, makePlan } from '@wrightonic/core';
import { solverWith } from '@wrightonic/solver';
import loadHighs from 'highs';
import type { PlanNews, PlanWanted } from './messages';

declare const self: DedicatedWorkerGlobalScope;

const tell = (news: PlanNews): void => self.postMessage(news);
const solver = loadHighs({ locateFile: (name) => new URL(name, self.location.href).href }).then((highs) => solverWith(highs));

self.onmessage = ({ data: { ask, request } }: MessageEvent<PlanWanted>): void => {
  const plan = makePlan(request);
  tell({ ask, plan, last: false });
  void solver
    .then((solve) => improvePlan(request, solve))
    // Without its solver the plan that there is stays.
    .catch(() => plan)
    .then((best) => tell({ ask, plan: best, last: true }));
};
