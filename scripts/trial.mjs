// npm run trial [reps] [seed]: reps from four phones through killed servers, a killed database and a bad network.
import { installDebian, installPackages } from './lib/install.mjs';

installPackages();
installDebian();
const { runTrial } = await import('./lib/trial.mjs');
const [reps = '10000', seed = '1'] = process.argv.slice(2);
const say = (line) => process.stdout.write(`${line}\n`);
const found = await runTrial({ reps: Number(reps), seed: Number(seed), say });
say(
  `${found.reps} reps from 4 phones over 2 copies in ${found.seconds.toFixed(0)} s: ${found.lost} lost, ${found.doubled} doubled, ` +
    `${found.refused} refused, ${found.states === 1 ? 'one final state' : `${found.states} final states`}; ` +
    `${found.requests} requests, ${found.failed} of them cut off or unanswered`,
);
process.exitCode = found.lost === 0 && found.doubled === 0 && found.states === 1 && found.refused === 0 ? 0 : 1;
