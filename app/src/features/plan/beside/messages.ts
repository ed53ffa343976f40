import type { Plan, PlanRequest } from '@wrightonic/core';

export interface PlanWanted {
  readonly ask: number;
  readonly request: PlanRequest;
}

/** A plan, first as it is made at once, then the best that the solver finds. */
export interface PlanNews {
  readonly ask: number;
  readonly plan: Plan;
  /** Nothing more comes of this request. */
  readonly last: boolean;
}
