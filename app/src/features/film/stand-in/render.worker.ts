/** Renders a made-up throw beside the page. */
import { renderClip } from './render';
import type { RenderWanted } from './render';

self.onmessage = (event: MessageEvent<RenderWanted>) => {
  void renderClip(event.data).then((bytes) => (self as unknown as Worker).postMessage(bytes, [bytes]));
};
