/** Papers as other programs read them. */
import { execFileSync } from 'node:child_process';
import type { Client } from './harness';

/** The text of a PDF, as another program reads it; it loads parts of itself as modules, which the tests' sandbox does not do. */
const READER = `
import { extractText, getDocumentProxy } from 'unpdf';
const parts = [];
for await (const part of process.stdin) parts.push(part);
const { text } = await extractText(await getDocumentProxy(new Uint8Array(Buffer.concat(parts))), { mergePages: true });
process.stdout.write(text);`;
export const pdfText = (bytes: Buffer): string =>
  execFileSync(process.execPath, ['--input-type=module', '-e', READER], {
    input: bytes,
    cwd: __dirname,
    stdio: ['pipe', 'pipe', 'ignore'],
  })
    .toString()
    .replace(/\s+/g, ' ');
/** A paper as it comes over the network. */
export const getPdf = async (client: Client, path: string) => {
  const { body, headers } = await client
    .get(path)
    .buffer(true)
    .parse((res, done) => {
      const parts: Buffer[] = [];
      res.on('data', (part: Buffer) => parts.push(part));
      res.on('end', () => done(null, Buffer.concat(parts)));
    })
    .expect(200);
  expect(headers['content-type']).toBe('application/pdf');
  return body as Buffer;
};
