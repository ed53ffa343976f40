import type { ThunkAction, UnknownAction } from '@reduxjs/toolkit';
import { createApi, fetchBaseQuery } from '@reduxjs/toolkit/query/react';
import type { FetchArgs } from '@reduxjs/toolkit/query/react';
import type { AnswerOf, Problem, QueryOf } from '@wrightonic/contract';
import { measureClock } from './clock';
import { ACTING, endpointsOf, requestOf, TOPICS } from './endpoints';
import type { Base, Written } from './endpoints';
import {
  deviceIsOf,
  emptyAnswers,
  forgetAthlete,
  growOld,
  isKept,
  keepAnswer,
  keptAnswer,
  lastUser,
  showsOf,
} from './kept-answers';
import { connection, shownFrom } from './operations';
import { upsertOf } from '../boundary';
import type { Upsert } from '../boundary';

/** Asked by whoever it may be. */
const BY_ANYBODY: ReadonlySet<string> = new Set(['me', 'signIn', 'lookAtInvitation', 'join']);

type State = Parameters<ReturnType<typeof api.endpoints.me.select>>[0];
/** Whose page this is, as far as is known. */
const meIn = (state: unknown): AnswerOf<'me'> | undefined => api.endpoints.me.select()(state as State).data;

const plainQuery: Base = fetchBaseQuery({
  baseUrl: '/api',
  // A page belongs to one person. Another tab may have signed somebody else in: nothing of this page goes out under that cookie.
  prepareHeaders: (headers, { getState, endpoint }) => {
    const me = meIn(getState());
    if (me && !BY_ANYBODY.has(endpoint) && !headers.has(ACTING)) headers.set(ACTING, me.id);
  },
});

/** The server, or the way to it, is away: what it answered last is shown meanwhile. */
const AWAY: ReadonlySet<unknown> = new Set(['FETCH_ERROR', 502, 503, 504]);

/** Under which address an answer is kept. */
export const addressOf = ({ url, params }: FetchArgs): string => `${url}?${JSON.stringify(params ?? {})}`;
const athleteIn = (url: string): string | undefined => /^\/athletes\/([^/]+)/.exec(url)?.[1];

/**
 * Every answer tells how far this device's clock is off; one that somebody else got says that this page is not theirs. What the
 * day's screens read is kept on the device, and read from there while the server is away.
 */
const measuredQuery: Base = async (args, context, extra) => {
  const at = Date.now();
  const answer = await plainQuery(args, context, extra);
  measureClock(answer.meta?.response?.headers.get('Date'), at, Date.now());
  const { endpoint, dispatch, getState } = context;
  const status = answer.error?.status;
  if (status === 401 && !BY_ANYBODY.has(endpoint)) dispatch(api.util.invalidateTags(['Me']));
  if (!isKept(endpoint)) return answer;
  const isMe = endpoint === 'me';
  const user = (isMe ? (answer.data as AnswerOf<'me'> | undefined) : meIn(getState()))?.id ?? (isMe ? lastUser() : null);
  if (user === null || user === undefined) return answer;
  if (status === undefined) {
    if (isMe) {
      await deviceIsOf(user, at);
      dispatch(connection(true));
    }
    void keepAnswer(user, { address: addressOf(args), shows: showsOf(endpoint), data: answer.data, at });
    return answer;
  }
  if (AWAY.has(status)) {
    const kept = await keptAnswer(user, addressOf(args), at);
    if (!kept) return answer;
    dispatch(shownFrom(kept.at));
    return { data: kept.data };
  }
  // The server has ended the sign-in, or the athlete is not theirs to see any more: nothing of it stays here.
  const athlete = athleteIn(args.url);
  if (isMe && status === 401) await emptyAnswers(user);
  else if (athlete !== undefined && (status === 403 || status === 404)) await forgetAthlete(athlete);
  return answer;
};

/** Puts data in the place of what a read shows, whichever read it is. */
const replace: Upsert = (...given) => upsertOf(api.util.upsertQueryData)(...given);

/** After a write: its answer is shown, and kept, as the new answer of its read; what it changed elsewhere is old on the device. */
const wrote =
  ({ renews, athlete, answered }: Written): ThunkAction<void, unknown, unknown, UnknownAction> =>
  (dispatch, getState) => {
    if (answered) dispatch(replace(answered.read, answered.args, answered.data));
    const user = meIn(getState())?.id;
    void growOld(renews, athlete).then(() => {
      if (!answered || user === undefined || !isKept(answered.read)) return;
      const address = addressOf(requestOf(answered.read, answered.args));
      void keepAnswer(user, { address, shows: showsOf(answered.read), data: answered.data, at: Date.now() });
    });
  };

/** The server's API: a hook for each endpoint of the contract, and pages of what is long. */
export const api = createApi({
  reducerPath: 'api',
  baseQuery: measuredQuery,
  tagTypes: TOPICS,
  endpoints: (build) => ({
    ...endpointsOf(build, wrote),
    rosterPages: build.infiniteQuery<AnswerOf<'athletes'>, Omit<QueryOf<'athletes'>, 'after'>, string | undefined>({
      infiniteQueryOptions: { initialPageParam: undefined, getNextPageParam: (page) => page.next ?? undefined },
      query: ({ queryArg, pageParam }) =>
        requestOf('athletes', { query: { ...queryArg, ...(pageParam === undefined ? {} : { after: pageParam }) } }),
      providesTags: ['Roster'],
    }),
    auditPages: build.infiniteQuery<AnswerOf<'audit'>, Omit<QueryOf<'audit'>, 'before'>, string | undefined>({
      infiniteQueryOptions: {
        initialPageParam: undefined,
        getNextPageParam: (page) => (page.more ? page.entries.at(-1)?.id : undefined),
      },
      query: ({ queryArg, pageParam }) =>
        requestOf('audit', { query: { ...queryArg, ...(pageParam === undefined ? {} : { before: pageParam }) } }),
      providesTags: ['Audit'],
    }),
  }),
}).enhanceEndpoints({
  endpoints: {
    betterPlan: {
      async onQueryStarted({ athlete, id }, { dispatch, queryFulfilled }) {
        const answer = await queryFulfilled.catch(() => null);
        if (!answer) return;
        // What was made or changed meanwhile stands.
        dispatch(
          api.util.updateQueryData('plan', { athlete }, (shown) =>
            shown?.id === id && shown.edits.length === 0 ? answer.data : shown,
          ),
        );
      },
    },
  },
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
