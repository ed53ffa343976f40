import { makePlan } from '@wrightonic/core';
import type { Plan, PlanRequest } from '@wrightonic/core';
import { expose } from 'comlink';
import { MessageChannel } from 'node:worker_threads';
import type { MessagePort } from 'node:worker_threads';
import { planRequestOf } from '../../../testing/work';
import { planBeside } from './client';

const requests = [planRequestOf({ weeks: 2 }), planRequestOf({ weeks: 3 })];

/** A worker without a thread: what is asked goes over a real channel to functions that stand here. */
class FakeWorker {
  static made: FakeWorker[] = [];
  static planner: { plan: (request: PlanRequest) => Plan; best: (request: PlanRequest) => Plan | Promise<Plan> };
  asked: string[] = [];
  gone = false;
  private readonly near: MessagePort;
  private readonly far: MessagePort;
  private readonly failed: (() => void)[] = [];
  constructor(
    readonly path: string,
    readonly options: object,
  ) {
    const { port1, port2 } = new MessageChannel();
    [this.near, this.far] = [port1, port2];
    // A port that is forgotten holds up no test run.
    port1.unref();
    port2.unref();
    const { plan, best } = FakeWorker.planner;
    const note =
      <T>(name: string, does: (request: PlanRequest) => T) =>
      (request: PlanRequest) => {
        this.asked.push(`${name} ${request.weeks}`);
        return does(request);
      };
    expose({ plan: note('plan', plan), best: note('best', best) }, port2 as never);
    FakeWorker.made.push(this);
  }
  postMessage = (message: unknown, transfer?: never) => this.near.postMessage(message, transfer);
  start = () => this.near.start();
  addEventListener(kind: string, hear: never) {
    if (kind === 'error') this.failed.push(hear as () => void);
    else (this.near as unknown as EventTarget).addEventListener(kind, hear);
  }
  removeEventListener = (kind: string, hear: never) => (this.near as unknown as EventTarget).removeEventListener(kind, hear);
  fail = () => this.failed.forEach((hear) => hear());
  terminate() {
    this.gone = true;
    this.near.close();
    this.far.close();
  }
}

const heard: [number, Plan, boolean][] = [];
const hear = (index: number, plan: Plan, last: boolean) => void heard.push([index, plan, last]);
const given = global.Worker;
const until = async (what: () => boolean) => {
  for (let wait = 0; wait < 400 && !what(); wait++) await new Promise((resolve) => setTimeout(resolve, 5));
  expect(what()).toBe(true);
};

beforeEach(() => {
  heard.length = 0;
  FakeWorker.made = [];
  FakeWorker.planner = { plan: makePlan, best: makePlan };
  global.Worker = FakeWorker as never;
});
afterEach(() => {
  FakeWorker.made.forEach((worker) => worker.terminate());
  global.Worker = given;
});

describe('planning beside the page', () => {
  it('asks for one after another, and ends its worker with the last', async () => {
    planBeside(requests, hear);
    const [worker] = FakeWorker.made;
    await until(() => worker!.gone);
    expect([worker!.path, worker!.options, worker!.asked]).toEqual([
      '/planner/worker.js',
      { type: 'module' },
      ['plan 2', 'best 2', 'plan 3', 'best 3'],
    ]);
    expect(heard.map(([index, , last]) => [index, last])).toEqual([
      [0, false],
      [0, true],
      [1, false],
      [1, true],
    ]);
    expect(heard[0]![1]).toEqual(makePlan(requests[0]!));
  });

  it('plans right here what is left when the worker cannot be loaded, or dies', async () => {
    // The second request is never answered: the worker dies over it.
    FakeWorker.planner.plan = (request) => (request.weeks === 3 ? (new Promise(() => undefined) as never) : makePlan(request));
    planBeside(requests, hear);
    const [worker] = FakeWorker.made;
    await until(() => worker!.asked.includes('plan 3'));
    worker!.fail();
    await until(() => worker!.gone);
    expect(heard.map(([index, plan, last]) => [index, plan.sessions.length > 0, last])).toEqual([
      [0, true, false],
      [0, true, true],
      [1, true, true],
    ]);
  });

  it('plans right here what the worker stumbles over', async () => {
    FakeWorker.planner.best = () => {
      throw new Error('no solver here');
    };
    planBeside(requests.slice(0, 1), hear);
    await until(() => FakeWorker.made[0]!.gone);
    expect(heard.map(([index, plan, last]) => [index, plan.sessions.length > 0, last])).toEqual([
      [0, true, false],
      [0, true, true],
    ]);
  });

  it('stops when it is told to, and needs no worker where there are none', async () => {
    planBeside(requests, hear)();
    expect(FakeWorker.made[0]!.gone).toBe(true);
    await new Promise((resolve) => setTimeout(resolve, 50));
    expect(heard).toEqual([]);
    global.Worker = undefined as never;
    planBeside(requests, hear);
    expect(heard).toEqual(requests.map((request, i) => [i, makePlan(request), true]));
  });
});
