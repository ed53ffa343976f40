// Jest's transform for code that runs in Node: TypeScript and modules as they are, without rewriting what Node knows.
const { createHash } = require('node:crypto');
const esbuild = require('esbuild');

const OPTIONS = { format: 'cjs', target: 'node20', sourcemap: 'inline', sourcesContent: false };
const KEY = JSON.stringify([esbuild.version, OPTIONS]);

module.exports = {
  getCacheKey: (source, path) =>
    createHash('sha256').update(KEY).update('\0').update(path).update('\0').update(source).digest('hex'),
  process: (source, path) =>
    esbuild.transformSync(source, { ...OPTIONS, sourcefile: path, loader: path.endsWith('.mjs') ? 'js' : path.split('.').pop() }),
};
