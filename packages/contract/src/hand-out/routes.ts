/** Work handed out by hand. */
import { answers, ask, ATHLETE, get, NOTHING, post, put, remove } from '../route/route';
import { newHandOutSchema } from './hand-out';
import type { HandOutRecord, HandOutShare } from './hand-out';

const HAND_OUTS = answers<readonly HandOutRecord[]>('HandOutRecord[]');
const CHANGES = ['HandOuts', 'Today', 'Athlete', 'Plan'] as const;

export const handOutRoutes = {
  handOuts: get('/hand-outs', 'changePlan', 'Work handed out lately: by whom it was seen and done', HAND_OUTS, {
    shows: 'HandOuts',
  }),
  lookAtHandOut: ask(
    '/hand-outs/look',
    'changePlan',
    'What each athlete would get of work handed out, and what is left out; nothing is kept',
    answers<readonly HandOutShare[]>('HandOutShare[]'),
    { body: newHandOutSchema },
  ),
  putHandOut: put('/hand-outs/:id', 'changePlan', 'Hand out drills or plans to one, several, a group or a station', HAND_OUTS, {
    body: newHandOutSchema,
    renews: CHANGES,
    answersAs: 'handOuts',
  }),
  dropHandOut: remove('/hand-outs/:id', 'changePlan', 'Take back what nobody has done yet of work handed out', HAND_OUTS, {
    renews: CHANGES,
    answersAs: 'handOuts',
  }),
  sawWork: post(`${ATHLETE}/work/seen`, 'seeWork', 'Note that the family has seen what was handed out', NOTHING),
};
