import type { BodyPicture, DeviceChannel, NewBodyCheck, NewBodyNote, NewBodyReading } from '@wrightonic/contract';
import { api, athletePath } from './api';
import type { ForAthlete, Put } from './api';

const bodyPath = (athlete: string, kind: string, id: string) => `${athletePath(athlete)}/${kind}/${id}`;

/** Endpoints of the body check. Its writes go through the outbox, so none of them renews anything by itself but the last. */
export const bodyApi = api.injectEndpoints({
  endpoints: (build) => ({
    body: build.query<BodyPicture, string>({ query: (id) => `${athletePath(id)}/body`, providesTags: ['Body'] }),
    putBodyCheck: build.mutation<BodyPicture, Put<NewBodyCheck>>({
      query: ({ athlete, id, body }) => ({ url: bodyPath(athlete, 'body-checks', id), method: 'PUT', body }),
    }),
    putBodyReading: build.mutation<BodyPicture, Put<NewBodyReading>>({
      query: ({ athlete, id, body }) => ({ url: bodyPath(athlete, 'body-readings', id), method: 'PUT', body }),
    }),
    dropBodyReading: build.mutation<BodyPicture, ForAthlete & { id: string }>({
      query: ({ athlete, id }) => ({ url: bodyPath(athlete, 'body-readings', id), method: 'DELETE' }),
    }),
    putBodyNote: build.mutation<BodyPicture, Put<NewBodyNote>>({
      query: ({ athlete, id, body }) => ({ url: bodyPath(athlete, 'body-notes', id), method: 'PUT', body }),
    }),
    finishBodyCheck: build.mutation<BodyPicture, ForAthlete & { id: string }>({
      query: ({ athlete, id }) => ({ url: `${bodyPath(athlete, 'body-checks', id)}/finish`, method: 'POST' }),
      invalidatesTags: ['Athlete', 'Roster', 'Today', 'Diagnosis'],
    }),
    openChannel: build.mutation<DeviceChannel, string>({ query: (id) => ({ url: `/channels/${id}`, method: 'PUT' }) }),
  }),
});
