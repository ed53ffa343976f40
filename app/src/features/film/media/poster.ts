import { POSTER_MOST } from '@wrightonic/contract';
import type { Pictures } from './film-info';

const POSTER_WIDTH = 240;
/** A throw is in full swing about here. */
const MOMENT = 0.6;

/** A small picture of a clip from the thick of it; null when it would be too large to keep. */
export async function posterOf(pictures: Pictures): Promise<string | null> {
  const { width, height, frames } = pictures.info;
  const picture = await pictures.frame(Math.floor(MOMENT * (frames - 1)));
  if (!picture) return null;
  const canvas = document.createElement('canvas');
  canvas.width = POSTER_WIDTH;
  canvas.height = Math.round((POSTER_WIDTH * height) / width);
  canvas.getContext('2d')!.drawImage(picture, 0, 0, canvas.width, canvas.height);
  const url = canvas.toDataURL('image/jpeg', 0.7);
  return url.startsWith('data:image/jpeg') && url.length <= POSTER_MOST ? url : null;
}
