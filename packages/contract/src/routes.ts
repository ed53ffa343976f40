/** Every endpoint: what right it needs, what it takes and gives. The server mounts these; the OpenAPI document is made from them. */
import type Joi from 'joi';
import { rolesWith } from './access';
import type { RightName, Role } from './access';
import { channelQuerySchema, deviceBatchSchema, newBodyCheckSchema, newBodyNoteSchema, newBodyReadingSchema } from './body';
import { clipMarksSchema, newClipSchema, partQuerySchema, setupMendSchema } from './clips';
import { clearanceSchema } from './load';
import { archivingSchema, erasureSchema, intakeSchema, newConsentSchema } from './intake';
import {
  auditQuerySchema,
  groupSchema,
  invitationTokenSchema,
  joiningSchema,
  newInvitationSchema,
  passwordChangeSchema,
  personChangeSchema,
  signInSchema,
} from './people';
import { newPlanSchema, planEditsSchema } from './plans';
import { loadRemovalSchema, logBatchSchema, newSessionSchema } from './log';
import {
  athleteChangeSchema,
  focusChangeSchema,
  newFocusSchema,
  newObservationSchema,
  newRulingSchema,
  newOutingSchema,
} from './records';
import { newOwnDrillSchema, newOwnFindingSchema, newOwnLadderSchema } from './library';
import { rosterImportSchema, rosterQuerySchema, undoImportQuerySchema } from './roster';
import { academySettingsSchema } from './settings';

export interface Route {
  readonly method: 'get' | 'put' | 'post' | 'delete';
  readonly path: string;
  readonly summary: string;
  /** The right it needs; null for everybody, signed in or not. */
  readonly needs: RightName | null;
  readonly body?: Joi.Schema;
  readonly query?: Joi.Schema;
  /** Name of the response's type in the contract. */
  readonly answer: string;
  /** Answers a stream of events instead of one document. */
  readonly stream?: true;
  /** Takes or answers bytes instead of JSON. */
  readonly bytes?: 'in' | 'out';
  /** Largest body, KB; left out: 1,024. */
  readonly limitKb?: number;
  /** A write that is taken of an athlete who was put away, too. */
  readonly evenArchived?: true;
}

/** Roles that may call an endpoint; empty for everybody. */
export const rolesOf = (route: Route): readonly Role[] => (route.needs === null ? [] : rolesWith(route.needs));

/** Bodies of people who are not signed in yet, of lists of athletes, and of a tracked clip’s marks (700 frames of 18 joints), KB. */
const [SMALL_KB, LIST_KB, MARKS_KB] = [16, 3 * 1024, 2.5 * 1024];

const routes = <T extends Record<string, Route>>(table: T): T => table;
type Extra = Partial<Pick<Route, 'body' | 'query' | 'stream' | 'bytes' | 'limitKb' | 'evenArchived'>>;
type Made<M extends Route['method']> = Route & { readonly method: M };

const make =
  <M extends Route['method']>(method: M) =>
  (path: string, needs: RightName | null, summary: string, answer: string, extra: Extra = {}): Made<M> => ({
    method,
    path,
    needs,
    summary,
    answer,
    ...extra,
  });
const get = make('get');
const put = make('put');
const post = make('post');
const remove = make('delete');

const ATHLETE = '/athletes/:athlete';

