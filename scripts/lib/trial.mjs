/** Many reps from several phones through a bad day: servers and database killed, the network cut, requests doubled and out of order. */
import { randomUUID } from 'node:crypto';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as pause } from 'node:timers/promises';
import mysql from 'mysql2/promise';
import { bundle } from './bundle.mjs';
import { freePort, startDatabase } from './database.mjs';
import { ended, runNode, startServer } from './processes.mjs';

const PHONES = 4;
const ATHLETES = 4;
const BATCH = 60;
/** By how much each phone's clock is wrong, hours. */
const CLOCKS_H = [-5, 0, 0.4, 3];
const DRILL = { drill: 'strap-held-start', rung: 1 };

/** A stream of numbers in [0, 1) from a seed: the same day again. */
function uniform(seed) {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = Math.imul(state ^ (state >>> 15), 1 | state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 2 ** 32;
  };
}

/** A phone: what it taps waits until the server has said what became of it. */
class Phone {
  constructor(n, { urls, cookie, athletes, random }) {
    Object.assign(this, { n, urls, cookie, athletes, random });
    this.wrongBy = CLOCKS_H[n % CLOCKS_H.length] * 3_600_000;
    /** How far its clock is ahead, as it has measured: by the answers of the server. */
    this.measured = 0;
    this.sessions = new Map(athletes.map((athlete) => [athlete, randomUUID()]));
    this.started = new Set();
    this.waiting = [];
    this.settled = new Map();
    this.requests = 0;
    this.failed = 0;
  }

  clock() {
    return Date.now() + this.wrongBy;
  }

  tap() {
    const athlete = this.athletes[Math.floor(this.random() * this.athletes.length)];
    const judged = ['good', 'good', 'close', 'off'][Math.floor(this.random() * 4)];
    const at = new Date(this.clock() - this.measured).toISOString();
    this.waiting.push({
      athlete,
      entry: { type: 'rep', id: randomUUID(), at, ...DRILL, focus: null, judged, effort: 0, aids: [] },
    });
  }

  /** @returns the answer, or null when none came */
  async ask(method, path, body) {
    this.requests++;
    const url = this.urls[Math.floor(this.random() * this.urls.length)];
    // One request in twelve is cut off somewhere on its way, there or back.
    const cut =
      this.random() < 1 / 12
        ? globalThis.AbortSignal.timeout(1 + Math.floor(40 * this.random()))
        : globalThis.AbortSignal.timeout(20_000);
    try {
      const answer = await fetch(`${url}/api${path}`, {
        method,
        headers: { cookie: this.cookie, 'Content-Type': 'application/json' },
        ...(body ? { body: JSON.stringify(body) } : {}),
        signal: cut,
      });
      const said = await answer.json();
      const date = answer.headers.get('date');
      if (date) this.measured = Math.abs(this.clock() - Date.parse(date)) < 2000 ? 0 : this.clock() - (Date.parse(date) + 500);
      if (answer.status >= 500) throw new Error(String(answer.status));
      if (answer.status >= 400) throw Object.assign(new Error(`${answer.status} ${JSON.stringify(said)}`), { refused: true });
      return said;
    } catch (error) {
      if (error.refused) throw error;
      this.failed++;
      return null;
    }
  }

  /** Sends some of what waits, of one athlete, in any order; now and then twice at once. */
  async send() {
    const one = this.waiting[Math.floor(this.random() * this.waiting.length)];
    if (!one) return;
    const { athlete } = one;
    const session = this.sessions.get(athlete);
    if (!this.started.has(athlete)) {
      const on = new Date().toISOString().slice(0, 10);
      if ((await this.ask('PUT', `/athletes/${athlete}/sessions/${session}`, { on, assignment: null, painBefore: [] })) === null)
        return;
      this.started.add(athlete);
    }
    const own = this.waiting.filter((w) => w.athlete === athlete);
    const batch = own
      .map((w) => ({ w, key: this.random() }))
      .sort((a, b) => a.key - b.key)
      .slice(0, 1 + Math.floor(BATCH * this.random()))
      .map(({ w }) => w);
    const body = { entries: batch.map((w) => w.entry) };
    const times = this.random() < 0.1 ? 2 : 1;
    const answers = await Promise.all(
      Array.from({ length: times }, () => this.ask('POST', `/athletes/${athlete}/sessions/${session}/log`, body)),
    );
    for (const answer of answers)
      for (const { id, status, kept } of answer?.results ?? []) this.settled.set(id, { athlete, status, kept });
    this.waiting = this.waiting.filter((w) => !this.settled.has(w.entry.id));
  }

  /** @param allowed how much of its work it may have tapped by now, 0 to 1: the day is not over before everything has gone wrong */
  async live(reps, allowed) {
    // A page that is opened is answered first, and knows then how wrong its clock is.
    while ((await this.ask('GET', '/me')) === null) await pause(20);
    for (let tapped = 0; tapped < reps || this.waiting.length > 0;) {
      if (this.waiting.length === 0) await pause(20);
      for (let n = 0; n < 8 && tapped < allowed() * reps; n++, tapped++) this.tap();
      await this.send();
      if (this.random() < 0.3) await pause(30 * this.random());
    }
  }
}

/**
 * A day of reps with everything going wrong.
 * @param {{ reps?: number, seed?: number, kills?: number, say?: (line: string) => void }} options `kills` of servers; the database dies once
 * @returns {Promise<{ reps: number, lost: number, doubled: number, states: number, refused: number, requests: number, failed: number, seconds: number }>}
 *   `states` is how many different final states the copies tell, 1 when all is well
 */
