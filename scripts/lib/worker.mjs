// A module worker of the app, bundled apart from it because of what lies beside it.
import { join } from 'node:path';

/** Bundles a worker into a folder that is served, as worker.js. */
export async function buildWorker(entry, folder) {
  const { build } = await import('esbuild');
  await build({
    entryPoints: [entry],
    outfile: join(folder, 'worker.js'),
    bundle: true,
    minify: true,
    format: 'esm',
    target: 'es2022',
    // Asked for only where there is Node.
    external: ['node:*', 'module'],
    logLevel: 'warning',
  });
}
