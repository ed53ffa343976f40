// Writes docs/cli.md: every headless command with its JSON Schema and an example that was run.
import { writeFileSync } from 'node:fs';
import { installPackages } from './lib/install.mjs';
import { bundle } from './lib/bundle.mjs';
import { inRoot } from './lib/paths.mjs';

installPackages();
const { commandsPage } = await import(await bundle('cli/src/docs.ts', 'cli-docs'));
writeFileSync(inRoot('docs', 'cli.md'), await commandsPage());
