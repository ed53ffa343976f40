import { existsSync, mkdirSync, readdirSync, renameSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { cacheFolder, inRoot } from './paths.mjs';

function newestIn(folder) {
  let newest = 0;
  for (const entry of readdirSync(folder, { withFileTypes: true })) {
    if (entry.name === 'node_modules') continue;
    const path = join(folder, entry.name);
    newest = Math.max(newest, entry.isDirectory() ? newestIn(path) : statSync(path).mtimeMs);
  }
  return newest;
}

const SOURCES = ['packages', 'cli/src', 'server/src', 'demo/src', 'bench'];

/**
 * Bundles a TypeScript entry into one file for Node, unless an up-to-date bundle is there.
 * @returns path of the bundle
 */
export async function bundle(entry, name) {
  const outfile = join(cacheFolder, `${name}.mjs`);
  const sources = SOURCES.map((s) => inRoot(s)).filter(existsSync);
  if (
    existsSync(outfile) &&
    statSync(outfile).mtimeMs > Math.max(statSync(inRoot('scripts', 'lib', 'bundle.mjs')).mtimeMs, ...sources.map(newestIn))
  )
    return outfile;
  mkdirSync(cacheFolder, { recursive: true });
  const { build } = await import('esbuild');
  await build({
    entryPoints: [inRoot(entry)],
    outfile: `${outfile}.${process.pid}.mjs`,
    bundle: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    logLevel: 'warning',
    sourcemap: 'inline',
    external: ['@playwright/test', '@node-rs/argon2', 'knex', 'mysql2', 'express', 'joi-to-json', 'highs', 'pdfmake'],
    banner: { js: "import { createRequire as makeRequire } from 'node:module'; const require = makeRequire(import.meta.url);" },
  });
  renameSync(`${outfile}.${process.pid}.mjs`, outfile);
  return outfile;
}
