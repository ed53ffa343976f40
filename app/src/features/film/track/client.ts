import type { TrackNews, TrackWanted } from './messages';

/** Where the worker lies; it is bundled apart from the app (scripts/lib/tracker.mjs). */
const WORKER = '/track/worker.js';

/** Tracks a clip in a worker of its own. @returns how to stop it */
export function startTracking(wanted: TrackWanted, hear: (news: TrackNews) => void): () => void {
  const worker = new Worker(WORKER, { type: 'module' });
  const stop = () => worker.terminate();
  worker.onmessage = (event: MessageEvent<TrackNews>) => {
    if (event.data.kind === 'done' || event.data.kind === 'failed') stop();
    hear(event.data);
  };
  worker.onerror = () => {
    stop();
    hear({
      kind: 'failed',
      why: 'The tracker could not be loaded. With a connection it loads once and stays; until then mark by hand.',
    });
  };
  worker.postMessage(wanted);
  return stop;
}
