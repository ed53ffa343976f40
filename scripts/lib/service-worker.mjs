// The service worker of the exported app, with a list of everything that it keeps on the device.
import { createHash } from 'node:crypto';
import { readdirSync, readFileSync } from 'node:fs';
import { join, relative, sep } from 'node:path';
import { inRoot } from './paths.mjs';

/** Files of an export that a device keeps: all but the tracker, which is large and fetched when it is first used. */
export function servedFiles(folder) {
  return readdirSync(folder, { withFileTypes: true, recursive: true })
    .filter((entry) => entry.isFile())
    .map((entry) => join(entry.parentPath, entry.name))
    .map((path) => ({ path, url: `/${relative(folder, path).split(sep).join('/')}` }))
    .filter(({ url }) => !url.startsWith('/track/') && !url.endsWith('.map') && !['/sw.js', '/metadata.json'].includes(url))
    .sort((a, b) => (a.url < b.url ? -1 : 1))
    .map(({ path, url }) => ({ url, revision: createHash('sha256').update(readFileSync(path)).digest('hex').slice(0, 16) }));
}

/** Writes sw.js into an export. */
export async function buildServiceWorker(folder) {
  const { build } = await import('esbuild');
  await build({
    entryPoints: [inRoot('app', 'service-worker', 'worker.ts')],
    outfile: join(folder, 'sw.js'),
    bundle: true,
    minify: true,
    format: 'iife',
    target: 'es2022',
    define: { SERVED: JSON.stringify(servedFiles(folder)), 'process.env.NODE_ENV': '"production"' },
    logLevel: 'warning',
  });
}