export async function runTrial({ reps = 10_000, seed = 1, kills = 6, say = () => {} } = {}) {
  const began = Date.now();
  const folder = mkdtempSync(join(tmpdir(), 'trial-'));
  let database = await startDatabase(join(folder, 'mariadb'));
  const servers = [];
  let over = false;
  try {
    database.create('app_trial');
    const program = await bundle('server/src/main.ts', 'server');
    const ports = [await freePort(), await freePort()];
    const start = (n) =>
      startServer(program, {
        DATABASE_URL: database.url('app_trial'),
        PORT: String(ports[n]),
        CLIPS_FOLDER: join(folder, 'clips'),
        APP_FOLDER: folder,
      });
    for (const n of [0, 1]) servers[n] = await start(n);
    const urls = servers.map((s) => s.url);
    const made = await runNode(await bundle('server/src/operate.ts', 'operate'), {
      args: ['academy', 'Trial Yard', 'Trial Owner'],
      env: { DATABASE_URL: database.url('app_trial') },
    });
    const token = /\/join#(\S+)/.exec(made)[1];
    const person = { name: 'Trial Owner', signIn: 'trial', password: 'nine slow lanterns' };
    const joined = await fetch(`${urls[0]}/api/join`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({ token, ...person }),
    });
    const cookie = joined.headers
      .getSetCookie()
      .map((c) => c.split(';')[0])
      .join('; ');
    const athletes = [];
    for (let n = 0; n < ATHLETES; n++) {
      const id = randomUUID();
      const put = await fetch(`${urls[0]}/api/athletes/${id}`, {
        method: 'PUT',
        headers: { cookie, 'Content-Type': 'application/json' },
        body: JSON.stringify({
          name: `Trial Number${n}`,
          discipline: 'overhand',
          throws: 'R',
          birthDate: '2009-02-11',
          heightM: 1.8,
          massKg: 74,
          level: 'high-school',
          season: 'off',
          availability: [],
          equipment: ['strap'],
          partner: false,
          schools: {},
        }),
      });
      if (!put.ok) throw new Error(await put.text());
      athletes.push(id);
    }
    const phones = Array.from(
      { length: PHONES },
      (_, n) => new Phone(n, { urls, cookie, athletes, random: uniform(1000 * seed + n) }),
    );
    const random = uniform(7000 + seed);
    const settled = () => phones.reduce((sum, phone) => sum + phone.settled.size, 0);
    let done = 0;
    const share = () => (done > kills ? 1 : (done + 1) / (kills + 2));
    const chaos = (async () => {
      for (; done <= kills; done++) {
        // At even distances of the work, wherever that is in time.
        while (!over && settled() < 0.9 * share() * reps) await pause(20);
        if (over) return;
        if (done === Math.floor(kills / 2)) {
          process.kill(JSON.parse(readFileSync(join(folder, 'mariadb', 'state.json'), 'utf8')).pid, 'SIGKILL');
          say(`database killed after ${settled()} reps`);
          await pause(200);
          database = await startDatabase(join(folder, 'mariadb'));
        } else {
          const n = random() < 0.5 ? 0 : 1;
          servers[n].child.kill('SIGKILL');
          say(`copy ${n + 1} killed after ${settled()} reps`);
          await ended(servers[n].child);
          servers[n] = await start(n);
        }
      }
    })();
    await Promise.all(phones.map((phone) => phone.live(Math.ceil(reps / PHONES), share)));
    over = true;
    await chaos;
    return {
      ...(await judge({ phones, athletes, urls, cookie, url: database.url('app_trial') })),
      seconds: (Date.now() - began) / 1000,
    };
  } finally {
    over = true;
    for (const server of servers) server?.child.kill('SIGTERM');
    await Promise.all(servers.filter(Boolean).map(({ child }) => ended(child)));
    await database.stop();
    rmSync(folder, { recursive: true, force: true });
  }
}

/** What stands in the tables against what the phones have tapped, and what both copies say. */
async function judge({ phones, athletes, urls, cookie, url }) {
  const db = await mysql.createConnection(url);
  try {
    const [rows] = await db.query('select id, athlete_id, count(*) as n from reps group by id, athlete_id');
    const stored = new Map(rows.map((row) => [row.id, row]));
    const tapped = phones.flatMap((phone) => [...phone.settled]);
    const kept = tapped.filter(([, { kept: there }]) => there !== false);
    const lost = kept.filter(([id, { athlete }]) => stored.get(id)?.athlete_id !== athlete).length;
    const ids = new Set(kept.map(([id]) => id));
    const doubled = rows.filter((row) => Number(row.n) > 1 || !ids.has(row.id)).length;
    const states = new Set();
    for (const address of urls) {
      const told = [];
      for (const athlete of athletes)
        for (const phone of phones) {
          const answer = await fetch(`${address}/api/athletes/${athlete}/sessions/${phone.sessions.get(athlete)}`, {
            headers: { cookie },
          });
          const { tallies } = await answer.json();
          // By hand: what this phone tapped for this athlete.
          const own = [...phone.settled.values()].filter((s) => s.athlete === athlete && s.kept !== false).length;
          const sum = (tallies ?? []).reduce((total, t) => total + t.reps, 0);
          told.push([athlete, phone.n, JSON.stringify(tallies), sum === own ? 'as tapped' : `${sum} for ${own}`]);
        }
      states.add(JSON.stringify(told));
      if (told.some((line) => line[3] !== 'as tapped')) states.add(`${address} differs from what was tapped`);
    }
    return {
      reps: tapped.length,
      lost,
      doubled,
      states: states.size,
      refused: tapped.length - kept.length,
      requests: phones.reduce((sum, phone) => sum + phone.requests, 0),
      failed: phones.reduce((sum, phone) => sum + phone.failed, 0),
    };
  } finally {
    await db.end();
  }
}
