/** Plans: made, looked at for better, changed by hand, assigned. */
import { answers, ATHLETE, get, post, put } from '../route/route';
import { newPlanSchema, planEditsSchema } from './plans';
import type { PlanRecord } from './plans';

const PLAN = answers<PlanRecord>('PlanRecord');

export const planRoutes = {
  plan: get(`${ATHLETE}/plan`, 'seePlan', 'The newest plan', answers<PlanRecord | null>('PlanRecord | null'), {
    shows: 'Plan',
  }),
  putPlan: put(`${ATHLETE}/plans/:id`, 'changePlan', 'Make a plan from the athlete’s state', PLAN, {
    body: newPlanSchema,
    answersAs: 'plan',
  }),
  /** What was made or changed meanwhile stands, so the answer does not take the place of what is shown by itself. */
  betterPlan: post(`${ATHLETE}/plans/:id/better`, 'changePlan', 'Look for a better choice of drills for a plan', PLAN),
  editPlan: put(`${ATHLETE}/plans/:id/edits`, 'changePlan', 'Change a plan by hand: all changes made so far', PLAN, {
    body: planEditsSchema,
    answersAs: 'plan',
    renews: ['Athlete', 'Today'],
  }),
  assignPlan: post(`${ATHLETE}/plans/:id/assign`, 'changePlan', 'Assign the plan’s sessions', PLAN, {
    renews: ['Plan', 'Athlete', 'Today'],
  }),
};
