import type { BodyPicture, DeviceChannel, NewBodyCheck, NewBodyNote, NewBodyReading } from '@wrightonic/contract';
import { actingAs, api, athletePath } from './api';
import type { Acting, ForAthlete, Put } from './api';

const bodyPath = (athlete: string, kind: string, id: string) => `${athletePath(athlete)}/${kind}/${id}`;

/** Endpoints of the body check. Its writes go through the outbox, so none of them renews anything by itself but the last. */
export const bodyApi = api.injectEndpoints({
  endpoints: (build) => ({
    body: build.query<BodyPicture, string>({ query: (id) => `${athletePath(id)}/body`, providesTags: ['Body'] }),
    putBodyCheck: build.mutation<BodyPicture, Put<NewBodyCheck> & Acting>({
      query: ({ athlete, id, body, ...who }) => ({
        url: bodyPath(athlete, 'body-checks', id),
        method: 'PUT',
        body,
        headers: actingAs(who),
      }),
    }),
    putBodyReading: build.mutation<BodyPicture, Put<NewBodyReading> & Acting>({
      query: ({ athlete, id, body, ...who }) => ({
        url: bodyPath(athlete, 'body-readings', id),
        method: 'PUT',
        body,
        headers: actingAs(who),
      }),
    }),
    dropBodyReading: build.mutation<BodyPicture, ForAthlete & Acting & { id: string }>({
      query: ({ athlete, id, ...who }) => ({
        url: bodyPath(athlete, 'body-readings', id),
        method: 'DELETE',
        headers: actingAs(who),
      }),
    }),
    putBodyNote: build.mutation<BodyPicture, Put<NewBodyNote> & Acting>({
      query: ({ athlete, id, body, ...who }) => ({
        url: bodyPath(athlete, 'body-notes', id),
        method: 'PUT',
        body,
        headers: actingAs(who),
      }),
    }),
    finishBodyCheck: build.mutation<BodyPicture, ForAthlete & Acting & { id: string }>({
      query: ({ athlete, id, ...who }) => ({
        url: `${bodyPath(athlete, 'body-checks', id)}/finish`,
        method: 'POST',
        headers: actingAs(who),
      }),
      invalidatesTags: ['Athlete', 'Roster', 'Today', 'Diagnosis'],
    }),
    openChannel: build.mutation<DeviceChannel, string>({ query: (id) => ({ url: `/channels/${id}`, method: 'PUT' }) }),
  }),
});
