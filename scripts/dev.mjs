// npm run dev: the server restarting on change, and Metro serving the app with fast refresh.
import { spawn } from 'node:child_process';
import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { installDebian, installPackages } from './lib/install.mjs';
import { inRoot } from './lib/paths.mjs';

installPackages();
installDebian();
const { startDatabase, freePort } = await import('./lib/database.mjs');
const { fillPublic } = await import('./lib/app.mjs');
const { bundle } = await import('./lib/bundle.mjs');
const { takeFolder, runNode } = await import('./lib/processes.mjs');
const { writeFileSync } = await import('node:fs');

await fillPublic();
const taken = takeFolder('dev');
const database = await startDatabase(taken.folder);
const CLIPS_FOLDER = join(taken.folder, 'clips');
const stamp = join(taken.folder, 'seeded');
database.create('app_dev');
if (!existsSync(stamp)) {
  await runNode(await bundle('demo/src/main.ts', 'demo'), { env: { DATABASE_URL: database.url('app_dev'), CLIPS_FOLDER } });
  writeFileSync(stamp, '');
}
const port = String(await freePort());
const env = { ...process.env, DATABASE_URL: database.url('app_dev'), CLIPS_FOLDER, PORT: port };
const server = spawn('npx', ['tsx', 'watch', 'server/src/main.ts'], { cwd: inRoot(), env, stdio: 'inherit' });
const metro = spawn('npx', ['expo', 'start', '--web'], {
  cwd: inRoot('app'),
  env: { ...process.env, API_URL: `http://127.0.0.1:${port}`, EXPO_NO_TELEMETRY: '1' },
  stdio: 'inherit',
});
process.stdout.write(`API on http://127.0.0.1:${port}; Metro passes /api on to it.\n`);
const stop = async () => {
  server.kill('SIGTERM');
  metro.kill('SIGTERM');
  await database.stop();
  taken.release();
  process.exit(0);
};
process.on('SIGINT', stop);
process.on('SIGTERM', stop);
