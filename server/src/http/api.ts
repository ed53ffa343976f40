import { check, PART_MOST, routeOf, ROUTES } from '@wrightonic/contract';
import type { PasswordChange, Route, Schema } from '@wrightonic/contract';
import { parse as parseCookies, serialize } from 'cookie';
import express from 'express';
import type { ErrorRequestHandler, Request, RequestHandler, Response, Router } from 'express';
import { ipKeyGenerator, rateLimit } from 'express-rate-limit';
import type { Knex } from 'knex';
import { v7 as uuidv7, validate as isUuid } from 'uuid';
import { DEVICE_DAYS, openSession, provesPassword, SESSION_DAYS, signIn, signOut, userOf } from '../auth/sign-ins';
import type { SignedIn, User } from '../auth/sign-ins';
import { retried } from '../db/retry';
import { Tenant } from '../db/tenant';
import { improveHere } from '../planner';
import type { Improve } from '../planner';
import { ProblemError, wrongField } from '../problems';
import { join, lookAtInvitation, me } from '../services/account';
import { BadClip, clipFile } from '../services/clips';
import { within } from '../services/context';
import type { Academy, Context } from '../services/context';
import { requireChannel, sendToChannel } from '../services/devices';
import { dayIn } from '../services/time';
import { recordAudit } from './audit';
import { answerTo, HANDLED } from './handlers';
import type { HandledRoute } from './handlers';
import { liveChannel } from './live';
import { faultNote } from './notes';
import { permit } from './permit';

const COOKIE = 'wrightonic';
const DEVICE_COOKIE = 'wrightonic-device';
const SIGN_INS_PER_MINUTE = 120;

const cookieOf = (req: Request, name: string): string | undefined => parseCookies(req.headers.cookie ?? '')[name];

function setCookies(
  req: Request,
  res: Response,
  cookies: readonly (readonly [name: string, value: string, maxAge: number])[],
): void {
  res.setHeader(
    'Set-Cookie',
    cookies.map(([name, value, maxAge]) =>
      serialize(name, value, { httpOnly: true, sameSite: 'strict', path: '/', maxAge, secure: req.secure }),
    ),
  );
}

interface AcademyRow {
  id: string;
  name: string;
  speed_unit: Academy['speedUnit'];
  length_unit: Academy['lengthUnit'];
  time_zone: string;
  league_daily_limit: number | null;
  league: Academy['league'];
  league_ages: Academy['leagueAges'];
  schools: Academy['schools'];
  words: Academy['words'];
  weighted_balls: number;
  numbers: Academy['numbers'];
}

/** The setting of a request: the user's academy and the academy's own day. */
export async function contextFor(db: Knex, user: User, now: Date, token = '', program = ''): Promise<Context> {
  const row = (await db('academies').where('id', user.academyId).first()) as AcademyRow;
  const academy: Academy = {
    id: row.id,
    name: row.name,
    speedUnit: row.speed_unit,
    lengthUnit: row.length_unit,
    timeZone: row.time_zone,
    leagueDailyLimit: row.league_daily_limit,
    league: row.league,
    leagueAges: row.league_ages,
    schools: row.schools,
    words: row.words,
    weightedBalls: Boolean(row.weighted_balls),
    numbers: row.numbers,
  };
  return {
    tenant: new Tenant(db, user.academyId),
    user,
    reach: 'academy',
    token,
    academy,
    now,
    today: dayIn(academy.timeZone, now),
    program,
    later: (work) => void work().catch(() => undefined),
    newId: () => uuidv7(),
  };
}

const signInRequired = () => new ProblemError(401, 'Sign in first', 'You are not signed in, or the sign-in has expired.');

/** Work that waited on a device names whose it is: under another's sign-in it is not taken, and goes on waiting. */
function requireActing(req: Request, user: User): void {
  const acting = req.headers['x-acting-user'];
  if (acting !== undefined && acting !== user.id)
    throw new ProblemError(
      401,
      'Somebody else is signed in',
      `This was done under another name than ${user.name}’s. It waits on the device until that person signs in again.`,
    );
}

