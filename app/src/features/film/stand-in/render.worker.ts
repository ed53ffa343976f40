/** Renders a made-up throw beside the page. */
import { expose, transfer } from 'comlink';
import { renderClip } from './render';
import type { RenderWanted } from './render';

const rendering = {
  async render(wanted: RenderWanted): Promise<ArrayBuffer> {
    const bytes = await renderClip(wanted);
    return transfer(bytes, [bytes]);
  },
};
export type Rendering = typeof rendering;

expose(rendering);
