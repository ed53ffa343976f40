import { makePlan } from '@wrightonic/core';
import type { Plan } from '@wrightonic/core';
import { planRequestOf } from '../../../testing/work';
import { planBeside } from './client';
import type { PlanNews, PlanWanted } from './messages';

const requests = [planRequestOf({ weeks: 2 }), planRequestOf({ weeks: 3 })];

/** A worker by hand. */
class FakeWorker {
  static made: FakeWorker[] = [];
  asked: PlanWanted[] = [];
  gone = false;
  onmessage: ((event: { data: PlanNews }) => void) | null = null;
  onerror: (() => void) | null = null;
  constructor(
    readonly path: string,
    readonly options: object,
  ) {
    FakeWorker.made.push(this);
  }
  postMessage(wanted: PlanWanted) {
    this.asked.push(wanted);
  }
  terminate() {
    this.gone = true;
  }
}

const heard: [number, Plan, boolean][] = [];
const hear = (index: number, plan: Plan, last: boolean) => void heard.push([index, plan, last]);
const given = global.Worker;

beforeEach(() => {
  heard.length = 0;
  FakeWorker.made = [];
  global.Worker = FakeWorker as never;
});
afterEach(() => {
  global.Worker = given;
});

describe('planning beside the page', () => {
  it('asks for one after another, and ends its worker with the last', () => {
    planBeside(requests, hear);
    const [worker] = FakeWorker.made;
    const tell = (ask: number, last: boolean) => worker!.onmessage!({ data: { ask, plan: makePlan(requests[ask]!), last } });
    expect([worker!.path, worker!.options, worker!.asked.map((a) => a.ask)]).toEqual([
      '/planner/worker.js',
      { type: 'module' },
      [0],
    ]);
    tell(0, false);
    expect(worker!.asked.map((a) => a.ask)).toEqual([0]);
    tell(0, true);
    expect(worker!.asked.map((a) => a.ask)).toEqual([0, 1]);
    tell(1, false);
    expect(worker!.gone).toBe(false);
    tell(1, true);
    expect(worker!.gone).toBe(true);
    expect(heard.map(([index, , last]) => [index, last])).toEqual([
      [0, false],
      [0, true],
      [1, false],
      [1, true],
    ]);
  });

  it('plans right here what is left when the worker cannot be loaded, or dies', () => {
    planBeside(requests, hear);
    const [worker] = FakeWorker.made;
    worker!.onmessage!({ data: { ask: 0, plan: makePlan(requests[0]!), last: true } });
    worker!.onerror!();
    expect(worker!.gone).toBe(true);
    expect(heard.map(([index, plan, last]) => [index, plan.sessions.length > 0, last])).toEqual([
      [0, true, true],
      [1, true, true],
    ]);
  });

  it('stops when it is told to, and needs no worker where there are none', () => {
    planBeside(requests, hear)();
    expect(FakeWorker.made[0]!.gone).toBe(true);
    global.Worker = undefined as never;
    planBeside(requests, hear);
    expect(heard).toEqual(requests.map((request, i) => [i, makePlan(request), true]));
  });
});
