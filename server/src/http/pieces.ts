/** Large answers, sent piece by piece: between two pieces the server answers others. */
import { setImmediate as turn } from 'node:timers/promises';
import type { Response } from 'express';
import type { AthleteExport, Download } from '@wrightonic/contract';

/** Rows that are written at once; a row of marks is as long as hundreds of others. */
const ROWS = 50;

/** The text of an export, in pieces that joined are what `JSON.stringify` makes of it. */
export function* piecesOf({ tables, ...rest }: AthleteExport): Generator<string> {
  yield `${JSON.stringify(rest).slice(0, -1)},"tables":{`;
  let first = true;
  for (const [name, rows] of Object.entries(tables)) {
    yield `${first ? '' : ','}${JSON.stringify(name)}:[`;
    first = false;
    for (let from = 0; from < rows.length; from += ROWS) {
      const some = JSON.stringify(rows.slice(from, from + ROWS)).slice(1, -1);
      yield from === 0 ? some : `,${some}`;
    }
    yield ']';
  }
  yield '}}';
}

/** What a file is called wherever it is saved: its quotes and letters beyond ASCII told apart. */
const disposition = (name: string): string =>
  `attachment; filename="${name.replace(/[^\x20-\x7e]|["\\]/g, '_')}"; filename*=UTF-8''${encodeURIComponent(name)}`;

/** Sends a file that is made while it is sent. */
export async function sendFile(res: Response, { name, type, pieces }: Download): Promise<void> {
  res.setHeader('Content-Disposition', disposition(name));
  await sendPieces(res, pieces, type);
}

/** Sends pieces of a text, no faster than they are taken. Whoever goes away in between is sent no more. */
export async function sendPieces(
  res: Response,
  pieces: Iterable<string | Uint8Array> | AsyncIterable<string | Uint8Array>,
  type = 'json',
): Promise<void> {
  res.type(type);
  // One listener for all pieces: compression hands “drain” on to a stream of its own, from which nobody can take it back.
  let go = () => {};
  res.on('drain', () => go());
  res.on('close', () => go());
  for await (const piece of pieces) {
    if (res.destroyed) return;
    if (!res.write(piece)) await new Promise<void>((resolve) => (go = resolve));
    await turn();
  }
  res.end();
}
