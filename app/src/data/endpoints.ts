/** The app's endpoints, made from the contract's table: no address and no type is written again here. */
import type { ThunkAction, UnknownAction } from '@reduxjs/toolkit';
import type {
  BaseQueryFn,
  EndpointBuilder,
  FetchArgs,
  FetchBaseQueryError,
  FetchBaseQueryMeta,
  MutationDefinition,
  QueryDefinition,
} from '@reduxjs/toolkit/query/react';
import { ACADEMY_TOPICS, ATHLETE_TOPICS, isOfAthlete, pathOf, routeOf, ROUTES } from '@wrightonic/contract';
import type { AnswerOf, BodyOf, ParamsOf, QueryOf, RouteName, Topic } from '@wrightonic/contract';
import { keyed } from '../boundary';

export const TOPICS: readonly Topic[] = [...ATHLETE_TOPICS, ...ACADEMY_TOPICS];
export type Base = BaseQueryFn<FetchArgs, unknown, FetchBaseQueryError, object, FetchBaseQueryMeta>;

/** Bytes and channels go by other ways than one question and one answer. */
const BY_HAND = [
  'putClipPart',
  'clipFile',
  'sendToChannel',
  'listenToChannel',
  'academyBundle',
  'takeBundle',
  'academyCsv',
  'athleteBundle',
  'athleteCsv',
  'sheetPdf',
  'paper',
  'sharedPdf',
  'calendarFile',
  'campPaper',
] as const;
type Asked = Exclude<RouteName, (typeof BY_HAND)[number]>;
type ReadName = {
  [K in Asked]: (typeof ROUTES)[K] extends { readonly method: 'get' } | { readonly asks: true } ? K : never;
}[Asked];
type WriteName = Exclude<Asked, ReadName>;

/** Work that waited on the device names whose it is: under another's sign-in it goes on waiting. */
export interface Acting {
  readonly as?: string;
}
export const ACTING = 'X-Acting-User';
export const actingAs = ({ as }: Acting): Record<string, string> => (as === undefined ? {} : { [ACTING]: as });

type Nothing = Record<never, never>;
type Given<K extends RouteName> = { readonly [P in ParamsOf<K>]: string } & (unknown extends BodyOf<K>
  ? Nothing
  : { readonly body: BodyOf<K> }) &
  (unknown extends QueryOf<K>
    ? Nothing
    : Nothing extends QueryOf<K>
      ? { readonly query?: QueryOf<K> }
      : { readonly query: QueryOf<K> });
/** What an endpoint is called with: the names of its address, a `body`, a `query`; nothing where it takes none of these. */
export type ArgsOf<K extends RouteName> = [keyof Given<K>] extends [never] ? void : Given<K>;
type WriteArgs<K extends RouteName> = [keyof Given<K>] extends [never] ? void : Given<K> & Acting;

export type Endpoints = {
  [K in ReadName]: QueryDefinition<ArgsOf<K>, Base, Topic, AnswerOf<K>, 'api'>;
} & {
  [K in WriteName]: MutationDefinition<WriteArgs<K>, Base, Topic, AnswerOf<K>, 'api'>;
};

/** Any call, for what treats all endpoints alike. */
interface Call extends Acting {
  readonly athlete?: string;
  readonly id?: string;
  readonly body?: unknown;
  readonly query?: object;
}
const NAMES = ['athlete', 'id'] as const;

/** The part of a call that an endpoint's address needs. */
const namesOf = (name: RouteName, call: Call): Readonly<Record<string, string>> =>
  Object.fromEntries(NAMES.filter((key) => ROUTES[name].path.includes(`:${key}`)).map((key) => [key, call[key] ?? '']));

/** How an endpoint is asked over the wire. */
export function requestOf(name: RouteName, call: Call = {}): FetchArgs {
  return {
    url: pathOf(name, namesOf(name, call)),
    method: routeOf(name).method.toUpperCase(),
    headers: actingAs(call),
    ...(call.query ? { params: { ...call.query } } : {}),
    ...(call.body === undefined ? {} : { body: call.body }),
  };
}

/** What is of one athlete is told apart by the athlete. */
const tag = (topic: Topic, athlete: string | undefined) =>
  athlete !== undefined && isOfAthlete(topic) ? { type: topic, id: athlete } : topic;

/** What a write has done: what it renews, and the read whose new answer it answered with. */
export interface Written {
  readonly renews: readonly Topic[];
  readonly athlete: string | undefined;
  readonly answered: { readonly read: RouteName; readonly args: Readonly<Record<string, string>>; readonly data: unknown } | null;
}

/** @param wrote what follows from a write that the server took */
export function endpointsOf(
  build: EndpointBuilder<Base, Topic, 'api'>,
  wrote: (written: Written) => ThunkAction<void, unknown, unknown, UnknownAction>,
): Endpoints {
  const made = (Object.keys(ROUTES) as RouteName[])
    .filter((name) => !(BY_HAND as readonly RouteName[]).includes(name))
    .map((name) => {
      const route = routeOf(name);
      const query = (call: Call | void) => requestOf(name, call ?? {});
      if (route.method === 'get' || 'asks' in route) {
        const { shows } = route;
        const providesTags = (_1: unknown, _2: unknown, call: Call | void) => (shows ? [tag(shows, call?.athlete)] : []);
        return [name, build.query<unknown, Call | void>({ query, providesTags })] as const;
      }
      const { renews = [], answersAs } = route;
      return [
        name,
        build.mutation<unknown, Call | void>({
          query,
          // After a refusal, too: what is shown may be what was refused for.
          invalidatesTags: (_answer, _error, call) => renews.map((topic) => tag(topic, call?.athlete)),
          async onQueryStarted(call, { dispatch, queryFulfilled }) {
            const answer = await queryFulfilled.catch(() => null);
            if (!answer) return;
            const read = answersAs as RouteName | undefined;
            const answered = read && call ? { read, args: namesOf(read, call), data: answer.data } : null;
            dispatch(wrote({ renews, athlete: call?.athlete, answered }));
          },
        }),
      ] as const;
    });
  return keyed<Endpoints>(made);
}
