/** The body check, and the devices that measure. */
import { answers, ATHLETE, get, NOTHING, post, put, remove } from '../route/route';
import { newBodyCheckSchema, newBodyNoteSchema, newBodyReadingSchema } from './body';
import type { BodyPicture } from './body';
import { channelQuerySchema, deviceBatchSchema } from './devices';
import type { DeviceChannel, DeviceMessage } from './devices';

const BODY = answers<BodyPicture>('BodyPicture');

/** The writes go through the outbox one by one: only the last of a check renews other screens. */
export const bodyRoutes = {
  body: get(`${ATHLETE}/body`, 'judge', 'The body check, values over time, and what limits what', BODY, { shows: 'Body' }),
  putBodyCheck: put(`${ATHLETE}/body-checks/:id`, 'judge', 'Start a body check, or change its order', BODY, {
    body: newBodyCheckSchema,
    answersAs: 'body',
  }),
  putBodyReading: put(`${ATHLETE}/body-readings/:id`, 'judge', 'One reading; sent again it is corrected', BODY, {
    body: newBodyReadingSchema,
    answersAs: 'body',
  }),
  dropBodyReading: remove(`${ATHLETE}/body-readings/:id`, 'judge', 'Take a reading back', BODY, { answersAs: 'body' }),
  putBodyNote: put(`${ATHLETE}/body-notes/:id`, 'judge', 'A word on a test, or that it hurt', BODY, {
    body: newBodyNoteSchema,
    answersAs: 'body',
  }),
  finishBodyCheck: post(`${ATHLETE}/body-checks/:id/finish`, 'judge', 'End a body check', BODY, {
    answersAs: 'body',
    renews: ['Athlete', 'Roster', 'Today', 'Diagnosis'],
  }),
};

export const deviceRoutes = {
  putChannel: put(
    '/channels/:id',
    'useDevices',
    'Open a channel that a measuring device may write to',
    answers<DeviceChannel>('DeviceChannel'),
  ),
  sendToChannel: post('/channels/:id/messages', null, 'Write to a channel, with its key', NOTHING, {
    body: deviceBatchSchema,
    query: channelQuerySchema,
  }),
  listenToChannel: get(
    '/channels/:id/live',
    null,
    'Everything written from now on, as server-sent events, with its key',
    answers<DeviceMessage>('DeviceMessage'),
    { query: channelQuerySchema, stream: true },
  ),
};
