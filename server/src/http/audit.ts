import { CONSENT_TEXTS, ROLE_NAMES } from '@wrightonic/contract';
import type {
  Archiving,
  CsvQuery,
  LoadRemoval,
  LogBatch,
  CampPaperQuery,
  CampReplan,
  NewBodyNote,
  NewCamp,
  NewCampLinks,
  NewConsent,
  NewFocus,
  NewGun,
  NewOwnFinding,
  NewInvitation,
  NewLink,
  NewObservation,
  NewRuling,
  PersonChange,
  RosterImport,
  RouteName,
} from '@wrightonic/contract';
import { bodyTestById, findingById } from '@wrightonic/core';
import { v5 as uuidv5 } from 'uuid';
import type { Call, HandledRoute } from './handlers';

type Sentence = string | ((call: Call) => string | null);

const seen = ({ evidence }: NewObservation): string => {
  switch (evidence.kind) {
    case 'eye':
      return `looked at “${findingById(evidence.finding).title.toLowerCase()}”: ${evidence.answer}`;
    case 'screen':
      return `tested ${bodyTestById(evidence.test).name.toLowerCase()}`;
    default:
      return `noted ${evidence.kind === 'history' ? 'history' : `a ${evidence.kind}`}`;
  }
};

/**
 * What the record says of each endpoint that changes something, or that takes personal data out; null where nothing is recorded
 * for a reason that stands beside it.
 */
