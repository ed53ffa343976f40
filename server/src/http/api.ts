import { check, ROUTES } from '@wrightonic/contract';
import type { Route, RouteName } from '@wrightonic/contract';
import type { SignIn } from '@wrightonic/contract';
import { parse as parseCookies, serialize } from 'cookie';
import express from 'express';
import type { ErrorRequestHandler, Request, RequestHandler, Response, Router } from 'express';
import { ipKeyGenerator, rateLimit } from 'express-rate-limit';
import type { Knex } from 'knex';
import { v7 as uuidv7, validate as isUuid } from 'uuid';
import { SESSION_DAYS, signIn, signOut, userOf } from '../auth/sign-ins';
import type { User } from '../auth/sign-ins';
import { Tenant } from '../db/tenant';
import { notFound, ProblemError } from '../problems';
import { dayIn } from '../services/context';
import type { Academy, Context } from '../services/context';
import { me } from '../services/records';
import { HANDLERS } from './handlers';

const COOKIE = 'wrightonic';
const SIGN_INS_PER_MINUTE = 20;

const tokenOf = (req: Request): string | undefined => parseCookies(req.headers.cookie ?? '')[COOKIE];

function setCookie(req: Request, res: Response, value: string, maxAge: number): void {
  res.setHeader(
    'Set-Cookie',
    serialize(COOKIE, value, { httpOnly: true, sameSite: 'strict', path: '/', maxAge, secure: req.secure }),
  );
}

interface AcademyRow {
  id: string;
  name: string;
  speed_unit: Academy['speedUnit'];
  time_zone: string;
  league_daily_limit: number | null;
  league: Academy['league'];
  schools: Academy['schools'];
}

/** The setting of a request: the user's academy and the academy's own day. */
export async function contextFor(db: Knex, user: User, now: Date): Promise<Context> {
  const row = (await db('academies').where('id', user.academyId).first()) as AcademyRow;
  const academy: Academy = {
    id: row.id,
    name: row.name,
    speedUnit: row.speed_unit,
    timeZone: row.time_zone,
    leagueDailyLimit: row.league_daily_limit,
    league: row.league,
    schools: row.schools,
  };
  return {
    tenant: new Tenant(db, user.academyId),
    user,
    academy,
    now,
    today: dayIn(academy.timeZone, now),
    newId: () => uuidv7(),
  };
}

const signInRequired = () => new ProblemError(401, 'Sign in first', 'You are not signed in, or the sign-in has expired.');

/** Checks who calls and for whom. An athlete reaches no athlete but their own, and is told that there is none. */
function permit(route: Route, user: User, athlete: string): void {
  if (!route.roles.includes(user.role))
    throw new ProblemError(403, 'Not allowed', `This is for ${route.roles.join(' or ')}; you are signed in as ${user.role}.`);
  if (user.role === 'athlete' && athlete && athlete !== user.athleteId) throw notFound('athlete');
}

function pathId(req: Request, name: 'athlete' | 'id'): string {
  const value = req.params[name];
  if (value === undefined) return '';
  const id = String(value);
  if (!isUuid(id))
    throw new ProblemError(422, 'The address is not right', `“${id}” is not an id`, [{ path: name, message: 'must be a UUID' }]);
  return id.toLowerCase();
}

function checkedBody(route: Route, req: Request): unknown {
  if (!route.body) return undefined;
  const checked = check(route.body, req.body ?? {});
  if (!checked.ok) throw new ProblemError(422, checked.problem.title, checked.problem.detail, checked.problem.errors);
  return checked.value;
}

/** A write from another site's page is refused, cookie or not. */
const sameOrigin: RequestHandler = (req, _res, next) => {
  const { origin } = req.headers;
  if (req.method !== 'GET' && req.method !== 'HEAD' && origin && new URL(origin).host !== req.headers.host)
    throw new ProblemError(403, 'Not allowed', 'Writes are accepted from the application’s own pages only.');
  next();
};

