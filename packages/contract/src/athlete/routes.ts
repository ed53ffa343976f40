/** One athlete: the record, the day's work, intake and consents, numbers, and what becomes of a record. */
import { answers, ATHLETE, get, NOTHING, post, put } from '../route/route';
import { archivingSchema, erasureSchema, intakeSchema, newConsentSchema } from './intake';
import type { AthleteExport, ErasePreview, IntakeAnswer } from './intake';
import type { AthleteOverview, AthleteWork } from './overview';
import type { Progress } from './progress';
import { athleteChangeSchema } from './record';

const OVERVIEW = answers<AthleteOverview>('AthleteOverview');
const INTAKE = answers<IntakeAnswer>('IntakeAnswer');

export const athleteRoutes = {
  athlete: get(ATHLETE, 'seeAthlete', 'One athlete at a glance', OVERVIEW, { shows: 'Athlete' }),
  putAthlete: put(ATHLETE, 'changeAthlete', 'Add or change an athlete', OVERVIEW, {
    body: athleteChangeSchema,
    renews: ['Athlete', 'Roster', 'Today'],
  }),
  work: get(`${ATHLETE}/work`, 'seeWork', 'The day’s work and what limits it', answers<AthleteWork>('AthleteWork'), {
    shows: 'Athlete',
  }),
  progress: get(`${ATHLETE}/progress`, 'seeProgress', 'Speed, gates and load over time', answers<Progress>('Progress'), {
    shows: 'Progress',
  }),
  intake: get(`${ATHLETE}/intake`, 'seeIntake', 'History, thoughts, contacts, consents', INTAKE, { shows: 'Intake' }),
  putIntake: put(`${ATHLETE}/intake`, 'changeAthlete', 'Keep the intake so far', INTAKE, {
    body: intakeSchema,
    answersAs: 'intake',
    renews: ['Athlete', 'Roster', 'Today', 'Diagnosis'],
  }),
  putConsent: put(`${ATHLETE}/consents/:id`, 'giveConsent', 'Give or take back a consent', INTAKE, {
    body: newConsentSchema,
    evenArchived: true,
    renews: ['Intake', 'Athlete'],
  }),
  archive: post(`${ATHLETE}/archive`, 'changeAthlete', 'Put away, or bring back', OVERVIEW, {
    body: archivingSchema,
    evenArchived: true,
    renews: ['Athlete', 'Roster', 'Today'],
  }),
  exportAthlete: get(
    `${ATHLETE}/export`,
    'exportAthlete',
    'Everything kept about the athlete',
    answers<AthleteExport>('AthleteExport'),
  ),
  erasePreview: get(`${ATHLETE}/erase`, 'eraseAthlete', 'What erasing would remove', answers<ErasePreview>('ErasePreview')),
  eraseAthlete: post(`${ATHLETE}/erase`, 'eraseAthlete', 'Erase for good', NOTHING, {
    body: erasureSchema,
    evenArchived: true,
    renews: ['Roster', 'Today', 'People', 'Groups'],
  }),
};