export const AUDIT: Partial<Record<HandledRoute, Sentence>> = {
  changePassword: 'changed their password',
  signOutEverywhere: 'signed out everywhere else',
  settings: 'changed the academy’s settings',
  changePerson: ({ body }) => `made somebody ${ROLE_NAMES[(body as PersonChange).role]}`,
  removePerson: 'took a sign-in away',
  newPasswordLink: 'made a link for a new password',
  putInvitation: ({ body }) => `invited ${(body as NewInvitation).name} as ${ROLE_NAMES[(body as NewInvitation).role]}`,
  dropInvitation: 'took an invitation back',
  putGroup: 'changed a group',
  dropGroup: 'dissolved a group',
  lookAtHandOut: () => null, // nothing is kept
  putHandOut: 'handed out work',
  dropHandOut: 'took back what was handed out',
  sawWork: () => null, // seen by whom is kept with the work itself
  putGun: ({ body }) => `set up the gun “${(body as NewGun).name}”`,
  putCamp: ({ body }) => `built or changed the camp “${(body as NewCamp).name}”`,
  dropCamp: 'dropped a camp',
  scheduleCamp: 'made the schedule of a camp',
  publishCamp: 'published a camp',
  lookAtReplan: () => null, // nothing is kept
  replanCamp: ({ body }) =>
    `planned the rest of a camp anew: ${[...new Set((body as CampReplan).changes.map((c) => c.type.replaceAll('-', ' ')))].join(', ') || 'limits have changed'}`,
  checkIn: () => null, // who came is kept with the camp itself
  campReports: () => null, // what the screen shows
  handOutReports: 'handed out the reports of a camp',
  campLinks: ({ body }) => `made links to ${(body as NewCampLinks).links.length} reports of a camp`,
  athleteCamps: () => null, // what the screen shows
  campPaper: ({ query }) => `took out papers of a camp: ${(query as CampPaperQuery).of}`,
  eraseVisitors: 'erased the visitors of a camp for good',
  lookAtImport: () => null, // nothing is kept
  putImport: ({ body }) => `brought in ${(body as RosterImport).fileName}`,
  undoImport: 'took an import back',
  putAthlete: 'changed the athlete’s record',
  putIntake: 'changed the intake',
  putConsent: ({ body }) => {
    const consent = body as NewConsent;
    return `${consent.given ? 'noted consent' : 'noted that consent was taken back'}: ${CONSENT_TEXTS[consent.kind].toLowerCase()}`;
  },
  archive: ({ body }) => ((body as Archiving).archived ? 'put the athlete away' : 'brought the athlete back'),
  academyBundle: 'took out everything of the academy',
  takeBundle: 'took a bundle in',
  academyCsv: ({ query }) => `took out the table ${(query as CsvQuery).table}`,
  athleteBundle: 'took out the athlete’s bundle',
  athleteCsv: ({ query }) => `took out the athlete’s ${(query as CsvQuery).table}`,
  sheetPdf: () => null, // what the screen shows, on paper
  paper: () => null, // what the screen shows, on paper
  putLink: ({ body }) => `made a link for the family, open for ${(body as NewLink).days} days`,
  dropLink: 'closed a link',
  putCalendar: 'made a calendar to subscribe to',
  dropCalendar: 'closed a calendar',
  exportAthlete: 'took out everything about the athlete',
  eraseAthlete: 'erased an athlete for good',
  putBodyCheck: 'started or changed a body check',
  putBodyReading: () => null, // the check is recorded when it starts and when it ends
  dropBodyReading: 'took a body reading back',
  putBodyNote: ({ body }) => ((body as NewBodyNote).pain ? 'ended a body test because it hurt' : 'wrote a note on a body test'),
  finishBodyCheck: 'ended a body check',
  putClip: 'brought a clip in',
  putClipPart: () => null, // the clip is recorded when it is announced
  putMarks: 'marked a clip',
  mendClip: 'put right how a clip was filmed',
  dropClip: 'removed a clip',
  putObservation: ({ body }) => seen(body as NewObservation),
  dropObservation: 'took an observation back',
  keepDiagnosis: 'kept the diagnosis',
  putRuling: ({ body }) =>
    `overruled “${findingById((body as NewRuling).finding).title.toLowerCase()}”: ${(body as NewRuling).as}`,
  endRuling: 'took an overruling back',
  putFocus: ({ body }) => `made “${findingById((body as NewFocus).finding).title.toLowerCase()}” the focus`,
  changeFocus: 'changed the focus',
  putPlan: 'made a plan',
  putOwnDrill: 'changed a drill',
  putOwnFinding: ({ body }) => `changed the words for “${findingById((body as NewOwnFinding).finding).title.toLowerCase()}”`,
  putOwnLadder: 'changed a ladder',
  betterPlan: 'had a plan improved',
  editPlan: 'changed a plan',
  assignPlan: 'assigned the plan',
  putSession: 'started a session',
  log: ({ body }) =>
    (body as LogBatch).entries.some((e) => e.type === 'pain') ? 'reported pain in a session' : 'logged reps in a session',
  finish: 'ended a session',
  removeLoad: ({ body }) => `took something out of the load: ${(body as LoadRemoval).reason}`,
  putOuting: 'entered throwing done elsewhere',
  putClearance: 'recorded a clinician’s clearance',
  putChannel: () => null, // opens nothing that is kept
};

/** Endpoints called again and again for one thing: all calls are one line. */
const ONE_LINE: ReadonlySet<RouteName> = new Set(['log', 'putSession', 'finish']);

/** Notes who did what, in the transaction in which it is done. */
export async function recordAudit(name: HandledRoute, call: Call): Promise<void> {
  const sentence = AUDIT[name];
  const did = typeof sentence === 'function' ? sentence(call) : sentence;
  if (!did) return;
  const { ctx, athlete, id } = call;
  await ctx.tenant.insertLinks('audit_entries', [
    {
      id: ctx.newId(),
      once: ONE_LINE.has(name) ? uuidv5(`${name}:${did}:${ctx.user.id}`, id) : null,
      // Nothing is left that points at somebody who was erased.
      athlete_id: name === 'eraseAthlete' ? null : athlete || null,
      user_id: ctx.user.id,
      who: ctx.user.name,
      role: ctx.user.role,
      did: did.slice(0, 300),
      at: ctx.now,
    },
  ]);
}
