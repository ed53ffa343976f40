import type {
  AcademySettings,
  Archiving,
  AthleteChange,
  AuditQuery,
  ClipMarks,
  SetupMend,
  Erasure,
  FocusChange,
  GroupRecord,
  IntakeRecord,
  LoadRemoval,
  LogBatch,
  NewBodyCheck,
  NewBodyNote,
  NewBodyReading,
  NewClip,
  NewConsent,
  NewFocus,
  NewInvitation,
  NewObservation,
  NewRuling,
  NewOuting,
  NewOwnDrill,
  NewOwnFinding,
  NewOwnLadder,
  NewPlan,
  PlanEdits,
  NewSession,
  PartQuery,
  PasswordChange,
  PersonChange,
  RosterImport,
  UndoImportQuery,
  RosterQuery,
  RouteName,
} from '@wrightonic/contract';
import type { Clearance } from '@wrightonic/core';
import { changePassword, me, signOutEverywhere } from '../services/account';
import { athleteWork, overview } from '../services/overview';
import { putAthlete } from '../services/put-athlete';
import { bodyOf, dropBodyReading, finishBodyCheck, putBodyCheck, putBodyNote, putBodyReading } from '../services/body';
import { clip, clips, dropClip, mendClip, putClip, putClipPart, putMarks } from '../services/clips';
import type { Context } from '../services/context';
import { putChannel } from '../services/devices';
import { imports, lookAtImport, putImport, undoImport } from '../services/imports';
import { intakeOf, putConsent, putIntake } from '../services/intake';
import { ownEye } from '../services/eyes';
import {
  changeFocus,
  diagnosisOf,
  dropObservation,
  endRuling,
  keepDiagnosis,
  putFocus,
  putObservation,
  putRuling,
} from '../services/judgement';
import { archive, eraseAthlete, erasePreview, exportAthlete } from '../services/lifecycle';
import {
  auditPage,
  changePerson,
  dropGroup,
  dropInvitation,
  groups,
  newPasswordLink,
  people,
  putGroup,
  putInvitation,
  removePerson,
} from '../services/people';
import { assignPlan, betterPlan, editedPlan, newestPlan, putPlan } from '../services/plans';
import { libraryAnswer, putOwnDrill, putOwnFinding, putOwnLadder } from '../services/library';
import type { Improve } from '../planner';
import { progressOf } from '../services/progress';
import { putClearance, putOuting, putSettings } from '../services/records';
import { rosterPage } from '../services/roster';
import { finishSession, logEntries, putSession, removeFromLoad, sessionOf } from '../services/log/sessions';
import { todayList } from '../services/today';

export interface Call {
  readonly ctx: Context;
  /** The athlete of the path, or ''. */
  readonly athlete: string;
  /** The record of the path, or ''. */
  readonly id: string;
  /** The checked body. */
  readonly body: unknown;
  /** The checked search part of the address. */
  readonly query: unknown;
  /** The body as it came, where the endpoint takes bytes. */
  readonly bytes: Buffer;
  /** Where clips lie. */
  readonly clipsFolder: string;
  /** Finds the best plan for a request. */
  readonly improve: Improve;
}
type Handler = (call: Call) => unknown;

/** Endpoints without a person behind them: they are handled where the cookie or the key is. */
export type OpenRoute = 'signIn' | 'signOut' | 'lookAtInvitation' | 'join' | 'sendToChannel' | 'listenToChannel' | 'clipFile';
export type HandledRoute = Exclude<RouteName, OpenRoute>;

