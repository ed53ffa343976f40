/** Judges beside the page, by the same code as the server. */
import { JUDGE } from './judging';
import type { Answered, Asked } from './judging';

self.onmessage = ({ data }: MessageEvent<Asked>) => {
  const started = performance.now();
  const answer = JUDGE[data.question](data.request);
  const answered: Answered = { ask: data.ask, answer, ms: performance.now() - started };
  (self as unknown as Worker).postMessage(answered);
};
