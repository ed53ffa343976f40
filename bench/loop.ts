/** How long one request holds up everybody else: the longest halt of the server's event loop while it is answered. */
import { EMPTY_MARKS } from '@wrightonic/contract';
import { MARKED_JOINTS } from '@wrightonic/core';
import { existsSync, readFileSync, rmSync } from 'node:fs';
import { v7 as uuid } from 'uuid';

const base = process.env.BASE_URL!;
const server = Number(process.env.SERVER_PID);
const file = process.env.LOOP_FILE!;

/** Longest time for which the server's event loop was held up since it was asked last, ms. */
async function heldUpAtMost(): Promise<number> {
  rmSync(file, { force: true });
  process.kill(server, 'SIGUSR2');
  while (!existsSync(file) || readFileSync(file, 'utf8') === '') await new Promise((resolve) => setTimeout(resolve, 5));
  return Number(readFileSync(file, 'utf8'));
}

const signedIn = await fetch(`${base}/api/sign-in`, {
  method: 'POST',
  headers: { 'Content-Type': 'application/json' },
  body: JSON.stringify({ signIn: 'coach', password: 'bench-and-chalk' }),
});
const cookie = signedIn.headers.getSetCookie()[0]!.split(';')[0]!;
const call = async (method: string, path: string, body?: string): Promise<{ status: number; text: string }> => {
  const answer = await fetch(`${base}/api${path}`, {
    method,
    headers: { cookie, 'Content-Type': 'application/json' },
    ...(body === undefined ? {} : { body }),
  });
  return { status: answer.status, text: await answer.text() };
};
const { rows } = JSON.parse((await call('GET', '/athletes')).text) as { rows: { id: string; name: string }[] };
const tavi = rows.find((a) => a.name.startsWith('Tavi'))!.id;

/** Does something, and tells how long the event loop was held up meanwhile. */
async function heldUp(work: () => Promise<{ status: number }>): Promise<{ worst: number; status: number; ms: number }> {
  await heldUpAtMost();
  const began = performance.now();
  const { status } = await work();
  const ms = performance.now() - began;
  return { worst: await heldUpAtMost(), status, ms };
}

const csv = (lines: number): string =>
  JSON.stringify({
    fileName: 'many.csv',
    file: Buffer.from(
      [
        'Name,Born,Throws,Height,Weight,Discipline',
        ...Array.from(
          { length: lines },
          (_, n) => `Person ${n} Made-Up,2011-03-${String(1 + (n % 28)).padStart(2, '0')},R,160,50,overhand`,
        ),
      ].join('\n'),
    ).toString('base64'),
  });
const nulls = (many: number): string => JSON.stringify({ entries: Array.from({ length: many }, () => null) });
const eye = (answer: string): string =>
  JSON.stringify({ on: new Date().toISOString().slice(0, 10), evidence: { kind: 'eye', finding: 'late-hips', answer } });

/** Marks as the tracker leaves them: 700 frames of 18 joints. */
const marks = (): string =>
  JSON.stringify({
    ...EMPTY_MARKS,
    events: { contact: { frame: 400 }, release: { frame: 440 } },
    frames: Array.from({ length: 700 }, (_, frame) => ({
      frame,
      joints: Object.fromEntries(
        MARKED_JOINTS.map((joint, k) => [joint, { x: 100.5 + k, y: 200.25 + frame, sd: 3.1, by: 'track' }]),
      ),
    })),
  });

const clip = `/athletes/${tavi}/clips/${uuid()}`;
const announced = await call(
  'PUT',
  clip,
  JSON.stringify({
    on: new Date().toISOString().slice(0, 10),
    name: 'heavy.mp4',
    type: 'video/mp4',
    bytes: 1000,
    sha256: '0'.repeat(64),
    captureFps: 240,
    frames: 700,
    width: 1920,
    height: 1080,
    setup: { view: 'side-open', distanceM: 7, cameraHeightM: 1, level: true, whole: true },
    poster: null,
  }),
);
if (announced.status !== 200) throw new Error(`No clip to mark: ${announced.text}`);

const HEAVY: readonly (readonly [string, () => Promise<{ status: number }>])[] = [
  ['nothing', async () => new Promise((resolve) => setTimeout(() => resolve({ status: 0 }), 1000))],
  ['the athlete’s page', () => call('GET', `/athletes/${tavi}`)],
  ['a look that changes the judgement', () => call('PUT', `/athletes/${tavi}/observations/${uuid()}`, eye('no'))],
  ['the judgement', () => call('GET', `/athletes/${tavi}/diagnosis`)],
  [
    'a plan of twelve weeks',
    () => call('PUT', `/athletes/${tavi}/plans/${uuid()}`, JSON.stringify({ weeks: 12, games: [], pinned: [] })),
  ],
  ['everything about the athlete', () => call('GET', `/athletes/${tavi}/export`)],
  ['a list of 2,000 athletes, looked at', () => call('POST', '/imports/look', csv(2000))],
  ['a list of 5,000 athletes, looked at', () => call('POST', '/imports/look', csv(5000))],
  ['a list of 2,000 athletes, brought in', () => call('PUT', `/imports/${uuid()}`, csv(2000))],
  [
    '3 MB that are no list',
    () => call('POST', '/imports/look', JSON.stringify({ fileName: 'x.csv', file: 'A'.repeat(2_900_000) })),
  ],
  ['200,000 empty entries (1 MB)', () => call('POST', `/athletes/${tavi}/sessions/${uuid()}/log`, nulls(200_000))],
  ['marks of 700 frames', () => call('PUT', `${clip}/marks`, marks())],
  [
    'marks with 300,000 other things in them (3 MB)',
    () => call('PUT', `${clip}/marks`, JSON.stringify({ frames: Array.from({ length: 300_000 }, () => ({ a: 1 })) })),
  ],
];
console.log('\nOne heavy request, and the longest halt of the event loop meanwhile:');
for (const [name, work] of [...HEAVY, ...HEAVY.slice(1, 6), ...HEAVY.filter(([name]) => name.startsWith('marks of'))]) {
  const { worst, status, ms } = await heldUp(work);
  console.log(
    `${name.padEnd(46)} ${status}  ${ms.toFixed(0).padStart(6)} ms in all, held up at most ${worst.toFixed(0).padStart(5)} ms`,
  );
}
