/** What several starts at once, and starts that were killed, leave behind. */
import assert from 'node:assert/strict';
import { spawn, spawnSync } from 'node:child_process';
import { existsSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { after, test } from 'node:test';
import { packagesComplete } from '../lib/install.mjs';
import { dataFolder, inRoot, root } from '../lib/paths.mjs';
import { alive, processId, takeLock } from '../lib/processes.mjs';

const folder = mkdtempSync(join(tmpdir(), 'starting-'));
after(() => rmSync(folder, { recursive: true, force: true }));

const WANTED = {
  '': { name: 'made-up' },
  'tools/own': { version: '1.0.0' },
  'node_modules/own': { link: true, resolved: 'tools/own' },
  'node_modules/one': { version: '1.2.3' },
  'node_modules/two': { version: '2.0.0', optional: true },
};
const written = (name, packages) => {
  const file = join(folder, name);
  writeFileSync(file, JSON.stringify({ packages }));
  return file;
};

test('an install by hand counts as one; one that was killed, or is of another lock file, does not', () => {
  const wanted = written('wanted.json', WANTED);
  const without = (...gone) => Object.fromEntries(Object.entries(WANTED).filter(([path]) => !gone.includes(path)));
  const there = without('', 'node_modules/two');
  assert.equal(packagesComplete(wanted, written('whole.json', there)), true);
  // npm takes its note away before it begins and writes it when it is done.
  assert.equal(packagesComplete(wanted, join(folder, 'none.json')), false);
  assert.equal(packagesComplete(wanted, written('other.json', { ...there, 'node_modules/one': { version: '1.2.2' } })), false);
  assert.equal(packagesComplete(wanted, written('less.json', without('', 'node_modules/two', 'node_modules/one'))), false);
  assert.equal(packagesComplete(inRoot('package-lock.json'), inRoot('node_modules', '.package-lock.json')), true);
});

test('of ten that want a lock whose holder has died, one gets it', async () => {
  const name = `tried-${process.pid}`;
  const file = join(dataFolder, `${name}.lock`);
  for (let round = 0; round < 3; round++) {
    const dead = spawnSync(process.execPath, ['-e', '']).pid;
    writeFileSync(file, `${dead} 1`);
    const program = `import { takeLock } from '${inRoot('scripts/lib/processes.mjs')}'; const lock = takeLock('${name}'); process.stdout.write(lock ? 'got' : 'not'); setTimeout(() => process.exit(), 1500);`;
    const said = await Promise.all(
      Array.from(
        { length: 10 },
        () =>
          new Promise((resolve) => {
            const child = spawn(process.execPath, ['--input-type=module', '-e', program], { cwd: root });
            let out = '';
            child.stdout.on('data', (data) => (out += data));
            child.once('exit', () => resolve(out));
          }),
      ),
    );
    assert.equal(said.filter((word) => word === 'got').length, 1, said.join(' '));
  }
  rmSync(file, { force: true });
});

test('a process that was given the number of a dead one is not taken for it', () => {
  assert.equal(alive(processId()), true);
  assert.equal(alive(`${process.pid} 1`), false);
  const lock = takeLock(`own-${process.pid}`);
  assert.equal(takeLock(`own-${process.pid}`), null);
  lock.release();
  assert.equal(existsSync(join(dataFolder, `own-${process.pid}.lock`)), false);
});
