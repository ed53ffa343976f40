import type { Hand, MarkedFrame, PoseFrame } from '@wrightonic/core';
import { trackedJoints } from '@wrightonic/core';
import { useEffect, useRef, useState } from 'react';
import { startTracking } from './client';

export type TrackingState =
  | { readonly kind: 'still' }
  | { readonly kind: 'running'; readonly done: number; readonly of: number; readonly left: number | null }
  | { readonly kind: 'failed'; readonly why: string };

export interface Tracked {
  readonly frames: readonly MarkedFrame[];
  /** The athlete's height in the picture, pixels. */
  readonly tall: number;
  /** Frames in which nobody was found. */
  readonly missed: number;
}

export interface Tracking {
  readonly state: TrackingState;
  readonly start: (file: Blob | string, from: number, to: number) => void;
  readonly stop: () => void;
}

/** Share of frames with nobody in them from which the clip is said to be unfit. */
const FEW = 0.5;

/** Tracks a clip in its worker; the page goes on answering. Left or stopped, nothing of it is kept. */
export function useTracking(fps: number, throws: Hand, onTracked: (tracked: Tracked) => void): Tracking {
  const [state, setState] = useState<TrackingState>({ kind: 'still' });
  const running = useRef<(() => void) | null>(null);
  // Marks may be made while it runs: what is found is put over the marks as they are then.
  const finish = useRef(onTracked);
  useEffect(() => {
    finish.current = onTracked;
  });
  useEffect(() => () => running.current?.(), []);
  const start = (file: Blob | string, from: number, to: number) => {
    const of = to - from + 1;
    const found: PoseFrame[] = [];
    let begun = 0;
    setState({ kind: 'running', done: 0, of, left: null });
    running.current = startTracking({ file, from, to }, (news) => {
      switch (news.kind) {
        case 'ready':
          begun = performance.now();
          return;
        case 'frame': {
          found.push({ frame: news.frame, landmarks: news.landmarks });
          const each = (performance.now() - begun) / found.length;
          setState({ kind: 'running', done: found.length, of, left: (each * (of - found.length)) / 1000 });
          return;
        }
        case 'failed':
          setState({ kind: 'failed', why: news.why });
          return;
        case 'done': {
          const missed = found.filter((f) => f.landmarks === null).length;
          if (missed > FEW * of) {
            setState({
              kind: 'failed',
              why: `Nobody was found in ${missed} of ${of} frames. The athlete should be at least half the frame high, and alone in it. Mark the joints by hand.`,
            });
            return;
          }
          const { width, height } = news;
          finish.current({ ...trackedJoints({ frames: found, width, height, fps, throws }), missed });
          setState({ kind: 'still' });
        }
      }
    });
  };
  const stop = () => {
    running.current?.();
    setState({ kind: 'still' });
  };
  return { state, start, stop };
}
