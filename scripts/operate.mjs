// npm run migrate, npm run academy: what is done beside a running server.
import { installPackages } from './lib/install.mjs';

installPackages({ quiet: true });
const { command, settings } = await import('./lib/operation.mjs');
const { bundle } = await import('./lib/bundle.mjs');
const { runNode } = await import('./lib/processes.mjs');

await command(async () => {
  const { address } = settings();
  const program = await bundle('server/src/operate.ts', 'operate');
  process.stdout.write(await runNode(program, { args: process.argv.slice(2), env: { DATABASE_URL: address } }));
});
