import type { UnknownAction } from '@reduxjs/toolkit';
import { createApi, fetchBaseQuery } from '@reduxjs/toolkit/query/react';
import type { FetchArgs } from '@reduxjs/toolkit/query/react';
import type { AnswerOf, Problem, QueryOf } from '@wrightonic/contract';
import { measureClock } from './clock';
import { ACTING, endpointsOf, requestOf, TOPICS } from './endpoints';
import type { Base } from './endpoints';
import { deviceIsOf, isKept, keepAnswer, keptAnswer, lastUser } from './kept-answers';
import { connection, shownFrom } from './operations';

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
export const addressOf = (args: string | FetchArgs): string =>
  typeof args === 'string' ? args : `${args.url}?${JSON.stringify(args.params ?? {})}`;

/**
 * Every answer tells how far this device's clock is off; one that somebody else got says that this page is not theirs. What the
 * day's screens read is kept on the device, and read from there while the server is away.
 */
const measuredQuery: Base = async (args, context, extra) => {
  const sentAt = Date.now();
  const answer = await plainQuery(args, context, extra);
  measureClock(answer.meta?.response?.headers.get('Date'), sentAt, Date.now());
  const { endpoint, dispatch, getState } = context;
  if (answer.error?.status === 401 && !BY_ANYBODY.has(endpoint)) dispatch(api.util.invalidateTags(['Me']));
  if (!isKept(endpoint)) return answer;
  const me = endpoint === 'me' ? (answer.data as AnswerOf<'me'> | undefined) : meIn(getState());
  if (!answer.error) {
    if (me) {
      if (endpoint === 'me') await deviceIsOf(me.id, sentAt);
      void keepAnswer(me.id, addressOf(args), answer.data, sentAt);
    }
    if (endpoint === 'me') dispatch(connection(true));
    return answer;
  }
  const user = me?.id ?? (endpoint === 'me' ? lastUser() : null);
  if (!AWAY.has(answer.error.status) || user === null) return answer;
  const kept = await keptAnswer(user, addressOf(args), sentAt);
  if (!kept) return answer;
  dispatch(shownFrom(kept.at));
  return { data: kept.data };
};

/** Puts data in the place of what a read shows, whichever read it is. */
type Replace = (read: string, args: unknown, data: unknown) => UnknownAction;
const replace: Replace = (...given) => (api.util.upsertQueryData as unknown as Replace)(...given);

/** The server's API: a hook for each endpoint of the contract, and pages of what is long. */
export const api = createApi({
  reducerPath: 'api',
  baseQuery: measuredQuery,
  tagTypes: TOPICS,
  endpoints: (build) => ({
    ...endpointsOf(build, replace),
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
