/** A made-up athlete at work on one focus, with a plan that the planner made. */
import type { AthleteWork } from '@wrightonic/contract';
import { makePlan, workload } from '@wrightonic/core';
import type { Plan, PlanRequest } from '@wrightonic/core';
import { PROFILE, TODAY } from './page';

export const planRequestOf = (more: Partial<PlanRequest> = {}): PlanRequest => ({
  on: TODAY,
  athlete: PROFILE,
  focus: [{ finding: 'stall', rung: 4 }],
  weeks: 2,
  availability: [{ weekday: 'mon', minutes: 60, place: 'cage' }],
  equipment: ['net', 'strap', 'tape', 'hurdle'],
  partner: true,
  season: 'off',
  games: [],
  recentLoad: [],
  pain: [],
  leagueDailyLimit: null,
  flags: [],
  pinned: [],
  ...more,
});

export const planOf = (more: Partial<PlanRequest> = {}): Plan => makePlan(planRequestOf(more));

/** What a run is told of the athlete, on the day of the plan's first session. */
export const workOf = (plan: Plan): AthleteWork =>
  ({
    id: 'a',
    age: 16,
    chain: [],
    why: null,
    next: null,
    moves: [],
    timeline: [],
    speed: null,
    flags: [],
    athlete: { ...PROFILE, name: 'Testa Birchley', season: 'off', availability: [], equipment: [], partner: true, schools: {} },
    foci: [{ id: 'f', finding: 'stall', rung: 4, state: 'working', startedOn: TODAY, rungSince: TODAY, course: null }],
    lastThrow: null,
    speeds: [],
    today: { id: 's', on: TODAY, session: plan.sessions[0]!, done: false },
    workload: workload({ on: TODAY, athlete: PROFILE, season: 'off', leagueDailyLimit: null, log: [] }),
  }) as unknown as AthleteWork;
