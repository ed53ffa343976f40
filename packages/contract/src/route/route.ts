/** What an endpoint is: the server mounts it, the app asks it, and the OpenAPI document tells it, all from one line of a table. */
import type Joi from 'joi';
import { rolesWith } from '../access/access';
import type { RightName, Role } from '../access/access';

/** What is shown of one athlete, and goes by the athlete's id. */
export const ATHLETE_TOPICS = [
  'Athlete',
  'Diagnosis',
  'Plan',
  'Progress',
  'Session',
  'Intake',
  'Body',
  'Clips',
  'Links',
] as const;
/** What is shown of the academy as a whole. */
export const ACADEMY_TOPICS = [
  'Me',
  'Library',
  'Roster',
  'Today',
  'People',
  'Groups',
  'Imports',
  'Audit',
  'Guns',
  'HandOuts',
  'Calendars',
  'Camps',
] as const;
/** What a read shows and a write renews. */
export type Topic = (typeof ATHLETE_TOPICS)[number] | (typeof ACADEMY_TOPICS)[number];

const OF_ATHLETE: ReadonlySet<Topic> = new Set(ATHLETE_TOPICS);
/** Whether a topic is told apart by the athlete. */
export const isOfAthlete = (topic: Topic): boolean => OF_ATHLETE.has(topic);

export type Method = 'get' | 'put' | 'post' | 'delete';

/** The name of an answer's type, for people; the type itself, for the compiler. */
export interface Answer<T> {
  readonly name: string;
  /** Never there: it carries the type. */
  readonly of?: T;
}

/** @example answers<PlanRecord | null>('PlanRecord | null') */
export const answers = <T>(name: string): Answer<T> => ({ name });
/** A file, as the server makes it piece by piece; whoever asks gets its bytes. */
export interface Download {
  readonly name: string;
  /** Its MIME type. */
  readonly type: string;
  readonly pieces: Iterable<string | Uint8Array> | AsyncIterable<string | Uint8Array>;
}
/** 204, and nothing in it. */
export const NOTHING = answers<null>('nothing');

interface Extra<Body, Query> {
  readonly body?: Joi.Schema<Body>;
  readonly query?: Joi.Schema<Query>;
  /** Answers a stream of events instead of one document. */
  readonly stream?: true;
  /** Takes or answers bytes instead of JSON. */
  readonly bytes?: 'in' | 'out';
  /** Largest body, KB; left out: 1,024. */
  readonly limitKb?: number;
  /** A write that is taken of an athlete who was put away, too. */
  readonly evenArchived?: true;
  /** What the answer shows; it is read anew when a write renews that. */
  readonly shows?: Topic;
  /** What a write changes on other screens: of its athlete, or of the academy. */
  readonly renews?: readonly Topic[];
  /** The read whose answer this write answers with, by its name in the table. */
  readonly answersAs?: string;
}

/**
 * One endpoint.
 * @typeParam Path the address, with `:athlete` and `:id` where they stand
 * @typeParam Body what is sent, `unknown` where nothing is
 * @typeParam Query the search part of the address, `unknown` where there is none
 * @typeParam Result what is answered
 */
export interface Route<
  M extends Method = Method,
  Path extends string = string,
  Body = unknown,
  Query = unknown,
  Result = unknown,
> extends Extra<Body, Query> {
  readonly method: M;
  readonly path: Path;
  readonly summary: string;
  /** The right it needs; null for everybody, signed in or not. */
  readonly needs: RightName | null;
  readonly answer: Answer<Result>;
}

/** Roles that may call an endpoint; empty for everybody. */
export const rolesOf = (route: Route): readonly Role[] => (route.needs === null ? [] : rolesWith(route.needs));

const make =
  <M extends Method>(method: M) =>
  <Path extends string, Result, Body = unknown, Query = unknown>(
    path: Path,
    needs: RightName | null,
    summary: string,
    answer: Answer<Result>,
    extra: Extra<Body, Query> = {},
  ): Route<M, Path, Body, Query, Result> => ({ method, path, needs, summary, answer, ...extra });

export const get = make('get');
export const put = make('put');
export const post = make('post');
/** A post that only asks: its body is too private, or too large, for an address. */
export const ask = <Path extends string, Result, Body = unknown, Query = unknown>(
  ...line: Parameters<typeof post<Path, Result, Body, Query>>
): Route<'post', Path, Body, Query, Result> & { readonly asks: true } => ({ ...post(...line), asks: true });
export const remove = make('delete');

/** Bodies of people who are not signed in yet, of lists of athletes, and of a tracked clip’s marks (700 frames of 18 joints), KB. */
export const [SMALL_KB, LIST_KB, MARKS_KB] = [16, 3 * 1024, 2.5 * 1024];

/** One athlete's part of the address. */
export const ATHLETE = '/athletes/:athlete';
