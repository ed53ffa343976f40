import { randomFrom } from '@wrightonic/core';
import { cameraFor, deliveryFor } from '@wrightonic/core/simulate';
import type { Camera, ThrowWanted } from '@wrightonic/core/simulate';
import { BufferTarget, CanvasSource, Mp4OutputFormat, Output, WebMOutputFormat } from 'mediabunny';
import { drawNumber, drawStandIn, paintLight } from './camera';
import { plainLook, variedBuild, variedLook } from './look';
import { paintPlace } from './place';

export interface RenderWanted extends ThrowWanted {
  /** Seed of another body, other clothes, place and light; left out: usual build, on a field in kind light. */
  readonly look?: number;
  readonly view: 'side-open' | 'side-closed' | 'front' | 'rear';
  /** Frames a second as recorded; the file is played at `playFps`. */
  readonly captureFps: number;
  readonly playFps: number;
  readonly width: number;
  readonly height: number;
  readonly format: 'webm' | 'mp4';
  /** Draw each frame's number into its corner. */
  readonly numbered?: boolean;
  /** Where the camera stands, metres; left out: six away at hip height. */
  readonly distanceM?: number;
  readonly cameraHeightM?: number;
  /** Share of a frame's time for which the shutter is open: fast limbs are smeared. */
  readonly shutter?: number;
  /** Grain of the picture, 0 to 1. */
  readonly grain?: number;
  /** Lengths of frames vary by so much of a frame, as phones do it. */
  readonly jitter?: number;
}

const BITRATE = 2_000_000;
/** Moments that a smeared frame is made of. */
const SMEARED = 5;
const GRAIN_TILE = 128;

/** A tile of grain, the same for the same seed. */
function grainTile(seed: number): OffscreenCanvas {
  const tile = new OffscreenCanvas(GRAIN_TILE, GRAIN_TILE);
  const ctx = tile.getContext('2d')!;
  const pixels = ctx.createImageData(GRAIN_TILE, GRAIN_TILE);
  const random = randomFrom(seed);
  for (let i = 0; i < pixels.data.length; i += 4) {
    const grey = 255 * random.uniform();
    pixels.data.set([grey, grey, grey, 255], i);
  }
  ctx.putImageData(pixels, 0, 0);
  return tile;
}

/** The throw that is filmed. */
export const thrown = (wanted: RenderWanted): ReturnType<typeof deliveryFor> =>
  deliveryFor(wanted.look === undefined ? wanted : { ...wanted, build: variedBuild(wanted.look) });

/** The camera that films it. */
export function standFor({ view, athlete, width, height, distanceM, cameraHeightM }: RenderWanted): Camera {
  const stand = cameraFor(view, athlete.throws, athlete.heightM, { width, height, ...(distanceM && { distanceM }) });
  return { ...stand, at: [stand.at[0], stand.at[1], cameraHeightM ?? stand.at[2]] };
}

/** Renders a made-up athlete's delivery to a real video file. @returns the file's bytes */
export async function renderClip(wanted: RenderWanted): Promise<ArrayBuffer> {
  const { delivery, request } = thrown(wanted);
  const { width, height, captureFps, playFps, shutter = 0, grain = 0 } = wanted;
  const camera = standFor(wanted);
  const canvas = new OffscreenCanvas(width, height);
  const ctx = canvas.getContext('2d')!;
  const target = new BufferTarget();
  const output = new Output({ format: wanted.format === 'webm' ? new WebMOutputFormat() : new Mp4OutputFormat(), target });
  const source = new CanvasSource(canvas, { codec: wanted.format === 'webm' ? 'vp9' : 'avc', bitrate: BITRATE });
  output.addVideoTrack(source);
  // A camera that knows its rate writes it down; the clip reader finds it there.
  if (captureFps !== playFps) output.setMetadataTags({ comment: `captureFps=${captureFps}` });
  await output.start();
  const layer = new OffscreenCanvas(width, height);
  const scene = layer.getContext('2d')!;
  const tile = grain > 0 ? grainTile(wanted.seed) : null;
  const look = wanted.look === undefined ? plainLook(wanted.seed) : variedLook(wanted.look);
  // The place stands still: it is painted once.
  const place = new OffscreenCanvas(width, height);
  paintPlace(place.getContext('2d')!, camera, look.place);
  let at = 0;
  for (let n = 0; n / captureFps <= delivery.duration; n++) {
    for (let part = 0; part < (shutter > 0 ? SMEARED : 1); part++) {
      // Each moment lies over those before it so that all weigh alike in the end.
      ctx.globalAlpha = 1 / (part + 1);
      const at = (n + (shutter * part) / SMEARED) / captureFps;
      scene.drawImage(place, 0, 0);
      drawStandIn(scene, delivery, camera, at, request.heightM, look);
      ctx.drawImage(layer, 0, 0);
    }
    ctx.globalAlpha = 1;
    paintLight(ctx, camera, look.light);
    if (tile) {
      ctx.globalAlpha = 0.3 * grain;
      // The grain lies anew on each frame.
      const [dx, dy] = [(n * 37) % GRAIN_TILE, (n * 59) % GRAIN_TILE];
      for (let x = -dx; x < width; x += GRAIN_TILE) for (let y = -dy; y < height; y += GRAIN_TILE) ctx.drawImage(tile, x, y);
    }
    if (wanted.numbered) drawNumber(ctx, n);
    const length = (1 + (wanted.jitter ?? 0) * (n % 3 === 0 ? 1 : n % 3 === 1 ? -1 : 0)) / playFps;
    await source.add(at, length);
    at += length;
  }
  await output.finalize();
  return target.buffer!;
}