export const ROUTES = routes({
  // Signing in
  signIn: post('/sign-in', null, 'Sign in; sets the session cookie', 'Me', { limitKb: SMALL_KB, body: signInSchema }),
  signOut: post('/sign-out', null, 'End the session', 'nothing'),
  lookAtInvitation: post('/join/look', null, 'What an invitation is for', 'InvitationFace', {
    limitKb: SMALL_KB,
    body: invitationTokenSchema,
  }),
  join: post('/join', null, 'Take up an invitation; sets the session cookie', 'Me', { limitKb: SMALL_KB, body: joiningSchema }),
  me: get('/me', 'account', 'Who is signed in, and the academy', 'Me'),
  changePassword: post('/account/password', 'account', 'Change one’s password; ends all other sessions', 'Me', {
    body: passwordChangeSchema,
  }),
  signOutEverywhere: post('/account/sign-out-everywhere', 'account', 'End all other sessions of this account', 'Me'),

  // The academy and its people
  settings: put('/academy/settings', 'changeSettings', 'Change the academy’s settings', 'Me', { body: academySettingsSchema }),
  library: get('/library', 'account', 'The academy’s own versions of drills and ladders', 'LibraryAnswer'),
  putOwnDrill: put('/library/drills/:id', 'changeSettings', 'A new version of a drill, or of a copy of one', 'LibraryAnswer', {
    body: newOwnDrillSchema,
  }),
  putOwnFinding: put(
    '/library/findings/:id',
    'changeSettings',
    'A new version of the academy’s words for a finding',
    'LibraryAnswer',
    {
      body: newOwnFindingSchema,
    },
  ),
  putOwnLadder: put('/library/ladders/:id', 'changeSettings', 'A new version of the academy’s own ladder', 'LibraryAnswer', {
    body: newOwnLadderSchema,
  }),
  people: get('/people', 'seePeople', 'People and open invitations', 'People'),
  changePerson: put('/people/:id', 'changePeople', 'Change somebody’s role, groups or athletes', 'People', {
    body: personChangeSchema,
  }),
  removePerson: remove('/people/:id', 'changePeople', 'Take somebody’s sign-in away', 'People'),
  newPasswordLink: post(
    '/people/:id/password-link',
    'changePeople',
    'A link by which somebody sets a new password',
    'InvitationLink',
  ),
  putInvitation: put('/invitations/:id', 'invite', 'Invite somebody; the link works once', 'InvitationLink', {
    body: newInvitationSchema,
  }),
  dropInvitation: remove('/invitations/:id', 'invite', 'Take an invitation back', 'People'),
  audit: get('/audit', 'seeAudit', 'Who did what, newest first', 'AuditPage', { query: auditQuerySchema }),
  groups: get('/groups', 'seeRoster', 'The groups', 'GroupRow[]'),
  putGroup: put('/groups/:id', 'changeGroups', 'Make or change a group', 'GroupRow[]', { body: groupSchema }),
  dropGroup: remove('/groups/:id', 'changeGroups', 'Dissolve a group; its athletes stay', 'GroupRow[]'),

  // Roster
  today: get('/today', 'seeToday', 'Today’s lessons and what needs the coach', 'TodayList'),
  athletes: get('/athletes', 'seeRoster', 'One page of the roster', 'RosterPage', { query: rosterQuerySchema }),
  lookAtImport: post('/imports/look', 'importAthletes', 'Read a list and say what would come in; nothing is kept', 'ImportLook', {
    limitKb: LIST_KB,
    body: rosterImportSchema,
  }),
  imports: get('/imports', 'importAthletes', 'Lists brought in', 'ImportRow[]'),
  putImport: put('/imports/:id', 'importAthletes', 'Bring the good rows of a list in', 'ImportLook', {
    limitKb: LIST_KB,
    body: rosterImportSchema,
  }),
  undoImport: remove('/imports/:id', 'importAthletes', 'Take a whole import back', 'ImportRow[]', {
    query: undoImportQuerySchema,
  }),

  // One athlete
  athlete: get(ATHLETE, 'seeAthlete', 'One athlete at a glance', 'AthleteOverview'),
  putAthlete: put(ATHLETE, 'changeAthlete', 'Add or change an athlete', 'AthleteOverview', { body: athleteChangeSchema }),
  work: get(`${ATHLETE}/work`, 'seeWork', 'The day’s work and what limits it', 'AthleteWork'),
  intake: get(`${ATHLETE}/intake`, 'seeIntake', 'History, thoughts, contacts, consents', 'IntakeAnswer'),
  putIntake: put(`${ATHLETE}/intake`, 'changeAthlete', 'Keep the intake so far', 'IntakeAnswer', { body: intakeSchema }),
  putConsent: put(`${ATHLETE}/consents/:id`, 'giveConsent', 'Give or take back a consent', 'IntakeAnswer', {
    body: newConsentSchema,
    evenArchived: true,
  }),
  archive: post(`${ATHLETE}/archive`, 'changeAthlete', 'Put away, or bring back', 'AthleteOverview', {
    body: archivingSchema,
    evenArchived: true,
  }),
  exportAthlete: get(`${ATHLETE}/export`, 'exportAthlete', 'Everything kept about the athlete', 'AthleteExport'),
  erasePreview: get(`${ATHLETE}/erase`, 'eraseAthlete', 'What erasing would remove', 'ErasePreview'),
  eraseAthlete: post(`${ATHLETE}/erase`, 'eraseAthlete', 'Erase for good', 'nothing', {
    body: erasureSchema,
    evenArchived: true,
  }),

  // The body
  body: get(`${ATHLETE}/body`, 'judge', 'The body check, values over time, and what limits what', 'BodyPicture'),
  putBodyCheck: put(`${ATHLETE}/body-checks/:id`, 'judge', 'Start a body check, or change its order', 'BodyPicture', {
    body: newBodyCheckSchema,
  }),
  putBodyReading: put(`${ATHLETE}/body-readings/:id`, 'judge', 'One reading; sent again it is corrected', 'BodyPicture', {
    body: newBodyReadingSchema,
  }),
  dropBodyReading: remove(`${ATHLETE}/body-readings/:id`, 'judge', 'Take a reading back', 'BodyPicture'),
  putBodyNote: put(`${ATHLETE}/body-notes/:id`, 'judge', 'A word on a test, or that it hurt', 'BodyPicture', {
    body: newBodyNoteSchema,
  }),
  finishBodyCheck: post(`${ATHLETE}/body-checks/:id/finish`, 'judge', 'End a body check', 'BodyPicture'),

  // Film
  clips: get(`${ATHLETE}/clips`, 'seeClips', 'The clips, newest first', 'ClipRow[]'),
  clip: get(`${ATHLETE}/clips/:id`, 'seeClips', 'One clip with its marks', 'ClipRecord'),
  putClip: put(`${ATHLETE}/clips/:id`, 'film', 'Announce a clip; its bytes follow', 'ClipRecord', { body: newClipSchema }),
  putClipPart: put(
    `${ATHLETE}/clips/:id/bytes`,
    'film',
    'A part of the clip’s bytes, up to 1 MB; goes on where it stopped',
    'ClipRecord',
    { query: partQuerySchema, bytes: 'in' },
  ),
  clipFile: get(`${ATHLETE}/clips/:id/file`, 'seeClips', 'The clip itself; ranges are answered', 'bytes', { bytes: 'out' }),
  putMarks: put(`${ATHLETE}/clips/:id/marks`, 'film', 'Keep what was marked; measures become evidence', 'ClipRecord', {
    limitKb: MARKS_KB,
    body: clipMarksSchema,
  }),
  mendClip: put(
    `${ATHLETE}/clips/:id/setup`,
    'film',
    'Put right how a clip was filmed; its measures are read anew',
    'ClipRecord',
    {
      body: setupMendSchema,
    },
  ),
  dropClip: remove(`${ATHLETE}/clips/:id`, 'film', 'Remove a clip and what was measured on it', 'ClipRow[]', {
    evenArchived: true,
  }),

  // The judgement
  putObservation: put(`${ATHLETE}/observations/:id`, 'judge', 'Record one thing observed', 'DiagnosisRecord', {
    body: newObservationSchema,
  }),
  dropObservation: remove(`${ATHLETE}/observations/:id`, 'judge', 'Take back an observation made by mistake', 'DiagnosisRecord'),
  diagnosis: get(`${ATHLETE}/diagnosis`, 'judge', 'The judgement over everything observed so far', 'DiagnosisRecord'),
  putRuling: put(`${ATHLETE}/rulings/:id`, 'judge', 'Overrule the judgement on one finding, with a reason', 'DiagnosisRecord', {
    body: newRulingSchema,
  }),
  endRuling: remove(`${ATHLETE}/rulings/:id`, 'judge', 'Take an overruling back; that it stood is kept', 'DiagnosisRecord'),
  ownEye: get('/own-eye', 'judge', 'How one’s own looks agreed with what was measured; shown to nobody else', 'OwnEye'),
  keepDiagnosis: put(`${ATHLETE}/diagnoses/:id`, 'judge', 'Keep what was shown, with the catalogue’s version', 'DiagnosisRecord'),
  putFocus: put(`${ATHLETE}/foci/:id`, 'judge', 'Make a finding the focus', 'AthleteOverview', { body: newFocusSchema }),
  changeFocus: post(`${ATHLETE}/foci/:id/change`, 'judge', 'Move a focus to another rung, or end it', 'AthleteOverview', {
    body: focusChangeSchema,
  }),

  // The work
  plan: get(`${ATHLETE}/plan`, 'seePlan', 'The newest plan', 'PlanRecord | null'),
  putPlan: put(`${ATHLETE}/plans/:id`, 'changePlan', 'Make a plan from the athlete’s state', 'PlanRecord', {
    body: newPlanSchema,
  }),
  betterPlan: post(`${ATHLETE}/plans/:id/better`, 'changePlan', 'Look for a better choice of drills for a plan', 'PlanRecord'),
  editPlan: put(`${ATHLETE}/plans/:id/edits`, 'changePlan', 'Change a plan by hand: all changes made so far', 'PlanRecord', {
    body: planEditsSchema,
  }),
  assignPlan: post(`${ATHLETE}/plans/:id/assign`, 'changePlan', 'Assign the plan’s sessions', 'PlanRecord'),
  putSession: put(`${ATHLETE}/sessions/:id`, 'runSessions', 'Start a session, with the pain check before it', 'SessionRecord', {
    body: newSessionSchema,
  }),
  session: get(`${ATHLETE}/sessions/:id`, 'runSessions', 'A session so far', 'SessionRecord'),
  log: post(
    `${ATHLETE}/sessions/:id/log`,
    'runSessions',
    'Log reps, cheats, undo, pain and speeds; each entry once',
    'LogAnswer',
    { body: logBatchSchema },
  ),
  finish: post(`${ATHLETE}/sessions/:id/finish`, 'runSessions', 'End the session: the gate gives its verdict', 'SessionRecord'),
  removeLoad: post(
    `${ATHLETE}/load/:id/remove`,
    'removeLoad',
    'Take a rep, a speed or an outing out of the load, with a reason',
    'AthleteOverview',
    { body: loadRemovalSchema, evenArchived: true },
  ),
  putOuting: put(
    `${ATHLETE}/outings/:id`,
    'logOutings',
    'Throwing done elsewhere: games, catching, other lessons',
    'AthleteOverview',
    { body: newOutingSchema },
  ),
  putClearance: put(`${ATHLETE}/clearances/:id`, 'recordClearance', 'Record a clinician’s clearance', 'AthleteOverview', {
    body: clearanceSchema,
  }),
  progress: get(`${ATHLETE}/progress`, 'seeProgress', 'Speed, gates and load over time', 'Progress'),

  // Devices
  putChannel: put('/channels/:id', 'useDevices', 'Open a channel that a measuring device may write to', 'DeviceChannel'),
  sendToChannel: post('/channels/:id/messages', null, 'Write to a channel, with its key', 'nothing', {
    body: deviceBatchSchema,
    query: channelQuerySchema,
  }),
  listenToChannel: get(
    '/channels/:id/live',
    null,
    'Everything written from now on, as server-sent events, with its key',
    'DeviceMessage',
    {
      query: channelQuerySchema,
      stream: true,
    },
  ),
});

export type RouteName = keyof typeof ROUTES;
