// npm test: installs what is missing, then runs every test: core, server against a real MariaDB, components, the commands, browser.
// “npm test unit”, “npm test running”, “npm test browser” run one part alone; paths after it narrow the first and the last.
import { spawn } from 'node:child_process';
import { mkdirSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { installDebian, installPackages } from './lib/install.mjs';
import { cacheFolder, inRoot, root } from './lib/paths.mjs';

installPackages();
installDebian({ browser: true });
const { startDatabase } = await import('./lib/database.mjs');
const { takeFolder } = await import('./lib/processes.mjs');
const { startDemo } = await import('./lib/demo.mjs');

const only = process.argv[2];
const say = (line) => process.stdout.write(`${line}\n`);
mkdirSync(cacheFolder, { recursive: true });
let passed = 0;
let failed = 0;
let broken = false;
/** Browsers at once: each has an academy and a server of its own. */
const WORKERS = 2;

/** What was started and still runs: told to end, it ends first, and what lies beneath it is put away as after any run. */
const started = new Set();
let stopped = false;
for (const signal of ['SIGINT', 'SIGTERM'])
  process.on(signal, () => {
    stopped = true;
    for (const child of started) child.kill('SIGTERM');
  });

/** A part that takes this long hangs, and has failed: its program is ended, so that the run comes to its end. */
const HANGS_MS = 25 * 60_000;

/** Runs a program of Node. @returns whether it went well */
function run(args, env = {}) {
  if (stopped) throw new Error('Stopped.');
  const child = spawn(process.execPath, args, { cwd: root, stdio: 'inherit', env: { ...process.env, ...env } });
  started.add(child);
  const hangs = setTimeout(() => {
    process.stderr.write(`Ended, as it hangs: ${args.join(' ')}\n`);
    child.kill('SIGTERM');
    setTimeout(() => child.kill('SIGKILL'), 10_000).unref();
  }, HANGS_MS);
  return new Promise((resolve, reject) =>
    child.once('exit', (status) => {
      clearTimeout(hangs);
      started.delete(child);
      if (stopped) reject(new Error('Stopped.'));
      else resolve(status === 0);
    }),
  );
}

async function unitTests() {
  const taken = takeFolder('test');
  const database = await startDatabase(taken.folder, { durable: false });
  // What a run left behind that was killed.
  for (const name of database.named('app_')) database.drop(name);
  const report = join(cacheFolder, `jest-${process.pid}.json`);
  try {
    const ok = await run(
      [
        inRoot('node_modules', 'jest', 'bin', 'jest.js'),
        '--config',
        'jest.config.cjs',
        '--testTimeout=120000',
        // All cores: by itself the runner leaves one idle, which on two cores is half of them.
        '--maxWorkers=100%',
        '--json',
        `--outputFile=${report}`,
        ...process.argv.slice(3),
      ],
      {
        TEST_DATABASE_URL: database.url(''),
        NODE_OPTIONS: '--max-old-space-size=4096',
      },
    );
    const result = JSON.parse(readFileSync(report, 'utf8'));
    passed += result.numPassedTests;
    failed += result.numFailedTests + result.numRuntimeErrorTestSuites;
    broken ||= !ok;
  } finally {
    rmSync(report, { force: true });
    await database.stop();
    taken.release();
  }
}

const makeDemo = () => startDemo({ name: 'e2e', fresh: true, durable: false, port: '0', copies: WORKERS, say });

/** @param coming what the browsers are shown, where it is being made already */
async function browserTests(coming = makeDemo()) {
  const demo = await coming;
  const report = join(cacheFolder, `browser-${process.pid}.json`);
  try {
    const ok = await run(
      [
        inRoot('node_modules', '@playwright', 'test', 'cli.js'),
        'test',
        '--config',
        inRoot('e2e', 'playwright.config.ts'),
        ...process.argv.slice(3),
      ],
      {
        BASE_URLS: demo.urls.join(' '),
        PLAYWRIGHT_JSON_OUTPUT_NAME: report,
        PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD: '1',
      },
    );
    const { stats } = JSON.parse(readFileSync(report, 'utf8'));
    passed += stats.expected + stats.flaky;
    failed += stats.unexpected;
    broken ||= !ok;
  } finally {
    rmSync(report, { force: true });
    await demo.stop();
  }
}

/** The commands by which it is started, run for real, backed up and restored. */
async function runningTests() {
  const report = join(cacheFolder, `running-${process.pid}.json`);
  const tests = readdirSync(inRoot('scripts', 'tests')).filter((name) => name.endsWith('.test.mjs'));
  const counter = pathToFileURL(inRoot('scripts', 'lib', 'count-reporter.mjs')).href;
  const reporters = ['spec', 'stdout', counter, 'stdout'].map(
    (value, n) => `--test-reporter${n % 2 ? '-destination' : ''}=${value}`,
  );
  const files = tests.map((name) => inRoot('scripts', 'tests', name));
  const ok = await run(['--test', '--test-force-exit', '--test-concurrency=1', ...reporters, ...files], { TEST_COUNTS: report });
  try {
    const counts = JSON.parse(readFileSync(report, 'utf8'));
    passed += counts.passed;
    failed += counts.failed;
  } finally {
    rmSync(report, { force: true });
  }
  broken ||= !ok;
}

const parts = { unit: unitTests, running: runningTests, browser: browserTests };
try {
  if (only && !parts[only]) throw new Error(`“${only}” is no part of the tests: ${Object.keys(parts).join(', ')}.`);
  if (only) await parts[only]();
  else {
    await unitTests();
    // The commands mostly wait: the demo for the browsers is made meanwhile. Beside the many tests they would not be in time.
    const coming = makeDemo();
    coming.catch(() => {});
    await runningTests();
    await browserTests(coming);
  }
} catch (error) {
  process.stderr.write(`${error instanceof Error ? error.message : error}\n`);
  broken = true;
}
say(`\nTests: ${passed} passed, ${failed} failed`);
process.exitCode = broken || failed > 0 || passed === 0 ? 1 : 0;
