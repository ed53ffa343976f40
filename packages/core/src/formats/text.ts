/** How a text file turned out to be written. */
export type Encoding = 'UTF-8' | 'UTF-8 with a byte-order mark' | 'UTF-16' | 'Latin-1';

const startsWith = (bytes: Uint8Array, ...mark: number[]): boolean => mark.every((byte, i) => bytes[i] === byte);

/**
 * Text of a file whose encoding nobody stated: a byte-order mark decides; else UTF-8 where it is valid UTF-8; else Windows-1252,
 * of which Latin-1 is a part. Line ends come out as \n.
 */
export function decodeText(bytes: Uint8Array): { readonly text: string; readonly encoding: Encoding } {
  const read = (label: string, fatal = false) => new TextDecoder(label, { fatal }).decode(bytes).replace(/\r\n?/g, '\n');
  if (startsWith(bytes, 0xef, 0xbb, 0xbf)) return { text: read('utf-8'), encoding: 'UTF-8 with a byte-order mark' };
  if (startsWith(bytes, 0xff, 0xfe)) return { text: read('utf-16le'), encoding: 'UTF-16' };
  if (startsWith(bytes, 0xfe, 0xff)) return { text: read('utf-16be'), encoding: 'UTF-16' };
  try {
    return { text: read('utf-8', true), encoding: 'UTF-8' };
  } catch {
    return { text: read('windows-1252'), encoding: 'Latin-1' };
  }
}
