import type { ClipMarks, ClipRecord, ClipRow, NewClip, SetupMend } from '@wrightonic/contract';
import { actingAs, api, athletePath } from './api';
import type { Acting, ForAthlete, Put } from './api';

export const clipPath = (athlete: string, id: string) => `${athletePath(athlete)}/clips/${id}`;

/** Endpoints of clips. Their bytes go by `uploads`. */
export const filmApi = api.injectEndpoints({
  endpoints: (build) => ({
    clips: build.query<ClipRow[], string>({ query: (athlete) => `${athletePath(athlete)}/clips`, providesTags: ['Clips'] }),
    clip: build.query<ClipRecord, ForAthlete & { id: string }>({
      query: ({ athlete, id }) => clipPath(athlete, id),
      providesTags: ['Clips'],
    }),
    putClip: build.mutation<ClipRecord, Put<NewClip> & Acting>({
      query: ({ athlete, id, body, ...who }) => ({ url: clipPath(athlete, id), method: 'PUT', body, headers: actingAs(who) }),
      invalidatesTags: ['Clips'],
    }),
    putMarks: build.mutation<ClipRecord, Put<ClipMarks>>({
      query: ({ athlete, id, body }) => ({ url: `${clipPath(athlete, id)}/marks`, method: 'PUT', body }),
      invalidatesTags: ['Clips', 'Athlete', 'Roster', 'Today', 'Diagnosis'],
    }),
    mendClip: build.mutation<ClipRecord, Put<SetupMend>>({
      query: ({ athlete, id, body }) => ({ url: `${clipPath(athlete, id)}/setup`, method: 'PUT', body }),
      invalidatesTags: ['Clips', 'Athlete', 'Roster', 'Today', 'Diagnosis'],
    }),
    dropClip: build.mutation<ClipRow[], ForAthlete & { id: string }>({
      query: ({ athlete, id }) => ({ url: clipPath(athlete, id), method: 'DELETE' }),
      invalidatesTags: ['Clips', 'Athlete', 'Roster', 'Today', 'Diagnosis'],
    }),
  }),
});
