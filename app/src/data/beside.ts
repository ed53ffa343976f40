/** Work beside the page: a worker's functions, called like one's own. */
import { wrap } from 'comlink';
import type { Remote } from 'comlink';

export interface Beside<Api> {
  /**
   * Calls the worker. @throws Error what the function there throws, or that the worker cannot be loaded or has died: no call is left
   * without an answer
   */
  readonly ask: <Answer>(call: (api: Remote<Api>) => Promise<Answer>) => Promise<Answer>;
  /** Ends the worker, whatever it is at. What was asked is not answered any more. */
  readonly end: () => void;
}

export function beside<Api>(worker: Worker): Beside<Api> {
  const remote = wrap<Api>(worker);
  const lost = new Promise<never>((_, reject) => {
    worker.addEventListener('error', () => reject(new Error('The worker could not be loaded, or has died.')));
  });
  // Whoever asks hears of it; while nobody does, it is nobody's fault.
  lost.catch(() => undefined);
  return {
    ask: (call) => Promise.race([call(remote), lost]),
    end: () => worker.terminate(),
  };
}
