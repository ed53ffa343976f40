import { spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { createHash } from 'node:crypto';
import { cacheFolder, inRoot, root } from './paths.mjs';

const quietNpm = (line) => !/Unknown user config|install-scripts|^npm notice|^$/.test(line);

function run(command, args, { quiet = false, env = {} } = {}) {
  const result = spawnSync(command, args, {
    cwd: root,
    encoding: 'utf8',
    env: { ...process.env, ...env },
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  const output = `${result.stdout ?? ''}${result.stderr ?? ''}`.split('\n').filter(quietNpm).join('\n').trim();
  if (result.status !== 0) throw new Error(`${command} ${args.join(' ')} failed:\n${output || result.error?.message}`);
  if (!quiet && output) process.stderr.write(`${output}\n`);
}

/** Installs npm packages when they are missing or the lock file has changed. Progress goes to stderr. */
export function installPackages({ quiet = false } = {}) {
  const lock = createHash('sha256')
    .update(readFileSync(inRoot('package-lock.json')))
    .digest('hex');
  const stamp = inRoot('node_modules', '.wrightonic-lock');
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === lock) return;
  process.stderr.write('Installing npm packages (about two minutes the first time)…\n');
  run('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error'], { quiet, env: { PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD: '1' } });
  mkdirSync(cacheFolder, { recursive: true });
  writeFileSync(stamp, lock);
}

const has = (program) => spawnSync('sh', ['-c', `command -v ${program}`]).status === 0;
const sbin = (program) => has(program) || existsSync(`/usr/sbin/${program}`);

/** Debian packages by the program that shows they are there. */
const DEBIAN = [
  { package: 'mariadb-server-core', there: () => sbin('mariadbd') },
  { package: 'mariadb-client-core', there: () => has('mariadb') },
  { package: 'chromium', there: () => has('chromium'), browser: true },
];

/** Installs missing Debian packages, or says in one line what to install when not root. */
export function installDebian({ browser = false } = {}) {
  const missing = DEBIAN.filter((d) => (browser || !d.browser) && !d.there()).map((d) => d.package);
  if (missing.length === 0) return;
  const install = ['install', '-y', '-qq', '--no-install-recommends', '-o', 'DPkg::Lock::Timeout=600', ...missing];
  if (process.getuid?.() !== 0) {
    process.stderr.write(
      `Please install what is missing, then run this again:\n  sudo apt-get update && sudo apt-get install --no-install-recommends ${missing.join(' ')}\n`,
    );
    process.exit(1);
  }
  process.stderr.write(`Installing ${missing.join(', ')} (Debian)…\n`);
  const env = { DEBIAN_FRONTEND: 'noninteractive' };
  run('apt-get', ['update', '-qq', '-o', 'DPkg::Lock::Timeout=600'], { quiet: true, env });
  run('apt-get', install, { quiet: true, env });
}
