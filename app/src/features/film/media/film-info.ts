/** What is known of a clip before its frames are decoded. */

/** A video file that cannot be used, in words that can be shown. */
export class BadVideo extends Error {}

export interface FilmInfo {
  readonly frames: number;
  /** Frames a second as the file is played. */
  readonly playFps: number;
  /** Frames a second as it was recorded, when the file says so; null when nobody knows. */
  readonly captureFps: number | null;
  readonly width: number;
  readonly height: number;
  /** How far a frame comes before or after its even place at most, in frames: phones do not always film evenly. */
  readonly uneven: number;
}

/** Pictures in a row, one of which is shown at a time. */
export interface Pictures {
  readonly info: FilmInfo;
  readonly frame: (index: number) => Promise<CanvasImageSource | null>;
}

/** Tag in which phones write the true rate of slow motion. */
const CAPTURE_TAG = 'com.android.capture.fps';

const COMMENT_TAG = /captureFps=([\d.]+)/;

export function captureRate(raw: Record<string, unknown> | undefined, comment: string | undefined): number | null {
  const tagged = Number(raw?.[CAPTURE_TAG]);
  if (Number.isFinite(tagged) && tagged > 0) return tagged;
  const noted = COMMENT_TAG.exec(comment ?? '');
  return noted ? Number(noted[1]) : null;
}
