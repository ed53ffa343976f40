/** The academy's own drills, ladders and words. */
import { answers, get, put } from '../route/route';
import { newOwnDrillSchema, newOwnFindingSchema, newOwnLadderSchema } from './library';
import type { DrillEffectsAnswer, LibraryAnswer } from './library';

const LIBRARY = answers<LibraryAnswer>('LibraryAnswer');

export const libraryRoutes = {
  library: get('/library', 'account', 'The academy’s own versions of drills and ladders', LIBRARY, { shows: 'Library' }),
  effects: get(
    '/library/effects',
    'judge',
    'What drills did in the academy’s athletes, by finding',
    answers<DrillEffectsAnswer>('DrillEffectsAnswer'),
    { shows: 'Library' },
  ),
  putOwnDrill: put('/library/drills/:id', 'changeSettings', 'A new version of a drill, or of a copy of one', LIBRARY, {
    body: newOwnDrillSchema,
    renews: ['Library', 'Plan'],
  }),
  putOwnFinding: put('/library/findings/:id', 'changeSettings', 'A new version of the academy’s words for a finding', LIBRARY, {
    body: newOwnFindingSchema,
    renews: ['Library', 'Plan'],
  }),
  putOwnLadder: put('/library/ladders/:id', 'changeSettings', 'A new version of the academy’s own ladder', LIBRARY, {
    body: newOwnLadderSchema,
    renews: ['Library', 'Plan'],
  }),
};
