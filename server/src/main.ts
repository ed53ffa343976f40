import { readFileSync } from 'node:fs';
import { createServer } from 'node:http';
import { fileURLToPath } from 'node:url';
import { isMainThread } from 'node:worker_threads';
import type { AddressInfo } from 'node:net';
import { digest } from './auth/secrets';
import { readConfig } from './config';
import { connect, migrate } from './db/connect';
import { isAway } from './http/faults';
import { createApp } from './http/app';
import { faultNote } from './http/notes';
import { warmUp } from './warm';
import { serveThoughts, thinkBeside } from './thinking';

/** How long an idle connection stays open. Usual proxies close theirs after 60 s or less. */
const KEPT_OPEN_MS = 75_000;

/** The program is its own worker: in threads of its own it only thinks. */
if (isMainThread) await serve();
else serveThoughts();

async function serve(): Promise<void> {
  const config = readConfig();
  const db = connect(config.database);
  const log = (message: string) => process.stderr.write(`${message}\n`);
  const ends = new AbortController();

  // A database that starts beside this server may take its time.
  for (let said = false; ; said = true) {
    const failed = await migrate(db).then(
      () => null,
      (error: unknown) => error,
    );
    if (failed === null) break;
    if (!isAway(failed)) {
      log(failed instanceof Error ? failed.message : faultNote(failed));
      process.exit(1);
    }
    if (!said) log(`The database at ${config.database.host}:${config.database.port} cannot be reached. Trying until it can.`);
    await new Promise((resolve) => setTimeout(resolve, 1000));
  }
  warmUp();
  const app = createApp({
    db,
    clock: () => new Date(),
    log,
    appFolder: config.appFolder,
    trustProxy: config.trustProxy,
    clipsFolder: config.clipsFolder,
    think: thinkBeside(),
    // All of it is one file, but while it is being worked on.
    program: import.meta.url.endsWith('.ts') ? String(Date.now()) : digest(readFileSync(fileURLToPath(import.meta.url), 'utf8')),
    ends: ends.signal,
    ...(config.noteRequests ? { note: (line: string) => process.stdout.write(`${line}\n`) } : {}),
  });
  const server = createServer(app);
  // Longer than proxies hold a connection open, so that none is closed here just as one is used again.
  server.keepAliveTimeout = KEPT_OPEN_MS;
  server.on('error', (error: NodeJS.ErrnoException) => {
    log(error.code === 'EADDRINUSE' ? `Port ${config.port} is in use. Set PORT to another one, or leave it out.` : error.message);
    process.exit(1);
  });
  server.listen(config.port, config.host, () => {
    const { port } = server.address() as AddressInfo;
    // One line that the start script waits for.
    process.stdout.write(`listening http://${config.host}:${port}\n`);
  });

  /** Says that it is ready for nobody any more, lets a balancer see that, ends what is under way, and goes. */
  function stop(): void {
    if (ends.signal.aborted) return;
    ends.abort();
    setTimeout(() => {
      server.close(() => void db.destroy().then(() => process.exit(0)));
      server.closeIdleConnections();
      setTimeout(() => server.closeAllConnections(), 1000 * config.graceS).unref();
    }, 1000 * config.drainS);
  }
  process.on('SIGTERM', stop);
  process.on('SIGINT', stop);
  // Started by a script: when that was killed, nothing of it stays behind.
  if (process.connected) process.once('disconnect', stop);
}
