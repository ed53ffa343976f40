/** What takes long is worked out beside the event loop, in worker threads: plans, their improvement by HiGHS, what speeds and drills come to, and papers. */
import { fileURLToPath } from 'node:url';
import { parentPort, Worker } from 'node:worker_threads';
import { drillEffects, improvePlan, makePlan, trend } from '@wrightonic/core';
import type {
  CampRequest,
  CampSchedule,
  DrillEffects,
  DrillEffectsRequest,
  Plan,
  PlanRequest,
  Trend,
  TrendRequest,
} from '@wrightonic/core';
import { scheduleCamp } from '@wrightonic/core/camp';
import { campLimits, PLAN_LIMITS, solverWith } from '@wrightonic/solver';
import loadHighs from 'highs';
import { setPaper } from './report/paper';
import type { Paper } from './report/paper';

/** The same request gives the same answer, wherever it is worked out. */
export interface Thinking {
  readonly plan: (request: PlanRequest) => Promise<Plan>;
  /** The best plan it can find: seconds. */
  readonly improve: (request: PlanRequest) => Promise<Plan>;
  readonly trend: (request: TrendRequest) => Promise<Trend>;
  /** What the drills of a finding did: up to seconds. */
  readonly effects: (request: DrillEffectsRequest) => Promise<DrillEffects | null>;
  /** Who is where when at a camp: up to seconds. */
  readonly camp: (request: CampRequest) => Promise<CampSchedule>;
  /** A paper, set as PDF. */
  readonly paper: (paper: Paper) => Promise<Uint8Array>;
}

/** In the thread that asks. */
export const thinkHere: Thinking = {
  plan: (request) => Promise.resolve(makePlan(request)),
  improve: async (request) => improvePlan(request, solverWith(await loadHighs(), PLAN_LIMITS)),
  trend: (request) => Promise.resolve(trend(request)),
  effects: (request) => Promise.resolve(drillEffects(request)),
  camp: async (request) => scheduleCamp(request, solverWith(await loadHighs(), campLimits(request.secondsLimit))),
  paper: setPaper,
};

type Task = keyof Thinking;

interface Asked {
  readonly ask: number;
  readonly task: Task;
  readonly request: unknown;
}
interface Answered {
  readonly ask: number;
  readonly answer?: unknown;
  readonly error?: string;
}

/** What runs in a worker thread. */
export function serveThoughts(): void {
  parentPort?.on('message', ({ ask, task, request }: Asked) => {
    // What was asked comes out of the same functions that take it.
    (thinkHere[task] as (request: unknown) => Promise<unknown>)(request).then(
      (answer) => parentPort?.postMessage({ ask, answer } satisfies Answered),
      (error: unknown) => parentPort?.postMessage({ ask, error: String(error) } satisfies Answered),
    );
  });
}

/**
 * In two threads, so that nothing quick waits for what takes seconds. Each is started anew with the next request after it has died.
 * @param entry the program that they run
 */
export function thinkBeside(entry: string = fileURLToPath(import.meta.url)): Thinking {
  const quick = threadOf(entry);
  const slow = threadOf(entry);
  return {
    plan: (request) => quick('plan', request) as Promise<Plan>,
    improve: (request) => slow('improve', request) as Promise<Plan>,
    trend: (request) => quick('trend', request) as Promise<Trend>,
    effects: (request) => slow('effects', request) as Promise<DrillEffects | null>,
    camp: (request) => slow('camp', request) as Promise<CampSchedule>,
    paper: (paper) => slow('paper', paper) as Promise<Uint8Array>,
  };
}

function threadOf(entry: string): (task: Task, request: unknown) => Promise<unknown> {
  let worker: Worker | null = null;
  let asks = 0;
  const waiting = new Map<number, { done: (answer: unknown) => void; failed: (error: Error) => void }>();
  const fail = (of: Worker, error: Error) => {
    // One that has been followed by another has nothing waiting.
    if (worker !== of) return;
    worker = null;
    for (const { failed } of waiting.values()) failed(error);
    waiting.clear();
  };
  const start = (): Worker => {
    const made = new Worker(entry);
    made.on('message', ({ ask, answer, error }: Answered) => {
      const waits = waiting.get(ask);
      waiting.delete(ask);
      if (error === undefined) waits?.done(answer);
      else waits?.failed(new Error(error));
    });
    made.on('error', (error) => fail(made, error));
    made.on('exit', () => fail(made, new Error('The worker stopped.')));
    // Listening holds the program up: it is let go only after that.
    made.unref();
    return made;
  };
  worker = start();
  return (task, request) =>
    new Promise((done, failed) => {
      worker ??= start();
      const ask = ++asks;
      waiting.set(ask, { done, failed });
      worker.postMessage({ ask, task, request } satisfies Asked);
    });
}
