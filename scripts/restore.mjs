// npm run restore -- FILE [--replace]: what a backup kept. Stop every copy of the server first.
import { spawnSync } from 'node:child_process';
import { closeSync, existsSync, mkdtempSync, openSync, readdirSync, readFileSync, renameSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { installDebian } from './lib/install.mjs';
import { command, fromHere, settings } from './lib/operation.mjs';

installDebian();
process.umask(0o077);
await command(() => {
  const [name, how] = process.argv.slice(2);
  if (!name || (how && how !== '--replace')) throw new Error('Say what from: npm run restore -- FILE.tar.gz [--replace]');
  const file = fromHere(name);
  if (!existsSync(file)) throw new Error(`There is no ${file}.`);
  const { folder, clips, client, password, database } = settings();
  const env = { ...process.env, ...password };
  const ask = (sql) => {
    const done = spawnSync('mariadb', [...client, '--batch', '--skip-column-names', '-e', sql, database], {
      env,
      encoding: 'utf8',
    });
    if (done.status !== 0) throw new Error(`The database refused: ${done.stderr || done.error?.message}`);
    return done.stdout.split('\n').filter(Boolean);
  };
  const tables = ask('show tables');
  if (how !== '--replace' && (tables.length > 0 || readdirSync(clips).length > 0))
    throw new Error(
      'There are records or clips here already. “--replace” puts the backup in their place; make a backup of them first.',
    );
  const work = mkdtempSync(join(folder, 'restore-'));
  try {
    const opened = spawnSync('tar', ['--extract', '--gzip', `--file=${file}`, `--directory=${work}`], { encoding: 'utf8' });
    // Nothing is touched before the whole file has been read.
    if (opened.status !== 0 || !existsSync(join(work, 'records.sql')))
      throw new Error(`${file} is not a whole backup: ${opened.stderr}`);
    const { of, at } = JSON.parse(readFileSync(join(work, 'about.json'), 'utf8'));
    if (of !== 'wrightonic') throw new Error(`${file} is not a backup of this program.`);
    if (tables.length > 0) ask(`set foreign_key_checks = 0; ${tables.map((table) => `drop table \`${table}\`;`).join(' ')}`);
    const records = openSync(join(work, 'records.sql'), 'r');
    const filled = spawnSync('mariadb', [...client, '--default-character-set=utf8mb4', database], {
      env,
      stdio: [records, 'ignore', 'pipe'],
      encoding: 'utf8',
    });
    closeSync(records);
    if (filled.status !== 0)
      throw new Error(`The records could not be put back; run this again with --replace. ${filled.stderr}`);
    // What was there is kept beside it until somebody is sure.
    if (readdirSync(clips).length > 0) renameSync(clips, join(folder, `clips-before-${Date.now()}`));
    else rmSync(clips, { recursive: true });
    renameSync(join(work, 'clips'), clips);
    process.stdout.write(`As it was at ${at}. Start the server: it brings the tables up to date.\n`);
  } finally {
    rmSync(work, { recursive: true, force: true });
  }
});
