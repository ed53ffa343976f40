// npm run backup -- FILE: database and clips as they are now, in one file. The server goes on meanwhile.
import { spawnSync } from 'node:child_process';
import { chmodSync, existsSync, mkdtempSync, openSync, closeSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { installDebian } from './lib/install.mjs';
import { command, fromHere, settings } from './lib/operation.mjs';

installDebian();
process.umask(0o077);
await command(() => {
  const name = process.argv[2];
  if (!name) throw new Error('Say where to: npm run backup -- FILE.tar.gz');
  const file = fromHere(name);
  if (existsSync(file)) throw new Error(`${file} is there already. A backup never overwrites another one.`);
  const { folder, client, password, database } = settings();
  const work = mkdtempSync(join(folder, 'backup-'));
  const part = `${file}.${process.pid}.part`;
  try {
    const out = openSync(join(work, 'records.sql'), 'wx', 0o600);
    // One moment of the database, without holding anybody up. Clips come after it: those it knows are there by then.
    const dumped = spawnSync(
      'mariadb-dump',
      [...client, '--single-transaction', '--skip-lock-tables', '--hex-blob', '--default-character-set=utf8mb4', database],
      { env: { ...process.env, ...password }, stdio: ['ignore', out, 'pipe'], encoding: 'utf8' },
    );
    closeSync(out);
    if (dumped.status !== 0) throw new Error(`The database could not be read: ${dumped.stderr || dumped.error?.message}`);
    writeFileSync(join(work, 'about.json'), JSON.stringify({ of: 'wrightonic', at: new Date().toISOString() }));
    const packed = spawnSync(
      'tar',
      [
        '--create',
        '--gzip',
        '--warning=no-file-changed',
        `--file=${part}`,
        `--directory=${work}`,
        'about.json',
        'records.sql',
        `--directory=${folder}`,
        'clips',
      ],
      { stdio: ['ignore', 'ignore', 'pipe'], encoding: 'utf8' },
    );
    // 1: a clip grew or went while it was read; the dump says what there is.
    if (packed.status !== 0 && packed.status !== 1)
      throw new Error(`The file could not be written in ${dirname(file)}: ${packed.stderr}`);
    chmodSync(part, 0o600);
    renameSync(part, file);
    process.stdout.write(`Kept in ${file}.\n`);
  } finally {
    rmSync(work, { recursive: true, force: true });
    rmSync(part, { force: true });
  }
});
