/** What was seen, what it comes to, the coach's word on it, and the focus. */
import { answers, ATHLETE, get, post, put, remove } from '../route/route';
import type { AthleteOverview } from '../athlete/overview';
import { focusChangeSchema, newFocusSchema } from '../focus/focus';
import { newObservationSchema, newRulingSchema } from './judgement';
import type { DiagnosisRecord, OwnEye } from './judgement';

const JUDGEMENT = answers<DiagnosisRecord>('DiagnosisRecord');
const OVERVIEW = answers<AthleteOverview>('AthleteOverview');
/** What changes the evidence answers with the new judgement: it takes the place of the one that is shown. */
const judged = { answersAs: 'diagnosis', renews: ['Athlete', 'Roster'] } as const;

export const judgementRoutes = {
  putObservation: put(`${ATHLETE}/observations/:id`, 'judge', 'Record one thing observed', JUDGEMENT, {
    body: newObservationSchema,
    ...judged,
  }),
  dropObservation: remove(`${ATHLETE}/observations/:id`, 'judge', 'Take back an observation made by mistake', JUDGEMENT, judged),
  diagnosis: get(`${ATHLETE}/diagnosis`, 'judge', 'The judgement over everything observed so far', JUDGEMENT, {
    shows: 'Diagnosis',
  }),
  putRuling: put(`${ATHLETE}/rulings/:id`, 'judge', 'Overrule the judgement on one finding, with a reason', JUDGEMENT, {
    body: newRulingSchema,
    ...judged,
  }),
  endRuling: remove(`${ATHLETE}/rulings/:id`, 'judge', 'Take an overruling back; that it stood is kept', JUDGEMENT, judged),
  ownEye: get(
    '/own-eye',
    'judge',
    'How one’s own looks agreed with what was measured; shown to nobody else',
    answers<OwnEye>('OwnEye'),
  ),
  keepDiagnosis: put(`${ATHLETE}/diagnoses/:id`, 'judge', 'Keep what was shown, with the catalogue’s version', JUDGEMENT),
  putFocus: put(`${ATHLETE}/foci/:id`, 'judge', 'Make a finding the focus', OVERVIEW, {
    body: newFocusSchema,
    renews: ['Athlete', 'Roster', 'Today', 'Progress'],
  }),
  changeFocus: post(`${ATHLETE}/foci/:id/change`, 'judge', 'Move a focus to another rung, or end it', OVERVIEW, {
    body: focusChangeSchema,
    renews: ['Athlete', 'Roster', 'Today', 'Progress'],
  }),
};
