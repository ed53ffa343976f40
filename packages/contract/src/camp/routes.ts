/** Camps. */
import { answers, ask, ATHLETE, get, LIST_KB, post, put, remove } from '../route/route';
import type { Download } from '../route/route';
import { campCheckInSchema, campReplanSchema, newCampSchema } from './camp';
import type { CampDifference, CampRecord, CampRow } from './camp';
import { campPaperQuerySchema } from './reports';
import type { CampReports, CampWay } from './reports';

const CAMP = answers<CampRecord>('CampRecord');
const REPORTS = answers<CampReports>('CampReports');
const CAMPS = answers<readonly CampRow[]>('CampRow[]');

export const campRoutes = {
  camps: get('/camps', 'seeCamps', 'Camps, the newest first; for a station coach those that they work at', CAMPS, {
    shows: 'Camps',
  }),
  camp: get('/camps/:id', 'seeCamps', 'A camp: who is where when', CAMP, { shows: 'Camps' }),
  putCamp: put('/camps/:id', 'runCamps', 'Build a camp, or change one', CAMP, {
    body: newCampSchema,
    limitKb: LIST_KB,
    renews: ['Camps', 'Groups'],
  }),
  dropCamp: remove('/camps/:id', 'runCamps', 'Drop a camp; what athletes did there stays theirs', CAMPS, {
    renews: ['Camps', 'Groups'],
    answersAs: 'camps',
  }),
  scheduleCamp: post('/camps/:id/schedule', 'runCamps', 'Say who is where when', CAMP, { renews: ['Camps'] }),
  publishCamp: post('/camps/:id/publish', 'runCamps', 'Show the schedule to the station coaches', CAMP, {
    renews: ['Camps', 'Groups'],
  }),
  lookAtReplan: ask(
    '/camps/:id/replan/look',
    'runCamps',
    'What a change to the rest of a camp would do; nothing is kept',
    answers<CampDifference>('CampDifference'),
    { body: campReplanSchema },
  ),
  replanCamp: post('/camps/:id/replan', 'runCamps', 'Plan the rest of a camp anew, moving as few as can be', CAMP, {
    body: campReplanSchema,
    renews: ['Camps'],
  }),
  checkIn: put('/camps/:id/arrivals', 'runCamps', 'Note who has come', CAMP, { body: campCheckInSchema, renews: ['Camps'] }),
  campReports: get('/camps/:id/reports', 'runCamps', 'What goes home with each athlete', REPORTS, { shows: 'Camps' }),
  handOutReports: post(
    '/camps/:id/reports',
    'runCamps',
    'Hand the reports out: families see them, and they stay as they are',
    REPORTS,
    {
      renews: ['Camps'],
      answersAs: 'campReports',
    },
  ),
  athleteCamps: get(
    `${ATHLETE}/camps`,
    'seeProgress',
    'Camps of an athlete: where to go, what went home',
    answers<CampWay[]>('CampWay[]'),
    {
      shows: 'Camps',
    },
  ),
  campPaper: get('/camps/:id/paper', 'runCamps', 'Reports or run sheets, on paper', answers<Download>('application/pdf'), {
    query: campPaperQuerySchema,
    bytes: 'out',
  }),
  eraseVisitors: post('/camps/:id/erase-visitors', 'eraseAthlete', 'Erase visitors of a camp whose time is over', CAMPS, {
    renews: ['Camps', 'Roster', 'Today', 'Groups'],
    answersAs: 'camps',
  }),
};
