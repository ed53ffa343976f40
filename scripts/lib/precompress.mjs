// Files that are served are compressed once, when they are made, and better than there is time for at each request.
import { readdirSync } from 'node:fs';
import { readFile, stat, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { promisify } from 'node:util';
import { brotliCompress, constants, gzip } from 'node:zlib';

const TEXT = /\.(css|html|js|json|svg|ttf|wasm|webmanifest)$/;
const LEAST = 1024;
/** Brotli's best takes ten times as long for two per cent less. */
const BROTLI = { params: { [constants.BROTLI_PARAM_QUALITY]: 9 } };

const [br, gz] = [promisify(brotliCompress), promisify(gzip)];

/** Writes a Brotli and a gzip copy beside each file of a folder that gains by it. */
export async function precompress(folder) {
  const files = readdirSync(folder, { recursive: true, withFileTypes: true })
    .filter((entry) => entry.isFile() && TEXT.test(entry.name))
    .map((entry) => join(entry.parentPath, entry.name));
  for (const file of files) {
    if ((await stat(file)).size < LEAST) continue;
    const bytes = await readFile(file);
    const [small, old] = await Promise.all([br(bytes, BROTLI), gz(bytes, { level: 9 })]);
    await Promise.all([writeFile(`${file}.br`, small), writeFile(`${file}.gz`, old)]);
  }
}