/** One line for each endpoint: the service that answers it. */
export const HANDLERS: Record<HandledRoute, Handler> = {
  me: ({ ctx }) => me(ctx),
  changePassword: ({ ctx, body }) => changePassword(ctx, body as PasswordChange),
  signOutEverywhere: ({ ctx }) => signOutEverywhere(ctx),
  settings: ({ ctx, body }) => putSettings(ctx, body as AcademySettings),
  people: ({ ctx }) => people(ctx),
  changePerson: ({ ctx, id, body }) => changePerson(ctx, id, body as PersonChange),
  removePerson: ({ ctx, id }) => removePerson(ctx, id),
  newPasswordLink: ({ ctx, id }) => newPasswordLink(ctx, id),
  putInvitation: ({ ctx, id, body }) => putInvitation(ctx, id, body as NewInvitation),
  dropInvitation: ({ ctx, id }) => dropInvitation(ctx, id),
  audit: ({ ctx, query }) => auditPage(ctx, query as AuditQuery),
  groups: ({ ctx }) => groups(ctx),
  putGroup: ({ ctx, id, body }) => putGroup(ctx, id, body as GroupRecord),
  dropGroup: ({ ctx, id }) => dropGroup(ctx, id),
  today: ({ ctx }) => todayList(ctx),
  athletes: ({ ctx, query }) => rosterPage(ctx, query as RosterQuery),
  lookAtImport: ({ ctx, body }) => lookAtImport(ctx, body as RosterImport),
  imports: ({ ctx }) => imports(ctx),
  putImport: ({ ctx, id, body }) => putImport(ctx, id, body as RosterImport),
  undoImport: ({ ctx, id, query, clipsFolder }) => undoImport(ctx, clipsFolder, id, query as UndoImportQuery),
  athlete: ({ ctx, athlete }) => overview(ctx, athlete),
  putAthlete: ({ ctx, athlete, body }) => putAthlete(ctx, athlete, body as AthleteChange),
  work: ({ ctx, athlete }) => athleteWork(ctx, athlete),
  intake: ({ ctx, athlete }) => intakeOf(ctx, athlete),
  putIntake: ({ ctx, athlete, body }) => putIntake(ctx, athlete, body as IntakeRecord),
  putConsent: ({ ctx, athlete, id, body }) => putConsent(ctx, athlete, id, body as NewConsent),
  archive: ({ ctx, athlete, body }) => archive(ctx, athlete, body as Archiving),
  exportAthlete: ({ ctx, athlete }) => exportAthlete(ctx, athlete),
  erasePreview: ({ ctx, athlete }) => erasePreview(ctx, athlete),
  eraseAthlete: ({ ctx, clipsFolder, athlete, body }) => eraseAthlete(ctx, clipsFolder, athlete, body as Erasure),
  body: ({ ctx, athlete }) => bodyOf(ctx, athlete),
  putBodyCheck: ({ ctx, athlete, id, body }) => putBodyCheck(ctx, athlete, id, body as NewBodyCheck),
  putBodyReading: ({ ctx, athlete, id, body }) => putBodyReading(ctx, athlete, id, body as NewBodyReading),
  dropBodyReading: ({ ctx, athlete, id }) => dropBodyReading(ctx, athlete, id),
  putBodyNote: ({ ctx, athlete, id, body }) => putBodyNote(ctx, athlete, id, body as NewBodyNote),
  finishBodyCheck: ({ ctx, athlete, id }) => finishBodyCheck(ctx, athlete, id),
  clips: ({ ctx, athlete }) => clips(ctx, athlete),
  clip: ({ ctx, athlete, id }) => clip(ctx, athlete, id),
  putClip: ({ ctx, athlete, id, body }) => putClip(ctx, athlete, id, body as NewClip),
  putClipPart: ({ ctx, clipsFolder, athlete, id, query, bytes }) =>
    putClipPart(ctx, clipsFolder, athlete, id, (query as PartQuery).from, bytes),
  mendClip: ({ ctx, athlete, id, body }) => mendClip(ctx, athlete, id, body as SetupMend),
  putMarks: ({ ctx, athlete, id, body }) => putMarks(ctx, athlete, id, body as ClipMarks),
  dropClip: ({ ctx, clipsFolder, athlete, id }) => dropClip(ctx, clipsFolder, athlete, id),
  putObservation: ({ ctx, athlete, id, body }) => putObservation(ctx, athlete, id, body as NewObservation),
  dropObservation: ({ ctx, athlete, id }) => dropObservation(ctx, athlete, id),
  diagnosis: ({ ctx, athlete }) => diagnosisOf(ctx, athlete),
  putRuling: ({ ctx, athlete, id, body }) => putRuling(ctx, athlete, id, body as NewRuling),
  endRuling: ({ ctx, athlete, id }) => endRuling(ctx, athlete, id),
  ownEye: ({ ctx }) => ownEye(ctx),
  keepDiagnosis: ({ ctx, athlete, id }) => keepDiagnosis(ctx, athlete, id),
  putFocus: ({ ctx, athlete, id, body }) => putFocus(ctx, athlete, id, body as NewFocus),
  changeFocus: ({ ctx, athlete, id, body }) => changeFocus(ctx, athlete, id, body as FocusChange),
  plan: ({ ctx, athlete }) => newestPlan(ctx, athlete),
  putPlan: ({ ctx, athlete, id, body }) => putPlan(ctx, athlete, id, body as NewPlan),
  library: ({ ctx }) => libraryAnswer(ctx),
  putOwnDrill: ({ ctx, id, body }) => putOwnDrill(ctx, id, body as NewOwnDrill),
  putOwnFinding: ({ ctx, id, body }) => putOwnFinding(ctx, id, body as NewOwnFinding),
  putOwnLadder: ({ ctx, id, body }) => putOwnLadder(ctx, id, body as NewOwnLadder),
  betterPlan: ({ ctx, athlete, id, improve }) => betterPlan(ctx, athlete, id, improve),
  editPlan: ({ ctx, athlete, id, body }) => editedPlan(ctx, athlete, id, body as PlanEdits),
  assignPlan: ({ ctx, athlete, id }) => assignPlan(ctx, athlete, id),
  putSession: ({ ctx, athlete, id, body }) => putSession(ctx, athlete, id, body as NewSession),
  session: ({ ctx, athlete, id }) => sessionOf(ctx, athlete, id),
  log: ({ ctx, athlete, id, body }) => logEntries(ctx, athlete, id, (body as LogBatch).entries),
  finish: ({ ctx, athlete, id }) => finishSession(ctx, athlete, id),
  removeLoad: ({ ctx, athlete, id, body }) => removeFromLoad(ctx, athlete, id, body as LoadRemoval),
  putOuting: ({ ctx, athlete, id, body }) => putOuting(ctx, athlete, id, body as NewOuting),
  putClearance: ({ ctx, athlete, id, body }) => putClearance(ctx, athlete, id, body as Clearance),
  progress: ({ ctx, athlete }) => progressOf(ctx, athlete),
  putChannel: ({ ctx, id }) => putChannel(ctx, id),
};
