import { cpSync, existsSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { exportApp } from './app.mjs';
import { bundle } from './bundle.mjs';
import { startDatabase } from './database.mjs';
import { ended, runNode, startServer, takeFolder } from './processes.mjs';

const today = () => new Date().toISOString().slice(0, 10);

/**
 * Starts everything the demo needs: database, demo data, app, server.
 * @param {{ name?: string, fresh?: boolean, durable?: boolean, port?: string, copies?: number, say?: (line: string) => void }} options
 *   `before` is a program that the server's process runs first; `copies` academies that know nothing of each other, each with a server of its own: tests that run at once
 */
export async function startDemo({
  name = 'demo',
  fresh = false,
  durable = true,
  port = process.env.PORT ?? '0',
  copies = 1,
  before = null,
  say = () => {},
} = {}) {
  const taken = takeFolder(name);
  let database = null;
  const running = [];
  const stop = async () => {
    for (const { child } of running) child.kill('SIGTERM');
    await Promise.all(running.map(({ child }) => ended(child)));
    await database?.stop();
    taken.release();
  };
  try {
    const appFolder = await exportApp();
    say('Starting MariaDB on loopback…');
    database = await startDatabase(taken.folder, { durable });
    const stamp = join(taken.folder, 'seeded');
    const seeded = existsSync(stamp) ? readFileSync(stamp, 'utf8') : null;
    // What was entered is never thrown away unasked, however old the demo’s days are by now.
    if (seeded && !fresh && seeded !== today())
      say(
        `The demo’s data was made on ${seeded} and is kept, with all that was entered. “npm run demo -- --fresh” makes it anew.`,
      );
    if (fresh || !seeded) {
      say(seeded ? 'Making the demo data anew for today…' : 'Making the demo data (a minute)…');
      database.drop('app_demo');
      database.create('app_demo');
      await runNode(await bundle('demo/src/main.ts', 'demo'), {
        env: { DATABASE_URL: database.url('app_demo'), CLIPS_FOLDER: join(taken.folder, 'clips') },
      });
      writeFileSync(stamp, today());
    }
    const server = await bundle('server/src/main.ts', 'server');
    for (let copy = 1; copy <= copies; copy++) {
      const mark = copy === 1 ? '' : `_${copy}`;
      if (copy > 1) {
        database.drop(`app_demo${mark}`);
        database.create(`app_demo${mark}`);
        database.copy('app_demo', `app_demo${mark}`);
        rmSync(join(taken.folder, `clips${mark}`), { recursive: true, force: true });
        cpSync(join(taken.folder, 'clips'), join(taken.folder, `clips${mark}`), { recursive: true });
      }
      running.push(
        await startServer(
          server,
          {
            DATABASE_URL: database.url(`app_demo${mark}`),
            APP_FOLDER: appFolder,
            CLIPS_FOLDER: join(taken.folder, `clips${mark}`),
            PORT: port,
          },
          before ? ['--import', before] : [],
        ),
      );
    }
    const [{ url, child }] = running;
    return { url, urls: running.map((r) => r.url), stop, child, database };
  } catch (error) {
    await stop();
    throw error;
  }
}
