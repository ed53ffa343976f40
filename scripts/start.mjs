// npm start: the server for real, with the settings of the environment. docs/running.md says what they are.
import { spawn } from 'node:child_process';
import { installPackages } from './lib/install.mjs';

installPackages({ quiet: true });
const { settings } = await import('./lib/operation.mjs');
const { address, clips } = settings();
const { exportApp } = await import('./lib/app.mjs');
const { bundle } = await import('./lib/bundle.mjs');
const server = await bundle('server/src/main.ts', 'server');
const env = {
  LOG_REQUESTS: '1',
  ...process.env,
  NODE_ENV: 'production',
  DATABASE_URL: address,
  CLIPS_FOLDER: clips,
  APP_FOLDER: await exportApp(),
};
const child = spawn(process.execPath, ['--enable-source-maps', server], { env, stdio: ['ignore', 'inherit', 'inherit', 'ipc'] });
for (const signal of ['SIGTERM', 'SIGINT']) process.on(signal, () => child.kill('SIGTERM'));
child.once('exit', (code) => process.exit(code ?? 1));
