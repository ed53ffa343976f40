// npm run clips: renders the demo's clips, made-up athletes filmed by the stand-in camera, into demo/clips, with their truth.
// npm run clips -- wanted.json out.webm: renders one clip of your own, as `RenderWanted` in app/src/features/film/stand-in/render.ts says it.
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { installDebian, installPackages } from './lib/install.mjs';
import { inRoot } from './lib/paths.mjs';

installPackages();
installDebian({ browser: true });
const { renderer } = await import('./lib/renderer.mjs');

const ATHLETES = {
  tavi: { discipline: 'overhand', throws: 'R', birthDate: '2010-01-15', heightM: 1.81, massKg: 75, level: 'high-school' },
  juna: { discipline: 'windmill', throws: 'R', birthDate: '2012-01-15', heightM: 1.66, massKg: 58, level: 'high-school' },
  ansa: { discipline: 'overhand', throws: 'L', birthDate: '2006-05-02', heightM: 1.88, massKg: 84, level: 'college' },
  wilma: { discipline: 'windmill', throws: 'R', birthDate: '2009-03-11', heightM: 1.7, massKg: 62, level: 'high-school' },
};
const small = { width: 960, height: 540, playFps: 30, format: 'webm' };
/** name, and what is rendered. */
const CLIPS = [
  ['tavi-then-side', { ...small, seed: 61, athlete: ATHLETES.tavi, faults: { stall: 1 }, view: 'side-open', captureFps: 120 }],
  ['tavi-now-side', { ...small, seed: 64, athlete: ATHLETES.tavi, faults: { stall: 0.2 }, view: 'side-open', captureFps: 120 }],
  [
    'juna-side',
    { ...small, seed: 63, athlete: ATHLETES.juna, faults: { 'fold-and-lift': 0.8 }, view: 'side-open', captureFps: 120 },
  ],
  // One who is done: short at first, in band on two dates, still there weeks after; and one who came back from time off as before.
  ...[
    ['ansa', [71, 0.95], [72, 0.08], [73, 0.05], [74, 0.1]],
    ['wilma', [81, 1], [82, 0.1], [83, 0.05], [84, 0.9]],
  ].flatMap(([key, ...days]) =>
    days.map(([seed, short], n) => [
      `${key}-${n + 1}`,
      {
        ...small,
        width: 640,
        height: 360,
        seed,
        athlete: ATHLETES[key],
        faults: { 'short-stride': short },
        view: 'side-open',
        captureFps: 120,
      },
    ]),
  ),
];

const folder = inRoot('demo', 'clips');
mkdirSync(folder, { recursive: true });
const { render, poster, truth, close } = await renderer();
const [own, out] = process.argv.slice(2);
if (own && !out) throw new Error('Name the file to write after the one that says what is wanted.');
/** One clip and, beside it, how it was rendered and its truth. */
async function make(wanted, file) {
  const bytes = await render(wanted);
  writeFileSync(file, bytes);
  const beside = { wanted, truth: await truth(wanted), poster: await poster(bytes) };
  writeFileSync(file.replace(/\.[a-z0-9]+$/, '.json'), `${JSON.stringify(beside, null, 2)}\n`);
  process.stdout.write(`${file}: ${Math.round(bytes.length / 1024)} KB\n`);
}
try {
  if (own) await make(JSON.parse(readFileSync(own, 'utf8')), out);
  else
    for (const [name, wanted] of CLIPS)
      // What is there already stays as it is: its truth is kept beside it.
      if (!existsSync(`${folder}/${name}.webm`)) await make(wanted, `${folder}/${name}.webm`);
} finally {
  await close();
}
