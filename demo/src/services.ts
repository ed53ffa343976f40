/** The services by which the past is lived. Pasts are lived several at once: what the database takes back for another's sake is done again. */
import * as server from '@wrightonic/server';

/** The same call, again where it met a deadlock: its ids are made by whoever calls, so that twice is once. */
const again =
  <Given extends unknown[], Answer>(service: (...given: Given) => Promise<Answer>) =>
  (...given: Given): Promise<Answer> =>
    server.retried(() => service(...given), PATIENCE);

/** Tries, where several pasts write at once. */
const PATIENCE = 12;

export const assignPlan = again(server.assignPlan);
export const checkIn = again(server.checkIn);
export const handOutReports = again(server.handOutReports);
export const publishCamp = again(server.publishCamp);
export const putCamp = again(server.putCamp);
export const putGun = again(server.putGun);
export const scheduleCamp = again(server.scheduleCamp);
export const changeFocus = again(server.changeFocus);
export const finishBodyCheck = again(server.finishBodyCheck);
export const finishSession = again(server.finishSession);
export const keepDiagnosis = again(server.keepDiagnosis);
export const logEntries = again(server.logEntries);
export const putAthlete = again(server.putAthlete);
export const putBodyCheck = again(server.putBodyCheck);
export const putBodyReading = again(server.putBodyReading);
export const putClip = again(server.putClip);
export const putClipPart = again(server.putClipPart);
export const putConsent = again(server.putConsent);
export const putFocus = again(server.putFocus);
export const putIntake = again(server.putIntake);
export const putMarks = again(server.putMarks);
export const putObservation = again(server.putObservation);
export const putOuting = again(server.putOuting);
export const putPlan = again(server.putPlan);
export const putRuling = again(server.putRuling);
export const putSession = again(server.putSession);
export const workOf = again(server.workOf);
