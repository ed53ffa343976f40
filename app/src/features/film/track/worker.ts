/// <reference lib="webworker" />
/** Finds a body in each frame of a clip. Runs as a module worker, bundled by itself; the model and its runtime lie beside it. */
import { PoseLandmarker } from '@mediapipe/tasks-vision';
import { expose } from 'comlink';
import { BadVideo } from '../media/film-info';
import { FrameSource } from '../media/frames';
import { LANDMARK_SIZE, LANDMARKS } from './messages';
import type { TrackNews, TrackWanted } from './messages';

declare const self: DedicatedWorkerGlobalScope;

const beside = (name: string): string => new URL(name, self.location.href).href;

/** The model takes times that rise; which they are does not matter to it. */
const STEP_MS = 33;

async function track({ file, from, to }: TrackWanted, tell: (news: TrackNews) => unknown): Promise<TrackNews> {
  const begun = performance.now();
  const landmarker = await PoseLandmarker.createFromOptions(
    { wasmLoaderPath: beside('runtime.js'), wasmBinaryPath: beside('runtime.wasm') },
    { baseOptions: { modelAssetPath: beside('pose.task'), delegate: 'CPU' }, runningMode: 'VIDEO', numPoses: 1 },
  );
  const source = await FrameSource.open(file);
  const { width, height } = source.info;
  const canvas = new OffscreenCanvas(width, height);
  const ctx = canvas.getContext('2d', { willReadFrequently: true })!;
  // What is told goes another way than the answer: the answer waits until the last of it was heard.
  let told = tell({ kind: 'ready', ms: performance.now() - begun });
  await source.walk(from, to, (sample, frame) => {
    sample.draw(ctx, 0, 0);
    const picture = ctx.getImageData(0, 0, width, height);
    const started = performance.now();
    const [body] = landmarker.detectForVideo(picture, (frame - from + 1) * STEP_MS).landmarks;
    const modelMs = performance.now() - started;
    let landmarks: Float32Array | null = null;
    if (body) {
      landmarks = new Float32Array(LANDMARKS * LANDMARK_SIZE);
      body.forEach(({ x, y, visibility }, i) => landmarks!.set([x, y, visibility], i * LANDMARK_SIZE));
    }
    told = tell({ kind: 'frame', frame, landmarks, modelMs });
  });
  source.close();
  landmarker.close();
  await told;
  return { kind: 'done', width, height };
}

const tracker = {
  /** Tracks a clip. @param tell hears of each frame @returns how it ended */
  track: (wanted: TrackWanted, tell: (news: TrackNews) => unknown): Promise<TrackNews> =>
    track(wanted, tell).catch((error: unknown) => {
      if (!(error instanceof BadVideo)) console.error(error);
      const why =
        error instanceof BadVideo ? error.message : 'The tracker could not start on this device. Mark the joints by hand.';
      return { kind: 'failed', why };
    }),
};
export type Tracker = typeof tracker;

expose(tracker);
