/** The best plan for a request, found beside the event loop: HiGHS solves in a worker thread. */
import { fileURLToPath } from 'node:url';
import { parentPort, Worker } from 'node:worker_threads';
import { improvePlan } from '@wrightonic/core';
import type { Plan, PlanRequest } from '@wrightonic/core';
import { PLAN_LIMITS, solverWith } from '@wrightonic/solver';
import loadHighs from 'highs';

/** Finds the best plan it can. The same request gives the same plan. */
export type Improve = (request: PlanRequest) => Promise<Plan>;

/** Plans in the thread that asks. */
export async function improveHere(request: PlanRequest): Promise<Plan> {
  return improvePlan(request, solverWith(await loadHighs(), PLAN_LIMITS));
}

interface Asked {
  readonly ask: number;
  readonly request: PlanRequest;
}
interface Answered {
  readonly ask: number;
  readonly plan?: Plan;
  readonly error?: string;
}

/** What runs in the worker thread. */
export function serveImprovements(): void {
  parentPort?.on('message', ({ ask, request }: Asked) => {
    improveHere(request).then(
      (plan) => parentPort?.postMessage({ ask, plan } satisfies Answered),
      (error: unknown) => parentPort?.postMessage({ ask, error: String(error) } satisfies Answered),
    );
  });
}

/** A worker thread that is started with the first request and anew after it has died. @param entry the program that it runs */
export function improveBeside(entry: string = fileURLToPath(import.meta.url)): Improve {
  let worker: Worker | null = null;
  let asks = 0;
  const waiting = new Map<number, { done: (plan: Plan) => void; failed: (error: Error) => void }>();
  const fail = (of: Worker, error: Error) => {
    // One that has been followed by another has nothing waiting.
    if (worker !== of) return;
    worker = null;
    for (const { failed } of waiting.values()) failed(error);
    waiting.clear();
  };
  const start = (): Worker => {
    const made = new Worker(entry);
    made.unref();
    made.on('message', ({ ask, plan, error }: Answered) => {
      const waits = waiting.get(ask);
      waiting.delete(ask);
      if (plan) waits?.done(plan);
      else waits?.failed(new Error(error));
    });
    made.on('error', (error) => fail(made, error));
    made.on('exit', () => fail(made, new Error('The planner stopped.')));
    return made;
  };
  return (request) =>
    new Promise<Plan>((done, failed) => {
      worker ??= start();
      const ask = ++asks;
      waiting.set(ask, { done, failed });
      worker.postMessage({ ask, request } satisfies Asked);
    });
}
