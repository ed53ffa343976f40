import { createServer } from 'node:http';
import { isMainThread } from 'node:worker_threads';
import type { AddressInfo } from 'node:net';
import { readConfig } from './config';
import { connect, migrate } from './db/connect';
import { createApp } from './http/app';
import { improveBeside, serveImprovements } from './planner';

/** The program is its own worker: in a thread of its own it only plans. */
if (isMainThread) await serve();
else serveImprovements();

async function serve(): Promise<void> {
  const config = readConfig();
  const db = connect(config.database);
  const log = (message: string) => process.stderr.write(`${message}\n`);

  await migrate(db);
  const app = createApp({
    db,
    clock: () => new Date(),
    log,
    appFolder: config.appFolder,
    trustProxy: config.trustProxy,
    clipsFolder: config.clipsFolder,
    improve: improveBeside(),
  });
  const server = createServer(app);
  server.on('error', (error: NodeJS.ErrnoException) => {
    log(error.code === 'EADDRINUSE' ? `Port ${config.port} is in use. Set PORT to another one, or leave it out.` : error.message);
    process.exit(1);
  });
  server.listen(config.port, config.host, () => {
    const { port } = server.address() as AddressInfo;
    // One line that the start script waits for.
    process.stdout.write(`listening http://${config.host}:${port}\n`);
  });

  function stop(): void {
    server.close(() => void db.destroy().then(() => process.exit(0)));
    server.closeAllConnections();
  }
  process.on('SIGTERM', stop);
  process.on('SIGINT', stop);
}
