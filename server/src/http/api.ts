import { routeOf, ROUTES } from '@wrightonic/contract';
import type { AthleteExport, Download, PasswordChange } from '@wrightonic/contract';
import express from 'express';
import type { Request, Response, Router } from 'express';
import { ipKeyGenerator, rateLimit } from 'express-rate-limit';
import type { Knex } from 'knex';
import { v7 as uuidv7 } from 'uuid';
import { DEVICE_DAYS, openSession, provesPassword, SESSION_DAYS, signIn, signOut, userById, userOf } from '../auth/sign-ins';
import type { SignedIn } from '../auth/sign-ins';
import { retried } from '../db/retry';
import type { Thinking } from '../thinking';
import { ProblemError, wrongField } from '../problems';
import { join, lookAtInvitation, me } from '../people/account';
import { BadClip, clipFile } from '../film/clip-file';
import { within } from '../common/context';
import { requireChannel, sendToChannel } from '../devices/devices';
import { calendarFile } from '../report/calendars';
import { lookAtShared, sharedPdf } from '../shared/shared';
import { recordAudit } from './audit';
import { contextFor } from './context';
import { problemHandler } from './faults';
import { answerTo, HANDLED } from './handlers';
import type { HandledRoute } from './handlers';
import { piecesOf, sendFile, sendPieces } from './pieces';
import { liveChannel } from './live';
import { faultNote } from './notes';
import { permit } from './permit';
import {
  bodyOf,
  checked,
  COOKIE,
  cookieOf,
  DEVICE_COOKIE,
  pathId,
  read,
  requireActing,
  sameOrigin,
  setCookies,
  signInRequired,
} from './request';

const SIGN_INS_PER_MINUTE = 120;

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
  /** Where what takes long is worked out; in the server’s own thread where nothing else is given. */
  readonly think?: Thinking;
  /** Which program this is; judgements that another one has computed are computed anew. */
  readonly program?: string;
  /** Says when the server is about to end: streams end, and it is ready for nobody any more. */
  readonly ends?: AbortSignal;
}

const isDownload = (name: HandledRoute, answer: unknown): answer is Download => routeOf(name).bytes === 'out' && answer !== null;
const isExport = (name: HandledRoute, answer: unknown): answer is AthleteExport => name === 'exportAthlete' && answer !== null;

/** The API, mounted from the contract's table of routes. */
export function api({ db, clock, log, clipsFolder, think, ends, program = '' }: ApiOptions): Router {
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

  /** Whoever has a link may see this one athlete as the family does, and nothing else. */
  const ofLink = (academyId: string, athlete: string) =>
    contextFor(db, { id: '', academyId, role: 'guardian', name: '', signIn: '', athletes: [athlete], groups: [] }, clock(), '', {
      program,
      ...(think ? { think } : {}),
    });
  router.post(ROUTES.lookAtShared.path, slowDown, bodyOf(ROUTES.lookAtShared), async (req, res) => {
    const token = checked(ROUTES.lookAtShared.body, req.body);
    res.setHeader('Cache-Control', 'no-store');
    res.json(await lookAtShared(db, token, clock(), ofLink));
  });
  router.post(ROUTES.sharedPdf.path, slowDown, bodyOf(ROUTES.sharedPdf), async (req, res) => {
    const token = checked(ROUTES.sharedPdf.body, req.body);
    res.setHeader('Cache-Control', 'no-store');
    await sendFile(res, await sharedPdf(db, token, clock(), ofLink));
  });
  router.get(ROUTES.calendarFile.path, slowDown, async (req, res) => {
    const maker = async (id: string) => {
      const user = await userById(db, id, clock());
      return user && contextFor(db, user, clock());
    };
    res.setHeader('Cache-Control', 'no-store');
    await sendFile(res, await calendarFile(db, String(req.params.secret), clock(), maker));
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
      const base = await contextFor(db, user, clock(), token, { program, ...(think ? { think } : {}) });
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
      // Whoever takes something out is noted too.
      if (route.method === 'get') await recordAudit(name, call);
      if (answer === null && route.answer.name === 'nothing') res.status(204).end();
      else if (isDownload(name, answer)) await sendFile(res, answer);
      else if (isExport(name, answer)) await sendPieces(res, piecesOf(answer));
      else res.json(answer ?? null);
    });
  }
  router.use((req) => {
    throw new ProblemError(404, 'Not found', `There is nothing at ${req.method} ${req.path}. /api/docs lists what there is.`);
  });
  router.use(problemHandler(log));
  return router;
}
