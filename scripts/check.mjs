// npm run check: lint, types of every workspace, which way the rooms look, and formatting.
import { spawnSync } from 'node:child_process';
import { installPackages } from './lib/install.mjs';
import { inRoot, root } from './lib/paths.mjs';

installPackages();
const steps = [
  ...['packages/core', 'packages/contract', 'packages/solver', 'cli', 'server', 'demo', 'app', 'e2e', 'bench'].map((p) => [
    `types ${p}`,
    ['tsc', '--noEmit', '-p', inRoot(p)],
  ]),
  ['lint', ['eslint', '.']],
  [
    'rooms',
    [
      'depcruise',
      '--config',
      inRoot('.dependency-cruiser.cjs'),
      'packages/core/src',
      'packages/contract/src',
      'server/src',
      'app/src',
    ],
  ],
  ['format', ['prettier', '--check', '--log-level', 'warn', '.']],
];
let failed = 0;
for (const [name, args] of steps) {
  process.stdout.write(`${name}…\n`);
  if (spawnSync('npx', args, { cwd: root, stdio: 'inherit' }).status !== 0) failed++;
}
process.stdout.write(failed === 0 ? 'All clean.\n' : `${failed} of ${steps.length} steps failed.\n`);
process.exitCode = failed === 0 ? 0 : 1;
