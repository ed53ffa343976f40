/** The academy's radar guns. */
import { answers, get, put } from '../route/route';
import { newGunSchema } from './guns';
import type { Gun } from './guns';

const GUNS = answers<readonly Gun[]>('Gun[]');

export const radarRoutes = {
  guns: get('/guns', 'runSessions', 'The radar guns of the academy', GUNS, { shows: 'Guns' }),
  putGun: put('/guns/:id', 'changeGroups', 'Add a radar gun, or say where it stands now', GUNS, {
    body: newGunSchema,
    renews: ['Guns', 'Progress', 'Athlete'],
    answersAs: 'guns',
  }),
};