function pathId(req: Request, name: 'athlete' | 'id'): string {
  const value = req.params[name];
  if (value === undefined) return '';
  const id = String(value);
  if (!isUuid(id))
    throw new ProblemError(422, 'The address is not right', `“${id}” is not an id`, [{ path: name, message: 'must be a UUID' }]);
  return id.toLowerCase();
}

/** A part of the request as its schema wants it; undefined where the endpoint takes none. */
function checked<T>(schema: Schema<T> | undefined, value: unknown): T {
  if (!schema) return undefined as T;
  const result = check(schema, value ?? {});
  if (!result.ok) throw new ProblemError(422, result.problem.title, result.problem.detail, result.problem.errors);
  return result.value;
}

const isFrom = (origin: string, host: string | undefined): boolean => URL.canParse(origin) && new URL(origin).host === host;

/** A write from another site's page is refused, cookie or not. */
const sameOrigin: RequestHandler = (req, _res, next) => {
  const { origin } = req.headers;
  if (req.method !== 'GET' && req.method !== 'HEAD' && origin && !isFrom(origin, req.headers.host))
    throw new ProblemError(403, 'Not allowed', 'Writes are accepted from the application’s own pages only.');
  next();
};

const LIMIT_KB = 1024;

/** What reads a route's body: bytes, or JSON of at most its own size. */
const bodyOf = (route: Route): RequestHandler =>
  route.bytes === 'in'
    ? express.raw({ type: 'application/octet-stream', limit: PART_MOST })
    : express.json({ limit: `${route.limitKb ?? LIMIT_KB}kb` });

/** Reads a body in the middle of a handler. Others have their turn between the reading of a large one and its check. */
const read = (reader: RequestHandler, req: Request, res: Response): Promise<void> =>
  new Promise((resolve, reject) => {
    void reader(req, res, (error?: unknown) => (error ? reject(error as Error) : setImmediate(resolve)));
  });

/** Endpoints that want the password once more, and where it stands: it is looked at before anything is begun. */
const PROOF: Partial<Record<HandledRoute, (body: unknown) => string>> = {
  changePassword: (body) => (body as PasswordChange).current,
};

export interface ApiOptions {
  readonly db: Knex;
  readonly clock: () => Date;
  readonly log: (message: string) => void;
  /** Folder for clips, outside of everything that is served. */
  readonly clipsFolder: string;
  /** Finds the best plan; in the server’s own thread where nothing else is given. */
  readonly improve?: Improve;
  /** Which program this is; judgements that another one has computed are computed anew. */
  readonly program?: string;
  /** Says when the server is about to end: streams end, and it is ready for nobody any more. */
  readonly ends?: AbortSignal;
}

