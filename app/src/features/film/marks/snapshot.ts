import { saveBlob } from '../../../ui/files';
import type { Pictures } from '../media/film-info';
import type { At, Ink } from './paint';

/** Saves a frame with everything painted on it as a PNG, with who and when written under it. */
export async function saveSnapshot(
  pictures: Pictures,
  frame: number,
  paint: (ctx: Ink, unit: number, stroke: readonly At[] | null) => void,
  caption: string,
): Promise<void> {
  const { width, height } = pictures.info;
  const band = Math.round(Math.max(28, height / 16));
  const canvas = document.createElement('canvas');
  canvas.width = width;
  canvas.height = height + band;
  const ctx = canvas.getContext('2d')!;
  const picture = await pictures.frame(frame);
  if (picture) ctx.drawImage(picture, 0, 0, width, height);
  paint(ctx, width / 640, null);
  ctx.fillStyle = '#f6f2e8';
  ctx.fillRect(0, height, width, band);
  ctx.fillStyle = '#22302b';
  ctx.font = `${Math.round(band * 0.55)}px Barlow, sans-serif`;
  ctx.textBaseline = 'middle';
  ctx.fillText(`${caption} · frame ${frame}`, band / 2, height + band / 2);
  const blob = await new Promise<Blob | null>((resolve) => canvas.toBlob(resolve, 'image/png'));
  if (blob) saveBlob(`${caption.replace(/[^\p{L}\p{N}]+/gu, '-').toLowerCase()}-frame-${frame}.png`, blob);
}
