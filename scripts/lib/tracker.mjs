// The tracking worker and what lies beside it: bundled apart from the app, because it is a module worker with a model.
import { copyFileSync, existsSync, mkdirSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { inRoot } from './paths.mjs';
import { buildWorker } from './worker.mjs';

const RUNTIME = ['node_modules', '@mediapipe', 'tasks-vision', 'wasm', 'vision_wasm_module_internal'];

/** Puts the tracker into a folder that is served: worker, runtime, model. */
export async function buildTracker(folder) {
  mkdirSync(folder, { recursive: true });
  await buildWorker(inRoot('app', 'src', 'features', 'film', 'track', 'worker.ts'), folder);
  for (const kind of ['js', 'wasm'])
    copyFileSync(inRoot(...RUNTIME.slice(0, -1), `${RUNTIME.at(-1)}.${kind}`), join(folder, `runtime.${kind}`));
  const model = join(folder, 'pose.task');
  // The model changes with its package only.
  const made = existsSync(model) ? statSync(model).mtimeMs : 0;
  if (made < statSync(inRoot('package-lock.json')).mtimeMs) (await import('./pose-model.mjs')).buildPoseModel(model);
}
