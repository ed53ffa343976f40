// Runs one headless command. Bundles the command line once per change of its sources, so that a call starts quickly.
import { installPackages } from './lib/install.mjs';
import { bundle } from './lib/bundle.mjs';

installPackages({ quiet: true });
const program = await bundle('cli/src/bin.ts', 'cli');
await import(program);
