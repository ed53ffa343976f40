import type { AnswerOf, BodyOf, QueryOf, RouteName } from '@wrightonic/contract';
import { changePassword, me, signOutEverywhere } from '../people/account';
import { athleteWork, overview } from '../overview/overview';
import { csvFile } from '../bundle/csv';
import { takeBundle } from '../bundle/in';
import { bundleOf } from '../bundle/out';
import { rowOf } from '../athlete/athletes';
import { calendarsOf, dropCalendar, putCalendar } from '../report/calendars';
import { dropLink, linksOf, putLink } from '../report/links';
import { paperOf, sheetPdf } from '../report/papers';
import { reportSheet } from '../report/sheet';
import { putAthlete } from '../entry/put-athlete';
import { bodyOf } from '../body/body-picture';
import { dropBodyReading, finishBodyCheck, putBodyCheck, putBodyNote, putBodyReading } from '../body-check/body';
import { clip, clips, dropClip, mendClip, putClip, putMarks } from '../film/clips';
import { putClipPart } from '../film/clip-file';
import { putCamp } from '../camp/build';
import { camp, camps, checkIn, dropCamp, eraseVisitors } from '../camp/camps';
import { campPaper } from '../camp/papers';
import { athleteCamps, campLinks, handOutReports } from '../camp/handed';
import { campReports } from '../camp/reports';
import { lookAtReplan, publishCamp, replanCamp, scheduleCamp } from '../camp/schedule';
import type { Context } from '../common/context';
import { putChannel } from '../devices/devices';
import { imports, lookAtImport, putImport, undoImport } from '../entry/imports';
import { intakeOf } from '../athlete/intake-record';
import { putConsent, putIntake } from '../intake/intake';
import { ownEye } from '../judgement/eyes';
import { changeFocus, putFocus } from '../focus/focus';
import { diagnosisOf, dropObservation, endRuling, keepDiagnosis, putObservation, putRuling } from '../judgement/judgement';
import { archive, eraseAthlete, erasePreview, exportAthlete } from '../entry/lifecycle';
import { auditPage } from '../people/audit-page';
import { changePerson, dropInvitation, newPasswordLink, people, putInvitation, removePerson } from '../people/people';
import { guns, putGun } from '../devices/guns';
import { dropGroup, groups, putGroup } from '../people/groups';
import { assignPlan, betterPlan, editedPlan, newestPlan, putPlan } from '../plan/plans';
import { libraryAnswer, putOwnDrill, putOwnFinding, putOwnLadder } from '../library/library';
import { effectsOf } from '../effects/effects';
import { progressOf } from '../progress/progress';
import { putClearance, putOuting, putSettings } from '../records/records';
import { rosterPage } from '../roster/roster';
import { finishSession, logEntries, putSession, removeFromLoad } from '../log/sessions';
import { sessionOf } from '../log/session-record';
import { todayList } from '../today/today';
import { coachWeek } from '../today/week';
import { dropHandOut, handOuts, lookAtHandOut, putHandOut, sawWork } from '../hand-out/hand-outs';

export interface Call<Body = unknown, Query = unknown> {
  readonly ctx: Context;
  /** The athlete of the path, or ''. */
  readonly athlete: string;
  /** The record of the path, or ''. */
  readonly id: string;
  /** The checked body. */
  readonly body: Body;
  /** The checked search part of the address. */
  readonly query: Query;
  /** The body as it came, where the endpoint takes bytes. */
  readonly bytes: Buffer;
  /** Where clips lie. */
  readonly clipsFolder: string;
}

/** Endpoints without a person behind them: they are handled where the cookie or the key is. */
export type OpenRoute =
  | 'signIn'
  | 'signOut'
  | 'lookAtInvitation'
  | 'join'
  | 'sendToChannel'
  | 'listenToChannel'
  | 'clipFile'
  | 'lookAtShared'
  | 'sharedPdf'
  | 'calendarFile';
export type HandledRoute = Exclude<RouteName, OpenRoute>;

type Handlers = {
  readonly [K in HandledRoute]: (call: Call<BodyOf<K>, QueryOf<K>>) => AnswerOf<K> | Promise<AnswerOf<K>>;
};

