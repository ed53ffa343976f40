/** Every endpoint, by name: what right it needs, what it takes and gives. The server mounts these; the app's endpoints and the
 * OpenAPI document are made from them. */
import { accountRoutes } from './account/routes';
import { athleteRoutes } from './athlete/routes';
import { bodyRoutes, deviceRoutes } from './body/routes';
import { bundleRoutes } from './bundle/routes';
import { campRoutes } from './camp/routes';
import { filmRoutes } from './film/routes';
import { handOutRoutes } from './hand-out/routes';
import { judgementRoutes } from './judgement/routes';
import { libraryRoutes } from './library/routes';
import { logRoutes } from './log/routes';
import { peopleRoutes } from './people/routes';
import { planRoutes } from './plan/routes';
import { radarRoutes } from './radar/routes';
import { reportRoutes } from './report/routes';
import { rosterRoutes } from './roster/routes';
import type { Method, Route } from './route/route';

export const ROUTES = {
  ...accountRoutes,
  ...libraryRoutes,
  ...peopleRoutes,
  ...rosterRoutes,
  ...athleteRoutes,
  ...bodyRoutes,
  ...filmRoutes,
  ...bundleRoutes,
  ...judgementRoutes,
  ...planRoutes,
  ...logRoutes,
  ...deviceRoutes,
  ...radarRoutes,
  ...handOutRoutes,
  ...reportRoutes,
  ...campRoutes,
};

export type RouteName = keyof typeof ROUTES;
type Table = typeof ROUTES;

type Named<Path extends string> = Path extends `${string}:${infer Name}/${infer Rest}`
  ? Name | Named<`/${Rest}`>
  : Path extends `${string}:${infer Name}`
    ? Name
    : never;
/** The names that stand in an endpoint's address: `athlete`, `id`, both or none. */
export type ParamsOf<K extends RouteName> = Named<Table[K]['path']>;
/** What an endpoint is sent; `unknown` where it takes nothing. */
export type BodyOf<K extends RouteName> = Table[K] extends Route<Method, string, infer Body, infer _Q, infer _A> ? Body : never;
/** The search part of an endpoint's address; `unknown` where there is none. */
export type QueryOf<K extends RouteName> =
  Table[K] extends Route<Method, string, infer _B, infer Query, infer _A> ? Query : never;
/** What an endpoint answers. */
export type AnswerOf<K extends RouteName> =
  Table[K] extends Route<Method, string, infer _B, infer _Q, infer Result> ? Result : never;

/** Every route without its types, for what treats all of them alike. */
export const routeOf = (name: RouteName): Route => ROUTES[name];

/**
 * The address of an endpoint with its names filled in.
 * @example pathOf('clip', { athlete, id })
 */
export function pathOf(name: RouteName, params: Readonly<Record<string, string>> = {}): string {
  return ROUTES[name].path.replace(/:(\w+)/g, (_, key: string) => encodeURIComponent(params[key] ?? ''));
}
