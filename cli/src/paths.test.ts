/** The docs name files: each is there. */
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';

const ROOT = join(__dirname, '..', '..');
const SKIPPED = new Set(['node_modules', 'dist', 'dist.new', '.git', '.cache', '.data', '.expo', 'test-results']);

function filesIn(folder: string, at = ''): string[] {
  return readdirSync(join(folder, at), { withFileTypes: true }).flatMap((entry) => {
    if (SKIPPED.has(entry.name)) return [];
    const path = at === '' ? entry.name : `${at}/${entry.name}`;
    return entry.isDirectory() ? filesIn(folder, path) : [path];
  });
}

/** A path may be told from the workspace on, as app/data/api.ts for app/src/data/api.ts. */
const WHOLE: Readonly<Record<string, string>> = {
  app: 'app/src',
  server: 'server/src',
  core: 'packages/core/src',
  contract: 'packages/contract/src',
};

it('every file that the docs name is there', () => {
  const files = filesIn(ROOT);
  const ends = new Set(files.flatMap((file) => file.split('/').map((_, i, parts) => parts.slice(i).join('/'))));
  const pages = ['README.md', 'CONTRIBUTING.md', ...files.filter((file) => /^docs\/[\w-]+\.md$/.test(file))];
  const missing = pages.flatMap((page) =>
    [...readFileSync(join(ROOT, page), 'utf8').matchAll(/`([\w.][\w./-]*\.(?:ts|tsx|mjs|cjs))`/g)].flatMap(([, path = '']) => {
      const [first = '', ...rest] = path.split('/');
      const whole = WHOLE[first] === undefined ? path : `${WHOLE[first]}/${rest.join('/')}`;
      return ends.has(path) || ends.has(whole) ? [] : [`${page}: ${path}`];
    }),
  );
  expect(missing).toEqual([]);
});