/** The API, mounted from the contract's table of routes. */
export function api({ db, clock, log, clipsFolder, improve = improveHere, ends, program = '' }: ApiOptions): Router {
  const router = express.Router();
  router.use(sameOrigin);
  const slowDown = rateLimit({
    windowMs: 60_000,
    limit: SIGN_INS_PER_MINUTE,
    standardHeaders: 'draft-8',
    legacyHeaders: false,
    keyGenerator: (req) => ipKeyGenerator(req.ip ?? ''),
    handler: (_req, _res, next) =>
      next(new ProblemError(429, 'Too many tries', 'Too many sign-ins from here. Wait a minute and try again.')),
  });
  const welcome = async (req: Request, res: Response, opened: SignedIn) => {
    setCookies(req, res, [
      [COOKIE, opened.token, SESSION_DAYS * 86_400],
      [DEVICE_COOKIE, opened.device, DEVICE_DAYS * 86_400],
    ]);
    res.json(await me(await contextFor(db, opened.user, clock(), opened.token)));
  };

  router.post(ROUTES.signIn.path, slowDown, bodyOf(ROUTES.signIn), async (req, res) => {
    const given = checked(ROUTES.signIn.body, req.body);
    const visitor = { address: req.ip ?? '', device: cookieOf(req, DEVICE_COOKIE) };
    // Whoever signs in over another’s session ends it.
    const before = cookieOf(req, COOKIE);
    const opened = await signIn(db, given.signIn, given.password, visitor, clock());
    if (!opened)
      throw new ProblemError(
        401,
        'That did not match',
        'The sign-in name and the password do not go together. Check both and try again.',
      );
    if (before) await signOut(db, before);
    await welcome(req, res, opened);
  });
  router.post(ROUTES.signOut.path, async (req, res) => {
    const token = cookieOf(req, COOKIE);
    const acting = req.headers['x-acting-user'];
    const user = acting === undefined ? null : await userOf(db, token, clock());
    // Somebody else has signed in over it in another tab: that session is theirs.
    if (user && user.id !== acting) return void res.status(204).end();
    if (token) await signOut(db, token);
    setCookies(req, res, [[COOKIE, '', 0]]);
    // Nothing of the academy stays in the browser’s own cache; what the device keeps is the app’s to empty.
    res.setHeader('Clear-Site-Data', '"cache"');
    res.status(204).end();
  });
  router.post(ROUTES.lookAtInvitation.path, slowDown, bodyOf(ROUTES.lookAtInvitation), async (req, res) => {
    res.json(await lookAtInvitation(db, checked(ROUTES.lookAtInvitation.body, req.body), clock()));
  });
  router.post(ROUTES.join.path, slowDown, bodyOf(ROUTES.join), async (req, res) => {
    const person = await join(db, checked(ROUTES.join.body, req.body), clock(), uuidv7);
    await welcome(req, res, await openSession(db, person, clock()));
  });

  /** The channel of the path, once its key has been shown. */
  const channelOf = async (req: Request): Promise<string> => {
    const { key } = checked(ROUTES.listenToChannel.query, req.query);
    const id = pathId(req, 'id');
    await requireChannel(db, id, key, clock());
    return id;
  };
  const batch = bodyOf(ROUTES.sendToChannel);
  router.post(ROUTES.sendToChannel.path, async (req, res) => {
    const id = await channelOf(req);
    await read(batch, req, res);
    await sendToChannel(db, id, checked(ROUTES.sendToChannel.body, req.body), clock());
    res.status(204).end();
  });
  router.get(ROUTES.listenToChannel.path, async (req, res) => {
    await liveChannel({ db, clock, ends }, await channelOf(req), req, res);
  });

  router.get(ROUTES.clipFile.path, async (req, res) => {
    const token = cookieOf(req, COOKIE);
    const user = await userOf(db, token, clock());
    if (!user) throw signInRequired();
    const base = await contextFor(db, user, clock(), token);
    const athlete = pathId(req, 'athlete');
    const reach = await permit(base.tenant, ROUTES.clipFile, user, athlete, base.today);
    const ctx = { ...base, reach };
    const { path, type } = await clipFile(ctx, clipsFolder, athlete, pathId(req, 'id'));
    // Whatever is in it, it is shown as a video and nothing else.
    res.set({ 'Content-Type': type, 'Cache-Control': 'no-store', 'Content-Disposition': 'inline' });
    res.sendFile(path, { acceptRanges: true, cacheControl: false, dotfiles: 'allow' });
  });

  for (const name of HANDLED) {
    const route = routeOf(name);
    const body = bodyOf(route);
    router[route.method](route.path, async (req, res) => {
      const token = cookieOf(req, COOKIE);
      const user = await userOf(db, token, clock());
      if (!user || token === undefined) throw signInRequired();
      requireActing(req, user);
      const athlete = pathId(req, 'athlete');
      const base = await contextFor(db, user, clock(), token, program);
      const reach = await permit(base.tenant, route, user, athlete, base.today);
      // Nothing is read of a body before it is known who sends it, and that they may.
      await read(body, req, res);
      const after: (() => Promise<unknown>)[] = [];
      const call = {
        ctx: { ...base, reach, later: (work: () => Promise<unknown>) => void after.push(work) },
        athlete,
        id: pathId(req, 'id'),
        body: route.bytes === 'in' ? undefined : checked(route.body, req.body),
        query: checked(route.query, req.query),
        bytes: Buffer.isBuffer(req.body) ? req.body : Buffer.alloc(0),
        clipsFolder,
        improve,
      };
      res.setHeader('Cache-Control', 'no-store');
      const proof = PROOF[name]?.(call.body);
      if (proof !== undefined && !(await provesPassword(db, user.id, proof, base.now)))
        throw wrongField('current', 'is not your password');
      const answer =
        route.method === 'get'
          ? await answerTo(name, call)
          : // What is done and the note of who did it stand or fall together.
            await retried(() =>
              base.tenant.transaction(async (tenant) => {
                after.length = 0;
                const inside = { ...call, ctx: within(call.ctx, tenant) };
                const done = await Promise.resolve(answerTo(name, inside)).catch((error: unknown) => {
                  // A clip that turned out wrong was thrown away; that is kept, and then told.
                  if (error instanceof BadClip) return error;
                  throw error;
                });
                await recordAudit(name, inside);
                return done;
              }),
            );
      for (const work of after) await work().catch((error: unknown) => log(faultNote(error)));
      if (answer instanceof BadClip) throw answer;
      if (name === 'exportAthlete') await recordAudit(name, call);
      if (answer === null && route.answer.name === 'nothing') res.status(204).end();
      else res.json(answer ?? null);
    });
  }
  router.use((req) => {
    throw new ProblemError(404, 'Not found', `There is nothing at ${req.method} ${req.path}. /api/docs lists what there is.`);
  });
  router.use(problemHandler(log));
  return router;
}

