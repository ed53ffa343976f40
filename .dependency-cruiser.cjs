/** Which way the rooms may look; `npm run check` and the tests go by it. */
module.exports = {
  forbidden: [
    {
      name: 'no-circle-between-folders',
      comment: 'Two folders that need each other are one, or a third stands beneath both.',
      severity: 'error',
      scope: 'folder',
      from: { path: '^(packages/(core|contract)/src|server/src|app/src)/' },
      to: { circular: true },
    },
    {
      name: 'features-not-sideways',
      comment: 'What two features need is in app/src/parts, ui or data.',
      severity: 'error',
      from: { path: '^app/src/features/([^/]+)/', pathNot: '[.]test[.]' },
      to: { path: '^app/src/features/', pathNot: '^app/src/features/$1/' },
    },
    {
      name: 'app-downwards',
      comment: 'Screens use features, features use parts, parts use ui and data.',
      severity: 'error',
      from: { path: '^app/src/(ui|data|parts)/', pathNot: '[.]test[.]' },
      to: { path: '^app/src/(app|features)/' },
    },
    {
      name: 'core-alone',
      comment: 'Core knows nobody: no interface, no I/O, no other workspace.',
      severity: 'error',
      from: { path: '^packages/core/src/', pathNot: '[.]test[.]|/testing/' },
      to: { path: '^(packages/(contract|solver)|server|app|cli|demo)/|^(node:)?(fs|path|os|http|net|worker_threads)$' },
    },
    {
      name: 'contract-on-core',
      severity: 'error',
      from: { path: '^packages/contract/src/' },
      to: { path: '^(packages/solver|server|app|cli|demo)/' },
    },
    {
      name: 'app-not-server',
      severity: 'error',
      from: { path: '^app/' },
      to: { path: '^server/' },
    },
  ],
  options: {
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.base.json' },
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '[.]test[.]tsx?$|/testing/|/test/|node_modules' },
  },
};
