/** Every endpoint: who may call it, what it takes and gives. The server mounts these; the OpenAPI document is made from them. */
import type Joi from 'joi';
import { clearanceSchema } from './commands';
import {
  academySettingsSchema,
  athleteRecordSchema,
  focusChangeSchema,
  logBatchSchema,
  newFocusSchema,
  newObservationSchema,
  newOutingSchema,
  newPlanSchema,
  newSessionSchema,
  signInSchema,
} from './records';
import type { Role } from './records';

export interface Route {
  readonly method: 'get' | 'put' | 'post' | 'delete';
  readonly path: string;
  readonly summary: string;
  /** Roles that may call it; empty for everybody, signed in or not. An athlete reaches only their own athlete. */
  readonly roles: readonly Role[];
  readonly body?: Joi.Schema;
  /** Name of the response's type in the contract. */
  readonly answer: string;
}

const coach: readonly Role[] = ['instructor'];
const both: readonly Role[] = ['instructor', 'athlete'];

const routes = <T extends Record<string, Route>>(table: T): T => table;

export const ROUTES = routes({
  signIn: {
    method: 'post',
    path: '/sign-in',
    summary: 'Sign in; sets the session cookie',
    roles: [],
    body: signInSchema,
    answer: 'Me',
  },
  signOut: { method: 'post', path: '/sign-out', summary: 'End the session', roles: [], answer: 'nothing' },
  me: { method: 'get', path: '/me', summary: 'Who is signed in, and the academy', roles: both, answer: 'Me' },
  settings: {
    method: 'put',
    path: '/academy/settings',
    summary: 'Change the academy’s settings',
    roles: coach,
    body: academySettingsSchema,
    answer: 'Me',
  },
  today: {
    method: 'get',
    path: '/today',
    summary: 'Today’s lessons and what needs the coach',
    roles: coach,
    answer: 'TodayList',
  },
  athletes: { method: 'get', path: '/athletes', summary: 'The roster', roles: coach, answer: 'AthleteRow[]' },
  athlete: {
    method: 'get',
    path: '/athletes/:athlete',
    summary: 'One athlete at a glance',
    roles: both,
    answer: 'AthleteOverview',
  },
  putAthlete: {
    method: 'put',
    path: '/athletes/:athlete',
    summary: 'Add or change an athlete',
    roles: coach,
    body: athleteRecordSchema,
    answer: 'AthleteOverview',
  },
  putObservation: {
    method: 'put',
    path: '/athletes/:athlete/observations/:id',
    summary: 'Record one thing observed',
    roles: coach,
    body: newObservationSchema,
    answer: 'DiagnosisRecord',
  },
  dropObservation: {
    method: 'delete',
    path: '/athletes/:athlete/observations/:id',
    summary: 'Take back an observation made by mistake',
    roles: coach,
    answer: 'DiagnosisRecord',
  },
  diagnosis: {
    method: 'get',
    path: '/athletes/:athlete/diagnosis',
    summary: 'The judgement over everything observed so far',
    roles: coach,
    answer: 'DiagnosisRecord',
  },
  keepDiagnosis: {
    method: 'put',
    path: '/athletes/:athlete/diagnoses/:id',
    summary: 'Keep what was shown, with the catalogue’s version',
    roles: coach,
    answer: 'DiagnosisRecord',
  },
  putFocus: {
    method: 'put',
    path: '/athletes/:athlete/foci/:id',
    summary: 'Make a finding the focus',
    roles: coach,
    body: newFocusSchema,
    answer: 'AthleteOverview',
  },
  changeFocus: {
    method: 'post',
    path: '/athletes/:athlete/foci/:id/change',
    summary: 'Move a focus to another rung, or end it',
    roles: coach,
    body: focusChangeSchema,
    answer: 'AthleteOverview',
  },
  plan: { method: 'get', path: '/athletes/:athlete/plan', summary: 'The newest plan', roles: both, answer: 'PlanRecord | null' },
  putPlan: {
    method: 'put',
    path: '/athletes/:athlete/plans/:id',
    summary: 'Make a plan from the athlete’s state',
    roles: coach,
    body: newPlanSchema,
    answer: 'PlanRecord',
  },
  assignPlan: {
    method: 'post',
    path: '/athletes/:athlete/plans/:id/assign',
    summary: 'Assign the plan’s sessions',
    roles: coach,
    answer: 'PlanRecord',
  },
  putSession: {
    method: 'put',
    path: '/athletes/:athlete/sessions/:id',
    summary: 'Start a session, with the pain check before it',
    roles: both,
    body: newSessionSchema,
    answer: 'SessionRecord',
  },
  session: {
    method: 'get',
    path: '/athletes/:athlete/sessions/:id',
    summary: 'A session so far',
    roles: both,
    answer: 'SessionRecord',
  },
  log: {
    method: 'post',
    path: '/athletes/:athlete/sessions/:id/log',
    summary: 'Log reps, cheats, undo, pain and speeds; each entry once',
    roles: both,
    body: logBatchSchema,
    answer: 'LogAnswer',
  },
  finish: {
    method: 'post',
    path: '/athletes/:athlete/sessions/:id/finish',
    summary: 'End the session: the gate gives its verdict',
    roles: both,
    answer: 'SessionRecord',
  },
  putOuting: {
    method: 'put',
    path: '/athletes/:athlete/outings/:id',
    summary: 'Throwing done elsewhere: games, catching, other lessons',
    roles: both,
    body: newOutingSchema,
    answer: 'AthleteOverview',
  },
  putClearance: {
    method: 'put',
    path: '/athletes/:athlete/clearances/:id',
    summary: 'Record a clinician’s clearance',
    roles: coach,
    body: clearanceSchema,
    answer: 'AthleteOverview',
  },
  progress: {
    method: 'get',
    path: '/athletes/:athlete/progress',
    summary: 'Speed, gates and load over time',
    roles: both,
    answer: 'Progress',
  },
});

export type RouteName = keyof typeof ROUTES;
