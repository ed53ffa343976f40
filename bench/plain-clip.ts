import { BufferTarget, CanvasSource, Mp4OutputFormat, Output, WebMOutputFormat } from 'mediabunny';
import { drawNumber } from '../app/src/features/film/stand-in/camera';

/** A long clip with nothing on it but each frame's number: made quickly, for measuring how decoding holds up. */
export async function plainClip(
  format: 'webm' | 'mp4',
  frames: number,
  width: number,
  height: number,
  fps: number,
): Promise<Blob> {
  const canvas = new OffscreenCanvas(width, height);
  const ctx = canvas.getContext('2d')!;
  const target = new BufferTarget();
  const output = new Output({ format: format === 'webm' ? new WebMOutputFormat() : new Mp4OutputFormat(), target });
  const source = new CanvasSource(canvas, { codec: format === 'webm' ? 'vp9' : 'avc', bitrate: 2_000_000 });
  output.addVideoTrack(source);
  await output.start();
  for (let n = 0; n < frames; n++) {
    ctx.fillStyle = `hsl(${n % 360} 30% 60%)`;
    ctx.fillRect(0, 0, width, height);
    drawNumber(ctx, n);
    await source.add(n / fps, 1 / fps);
  }
  await output.finalize();
  return new Blob([target.buffer!]);
}
