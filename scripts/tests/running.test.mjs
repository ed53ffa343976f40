/**
 * The server as docs/running.md says it is run: a fresh clone, a MariaDB of its own, two copies behind a proxy with TLS, killed,
 * backed up, lost, restored, brought up to date. In order: each step stands on the one before.
 */
import assert from 'node:assert/strict';
import { spawn, spawnSync } from 'node:child_process';
import { createHash, randomBytes, randomUUID as uuid } from 'node:crypto';
import { cpSync, existsSync, mkdtempSync, readdirSync, readFileSync, rmSync, statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { after, before, test as step } from 'node:test';
import { setTimeout as sleep } from 'node:timers/promises';
import { exportApp } from '../lib/app.mjs';
import { freePort, startDatabase } from '../lib/database.mjs';
import { root } from '../lib/paths.mjs';
import { alive, processId } from '../lib/processes.mjs';
import { startProxy } from './proxy.mjs';

const OWNER = 'Odda Pellmarrow';
const ATHLETE = 'Fenrick Auberstone';
const PASSWORD = 'eleven slow otters';
const folder = mkdtempSync(join(tmpdir(), 'running-'));
const clone = join(folder, 'clone');
const backup = join(folder, 'kept.tar.gz');
let database;
let env;
let proxy;
let cookie;
let athlete;
let clip;
let logged = '';
const copies = [];
const addresses = [];

const npm = (...args) => {
  const [name, ...rest] = args;
  return spawnSync('npm', ['run', '--silent', name, '--', ...rest], { cwd: clone, env, encoding: 'utf8' });
};

/** A step that hangs has failed. */
const test = (name, work) => step(name, { timeout: 120_000 }, work);

/** Starts one more copy with the documented command. */
async function startCopy(n, more = {}) {
  const child = spawn('node', ['scripts/start.mjs'], {
    cwd: clone,
    env: { ...env, PORT: String(await freePort()), ...more },
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  // Known from its first moment: a copy that never comes up is ended with the others.
  copies[n] = { child };
  child.stderr.on('data', (data) => (logged += data));
  const url = await new Promise((resolve, reject) => {
    child.once('exit', (code) => reject(new Error(`a copy ended with ${code}: ${logged.slice(-2000)}`)));
    child.stdout.on('data', (data) => {
      logged += data;
      const found = /listening (\S+)/.exec(String(data))?.[1];
      if (found) resolve(found);
    });
  });
  copies[n] = { child, url };
  addresses[n] = url;
}

/** Waits for something to come true. */
async function until(what, seconds = 30) {
  for (let wait = 0; wait < 20 * seconds; wait++) {
    const found = await Promise.resolve(what()).catch(() => false);
    if (found) return found;
    await sleep(50);
  }
  assert.fail(`not within ${seconds} s: ${what}`);
}

const ask = (method, path, body, more = {}) => proxy.send(method, path, { body, cookie, ...more });
const ok = async (method, path, body) => {
  const answer = await ask(method, path, body);
  assert.equal(answer.status, 200, `${method} ${path}: ${answer.text.slice(0, 300)}`);
  return answer.json;
};
/** The server of a start command, by its parent’s number. */
const childOf = (pid) =>
  Number(
    spawnSync('pgrep', ['-P', String(pid)], { encoding: 'utf8' })
      .stdout.trim()
      .split('\n')[0],
  );
const today = () => new Date().toISOString().slice(0, 10);
const rep = (id = uuid()) => ({
  type: 'rep',
  id,
  at: new Date().toISOString(),
  drill: 'strap-lower',
  rung: 2,
  focus: null,
  judged: 'good',
  effort: 0,
});
/** Everything kept about the athlete, but for the notes that this very question leaves. */
async function kept() {
  const all = await ok('GET', `/athletes/${athlete}/export`);
  const asked = (value) => value?.did === 'took out everything about the athlete';
  return JSON.parse(JSON.stringify({ ...all, exportedAt: null }), (_key, value) =>
    Array.isArray(value) ? value.filter((row) => !asked(row)) : value,
  );
}

/** What is committed, and what is about to be. */
function cloneTo(path) {
  const git = (...args) => spawnSync('git', args, { cwd: root, encoding: 'utf8' }).stdout.split('\0').filter(Boolean);
  git('clone', '--quiet', '--no-hardlinks', root, path);
  for (const name of git('ls-files', '-z', '--modified', '--others', '--exclude-standard'))
    if (existsSync(join(root, name))) cpSync(join(root, name), join(path, name));
    else rmSync(join(path, name), { force: true });
}

before(async () => {
  // The clone's build finds what this one leaves in the bundler's cache; two from nothing at once would take minutes.
  await exportApp();
  cloneTo(clone);
  database = await startDatabase(join(folder, 'mariadb'));
  database.create('app_yard');
  env = {
    ...process.env,
    DATABASE_URL: database.url('app_yard'),
    DATA_FOLDER: join(folder, 'data'),
    TRUST_PROXY: '1',
    DRAIN_SECONDS: '1',
  };
  proxy = await startProxy(addresses);
});

after(async () => {
  for (const copy of copies) {
    const server = copy && childOf(copy.child.pid);
    copy?.child.kill('SIGKILL');
    if (server) process.kill(server, 'SIGKILL');
  }
  await proxy?.close();
  await database?.stop();
  rmSync(folder, { recursive: true, force: true });
});

test('a fresh clone takes over what npm ci has installed, file by file', () => {
  const installed = join(root, 'node_modules');
  // As links where both are on one disk: the same files at once, instead of unpacking them for a minute.
  const linked = spawnSync('cp', ['-al', installed, clone], { encoding: 'utf8' });
  if (linked.status !== 0) cpSync(installed, join(clone, 'node_modules'), { recursive: true, verbatimSymlinks: true });
  assert.ok(existsSync(join(clone, 'node_modules', '.package-lock.json')));
});

test('a setting that is missing or wrong is named, and nothing starts', () => {
  const start = (given) => spawnSync('node', ['scripts/start.mjs'], { cwd: clone, env: { ...env, ...given }, encoding: 'utf8' });
  const missing = start({ DATABASE_URL: '' });
  assert.equal(missing.status, 1);
  // What npm ci leaves is a whole install: nothing is installed after it, by whomever it was called.
  assert.doesNotMatch(missing.stderr, /Installing/);
  assert.match(missing.stderr, /Set DATABASE_URL/);
  const wrong = start({ PORT: 'eighty' });
  assert.notEqual(wrong.status, 0);
  assert.match(wrong.stderr, /PORT is “eighty”/);
});

test('two copies start at once on an empty database: one makes the tables, both are ready', async () => {
  await Promise.all([startCopy(0), startCopy(1)]);
  for (const path of ['/health', '/ready', '/health', '/ready']) assert.equal((await ask('GET', path)).status, 200);
});

test('an academy is opened by a command; its owner joins by the link, once', async () => {
  assert.match(npm('academy', 'Rehearsal Yard').stderr, /owner’s name/);
  assert.match(npm('academy', 'Rehearsal Yard', OWNER, 'Nowhere/Land').stderr, /not a time zone/);
  const made = npm('academy', 'Rehearsal Yard', OWNER);
  assert.equal(made.status, 0, made.stderr);
  const token = /\/join#(\S+)/.exec(made.stdout)[1];
  const given = { token, name: OWNER, signIn: 'odda', password: PASSWORD };
  const [first, second] = await Promise.all([
    ask('POST', '/join', given),
    ask('POST', '/join', { ...given, signIn: 'somebody' }),
  ]);
  // One gets in, whoever was first; the other is told that the link is used.
  const statuses = [first.status, second.status].sort();
  assert.equal(statuses[0], 200);
  assert.ok(statuses[1] >= 400 && statuses[1] < 500, String(statuses[1]));
  const mine = first.status === 200 ? 'odda' : 'somebody';
  const answer = await ask('POST', '/sign-in', { signIn: mine, password: PASSWORD });
  assert.equal(answer.status, 200);
  const [set] = answer.headers['set-cookie'];
  // The proxy speaks TLS, and is believed: the cookie goes nowhere else.
  assert.match(set, /Secure/);
  assert.match(set, /HttpOnly/);
  assert.match(answer.headers['strict-transport-security'], /max-age/);
  cookie = set.split(';')[0];
});

test('signed in at one copy is signed in at the other; what one writes, the other reads', async () => {
  athlete = uuid();
  await ok('PUT', `/athletes/${athlete}`, {
    name: ATHLETE,
    discipline: 'overhand',
    throws: 'R',
    birthDate: '2010-02-11',
    heightM: 1.78,
    massKg: 70,
    level: 'high-school',
    season: 'off',
    availability: [{ weekday: 'mon', minutes: 60, place: 'cage' }],
    equipment: ['net', 'strap'],
    partner: true,
    schools: {},
  });
  for (let n = 0; n < 4; n++) assert.equal((await ok('GET', `/athletes/${athlete}`)).athlete.name, ATHLETE);
  await ok('PUT', `/athletes/${athlete}/observations/${uuid()}`, {
    on: today(),
    evidence: { kind: 'eye', finding: 'late-hips', answer: 'yes' },
  });
  const [a, b] = [await ok('GET', `/athletes/${athlete}/diagnosis`), await ok('GET', `/athletes/${athlete}/diagnosis`)];
  assert.deepEqual(a.result, b.result);
});

test('the same write at both copies at once is one row, and both are told so', async () => {
  const session = uuid();
  const answers = await Promise.all(
    Array.from({ length: 8 }, () =>
      ask('PUT', `/athletes/${athlete}/sessions/${session}`, { on: today(), assignment: null, painBefore: [] }),
    ),
  );
  assert.deepEqual(
    answers.map((a) => a.status),
    Array(8).fill(200),
  );
  const entry = rep();
  const sent = await Promise.all(
    Array.from({ length: 8 }, () => ask('POST', `/athletes/${athlete}/sessions/${session}/log`, { entries: [entry] })),
  );
  assert.deepEqual(
    sent.map((a) => a.status),
    Array(8).fill(200),
  );
  const { tables } = await ok('GET', `/athletes/${athlete}/export`);
  assert.equal(tables.reps.filter((row) => row.id === entry.id).length, 1);
  assert.equal(tables.work_sessions.filter((row) => row.id === session).length, 1);
});

test('what a device writes at one copy is heard at both, once, and another key opens nothing', async () => {
  const channel = uuid();
  const { key } = await ok('PUT', `/channels/${channel}`);
  const ears = [proxy.listen(`/channels/${channel}/live?key=${key}`), proxy.listen(`/channels/${channel}/live?key=${key}`)];
  await until(() => ears.every((e) => e.text.includes('retry')));
  const messages = [{ kind: 'tilt', deg: 41.5 }];
  assert.equal((await ask('POST', `/channels/${channel}/messages?key=${key}`, { messages })).status, 204);
  await until(() => ears.every((e) => e.text.includes('41.5')));
  await sleep(500);
  for (const { text } of ears) assert.equal(text.split('41.5').length - 1, 1);
  assert.equal((await ask('POST', `/channels/${channel}/messages?key=${'x'.repeat(43)}`, { messages })).status, 404);
});

test('wrong passwords are counted over both copies, by the phone’s own address behind the proxy', async () => {
  const guess = (from) =>
    ask('POST', '/sign-in', { signIn: 'odda', password: 'not this one at all' }, { cookie: undefined, from });
  const statuses = [];
  for (let n = 0; n < 8; n++) statuses.push((await guess('203.0.113.9')).status);
  assert.equal(statuses.at(-1), 429);
  assert.equal((await guess('203.0.113.10')).status, 401);
});

test('a clip goes up in parts through both copies and comes down whole from either', async () => {
  await ok('PUT', `/athletes/${athlete}/consents/${uuid()}`, { kind: 'film', given: true, by: 'A Guardian' });
  const bytes = Buffer.concat([Buffer.from([0x1a, 0x45, 0xdf, 0xa3]), randomBytes(1_500_000)]);
  clip = { id: uuid(), bytes };
  await ok('PUT', `/athletes/${athlete}/clips/${clip.id}`, {
    on: today(),
    name: 'throw.webm',
    type: 'video/webm',
    bytes: bytes.length,
    sha256: createHash('sha256').update(bytes).digest('hex'),
    captureFps: 240,
    frames: 400,
    width: 1280,
    height: 720,
    setup: { view: 'side-open', distanceM: 6, cameraHeightM: 1, level: true, whole: true },
    poster: null,
  });
  for (let from = 0; from < bytes.length; from += 500_000) {
    const part = await proxy.send('PUT', `/athletes/${athlete}/clips/${clip.id}/bytes?from=${from}`, {
      bytes: bytes.subarray(from, from + 500_000),
      cookie,
    });
    assert.equal(part.status, 200, part.text);
  }
  for (let n = 0; n < 2; n++) assert.ok((await ask('GET', `/athletes/${athlete}/clips/${clip.id}/file`)).bytes.equals(bytes));
});

test('a copy that is told to end says so first, ends its streams, and comes to its end; the other goes on', async () => {
  const channel = uuid();
  const { key } = await ok('PUT', `/channels/${channel}`);
  const ears = [proxy.listen(`/channels/${channel}/live?key=${key}`), proxy.listen(`/channels/${channel}/live?key=${key}`)];
  await until(() => ears.every((e) => e.text.includes('retry')));
  const { child, url } = copies[1];
  child.kill('SIGTERM');
  await until(async () => (await fetch(`${url}/api/ready`)).status === 503, 5);
  await until(() => child.exitCode === 0, 15);
  await until(() => ears.filter((e) => e.ended).length === 1, 5);
  addresses.length = 1;
  for (let n = 0; n < 4; n++) await ok('GET', '/me');
  await startCopy(1);
});

test('a server killed in the middle of writes loses nothing that it has confirmed, and doubles nothing', async () => {
  const session = uuid();
  await ok('PUT', `/athletes/${athlete}/sessions/${session}`, { on: today(), assignment: null, painBefore: [] });
  const entries = Array.from({ length: 60 }, () => rep());
  const path = `/athletes/${athlete}/sessions/${session}/log`;
  const server = childOf(copies[1].child.pid);
  let killed = false;
  for (const [n, entry] of entries.entries()) {
    if (n === 20) {
      process.kill(server, 'SIGKILL');
      killed = true;
    }
    // As the app does: until it is confirmed, it is sent again.
    await until(async () => (await ask('POST', path, { entries: [entry] })).status === 200);
    if (n % 7 === 0) await ask('POST', path, { entries: [entry] }).catch(() => null);
  }
  assert.ok(killed);
  addresses.length = 1;
  const { reps } = await ok('GET', `/athletes/${athlete}/export`).then((all) => ({ reps: JSON.stringify(all) }));
  for (const { id } of entries) assert.equal(reps.split(`"${id}"`).length - 1, 1, id);
  await startCopy(1);
});

test('a database killed is 503 in words, and everything goes on by itself when it is back', async () => {
  const { pid } = JSON.parse(readFileSync(join(folder, 'mariadb', 'state.json'), 'utf8'));
  process.kill(pid, 'SIGKILL');
  await until(() => !alive(processId(pid)) || !existsSync(`/proc/${pid}`), 10);
  for (const path of ['/me', '/health', `/athletes/${athlete}`]) {
    const answer = await ask('GET', path);
    assert.deepEqual([path, answer.status, answer.headers['content-type'].includes('problem+json')], [path, 503, true]);
  }
  database = await startDatabase(join(folder, 'mariadb'));
  await until(async () => (await ask('GET', '/me')).status === 200);
  assert.equal((await ok('GET', `/athletes/${athlete}`)).athlete.name, ATHLETE);
});

test('backed up while it runs, lost, restored: the same records and the same clip', async () => {
  const was = await kept();
  const made = npm('backup', backup);
  assert.equal(made.status, 0, made.stderr);
  assert.equal(statSync(backup).mode & 0o777, 0o600);
  assert.match(npm('backup', backup).stderr, /never overwrites/);
  assert.match(npm('restore', backup).stderr, /--replace/);
  assert.match(npm('restore', join(clone, 'package.json'), '--replace').stderr, /not a whole backup/);
  // Refused or broken, nothing was touched.
  assert.deepEqual(await kept(), was);

  const ending = copies.map(({ child }) => new Promise((resolve) => child.once('exit', resolve)));
  for (const { child } of copies) child.kill('SIGTERM');
  await Promise.all(ending);
  database.drop('app_yard');
  database.create('app_yard');
  rmSync(env.DATA_FOLDER, { recursive: true });
  const back = npm('restore', backup);
  assert.equal(back.status, 0, back.stderr);
  addresses.length = 0;
  await Promise.all([startCopy(0), startCopy(1)]);
  assert.deepEqual(await kept(), was);
  assert.ok((await ask('GET', `/athletes/${athlete}/clips/${clip.id}/file`)).bytes.equals(clip.bytes));
  assert.deepEqual(
    readdirSync(env.DATA_FOLDER).filter((name) => /^(backup|restore)-/.test(name)),
    [],
  );
});

test('a database one version older is not ready, and is brought up to date by a start', async () => {
  const was = await kept();
  assert.match(npm('migrate', '--back').stdout, /one step back/);
  assert.equal((await ask('GET', '/ready')).status, 503);
  assert.match(npm('migrate').stdout, /up to date/);
  assert.equal((await ask('GET', '/ready')).status, 200);
  assert.deepEqual(await kept(), was);
});

test('a start command that is killed takes its server with it, and the same port can be had again', async () => {
  const { child, url } = copies[1];
  const server = childOf(child.pid);
  child.kill('SIGKILL');
  await until(() => !existsSync(`/proc/${server}`), 15);
  addresses.length = 1;
  await startCopy(1, { PORT: new URL(url).port });
  for (let n = 0; n < 4; n++) await ok('GET', '/me');
});

test('no name, no sign-in and no id of anybody is in what the copies have written', () => {
  assert.match(logged, /"route":"\/athletes\/:athlete"/);
  for (const word of [OWNER, ATHLETE, 'Odda', 'Fenrick', 'Auberstone', PASSWORD, athlete, clip.id, 'late-hips'])
    assert.ok(!logged.includes(word), word);
});
