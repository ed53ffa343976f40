// Writes docs/cli.md: every headless command with its JSON Schema and an example that was run.
import { writeFileSync } from 'node:fs';
import { format, resolveConfig } from 'prettier';
import { installPackages } from './lib/install.mjs';
import { bundle } from './lib/bundle.mjs';
import { inRoot } from './lib/paths.mjs';

installPackages();
const { commandsPage } = await import(await bundle('cli/src/docs.ts', 'cli-docs'));
const file = inRoot('docs', 'cli.md');
// As the formatter would write it: a page made anew differs where the commands do.
writeFileSync(file, await format(await commandsPage(), { ...(await resolveConfig(file)), filepath: file }));
