import { createApi, fetchBaseQuery } from '@reduxjs/toolkit/query/react';
import type {
  AthleteOverview,
  AthleteChange,
  AthleteWork,
  DiagnosisRecord,
  FocusChange,
  LoadRemoval,
  LogAnswer,
  LogEntry,
  Me,
  NewFocus,
  NewRuling,
  OwnEye,
  NewObservation,
  NewOuting,
  NewPlan,
  LibraryAnswer,
  NewOwnDrill,
  NewOwnFinding,
  NewOwnLadder,
  PlanEdits,
  NewSession,
  PlanRecord,
  Problem,
  Progress,
  RosterPage,
  RosterQuery,
  SessionRecord,
  SignIn,
  TodayList,
} from '@wrightonic/contract';
import type { Clearance } from '@wrightonic/core';
import { measureClock } from './clock';

export interface ForAthlete {
  readonly athlete: string;
}
export interface Put<T> extends ForAthlete {
  readonly id: string;
  readonly body: T;
}

export const athletePath = (athlete: string) => `/athletes/${athlete}`;

/** The server's API, one hook for each endpoint that a screen uses. */
interface Judging {
  readonly dispatch: (action: never) => unknown;
  readonly queryFulfilled: PromiseLike<{ readonly data: DiagnosisRecord }>;
}

/** What changes the evidence answers with the new judgement: it takes the place of the one that is shown. */
async function keepJudgement({ athlete }: ForAthlete, { dispatch, queryFulfilled }: Judging): Promise<void> {
  const { data } = await queryFulfilled;
  dispatch(api.util.upsertQueryData('diagnosis', athlete, data) as never);
}

/** Work that waited on the device names whose it is: under another's sign-in it goes on waiting. */
export interface Acting {
  readonly as?: string;
}
const ACTING = 'X-Acting-User';
export const actingAs = ({ as }: Acting): Record<string, string> => (as === undefined ? {} : { [ACTING]: as });

/** Asked by whoever it may be. */
const BY_ANYBODY: ReadonlySet<string> = new Set(['me', 'signIn', 'lookAtInvitation', 'join']);

const plainQuery = fetchBaseQuery({
  baseUrl: '/api',
  // A page belongs to one person. Another tab may have signed somebody else in: nothing of this page goes out under that cookie.
  prepareHeaders: (headers, { getState, endpoint }) => {
    const me = api.endpoints.me.select()(getState() as never).data;
    if (me && !BY_ANYBODY.has(endpoint) && !headers.has(ACTING)) headers.set(ACTING, me.id);
  },
});

/** Every answer tells how far this device's clock is off; one that somebody else got says that this page is not theirs. */
const measuredQuery: typeof plainQuery = async (args, context, extra) => {
  const sentAt = Date.now();
  const answer = await plainQuery(args, context, extra);
  measureClock(answer.meta?.response?.headers.get('Date'), sentAt, Date.now());
  if (answer.error?.status === 401 && !BY_ANYBODY.has(context.endpoint)) context.dispatch(api.util.invalidateTags(['Me']));
  return answer;
};

