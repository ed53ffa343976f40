import { createHash, randomBytes } from 'node:crypto';
import type { NewClip } from '@wrightonic/contract';

/** Bytes that begin as a WebM does. */
export const webm = (size: number): Buffer => Buffer.concat([Buffer.from([0x1a, 0x45, 0xdf, 0xa3]), randomBytes(size - 4)]);

export const clipOf = (file: Buffer, more: Partial<NewClip> = {}): NewClip => ({
  on: '2026-05-04',
  name: 'throw.webm',
  type: 'video/webm',
  bytes: file.length,
  sha256: createHash('sha256').update(file).digest('hex'),
  captureFps: 240,
  frames: 400,
  width: 1280,
  height: 720,
  setup: { view: 'side-open', distanceM: 6, cameraHeightM: 1, level: true, whole: true },
  poster: null,
  ...more,
});