export interface ApiOptions {
  readonly db: Knex;
  readonly clock: () => Date;
  readonly log: (message: string) => void;
}

/** The API, mounted from the contract's table of routes. */
export function api({ db, clock, log }: ApiOptions): Router {
  const router = express.Router();
  router.use(sameOrigin);
  router.use(express.json({ limit: '1mb' }));
  const slowDown = rateLimit({
    windowMs: 60_000,
    limit: SIGN_INS_PER_MINUTE,
    standardHeaders: 'draft-8',
    legacyHeaders: false,
    keyGenerator: (req) =>
      `${ipKeyGenerator(req.ip ?? '')}|${String((req.body as { signIn?: unknown } | undefined)?.signIn).toLowerCase()}`,
    handler: (_req, _res, next) =>
      next(
        new ProblemError(429, 'Too many tries', 'Too many sign-in tries for this name from here. Wait a minute and try again.'),
      ),
  });

  router.post(ROUTES.signIn.path, slowDown, async (req, res) => {
    const given = checkedBody(ROUTES.signIn, req) as SignIn;
    const found = await signIn(db, given.signIn, given.password, clock());
    if (!found)
      throw new ProblemError(
        401,
        'That did not match',
        'The sign-in name and the password do not go together. Check both and try again.',
      );
    setCookie(req, res, found.token, SESSION_DAYS * 86_400);
    res.json(me(await contextFor(db, found.user, clock())));
  });
  router.post(ROUTES.signOut.path, async (req, res) => {
    const token = tokenOf(req);
    if (token) await signOut(db, token);
    setCookie(req, res, '', 0);
    res.status(204).end();
  });

  for (const [name, handler] of Object.entries(HANDLERS)) {
    const route: Route = ROUTES[name as RouteName];
    router[route.method](route.path, async (req, res) => {
      const user = await userOf(db, tokenOf(req), clock());
      if (!user) throw signInRequired();
      const athlete = pathId(req, 'athlete');
      permit(route, user, athlete);
      const ctx = await contextFor(db, user, clock());
      res.setHeader('Cache-Control', 'no-store');
      res.json((await handler({ ctx, athlete, id: pathId(req, 'id'), body: checkedBody(route, req) })) ?? null);
    });
  }
  router.use((req) => {
    throw new ProblemError(404, 'Not found', `There is nothing at ${req.method} ${req.path}. /api/docs lists what there is.`);
  });
  router.use(problemHandler(log));
  return router;
}

/** Every refusal is problem+json; a fault of ours says so without telling how. */
function problemHandler(log: (message: string) => void): ErrorRequestHandler {
  return (error: unknown, _req, res, _next) => {
    const problem = toProblem(error);
    if (problem.status >= 500) log(error instanceof Error ? (error.stack ?? error.message) : String(error));
    res.status(problem.status).type('application/problem+json').send(JSON.stringify(problem));
  };
}

function toProblem(error: unknown): ProblemError {
  if (error instanceof ProblemError) return error;
  const { type, status, code } = error as { type?: string; status?: number; code?: string };
  if (type === 'entity.parse.failed')
    return new ProblemError(400, 'The input is not JSON', 'The body could not be read as JSON.');
  if (type === 'entity.too.large')
    return new ProblemError(413, 'Too much at once', 'The body is over 1 MB. Send it in smaller parts.');
  if (status && status >= 400 && status < 500)
    return new ProblemError(status, 'The request is not right', (error as Error).message);
  if (code === 'ER_LOCK_DEADLOCK' || code === 'ER_LOCK_WAIT_TIMEOUT')
    return new ProblemError(503, 'Busy', 'Somebody else was writing the same thing. Nothing was saved; send it again.');
  return new ProblemError(
    500,
    'Something went wrong here',
    'Nothing was saved. Try again; if it happens again, tell whoever runs this server.',
  );
}
