import { readFileSync } from 'node:fs';
import { join } from 'node:path';

const folder = join(__dirname, '../../../../../node_modules/@mediapipe/tasks-vision');
const read = (...path: string[]): string => readFileSync(join(folder, ...path), 'latin1');

/** Addresses that a text names. */
const hosts = (text: string): string[] => [...text.matchAll(/https?:\/\/([a-zA-Z0-9.-]+)/g)].map((m) => m[1]!);

/** Where comments and error texts of the runtime lead to read more; nothing is fetched from them. */
const READING = [
  'bugzil.la',
  'developer.mozilla.org',
  'en.wikipedia.org',
  'github.com',
  'kripken.github.io',
  'pubs.opengroup.org',
  'server.com',
  'tools.ietf.org',
  'unicode.org',
  'webkit.org',
  'www.ietf.org',
  'www.khronos.org',
  'www.w3.org',
];

describe('the tracker that is shipped', () => {
  it('is the version without a reporting client', () => {
    expect((JSON.parse(read('package.json')) as { version: string }).version).toBe('0.10.35');
  });

  it('names no address to send anything to', () => {
    expect(hosts(read('vision_bundle.mjs'))).toEqual([]);
    for (const host of hosts(read('wasm', 'vision_wasm_module_internal.js'))) expect(READING).toContain(host);
  });
});
