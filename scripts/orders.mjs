// node scripts/orders.mjs: finds the elimination orders of the catalogue's structures anew and writes the file that ships them. Run it
// when findings or arrows have changed; a test says when.
import { writeFileSync } from 'node:fs';
import { bundle } from './lib/bundle.mjs';
import { inRoot } from './lib/paths.mjs';
import { runNode } from './lib/processes.mjs';

writeFileSync(
  inRoot('packages', 'core', 'src', 'diagnosis', 'shipped-orders.ts'),
  await runNode(await bundle('bench/orders.ts', 'orders')),
);
