// npm run demo: installs what is missing, then serves the demo until Ctrl-C.
import { installDebian, installPackages } from './lib/install.mjs';

installPackages();
installDebian();
const { startDemo } = await import('./lib/demo.mjs');
const say = (line) => process.stdout.write(`${line}\n`);
let stopping = false;
const demo = await startDemo({ fresh: process.argv.includes('--fresh'), say });
say(`
  Wrightonic is at   ${demo.url}

  Owner and coach    coach      bench-and-chalk
  Instructor         assistant  second-pair-of-eyes
  Station coach      station    one-station-only
  Athlete            tavi       net-in-the-yard
  Guardian           guardian   two-at-the-table

  API documentation  ${demo.url}/api/docs
  Ctrl-C stops everything. “npm run demo -- --fresh” makes the demo data anew.
`);
const stop = async () => {
  if (stopping) return;
  stopping = true;
  say('Stopping…');
  await demo.stop();
  process.exit(0);
};
process.on('SIGINT', stop);
process.on('SIGTERM', stop);
demo.child.once('exit', () => {
  if (!stopping) {
    say('The server has ended.');
    void demo.stop().then(() => process.exit(1));
  }
});
