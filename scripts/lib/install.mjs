import { spawnSync } from 'node:child_process';
import { existsSync, readFileSync } from 'node:fs';
import { inRoot, root } from './paths.mjs';
import { lockHeld, takeLock } from './processes.mjs';
import { CHROMIUM } from './browser.mjs';

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

const packagesIn = (file) => JSON.parse(readFileSync(file, 'utf8')).packages;

/**
 * What the lock file asks for beside what npm has noted at the end of its last whole install: by hand or by us, it is the same note,
 * and an install that was killed leaves none.
 * @param {string} wanted path of package-lock.json
 * @param {string} noted path of node_modules/.package-lock.json
 */
export function packagesComplete(wanted, noted) {
  if (!existsSync(noted)) return false;
  const there = packagesIn(noted);
  return Object.entries(packagesIn(wanted)).every(
    ([path, { version, link, optional, devOptional, peer }]) =>
      path === '' ||
      (there[path]
        ? link || there[path].version === version
        : optional || devOptional || peer || !path.includes('node_modules/')),
  );
}

const complete = () => packagesComplete(inRoot('package-lock.json'), inRoot('node_modules', '.package-lock.json'));
const pause = (ms) => Atomics.wait(new Int32Array(new SharedArrayBuffer(4)), 0, 0, ms);

/** Installs npm packages when they are missing or the lock file has changed. Progress goes to stderr. */
export function installPackages({ quiet = false } = {}) {
  if (complete()) return;
  // Two that start at once install once: the second waits, and finds the first one's work.
  const lock = takeLock('install');
  if (!lock) {
    while (lockHeld('install')) pause(500);
    return installPackages({ quiet });
  }
  try {
    process.stderr.write('Installing npm packages (about two minutes the first time)…\n');
    run('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error'], { quiet, env: { PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD: '1' } });
  } finally {
    lock.release();
  }
}

const has = (program) => spawnSync('sh', ['-c', `command -v ${program}`]).status === 0;
const sbin = (program) => has(program) || existsSync(`/usr/sbin/${program}`);

/** Debian packages by the program that shows they are there. */
const DEBIAN = [
  { package: 'mariadb-server-core', there: () => sbin('mariadbd') },
  { package: 'mariadb-client-core', there: () => has('mariadb') },
  { package: 'mariadb-client', there: () => has('mariadb-dump') },
  { package: 'chromium-headless-shell', there: () => existsSync(CHROMIUM), browser: true },
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
