/** Sessions and what is logged in them, throwing done elsewhere, and what limits it. */
import type { AthleteOverview } from '../athlete/overview';
import { clearanceSchema } from '../load/load';
import { newOutingSchema } from '../load/outings';
import { answers, ATHLETE, get, post, put } from '../route/route';
import { loadRemovalSchema, logBatchSchema, newSessionSchema } from './log';
import type { LogAnswer, SessionRecord } from './log';

const SESSION = answers<SessionRecord>('SessionRecord');
const OVERVIEW = answers<AthleteOverview>('AthleteOverview');

export const logRoutes = {
  putSession: put(`${ATHLETE}/sessions/:id`, 'runSessions', 'Start a session, with the pain check before it', SESSION, {
    body: newSessionSchema,
    answersAs: 'session',
  }),
  session: get(`${ATHLETE}/sessions/:id`, 'runSessions', 'A session so far', SESSION, { shows: 'Session' }),
  log: post(
    `${ATHLETE}/sessions/:id/log`,
    'runSessions',
    'Log reps, cheats, undo, pain and speeds; each entry once',
    answers<LogAnswer>('LogAnswer'),
    { body: logBatchSchema },
  ),
  finish: post(`${ATHLETE}/sessions/:id/finish`, 'runSessions', 'End the session: the gate gives its verdict', SESSION, {
    answersAs: 'session',
    renews: ['Athlete', 'Roster', 'Today', 'Plan', 'Progress', 'Session'],
  }),
  removeLoad: post(
    `${ATHLETE}/load/:id/remove`,
    'removeLoad',
    'Take a rep, a speed or an outing out of the load, with a reason',
    OVERVIEW,
    {
      body: loadRemovalSchema,
      evenArchived: true,
      renews: ['Athlete', 'Roster', 'Today', 'Progress', 'Session', 'Plan'],
    },
  ),
  putOuting: put(`${ATHLETE}/outings/:id`, 'logOutings', 'Throwing done elsewhere: games, catching, other lessons', OVERVIEW, {
    body: newOutingSchema,
    renews: ['Athlete', 'Roster', 'Today', 'Progress'],
  }),
  putClearance: put(`${ATHLETE}/clearances/:id`, 'recordClearance', 'Record a clinician’s clearance', OVERVIEW, {
    body: clearanceSchema,
    renews: ['Athlete', 'Roster', 'Today'],
  }),
};
