// npm run bench: prints how long things take and how that grows. Nothing is asserted here.
import { installDebian, installPackages } from './lib/install.mjs';
import { rmSync } from 'node:fs';
import { join } from 'node:path';
import { bundle } from './lib/bundle.mjs';
import { cacheFolder, inRoot } from './lib/paths.mjs';
import { runNode } from './lib/processes.mjs';

installPackages();
installDebian({ browser: true });
const only = process.argv[2];
const say = (line) => process.stdout.write(`${line}\n`);
if (!only || only === 'core') say(await runNode(await bundle('bench/core.ts', 'bench-core')));
if (!only || only === 'solver') say(await runNode(await bundle('bench/solver.ts', 'bench-solver')));
if (!only || only === 'film') await (await import('../bench/film.mjs')).benchFilm(say);
// Ten minutes of load are asked for by name.
if (!only || ['api', 'app', 'roster', 'loop', 'load'].includes(only)) {
  // Each phone of the load has an address of its own.
  process.env.TRUST_PROXY = '1';
  const LOOP_FILE = join(cacheFolder, `event-loop-${process.pid}`);
  process.env.LOOP_FILE = LOOP_FILE;
  const { startDemo } = await import('./lib/demo.mjs');
  const demo = await startDemo({ name: 'bench', fresh: true, port: '0', before: inRoot('bench', 'event-loop.mjs'), say });
  try {
    if (!only || only === 'api')
      say(
        await runNode(await bundle('bench/api.ts', 'bench-api'), {
          env: { BASE_URL: demo.url, DATABASE_URL: demo.database.url('app_demo') },
        }),
      );
    if (!only || only === 'app') say(await runNode(await bundle('bench/app.ts', 'bench-app'), { env: { BASE_URL: demo.url } }));
    if (!only || only === 'loop')
      say(
        await runNode(await bundle('bench/loop.ts', 'bench-loop'), {
          env: { BASE_URL: demo.url, SERVER_PID: String(demo.child.pid), LOOP_FILE },
        }),
      );
    if (only === 'load')
      say(
        await runNode(await bundle('bench/load.ts', 'bench-load'), {
          env: { BASE_URL: demo.url, DATABASE_URL: demo.database.url('app_demo'), SERVER_PID: String(demo.child.pid) },
        }),
      );
    if (!only || only === 'roster')
      say(
        await runNode(await bundle('bench/roster.ts', 'bench-roster'), {
          env: { BASE_URL: demo.url, DATABASE_URL: demo.database.url('app_demo') },
        }),
      );
  } finally {
    await demo.stop();
    rmSync(LOOP_FILE, { force: true });
  }
}