export const api = createApi({
  reducerPath: 'api',
  baseQuery: measuredQuery,
  tagTypes: [
    'Library',
    'Me',
    'Athlete',
    'Roster',
    'Today',
    'Diagnosis',
    'Plan',
    'Progress',
    'Session',
    'People',
    'Groups',
    'Imports',
    'Audit',
    'Intake',
    'Body',
    'Clips',
  ],
  endpoints: (build) => ({
    me: build.query<Me, void>({ query: () => '/me', providesTags: ['Me'] }),
    signIn: build.mutation<Me, SignIn>({ query: (body) => ({ url: '/sign-in', method: 'POST', body }) }),
    signOut: build.mutation<null, void>({ query: () => ({ url: '/sign-out', method: 'POST' }) }),
    today: build.query<TodayList, void>({ query: () => '/today', providesTags: ['Today'] }),
    athletes: build.infiniteQuery<RosterPage, Omit<RosterQuery, 'after'>, string | undefined>({
      infiniteQueryOptions: { initialPageParam: undefined, getNextPageParam: (page) => page.next ?? undefined },
      query: ({ queryArg, pageParam }) => ({ url: '/athletes', params: { ...queryArg, after: pageParam } }),
      providesTags: ['Roster'],
    }),
    findAthletes: build.query<RosterPage, RosterQuery>({
      query: (params) => ({ url: '/athletes', params }),
      providesTags: ['Roster'],
    }),
    athlete: build.query<AthleteOverview, string>({ query: athletePath, providesTags: ['Athlete'] }),
    work: build.query<AthleteWork, string>({ query: (id) => `${athletePath(id)}/work`, providesTags: ['Athlete'] }),
    putAthlete: build.mutation<AthleteOverview, { id: string; body: AthleteChange }>({
      query: ({ id, body }) => ({ url: athletePath(id), method: 'PUT', body }),
      invalidatesTags: ['Athlete', 'Roster', 'Today'],
    }),
    diagnosis: build.query<DiagnosisRecord, string>({
      query: (athlete) => `${athletePath(athlete)}/diagnosis`,
      providesTags: ['Diagnosis'],
    }),
    putObservation: build.mutation<DiagnosisRecord, Put<NewObservation>>({
      query: ({ athlete, id, body }) => ({ url: `${athletePath(athlete)}/observations/${id}`, method: 'PUT', body }),
      onQueryStarted: keepJudgement,
      invalidatesTags: ['Athlete', 'Roster'],
    }),
    dropObservation: build.mutation<DiagnosisRecord, ForAthlete & { id: string }>({
      query: ({ athlete, id }) => ({ url: `${athletePath(athlete)}/observations/${id}`, method: 'DELETE' }),
      onQueryStarted: keepJudgement,
      invalidatesTags: ['Athlete', 'Roster'],
    }),
    putRuling: build.mutation<DiagnosisRecord, Put<NewRuling>>({
      query: ({ athlete, id, body }) => ({ url: `${athletePath(athlete)}/rulings/${id}`, method: 'PUT', body }),
      onQueryStarted: keepJudgement,
      invalidatesTags: ['Athlete', 'Roster'],
    }),
    endRuling: build.mutation<DiagnosisRecord, ForAthlete & { id: string }>({
      query: ({ athlete, id }) => ({ url: `${athletePath(athlete)}/rulings/${id}`, method: 'DELETE' }),
      onQueryStarted: keepJudgement,
      invalidatesTags: ['Athlete', 'Roster'],
    }),
    ownEye: build.query<OwnEye, void>({ query: () => '/own-eye' }),
    keepDiagnosis: build.mutation<DiagnosisRecord, ForAthlete & { id: string }>({
      query: ({ athlete, id }) => ({ url: `${athletePath(athlete)}/diagnoses/${id}`, method: 'PUT' }),
    }),
    putFocus: build.mutation<AthleteOverview, Put<NewFocus>>({
      query: ({ athlete, id, body }) => ({ url: `${athletePath(athlete)}/foci/${id}`, method: 'PUT', body }),
      invalidatesTags: ['Athlete', 'Roster', 'Today', 'Progress'],
    }),
    changeFocus: build.mutation<AthleteOverview, Put<FocusChange>>({
      query: ({ athlete, id, body }) => ({ url: `${athletePath(athlete)}/foci/${id}/change`, method: 'POST', body }),
      invalidatesTags: ['Athlete', 'Roster', 'Today', 'Progress'],
    }),
    plan: build.query<PlanRecord | null, string>({ query: (athlete) => `${athletePath(athlete)}/plan`, providesTags: ['Plan'] }),
    putPlan: build.mutation<PlanRecord, Put<NewPlan>>({
      query: ({ athlete, id, body }) => ({ url: `${athletePath(athlete)}/plans/${id}`, method: 'PUT', body }),
      async onQueryStarted({ athlete }, { dispatch, queryFulfilled }) {
        const { data } = await queryFulfilled;
        void dispatch(api.util.upsertQueryData('plan', athlete, data));
      },
    }),
    library: build.query<LibraryAnswer, void>({ query: () => '/library', providesTags: ['Library'] }),
    putOwnDrill: build.mutation<LibraryAnswer, { id: string; body: NewOwnDrill }>({
      query: ({ id, body }) => ({ url: `/library/drills/${id}`, method: 'PUT', body }),
      invalidatesTags: ['Library', 'Plan'],
    }),
    putOwnFinding: build.mutation<LibraryAnswer, { id: string; body: NewOwnFinding }>({
      query: ({ id, body }) => ({ url: `/library/findings/${id}`, method: 'PUT', body }),
      invalidatesTags: ['Library', 'Plan'],
    }),
    putOwnLadder: build.mutation<LibraryAnswer, { id: string; body: NewOwnLadder }>({
      query: ({ id, body }) => ({ url: `/library/ladders/${id}`, method: 'PUT', body }),
      invalidatesTags: ['Library', 'Plan'],
    }),
    betterPlan: build.mutation<PlanRecord, ForAthlete & { id: string }>({
      query: ({ athlete, id }) => ({ url: `${athletePath(athlete)}/plans/${id}/better`, method: 'POST' }),
      async onQueryStarted({ athlete, id }, { dispatch, queryFulfilled }) {
        const { data } = await queryFulfilled;
        // What was made or changed meanwhile stands.
        dispatch(
          api.util.updateQueryData('plan', athlete, (shown) => (shown?.id === id && shown.edits.length === 0 ? data : shown)),
        );
      },
    }),
    editPlan: build.mutation<PlanRecord, Put<PlanEdits>>({
      query: ({ athlete, id, body }) => ({ url: `${athletePath(athlete)}/plans/${id}/edits`, method: 'PUT', body }),
      invalidatesTags: ['Athlete', 'Today'],
      async onQueryStarted({ athlete }, { dispatch, queryFulfilled }) {
        const { data } = await queryFulfilled;
        void dispatch(api.util.upsertQueryData('plan', athlete, data));
      },
    }),
    assignPlan: build.mutation<PlanRecord, ForAthlete & { id: string }>({
      query: ({ athlete, id }) => ({ url: `${athletePath(athlete)}/plans/${id}/assign`, method: 'POST' }),
      invalidatesTags: ['Plan', 'Athlete', 'Today'],
    }),
    session: build.query<SessionRecord, ForAthlete & { id: string }>({
      query: ({ athlete, id }) => `${athletePath(athlete)}/sessions/${id}`,
      providesTags: ['Session'],
    }),
    putSession: build.mutation<SessionRecord, Put<NewSession> & Acting>({
      query: ({ athlete, id, body, ...who }) => ({
        url: `${athletePath(athlete)}/sessions/${id}`,
        method: 'PUT',
        body,
        headers: actingAs(who),
      }),
    }),
    log: build.mutation<LogAnswer, ForAthlete & Acting & { id: string; entries: readonly LogEntry[] }>({
      query: ({ athlete, id, entries, ...who }) => ({
        url: `${athletePath(athlete)}/sessions/${id}/log`,
        method: 'POST',
        body: { entries },
        headers: actingAs(who),
      }),
    }),
    finish: build.mutation<SessionRecord, ForAthlete & Acting & { id: string }>({
      query: ({ athlete, id, ...who }) => ({
        url: `${athletePath(athlete)}/sessions/${id}/finish`,
        method: 'POST',
        headers: actingAs(who),
      }),
      invalidatesTags: ['Athlete', 'Roster', 'Today', 'Plan', 'Progress', 'Session'],
    }),
    removeLoad: build.mutation<AthleteOverview, Put<LoadRemoval>>({
      query: ({ athlete, id, body }) => ({ url: `${athletePath(athlete)}/load/${id}/remove`, method: 'POST', body }),
      invalidatesTags: ['Athlete', 'Roster', 'Today', 'Progress', 'Session', 'Plan'],
    }),
    putOuting: build.mutation<AthleteOverview, Put<NewOuting>>({
      query: ({ athlete, id, body }) => ({ url: `${athletePath(athlete)}/outings/${id}`, method: 'PUT', body }),
      invalidatesTags: ['Athlete', 'Roster', 'Today', 'Progress'],
    }),
    putClearance: build.mutation<AthleteOverview, Put<Clearance>>({
      query: ({ athlete, id, body }) => ({ url: `${athletePath(athlete)}/clearances/${id}`, method: 'PUT', body }),
      invalidatesTags: ['Athlete', 'Roster', 'Today'],
    }),
    progress: build.query<Progress, string>({
      query: (athlete) => `${athletePath(athlete)}/progress`,
      providesTags: ['Progress'],
    }),
  }),
});

/** What went wrong, in words that can be shown. */
export function problemOf(error: unknown): Problem {
  const { status, data } = (error ?? {}) as { status?: number | string; data?: Problem };
  if (data?.detail) return data;
  if (status === 'FETCH_ERROR')
    return {
      title: 'No connection',
      detail: 'The server cannot be reached from here. What you logged is kept and sent later.',
      errors: [],
    };
  return { title: 'Something went wrong', detail: 'The server did not answer as expected. Try again.', errors: [] };
}
