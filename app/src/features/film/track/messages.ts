/** What the tracking worker is asked, and what it says. */

/** Landmarks of the pose model in a frame: x and y as shares of the picture, and how surely each is seen (0 to 1). */
export const LANDMARKS = 33;
export const LANDMARK_SIZE = 3;

export interface TrackWanted {
  readonly file: Blob | string;
  readonly from: number;
  readonly to: number;
}

export type TrackNews =
  | { readonly kind: 'ready'; readonly ms: number }
  /** `landmarks` is null where nobody was found. `modelMs` is the model alone, without decoding. */
  | { readonly kind: 'frame'; readonly frame: number; readonly landmarks: Float32Array | null; readonly modelMs: number }
  | { readonly kind: 'done'; readonly width: number; readonly height: number }
  | { readonly kind: 'failed'; readonly why: string };
