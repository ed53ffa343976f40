import { saveBlob } from './files';

/** Pixels of a picture for each of the screen's: sharp on paper. */
const SHARP = 3;

/** A chart as a document of its own, on its paper and with its letters named. @param paper colour behind it */
export function svgTextOf(svg: SVGSVGElement, paper: string): string {
  const copy = svg.cloneNode(true) as SVGSVGElement;
  const [width, height] = [svg.getAttribute('width') ?? '0', svg.getAttribute('height') ?? '0'];
  copy.setAttribute('xmlns', 'http://www.w3.org/2000/svg');
  copy.setAttribute('viewBox', `0 0 ${width} ${height}`);
  const ground = document.createElementNS('http://www.w3.org/2000/svg', 'rect');
  for (const [name, value] of [
    ['width', '100%'],
    ['height', '100%'],
    ['fill', paper],
  ] as const)
    ground.setAttribute(name, value);
  copy.insertBefore(ground, copy.firstChild);
  return new XMLSerializer().serializeToString(copy);
}

/** What a file is called after a sentence: its first words. */
export const fileNameOf = (sentence: string): string =>
  sentence
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, '-')
    .replace(/^-|-$/g, '')
    .slice(0, 60);

/** Saves a chart as SVG, or as PNG three times as sharp as the screen. */
export async function saveChart(svg: SVGSVGElement, sentence: string, as: 'svg' | 'png', paper: string): Promise<void> {
  const text = svgTextOf(svg, paper);
  const name = `${fileNameOf(sentence)}.${as}`;
  if (as === 'svg') return saveBlob(name, new Blob([text], { type: 'image/svg+xml' }));
  const picture = new Image();
  picture.src = `data:image/svg+xml;charset=utf-8,${encodeURIComponent(text)}`;
  await picture.decode();
  const canvas = document.createElement('canvas');
  canvas.width = SHARP * Number(svg.getAttribute('width'));
  canvas.height = SHARP * Number(svg.getAttribute('height'));
  canvas.getContext('2d')!.drawImage(picture, 0, 0, canvas.width, canvas.height);
  const blob = await new Promise<Blob | null>((resolve) => canvas.toBlob(resolve, 'image/png'));
  if (blob) saveBlob(name, blob);
}
