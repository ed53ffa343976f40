import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

export const root = join(dirname(fileURLToPath(import.meta.url)), '..', '..');
export const inRoot = (...parts) => join(root, ...parts);
/** Everything that scripts make and git ignores. */
export const cacheFolder = inRoot('.cache');
export const dataFolder = inRoot('.data');
