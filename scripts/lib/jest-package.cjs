// Jest's transform for packages that components stand on: modules and types are taken off, and nothing else is rewritten. Flow, which
// React Native is written in, goes first; what needs more than that is left to Expo's own preset.
const { createHash } = require('node:crypto');
const babel = require('@babel/core');
const babelJest = require('babel-jest');
const esbuild = require('esbuild');

const OPTIONS = {
  format: 'cjs',
  target: 'node20',
  jsx: 'automatic',
  define: { 'process.env.EXPO_OS': '"ios"' },
};
const FLOW = {
  babelrc: false,
  configFile: false,
  compact: false,
  plugins: ['babel-plugin-syntax-hermes-parser', '@babel/plugin-transform-flow-strip-types'],
};
const KEY = JSON.stringify([esbuild.version, babel.version, OPTIONS, FLOW]);

/** What only the preset understands: folders read at build time, and declarations of Flow that stand for code. */
const NEEDS_PRESET = /require\.context|EXPO_ROUTER_|^(export default )?(component|hook) /m;

module.exports.createTransformer = (options) => {
  const preset = babelJest.default.createTransformer(options);
  return {
    canInstrument: false,
    getCacheKey: (source, path, rest) =>
      NEEDS_PRESET.test(source)
        ? preset.getCacheKey(source, path, rest)
        : createHash('sha256').update(KEY).update('\0').update(path).update('\0').update(source).digest('hex'),
    process(source, path, rest) {
      if (NEEDS_PRESET.test(source)) return preset.process(source, path, rest);
      const isFlow = /@flow/.test(source.slice(0, 2000));
      const code = isFlow ? babel.transformSync(source, { ...FLOW, filename: path }).code : source;
      const loader = /\.tsx?$/.test(path) ? path.split('.').pop() : 'jsx';
      return esbuild.transformSync(code, { ...OPTIONS, sourcefile: path, loader });
    },
  };
};