/** Every refusal is problem+json; a fault of ours says so without telling how. */
export function problemHandler(log: (message: string) => void): ErrorRequestHandler {
  return (error: unknown, _req, res, _next) => {
    const problem = toProblem(error);
    if (problem.status >= 500) log(faultNote(error));
    // A stream or a clip that breaks off half-way is cut: whoever listens sees that, and comes back.
    if (res.headersSent) return void res.destroy();
    res.status(problem.status).type('application/problem+json').send(JSON.stringify(problem));
  };
}

const sizeText = (bytes: number | undefined): string =>
  bytes === undefined ? 'more' : bytes < 1024 * 1024 ? `${Math.ceil(bytes / 1024)} KB` : `${(bytes / 1024 / 1024).toFixed(1)} MB`;

/** Whether the database cannot be reached: it is starting, or gone. */
export function isAway(error: unknown): boolean {
  const { code, name, message = '' } = error as { code?: string; name?: string; message?: string };
  return (
    (code !== undefined && AWAY.has(code)) ||
    name === 'KnexTimeoutError' ||
    /Connection lost|closed state|Pool is (closed|destroyed)|server has gone away/i.test(message)
  );
}
const AWAY: ReadonlySet<string> = new Set([
  'ECONNREFUSED',
  'ECONNRESET',
  'EPIPE',
  'ETIMEDOUT',
  'PROTOCOL_CONNECTION_LOST',
  'ER_SERVER_SHUTDOWN',
  'ER_CON_COUNT_ERROR',
]);
const away = () =>
  new ProblemError(
    503,
    'The records cannot be reached',
    'The database is away for the moment. Nothing was saved; try again shortly.',
  );

function toProblem(error: unknown): ProblemError {
  if (error instanceof ProblemError) return error;
  const { type, status, code, length, limit } = error as {
    type?: string;
    status?: number;
    code?: string;
    length?: number;
    limit?: number;
  };
  if (isAway(error)) return away();
  if (type === 'entity.parse.failed')
    return new ProblemError(400, 'The input is not JSON', 'The body could not be read as JSON.');
  if (type === 'entity.too.large')
    return new ProblemError(
      413,
      'Too much at once',
      `The body is too large: it has ${sizeText(length)}, and ${sizeText(limit)} are taken here. Send it in smaller parts.`,
    );
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
