/** Pure code and the server run in Node; components run under jest-expo. */
const esbuild = { '\\.(ts|tsx|mjs)$': '<rootDir>/scripts/lib/jest-esbuild.cjs' };
// Looked up in the sandbox at every use, these cost more than the sums they take part in.
const sandboxInjectedGlobals = ['Math', 'Map', 'Set', 'Number', 'Array', 'Object', 'Float64Array'];
const node = (displayName, roots) => ({
  displayName,
  testEnvironment: 'node',
  roots: roots.map((r) => `<rootDir>/${r}`),
  testMatch: ['**/*.test.ts'],
  transform: esbuild,
  sandboxInjectedGlobals,
  setupFiles: ['<rootDir>/jest.setup.cjs'],
});

const screens = require('jest-expo/jest-preset').transform['\\.[jt]sx?$'][1];
const transformed =
  '(jest-)?react-native|@react-native|expo|@expo|@expo-google-fonts|react-navigation|@react-navigation|standard-navigation|@wrightonic|immer|@reduxjs|react-redux|d3-.*|internmap|idb|pure-rand|uuid';

module.exports = {
  projects: [
    node('core', ['packages', 'cli']),
    node('server', ['server']),
    {
      displayName: 'app',
      preset: 'jest-expo',
      sandboxInjectedGlobals,
      // Before the preset’s own: what is not the app need not be rewritten for a phone’s engine.
      transform: {
        '/packages/[a-z]+/src/.*\\.ts$': `${__dirname}/scripts/lib/jest-esbuild.cjs`,
        '/node_modules/.*\\.[jt]sx?$': [`${__dirname}/scripts/lib/jest-package.cjs`, screens],
      },
      rootDir: `${__dirname}/app`,
      roots: ['<rootDir>/src'],
      setupFilesAfterEnv: [`${__dirname}/jest.screens.cjs`],
      testMatch: ['**/*.test.tsx', '**/*.test.ts'],
      moduleNameMapper: {
        '^@react-native-vector-icons/material-design-icons$': '<rootDir>/src/ui/icons.tsx',
        // Jest reads CommonJS: the charts' helpers come as their one-file builds.
        '^(d3-[a-z-]+|internmap)$': `${__dirname}/node_modules/$1/dist/$1.min.js`,
      },
      transformIgnorePatterns: [`node_modules/(?!(${transformed}))`],
    },
  ],
};
