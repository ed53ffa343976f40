// Exports the web application: fonts are copied in from their packages, then Metro bundles.
import { spawnSync } from 'node:child_process';
import { copyFileSync, existsSync, mkdirSync, readdirSync, renameSync, rmSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { setTimeout as sleep } from 'node:timers/promises';
import { inRoot } from './paths.mjs';
import { lockHeld, takeLock } from './processes.mjs';
import { buildPlanner } from './planner.mjs';
import { precompress } from './precompress.mjs';
import { buildServiceWorker } from './service-worker.mjs';
import { buildTracker } from './tracker.mjs';

const FONTS = {
  '@expo-google-fonts/barlow': [
    '400Regular/Barlow_400Regular.ttf',
    '500Medium/Barlow_500Medium.ttf',
    '600SemiBold/Barlow_600SemiBold.ttf',
  ],
  '@expo-google-fonts/barlow-condensed': [
    '500Medium/BarlowCondensed_500Medium.ttf',
    '600SemiBold/BarlowCondensed_600SemiBold.ttf',
  ],
};

function copyFonts() {
  const to = inRoot('app', 'public', 'fonts');
  mkdirSync(to, { recursive: true });
  for (const [name, files] of Object.entries(FONTS))
    for (const file of files) copyFileSync(inRoot('node_modules', name, file), join(to, file.split('/')[1]));
}

function newestIn(folder) {
  let newest = 0;
  for (const entry of readdirSync(folder, { withFileTypes: true })) {
    if (['node_modules', 'dist', 'dist.new', '.expo', 'fonts', 'track', 'planner'].includes(entry.name)) continue;
    const path = join(folder, entry.name);
    newest = Math.max(newest, entry.isDirectory() ? newestIn(path) : statSync(path).mtimeMs);
  }
  return newest;
}

const upToDate = (index) =>
  existsSync(index) && statSync(index).mtimeMs > Math.max(newestIn(inRoot('app')), newestIn(inRoot('packages')));

/** Exports the app unless the export is newer than its sources. @returns the folder to serve */
export async function exportApp() {
  const dist = inRoot('app', 'dist');
  const index = join(dist, 'index.html');
  if (upToDate(index)) return dist;
  // Two that start at once build once: the second waits, and finds the first one's work.
  const lock = takeLock('export');
  if (!lock) {
    while (lockHeld('export')) await sleep(500);
    return exportApp();
  }
  try {
    await build();
  } finally {
    lock.release();
  }
  return dist;
}

/** Puts beside the app's own files what is served with them: fonts, tracker and planner. */
export async function fillPublic() {
  copyFonts();
  await buildTracker(inRoot('app', 'public', 'track'));
  await buildPlanner(inRoot('app', 'public', 'planner'));
}

async function build() {
  await fillPublic();
  process.stderr.write('Building the app (two to three minutes the first time)…\n');
  const done = spawnSync('npx', ['expo', 'export', '--platform', 'web', '--output-dir', 'dist.new'], {
    cwd: inRoot('app'),
    encoding: 'utf8',
    env: { ...process.env, EXPO_OFFLINE: '1', EXPO_NO_TELEMETRY: '1', CI: '1' },
  });
  if (done.status !== 0) throw new Error(`The app could not be built:\n${done.stdout}\n${done.stderr}`);
  await buildServiceWorker(inRoot('app', 'dist.new'));
  await precompress(inRoot('app', 'dist.new'));
  // Whole or not at all: an export that was killed half-way is never served.
  rmSync(inRoot('app', 'dist'), { recursive: true, force: true });
  renameSync(inRoot('app', 'dist.new'), inRoot('app', 'dist'));
}
