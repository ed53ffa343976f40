// The planning worker of the app and the solver's runtime beside it.
import { copyFileSync, mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { inRoot } from './paths.mjs';
import { buildWorker } from './worker.mjs';

/** Puts the planner into a folder that is served: worker and runtime. */
export async function buildPlanner(folder) {
  mkdirSync(folder, { recursive: true });
  await buildWorker(inRoot('app', 'src', 'features', 'plan', 'beside', 'worker.ts'), folder);
  copyFileSync(inRoot('node_modules', 'highs', 'build', 'highs.wasm'), join(folder, 'highs.wasm'));
}
