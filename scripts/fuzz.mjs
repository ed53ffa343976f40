// npm run fuzz: sixty random bodies for every endpoint, from another seed each time. FUZZ_BODIES and FUZZ_SEED try others or the same again.
import { spawnSync } from 'node:child_process';
import { inRoot } from './lib/paths.mjs';

const seed = process.env.FUZZ_SEED ?? String(Date.now() % 1_000_000_000);
const bodies = process.env.FUZZ_BODIES ?? '60';
process.stdout.write(`${bodies} bodies an endpoint, FUZZ_SEED=${seed}\n`);
const { status } = spawnSync(process.execPath, [inRoot('scripts', 'test.mjs'), 'unit', 'server/test/fuzz.test.ts'], {
  stdio: 'inherit',
  env: { ...process.env, FUZZ_BODIES: bodies, FUZZ_SEED: seed },
});
process.exitCode = status ?? 1;
