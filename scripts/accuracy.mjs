// npm run accuracy: prints how near the computed numbers come to simulated truth. Nothing is asserted here.
// “npm run accuracy diagnosis”, “… film”, “… plans”, “… log”, “… marks”, “… coverage”, “… progress”, “… tracker” run one part alone; “plans print” writes plans in full; the tracker renders clips and tracks them, minutes.
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { installDebian, installPackages } from './lib/install.mjs';
import { bundle } from './lib/bundle.mjs';
import { cacheFolder } from './lib/paths.mjs';
import { runNode } from './lib/processes.mjs';

const only = process.argv[2];
installPackages();
const say = (line) => process.stdout.write(`${line}\n`);
const wants = (part) => !only || only === part;
if (wants('diagnosis')) say(await runNode(await bundle('bench/accuracy-diagnosis.ts', 'accuracy-diagnosis')));
if (wants('film')) say(await runNode(await bundle('bench/accuracy-film.ts', 'accuracy-film')));
if (wants('plans')) {
  say(await runNode(await bundle('bench/ladders.ts', 'ladders')));
  say(await runNode(await bundle('bench/accuracy-plans.ts', 'accuracy-plans'), { args: process.argv.slice(3) }));
  if (process.argv.length < 4) say(await runNode(await bundle('bench/replans.ts', 'replans')));
}
if (wants('camps')) say(await runNode(await bundle('bench/camps.ts', 'camps')));
if (wants('log')) say(await runNode(await bundle('bench/accuracy-log.ts', 'accuracy-log')));
if (wants('marks')) say(await runNode(await bundle('bench/accuracy.ts', 'accuracy')));
if (wants('progress')) say(await runNode(await bundle('bench/accuracy-progress.ts', 'accuracy-progress')));
if (wants('progress')) say(await runNode(await bundle('bench/accuracy-course.ts', 'accuracy-course')));
if (wants('progress') || wants('effects')) say(await runNode(await bundle('bench/accuracy-effects.ts', 'accuracy-effects')));
if (wants('coverage')) say(await runNode(await bundle('bench/coverage.ts', 'coverage')));
if (wants('tracker')) {
  installDebian({ browser: true });
  const { renderer } = await import('./lib/renderer.mjs');
  const program = await bundle('bench/accuracy-tracked.ts', 'accuracy-tracked');
  const clips = JSON.parse(await runNode(program, { args: ['clips'] }));
  const { track, close } = await renderer({ tracker: true });
  const tracked = [];
  try {
    for (const wanted of clips) {
      const got = await track(wanted);
      process.stderr.write(
        `${tracked.length + 1} of ${clips.length}: ${wanted.athlete.discipline} ${wanted.view} ${wanted.captureFps}: ${got.frames.length} frames tracked\n`,
      );
      tracked.push({ wanted, ...got });
    }
  } finally {
    await close();
  }
  const file = join(cacheFolder, 'tracked.json');
  writeFileSync(file, JSON.stringify(tracked));
  say(await runNode(program, { args: [file] }));
}
