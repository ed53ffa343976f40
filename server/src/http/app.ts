import { createHash } from 'node:crypto';
import { join } from 'node:path';
import compression from 'compression';
import staticGzip from 'express-static-gzip';
import type { ExpressStaticGzipOptions } from 'express-static-gzip';
import express from 'express';
import type { Express } from 'express';
import helmet from 'helmet';
import { isMigrated } from '../db/connect';
import { ProblemError } from '../problems';
import { api } from './api';
import { problemHandler } from './faults';
import type { ApiOptions } from './api';
import { noteRequests } from './notes';
import { openApiDocument, openApiPage } from './openapi';

export interface AppOptions extends ApiOptions {
  readonly appFolder: string | null;
  /** Proxies before this server whose X-Forwarded headers are believed: how many, or their addresses; none where left out. */
  readonly trustProxy?: number | string | undefined;
  /** Takes one line for each request of the API; left out, none is written. */
  readonly note?: (line: string) => void;
}

/** The style element that React Native for Web makes empty and fills by script: allowed by the hash of nothing. */
const EMPTY_STYLE = `'sha256-${createHash('sha256').update('').digest('base64')}'`;

/** Files as they were compressed when they were made; what has no such copy is sent as it is. */
const compressedBefore = (folder: string, options: ExpressStaticGzipOptions) =>
  staticGzip(folder, { ...options, index: false, enableBrotli: true, orderPreference: ['br', 'gz'] });

/** The whole server: API, its documentation and the exported app, under a policy without inline script. */
export function createApp(options: AppOptions): Express {
  const app = express();
  app.disable('x-powered-by');
  // Whose word on the address and the scheme of a request is taken: nobody’s, or that of so many proxies before us.
  app.set('trust proxy', options.trustProxy ?? false);
  app.use(
    helmet({
      contentSecurityPolicy: {
        useDefaults: false,
        directives: {
          defaultSrc: ["'self'"],
          // WebAssembly for the tracker and the planner; it lets no script be made at run time.
          scriptSrc: ["'self'", "'wasm-unsafe-eval'"],
          styleSrc: ["'self'", EMPTY_STYLE],
          imgSrc: ["'self'", 'data:', 'blob:'],
          connectSrc: ["'self'"],
          objectSrc: ["'none'"],
          baseUri: ["'none'"],
          formAction: ["'self'"],
          frameAncestors: ["'none'"],
        },
      },
      strictTransportSecurity: false,
    }),
  );
  // Only over TLS: a page on loopback or in a barn’s own network has none.
  app.use((req, res, next) => {
    if (req.secure) res.setHeader('Strict-Transport-Security', 'max-age=31536000');
    next();
  });
  const { ends } = options;
  app.use((_req, res, next) => {
    // Whoever holds a connection finds another copy of the server with the next request.
    if (ends?.aborted) res.setHeader('Connection', 'close');
    next();
  });
  app.use(compression({ threshold: 1024 }));
  app.get('/api/openapi.json', (_req, res) => void res.json(openApiDocument()));
  app.get('/api/docs', (_req, res) => void res.type('html').send(openApiPage()));
  app.get('/api/health', async (_req, res) => {
    await options.db.raw('select 1');
    res.set('Cache-Control', 'no-store').json({ ok: true });
  });
  app.get('/api/ready', async (_req, res) => {
    if (ends?.aborted) throw new ProblemError(503, 'Not ready', 'This server is about to end. Ask another one.');
    if (!(await isMigrated(options.db))) throw new ProblemError(503, 'Not ready', 'The database is not of this version yet.');
    res.set('Cache-Control', 'no-store').json({ ok: true });
  });
  if (options.note) app.use('/api', noteRequests(options.note, options.clock));
  app.use('/api', api(options));
  const { appFolder } = options;
  if (appFolder) {
    const forever = { immutable: true, maxAge: '1y' } as const;
    app.use('/_expo', compressedBefore(join(appFolder, '_expo'), { serveStatic: forever }));
    app.use('/assets', compressedBefore(join(appFolder, 'assets'), { serveStatic: forever }));
    app.use(compressedBefore(appFolder, {}));
    app.get('/{*path}', (req, res, next) => {
      if (!req.accepts('html') || /\.[a-z0-9]{1,8}$/i.test(req.path)) return next();
      res.set('Cache-Control', 'no-cache');
      res.sendFile('index.html', { root: appFolder });
    });
  }
  app.use((_req, res) => void res.status(404).type('text').send('There is nothing here.'));
  // Broken paths and a database that is away, wherever they are met: never a page of the framework’s own.
  app.use(problemHandler(options.log));
  return app;
}
