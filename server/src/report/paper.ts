/** Papers: what stands on them, and how it is set as PDF, with the app's own letters. */
import { createRequire } from 'node:module';
import { dirname } from 'node:path';
import type { Content, TDocumentDefinitions } from 'pdfmake/interfaces';

/** A paper, as it can be handed to another thread: nothing in it runs. */
export interface Paper {
  readonly title: string;
  /** Under the title: whose it is. */
  readonly whose: string;
  /** Pictures are left out, all of them, where one cannot be read. */
  readonly content: readonly (Content | Pictures)[];
  /** At the foot of each page. */
  readonly foot: string;
}

const INK = '#22302b';
const SOFT = '#5b6a63';
const LINE = '#c9c6b8';

export const heading = (text: string): Content => ({ text, style: 'heading' });
export const line = (text: string): Content => ({ text, margin: [0, 0, 0, 3] });
export const soft = (text: string): Content => ({ text, style: 'soft' });
export const bullets = (texts: readonly string[]): Content => ({ ul: [...texts], margin: [0, 0, 0, 4] });
/** Blocks that are not torn apart between two pages. */
export const together = (...stack: Content[]): Content => ({ stack, unbreakable: true });

/** Pictures side by side, each with what it shows. */
export interface Pictures {
  readonly pictures: readonly { readonly url: string; readonly says: string }[];
}
const isPictures = (block: Content | Pictures): block is Pictures => typeof block === 'object' && 'pictures' in block;

const drawn = ({ pictures }: Pictures): Content[] =>
  pictures.length === 0
    ? []
    : [
        together(heading('Pictures'), {
          columns: pictures.map(({ url, says }) => ({ stack: [{ image: url, width: 240 }, soft(says)], width: 'auto' })),
          columnGap: 12,
        }),
      ];

/** What follows begins on a page of its own. */
export const newPage = (): Content => ({ text: '', pageBreak: 'after' });

/** A table with a head that comes again on each page; lines between the rows alone. */
export const table = (
  head: readonly string[],
  rows: readonly (readonly string[])[],
  widths: readonly (string | number)[],
): Content => ({
  table: {
    headerRows: 1,
    widths: [...widths],
    dontBreakRows: true,
    body: [head.map((text) => ({ text, style: 'head' })), ...rows.map((row) => row.map((text) => ({ text })))],
  },
  layout: 'lightHorizontalLines',
  margin: [0, 2, 0, 6],
});

type PdfMake = {
  setFonts(fonts: object): void;
  setLocalAccessPolicy(allowed: (path: string) => boolean): void;
  setUrlAccessPolicy(allowed: (url: string) => boolean): void;
  createPdf(definition: TDocumentDefinitions): { getBuffer(): Promise<Buffer> };
};

let ready: PdfMake | null = null;

/** The typesetter with its fonts: it reads nothing else, from no disk and no network. */
function typesetter(): PdfMake {
  // Loaded where papers are set and nowhere else: it takes a while. Tests run as CommonJS, the program as modules.
  const load = typeof require === 'function' ? require : createRequire(import.meta.url);
  const pdfmake = load('pdfmake') as PdfMake;
  const font = (name: string, file: string) => load.resolve(`@expo-google-fonts/barlow/${name}/${file}.ttf`);
  const normal = font('400Regular', 'Barlow_400Regular');
  const bold = font('600SemiBold', 'Barlow_600SemiBold');
  const folder = dirname(dirname(normal));
  pdfmake.setFonts({ Barlow: { normal, bold, italics: normal, bolditalics: bold } });
  pdfmake.setLocalAccessPolicy((path) => path.startsWith(folder));
  pdfmake.setUrlAccessPolicy(() => false);
  return pdfmake;
}

/** Sets a paper as PDF: A4, text that can be searched and copied. Takes tenths of a second: not for the thread that answers. */
export async function setPaper(paper: Paper): Promise<Uint8Array> {
  if (!paper.content.some(isPictures)) return set(paper, drawn);
  // A file that calls itself a picture may be none: the words are there all the same.
  return set(paper, drawn).catch(() => set(paper, () => []));
}

async function set({ title, whose, content, foot }: Paper, draw: (block: Pictures) => Content[]): Promise<Uint8Array> {
  const pdfmake = (ready ??= typesetter());
  const definition: TDocumentDefinitions = {
    pageSize: 'A4',
    pageMargins: [44, 44, 44, 52],
    language: 'en',
    info: { title: `${title}, ${whose}`, creator: 'Wrightonic', producer: 'Wrightonic' },
    defaultStyle: { font: 'Barlow', fontSize: 10.5, lineHeight: 1.18, color: INK },
    styles: {
      title: { fontSize: 20, bold: true },
      heading: { fontSize: 13, bold: true, margin: [0, 10, 0, 3] },
      head: { bold: true, color: SOFT, fontSize: 9.5 },
      soft: { color: SOFT, fontSize: 9.5, margin: [0, 0, 0, 4] },
    },
    content: [
      { text: title, style: 'title' },
      { text: whose, color: SOFT, margin: [0, 0, 0, 4] },
      { canvas: [{ type: 'line', x1: 0, y1: 0, x2: 507, y2: 0, lineWidth: 0.8, lineColor: LINE }] },
      ...content.flatMap((block) => (isPictures(block) ? draw(block) : [block])),
    ],
    footer: (page: number, pages: number) => ({
      columns: [
        { text: foot, fontSize: 8.5, color: SOFT },
        { text: `${page} / ${pages}`, alignment: 'right', fontSize: 8.5, color: SOFT, width: 40 },
      ],
      margin: [44, 14, 44, 0],
    }),
  };
  return new Uint8Array(await pdfmake.createPdf(definition).getBuffer());
}
