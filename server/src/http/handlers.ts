import type {
  AcademySettings,
  AthleteRecord,
  FocusChange,
  LogBatch,
  NewFocus,
  NewObservation,
  NewOuting,
  NewPlan,
  NewSession,
  RouteName,
} from '@wrightonic/contract';
import type { Clearance } from '@wrightonic/core';
import { listAthletes, overview, putAthlete } from '../services/athletes';
import type { Context } from '../services/context';
import { changeFocus, diagnosisOf, dropObservation, keepDiagnosis, putFocus, putObservation } from '../services/judgement';
import { assignPlan, newestPlan, putPlan } from '../services/plans';
import { progressOf } from '../services/progress';
import { me, putClearance, putOuting, putSettings } from '../services/records';
import { finishSession, logEntries, putSession, sessionOf } from '../services/sessions';
import { todayList } from '../services/today';

export interface Call {
  readonly ctx: Context;
  /** The athlete of the path, or ''. */
  readonly athlete: string;
  /** The record of the path, or ''. */
  readonly id: string;
  /** The checked body. */
  readonly body: unknown;
}
type Handler = (call: Call) => unknown;

/** One line for each endpoint: the service that answers it. Sign-in and sign-out are handled where the cookie is. */
export const HANDLERS: Record<Exclude<RouteName, 'signIn' | 'signOut'>, Handler> = {
  me: ({ ctx }) => me(ctx),
  settings: ({ ctx, body }) => putSettings(ctx, body as AcademySettings),
  today: ({ ctx }) => todayList(ctx),
  athletes: ({ ctx }) => listAthletes(ctx),
  athlete: ({ ctx, athlete }) => overview(ctx, athlete),
  putAthlete: ({ ctx, athlete, body }) => putAthlete(ctx, athlete, body as AthleteRecord),
  putObservation: ({ ctx, athlete, id, body }) => putObservation(ctx, athlete, id, body as NewObservation),
  dropObservation: ({ ctx, athlete, id }) => dropObservation(ctx, athlete, id),
  diagnosis: ({ ctx, athlete }) => diagnosisOf(ctx, athlete),
  keepDiagnosis: ({ ctx, athlete, id }) => keepDiagnosis(ctx, athlete, id),
  putFocus: ({ ctx, athlete, id, body }) => putFocus(ctx, athlete, id, body as NewFocus),
  changeFocus: ({ ctx, athlete, id, body }) => changeFocus(ctx, athlete, id, body as FocusChange),
  plan: ({ ctx, athlete }) => newestPlan(ctx, athlete),
  putPlan: ({ ctx, athlete, id, body }) => putPlan(ctx, athlete, id, body as NewPlan),
  assignPlan: ({ ctx, athlete, id }) => assignPlan(ctx, athlete, id),
  putSession: ({ ctx, athlete, id, body }) => putSession(ctx, athlete, id, body as NewSession),
  session: ({ ctx, athlete, id }) => sessionOf(ctx, athlete, id),
  log: ({ ctx, athlete, id, body }) => logEntries(ctx, athlete, id, (body as LogBatch).entries),
  finish: ({ ctx, athlete, id }) => finishSession(ctx, athlete, id),
  putOuting: ({ ctx, athlete, id, body }) => putOuting(ctx, athlete, id, body as NewOuting),
  putClearance: ({ ctx, athlete, id, body }) => putClearance(ctx, athlete, id, body as Clearance),
  progress: ({ ctx, athlete }) => progressOf(ctx, athlete),
};
