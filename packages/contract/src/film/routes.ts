/** Clips: announced, sent in parts, marked, put right, removed. */
import { answers, ATHLETE, get, MARKS_KB, put, remove } from '../route/route';
import { clipMarksSchema, newClipSchema, partQuerySchema, setupMendSchema } from './clips';
import type { ClipRecord, ClipRow } from './clips';

const CLIP = answers<ClipRecord>('ClipRecord');
const CLIPS = answers<readonly ClipRow[]>('ClipRow[]');
/** What is measured on a clip is evidence. */
const MEASURED = ['Clips', 'Athlete', 'Roster', 'Today', 'Diagnosis'] as const;

export const filmRoutes = {
  clips: get(`${ATHLETE}/clips`, 'seeClips', 'The clips, newest first', CLIPS, { shows: 'Clips' }),
  clip: get(`${ATHLETE}/clips/:id`, 'seeClips', 'One clip with its marks', CLIP, { shows: 'Clips' }),
  putClip: put(`${ATHLETE}/clips/:id`, 'film', 'Announce a clip; its bytes follow', CLIP, {
    body: newClipSchema,
    renews: ['Clips'],
  }),
  putClipPart: put(
    `${ATHLETE}/clips/:id/bytes`,
    'film',
    'A part of the clip’s bytes, up to 1 MB; goes on where it stopped',
    CLIP,
    { query: partQuerySchema, bytes: 'in' },
  ),
  clipFile: get(`${ATHLETE}/clips/:id/file`, 'seeClips', 'The clip itself; ranges are answered', answers<Blob>('bytes'), {
    bytes: 'out',
  }),
  putMarks: put(`${ATHLETE}/clips/:id/marks`, 'film', 'Keep what was marked; measures become evidence', CLIP, {
    limitKb: MARKS_KB,
    body: clipMarksSchema,
    renews: MEASURED,
  }),
  mendClip: put(`${ATHLETE}/clips/:id/setup`, 'film', 'Put right how a clip was filmed; its measures are read anew', CLIP, {
    body: setupMendSchema,
    renews: MEASURED,
  }),
  dropClip: remove(`${ATHLETE}/clips/:id`, 'film', 'Remove a clip and what was measured on it', CLIPS, {
    evenArchived: true,
    renews: MEASURED,
  }),
};
