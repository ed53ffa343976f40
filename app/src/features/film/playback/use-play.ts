import { useEffect, useState } from 'react';

/** How much slower than life a clip plays. */
const SLOWER = 8;

/** Slow play from where the clip stands to its end, then from the beginning again. */
export function usePlay(frame: number, from: number, to: number, fps: number, onFrame: (frame: number) => void) {
  const [playing, setPlaying] = useState(false);
  useEffect(() => {
    if (!playing) return undefined;
    const timer = setTimeout(() => onFrame(frame >= to ? from : frame + 1), (1000 * SLOWER) / fps);
    return () => clearTimeout(timer);
  }, [playing, frame, from, to, fps, onFrame]);
  return { playing, toggle: () => setPlaying(!playing), stop: () => setPlaying(false) };
}