/** One line for each endpoint: the service that answers it. What it is given and answers is the contract's. */
export const HANDLERS: Handlers = {
  me: ({ ctx }) => me(ctx),
  changePassword: ({ ctx, body }) => changePassword(ctx, body),
  signOutEverywhere: ({ ctx }) => signOutEverywhere(ctx),
  settings: ({ ctx, body }) => putSettings(ctx, body),
  people: ({ ctx }) => people(ctx),
  changePerson: ({ ctx, id, body }) => changePerson(ctx, id, body),
  removePerson: ({ ctx, id }) => removePerson(ctx, id),
  newPasswordLink: ({ ctx, id }) => newPasswordLink(ctx, id),
  putInvitation: ({ ctx, id, body }) => putInvitation(ctx, id, body),
  dropInvitation: ({ ctx, id }) => dropInvitation(ctx, id),
  audit: ({ ctx, query }) => auditPage(ctx, query),
  groups: ({ ctx }) => groups(ctx),
  putGroup: ({ ctx, id, body }) => putGroup(ctx, id, body),
  dropGroup: ({ ctx, id }) => dropGroup(ctx, id),
  today: ({ ctx }) => todayList(ctx),
  week: ({ ctx, query }) => coachWeek(ctx, query),
  athletes: ({ ctx, query }) => rosterPage(ctx, query),
  lookAtImport: ({ ctx, body }) => lookAtImport(ctx, body),
  imports: ({ ctx }) => imports(ctx),
  putImport: ({ ctx, id, body }) => putImport(ctx, id, body),
  undoImport: ({ ctx, id, query, clipsFolder }) => undoImport(ctx, clipsFolder, id, query),
  athlete: ({ ctx, athlete }) => overview(ctx, athlete),
  putAthlete: ({ ctx, athlete, body }) => putAthlete(ctx, athlete, body),
  work: ({ ctx, athlete }) => athleteWork(ctx, athlete),
  intake: ({ ctx, athlete }) => intakeOf(ctx, athlete),
  putIntake: ({ ctx, athlete, body }) => putIntake(ctx, athlete, body),
  putConsent: ({ ctx, athlete, id, body }) => putConsent(ctx, athlete, id, body),
  archive: ({ ctx, athlete, body }) => archive(ctx, athlete, body),
  exportAthlete: ({ ctx, athlete }) => exportAthlete(ctx, athlete),
  erasePreview: ({ ctx, athlete }) => erasePreview(ctx, athlete),
  eraseAthlete: ({ ctx, clipsFolder, athlete, body }) => eraseAthlete(ctx, clipsFolder, athlete, body),
  academyBundle: ({ ctx, query, clipsFolder }) => ({
    name: `academy-${ctx.today}.json`,
    type: 'application/json',
    pieces: bundleOf(ctx, null, query.clips === 'yes' ? clipsFolder : null),
  }),
  takeBundle: ({ ctx, clipsFolder, bytes }) => takeBundle(ctx, clipsFolder, bytes),
  academyCsv: ({ ctx, query }) => csvFile(ctx, query.table, null),
  athleteBundle: async ({ ctx, athlete, query, clipsFolder }) => {
    const { name } = await rowOf(ctx, athlete);
    const pieces = bundleOf(ctx, athlete, query.clips === 'yes' ? clipsFolder : null);
    return { name: `${name}.json`, type: 'application/json', pieces };
  },
  athleteCsv: async ({ ctx, athlete, query }) => csvFile(ctx, query.table, (await rowOf(ctx, athlete)).id),
  sheet: ({ ctx, athlete, query }) => reportSheet(ctx, athlete, query),
  sheetPdf: ({ ctx, athlete, query }) => sheetPdf(ctx, athlete, query),
  paper: ({ ctx, athlete, query }) => paperOf(ctx, athlete, query),
  links: ({ ctx, athlete }) => linksOf(ctx, athlete),
  putLink: ({ ctx, athlete, id, body }) => putLink(ctx, athlete, id, body),
  dropLink: ({ ctx, athlete, id }) => dropLink(ctx, athlete, id),
  calendars: ({ ctx }) => calendarsOf(ctx),
  putCalendar: ({ ctx, id, body }) => putCalendar(ctx, id, body),
  dropCalendar: ({ ctx, id }) => dropCalendar(ctx, id),
  body: ({ ctx, athlete }) => bodyOf(ctx, athlete),
  putBodyCheck: ({ ctx, athlete, id, body }) => putBodyCheck(ctx, athlete, id, body),
  putBodyReading: ({ ctx, athlete, id, body }) => putBodyReading(ctx, athlete, id, body),
  dropBodyReading: ({ ctx, athlete, id }) => dropBodyReading(ctx, athlete, id),
  putBodyNote: ({ ctx, athlete, id, body }) => putBodyNote(ctx, athlete, id, body),
  finishBodyCheck: ({ ctx, athlete, id }) => finishBodyCheck(ctx, athlete, id),
  clips: ({ ctx, athlete }) => clips(ctx, athlete),
  clip: ({ ctx, athlete, id }) => clip(ctx, athlete, id),
  putClip: ({ ctx, athlete, id, body }) => putClip(ctx, athlete, id, body),
  putClipPart: ({ ctx, clipsFolder, athlete, id, query, bytes }) => putClipPart(ctx, clipsFolder, athlete, id, query.from, bytes),
  mendClip: ({ ctx, athlete, id, body }) => mendClip(ctx, athlete, id, body),
  putMarks: ({ ctx, athlete, id, body }) => putMarks(ctx, athlete, id, body),
  dropClip: ({ ctx, clipsFolder, athlete, id }) => dropClip(ctx, clipsFolder, athlete, id),
  putObservation: ({ ctx, athlete, id, body }) => putObservation(ctx, athlete, id, body),
  dropObservation: ({ ctx, athlete, id }) => dropObservation(ctx, athlete, id),
  diagnosis: ({ ctx, athlete }) => diagnosisOf(ctx, athlete),
  putRuling: ({ ctx, athlete, id, body }) => putRuling(ctx, athlete, id, body),
  endRuling: ({ ctx, athlete, id }) => endRuling(ctx, athlete, id),
  ownEye: ({ ctx }) => ownEye(ctx),
  keepDiagnosis: ({ ctx, athlete, id }) => keepDiagnosis(ctx, athlete, id),
  putFocus: ({ ctx, athlete, id, body }) => putFocus(ctx, athlete, id, body),
  changeFocus: ({ ctx, athlete, id, body }) => changeFocus(ctx, athlete, id, body),
  plan: ({ ctx, athlete }) => newestPlan(ctx, athlete),
  putPlan: ({ ctx, athlete, id, body }) => putPlan(ctx, athlete, id, body),
  library: ({ ctx }) => libraryAnswer(ctx),
  effects: ({ ctx }) => effectsOf(ctx),
  putOwnDrill: ({ ctx, id, body }) => putOwnDrill(ctx, id, body),
  putOwnFinding: ({ ctx, id, body }) => putOwnFinding(ctx, id, body),
  putOwnLadder: ({ ctx, id, body }) => putOwnLadder(ctx, id, body),
  betterPlan: ({ ctx, athlete, id }) => betterPlan(ctx, athlete, id),
  editPlan: ({ ctx, athlete, id, body }) => editedPlan(ctx, athlete, id, body),
  assignPlan: ({ ctx, athlete, id }) => assignPlan(ctx, athlete, id),
  putSession: ({ ctx, athlete, id, body }) => putSession(ctx, athlete, id, body),
  session: ({ ctx, athlete, id }) => sessionOf(ctx, athlete, id),
  log: ({ ctx, athlete, id, body }) => logEntries(ctx, athlete, id, body.entries),
  finish: ({ ctx, athlete, id }) => finishSession(ctx, athlete, id),
  removeLoad: ({ ctx, athlete, id, body }) => removeFromLoad(ctx, athlete, id, body),
  putOuting: ({ ctx, athlete, id, body }) => putOuting(ctx, athlete, id, body),
  putClearance: ({ ctx, athlete, id, body }) => putClearance(ctx, athlete, id, body),
  progress: ({ ctx, athlete }) => progressOf(ctx, athlete),
  putChannel: ({ ctx, id }) => putChannel(ctx, id),
  guns: ({ ctx }) => guns(ctx),
  putGun: ({ ctx, id, body }) => putGun(ctx, id, body),
  handOuts: ({ ctx }) => handOuts(ctx),
  lookAtHandOut: ({ ctx, body }) => lookAtHandOut(ctx, body),
  putHandOut: ({ ctx, id, body }) => putHandOut(ctx, id, body),
  dropHandOut: ({ ctx, id }) => dropHandOut(ctx, id),
  camps: ({ ctx }) => camps(ctx),
  camp: ({ ctx, id }) => camp(ctx, id),
  putCamp: ({ ctx, id, body }) => putCamp(ctx, id, body),
  dropCamp: ({ ctx, id }) => dropCamp(ctx, id),
  scheduleCamp: ({ ctx, id }) => scheduleCamp(ctx, id),
  publishCamp: ({ ctx, id }) => publishCamp(ctx, id),
  lookAtReplan: ({ ctx, id, body }) => lookAtReplan(ctx, id, body),
  replanCamp: ({ ctx, id, body }) => replanCamp(ctx, id, body),
  checkIn: ({ ctx, id, body }) => checkIn(ctx, id, body),
  campReports: ({ ctx, id }) => campReports(ctx, id),
  handOutReports: ({ ctx, id }) => handOutReports(ctx, id),
  campLinks: ({ ctx, id, body }) => campLinks(ctx, id, body),
  athleteCamps: ({ ctx, athlete }) => athleteCamps(ctx, athlete),
  campPaper: ({ ctx, id, query }) => campPaper(ctx, id, query),
  eraseVisitors: ({ ctx, clipsFolder, id }) => eraseVisitors(ctx, clipsFolder, id),
  sawWork: ({ ctx, athlete }) => sawWork(ctx, athlete),
};

export const HANDLED = Object.keys(HANDLERS) as readonly HandledRoute[];

/** Answers a call of any endpoint: its body and query were checked by the endpoint's own schemas. */
export const answerTo = (name: HandledRoute, call: Call): unknown =>
  (HANDLERS[name] as (call: Call<never, never>) => unknown)(call as Call<never, never>);
