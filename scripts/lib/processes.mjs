import { spawn } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { dataFolder, root } from './paths.mjs';

const alive = (pid) => {
  try {
    process.kill(pid, 0);
    return true;
  } catch (error) {
    return error.code === 'EPERM';
  }
};

const lockFile = (name) => join(dataFolder, `${name}.lock`);

/** Whether a living process holds a lock. */
export function lockHeld(name) {
  const file = lockFile(name);
  return existsSync(file) && alive(Number(readFileSync(file, 'utf8')));
}

/** Takes a lock for this process. @returns null when another one holds it */
export function takeLock(name) {
  mkdirSync(dataFolder, { recursive: true });
  return writeLock(lockFile(name));
}

function writeLock(file) {
  if (existsSync(file) && !alive(Number(readFileSync(file, 'utf8')))) rmSync(file);
  try {
    writeFileSync(file, String(process.pid), { flag: 'wx' });
    return { release: () => rmSync(file, { force: true }) };
  } catch (error) {
    if (error.code !== 'EEXIST') throw error;
    return null;
  }
}

/**
 * Takes a data folder that no other run is using: `name-1`, or the next one when that is taken.
 * @returns {{ folder: string, release(): void }}
 */
export function takeFolder(name) {
  for (let slot = 1; ; slot++) {
    const folder = join(dataFolder, `${name}-${slot}`);
    mkdirSync(folder, { recursive: true });
    const lock = writeLock(join(folder, 'lock'));
    if (lock) return { folder, release: lock.release };
  }
}

/** Runs a Node program to its end. @returns its standard output */
export function runNode(program, { env = {}, args = [] } = {}) {
  return new Promise((resolve, reject) => {
    const child = spawn(process.execPath, ['--enable-source-maps', program, ...args], {
      cwd: root,
      env: { ...process.env, ...env },
      stdio: ['ignore', 'pipe', 'inherit'],
    });
    let out = '';
    child.stdout.on('data', (data) => (out += data));
    child.once('exit', (code) => (code === 0 ? resolve(out) : reject(new Error(`${program} ended with ${code}`))));
  });
}

/** Starts the bundled server and waits for its address. @returns {Promise<{ url: string, child: import('node:child_process').ChildProcess }>} */
export function startServer(program, env) {
  return new Promise((resolve, reject) => {
    const child = spawn(process.execPath, ['--enable-source-maps', program], {
      cwd: root,
      env: { ...process.env, ...env },
      stdio: ['ignore', 'pipe', 'inherit'],
    });
    child.once('exit', (code) => reject(new Error(`The server ended with ${code}.`)));
    child.stdout.on('data', (data) => {
      const url = /listening (\S+)/.exec(String(data))?.[1];
      if (url) resolve({ url, child });
    });
  });
}

export const ended = (child) =>
  new Promise((resolve) => (child.exitCode === null && child.signalCode === null ? child.once('exit', resolve) : resolve()));
