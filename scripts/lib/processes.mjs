import { spawn } from 'node:child_process';
import { existsSync, linkSync, mkdirSync, readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { dataFolder, root } from './paths.mjs';

/** When a process began, as the system counts it: a number is given again to another one, that moment is not. Empty where it is not told. */
function begunAt(pid) {
  try {
    const stat = readFileSync(`/proc/${pid}/stat`, 'utf8');
    return stat.slice(stat.lastIndexOf(')') + 2).split(' ')[19];
  } catch {
    return '';
  }
}

/** A process by its number and the moment it began. */
export const processId = (pid = process.pid) => `${pid} ${begunAt(pid)}`;

/** Whether the process that such an id names still runs. */
export function alive(id) {
  const [pid, begun] = id.trim().split(' ');
  try {
    process.kill(Number(pid), 0);
  } catch (error) {
    if (error.code !== 'EPERM') return false;
  }
  return Number(pid) > 0 && (begun === undefined || begunAt(pid) === begun);
}

const lockFile = (name) => join(dataFolder, `${name}.lock`);

/** Whether a living process holds a lock. */
export function lockHeld(name) {
  const file = lockFile(name);
  return alive(heldBy(file));
}

/** Who holds a lock, as its file says; empty when nobody does. */
function heldBy(file) {
  try {
    return readFileSync(file, 'utf8');
  } catch (error) {
    if (error.code !== 'ENOENT') throw error;
    return '';
  }
}

/** Takes a lock for this process. @returns null when another one holds it */
export function takeLock(name) {
  mkdirSync(dataFolder, { recursive: true });
  return writeLock(lockFile(name));
}

/** The lock is there whole or not at all; one whose holder has died is taken away by whoever moves it aside first. */
function writeLock(file) {
  const own = `${file}.${process.pid}`;
  if (existsSync(file) && !alive(heldBy(file))) {
    try {
      renameSync(file, `${own}.old`);
      // Somebody was quicker, and this is already theirs: it goes back.
      if (alive(heldBy(`${own}.old`))) linkSync(`${own}.old`, file);
    } catch (error) {
      if (!['ENOENT', 'EEXIST'].includes(error.code)) throw error;
    } finally {
      rmSync(`${own}.old`, { force: true });
    }
  }
  writeFileSync(own, processId());
  try {
    linkSync(own, file);
    return { release: () => rmSync(file, { force: true }) };
  } catch (error) {
    if (error.code !== 'EEXIST') throw error;
    return null;
  } finally {
    rmSync(own, { force: true });
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
export function startServer(program, env, flags = []) {
  return new Promise((resolve, reject) => {
    const child = spawn(process.execPath, [...flags, '--enable-source-maps', program], {
      cwd: root,
      env: { ...process.env, ...env },
      // The line between the two: when it breaks, because this process was killed, the server ends by itself.
      stdio: ['ignore', 'pipe', 'inherit', 'ipc'],
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
