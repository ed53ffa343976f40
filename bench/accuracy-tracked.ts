/** How near the tracker comes to simulated truth on rendered clips: joints, events and measures. */
import { readFileSync } from 'node:fs';
import {
  cameraFor,
  deliveryFor,
  markedJointsAt,
  measureById,
  measureThrow,
  metresPerPixel,
  project,
  randomFrom,
  simulate,
  suggestEvents,
  trackedJoints,
} from '@wrightonic/core';
import type { AthleteProfile, MarkedJoint, MeasureId, PoseFrame } from '@wrightonic/core';
import { COVERS, Tally } from './tally';

const FIRST_SEED = Number(process.env.ACCURACY_SEED ?? 950_000);
const RATES = [60, 120, 240] as const;
const VIEWS = ['side-open', 'side-closed', 'front', 'rear'] as const;

interface Clip {
  readonly seed: number;
  readonly athlete: AthleteProfile;
  readonly faults: null;
  readonly view: (typeof VIEWS)[number];
  readonly captureFps: number;
  readonly playFps: number;
  readonly width: number;
  readonly height: number;
  readonly format: 'webm';
}

/** Clips to be made: every view at every rate, by athletes of both disciplines and hands. */
function clipsWanted(): Clip[] {
  const clips: Clip[] = [];
  const add = (view: Clip['view'], captureFps: number) => {
    const seed = FIRST_SEED + clips.length;
    const random = randomFrom(seed);
    const athlete: AthleteProfile = {
      discipline: random.chance(0.4) ? 'windmill' : 'overhand',
      throws: random.chance(0.3) ? 'L' : 'R',
      birthDate: '2009-01-01',
      heightM: Math.round(100 * (1.5 + 0.4 * random.uniform())) / 100,
      massKg: 65,
      level: 'high-school',
    };
    clips.push({ seed, athlete, faults: null, view, captureFps, playFps: 30, width: 960, height: 540, format: 'webm' });
  };
  const each = Number(process.env.ACCURACY_CLIPS ?? 2);
  for (let n = 0; n < each; n++) for (const view of VIEWS) for (const fps of RATES) add(view, fps);
  return clips;
}

interface TrackedClip {
  readonly wanted: Clip;
  readonly frames: readonly (PoseFrame & { readonly modelMs: number })[];
  readonly width: number;
  readonly height: number;
  readonly ms: number;
}

function report(clips: readonly TrackedClip[]): void {
  const joints = new Tally();
  const events = new Tally();
  const measures = new Tally();
  let [frames, missed, model, wall] = [0, 0, 0, 0];
  for (const { wanted, width, height, ms, ...tracked } of clips) {
    const { athlete, view, captureFps: fps } = wanted;
    const { delivery, request } = deliveryFor(wanted);
    const camera = cameraFor(view, athlete.throws, request.heightM, { width, height });
    const found = trackedJoints({ frames: tracked.frames, width, height, fps, throws: athlete.throws });
    const tall = request.heightM / metresPerPixel(camera);
    for (const { frame, joints: at } of found.frames) {
      const truth = markedJointsAt(delivery, frame / fps);
      for (const [joint, point] of Object.entries(at) as [MarkedJoint, { x: number; y: number; sd: number }][]) {
        const real = project(camera, truth[joint]);
        for (const error of [point.x - real.x, point.y - real.y])
          joints.note(`${joint}|${view}`, (100 * error) / tall, (100 * point.sd) / tall);
      }
    }
    const bare = {
      discipline: athlete.discipline,
      throws: athlete.throws,
      fps,
      view,
      heightM: request.heightM,
      scale: { metresPerUnit: request.heightM / found.tall, sd: 0.03 },
      frames: found.frames,
    };
    const suggested = suggestEvents(bare);
    for (const [event, at] of Object.entries(suggested)) {
      const real = delivery.events[event as keyof typeof delivery.events];
      if (real !== undefined) events.note(`${event}|${view} ${fps}`, 1000 * (at.frame / fps - real), (1000 * at.sd!) / fps);
    }
    const made = simulate({ ...wanted, kind: 'delivery', view: '3d', fps: 240 });
    if (!('measures' in made.truth)) continue;
    for (const m of measureThrow({ ...bare, events: suggested }).measures) {
      const real = made.truth.measures.find((t) => t.measure === m.measure && t.event === m.event)?.value;
      if (m.value === null || m.sd === null || real === null || real === undefined) continue;
      measures.note(`${m.measure} at ${m.event}|${view} ${fps}`, m.value - real, m.sd);
    }
    frames += tracked.frames.length;
    missed += tracked.frames.filter((f) => f.landmarks === null).length;
    model += tracked.frames.reduce((sum, f) => sum + f.modelMs, 0);
    wall += ms;
  }
  console.log(
    `\nThe tracker on ${clips.length} rendered clips, ${frames} frames, seeds from ${FIRST_SEED}: nobody found in ${missed} frames; ${(wall / frames).toFixed(0)} ms a frame in all, of it the bare model ${(model / frames).toFixed(0)} ms.\nbias and SD of the error, stated SD, share within ±${COVERS} stated SD (aim 90 %)\n`,
  );
  console.log(['Joints, each coordinate:', ...joints.table(() => '% of height')].join('\n'));
  console.log(['\nEvents suggested from tracked joints:', ...events.table(() => 'ms')].join('\n'));
  console.log(
    [
      '\nMeasures from tracked joints and suggested events:',
      ...measures.table((k) => measureById(k.split(' at ')[0] as MeasureId).unit),
    ].join('\n'),
  );
}

const [what] = process.argv.slice(2);
if (what === 'clips') console.log(JSON.stringify(clipsWanted()));
else report(JSON.parse(readFileSync(what!, 'utf8')) as TrackedClip[]);
