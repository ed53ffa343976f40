/** What other workspaces use of the server: the demo's seeding goes through the same services as the app. */
export { hashPassword } from './auth/passwords';
export { readDatabase } from './config';
export type { User } from './auth/sign-ins';
export { connect, migrate, rollBackAll } from './db/connect';
export { createApp } from './http/app';
export { contextFor } from './http/api';
export type { Context } from './services/context';
export { workOf } from './services/overview';
export { putAthlete } from './services/put-athlete';
export { finishBodyCheck, putBodyCheck, putBodyReading } from './services/body';
export { putClip, putClipPart, putMarks } from './services/clips';
export { putConsent, putIntake } from './services/intake';
export { putGroup } from './services/people';
export { changeFocus, diagnosisOf, keepDiagnosis, putFocus, putObservation, putRuling } from './services/judgement';
export { assignPlan, putPlan } from './services/plans';
export { putClearance, putOuting } from './services/records';
export { finishSession, logEntries, putSession } from './services/log/sessions';
