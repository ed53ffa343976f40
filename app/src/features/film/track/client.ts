import { proxy } from 'comlink';
import { beside } from '../../../data/beside';
import type { TrackNews, TrackWanted } from './messages';
import type { Tracker } from './worker';

/** Where the worker lies; it is bundled apart from the app (scripts/lib/tracker.mjs). */
const WORKER = '/track/worker.js';

/** Tracks a clip in a worker of its own. @returns how to stop it */
export function startTracking(wanted: TrackWanted, hear: (news: TrackNews) => void): () => void {
  const { ask, end } = beside<Tracker>(new Worker(WORKER, { type: 'module' }));
  let stopped = false;
  const stop = () => {
    stopped = true;
    end();
  };
  const tell = (news: TrackNews) => {
    if (!stopped) hear(news);
  };
  void (async () => {
    let last: TrackNews;
    try {
      last = await ask<TrackNews>((api) => api.track(wanted, proxy(tell)));
    } catch {
      const why = 'The tracker could not be loaded. With a connection it loads once and stays; until then mark by hand.';
      last = { kind: 'failed', why };
    }
    tell(last);
    stop();
  })();
  return stop;
}
