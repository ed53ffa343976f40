/**
 * Many signed-in phones at one server for some minutes: what reads and writes take, what is refused, and whether memory grows.
 * LOAD_PHONES and LOAD_MINUTES set how many and how long.
 */
import { readFileSync } from 'node:fs';
import { hashPassword } from '@wrightonic/server';
import { randomFrom } from '@wrightonic/core';
import { v7 as uuid } from 'uuid';
import { db } from './database';

const PHONES = Number(process.env.LOAD_PHONES ?? 200);
const MINUTES = Number(process.env.LOAD_MINUTES ?? 10);
/** Phones of one academy. */
const TOGETHER = 10;
/** Between two taps of one phone, seconds. */
const PAUSE_S = [1.5, 6] as const;
const ROLES = [
  'owner',
  'instructor',
  'instructor',
  'instructor',
  'instructor',
  'station',
  'station',
  'athlete',
  'athlete',
  'guardian',
] as const;
const PASSWORD = 'seven quiet herons';

const base = process.env.BASE_URL!;
const server = Number(process.env.SERVER_PID);

interface Phone {
  readonly cookie: string;
  readonly address: string;
  readonly role: string;
  readonly athlete: string;
  readonly session: string;
}

const took: Record<'read' | 'write', number[]> = { read: [], write: [] };
const refused = new Map<string, number>();
let counting = false;

async function call(phone: Pick<Phone, 'cookie' | 'address'>, method: string, path: string, body?: object): Promise<Response> {
  const began = performance.now();
  const answer = await fetch(`${base}/api${path}`, {
    method,
    headers: { cookie: phone.cookie, 'X-Forwarded-For': phone.address, 'Content-Type': 'application/json' },
    ...(body ? { body: JSON.stringify(body) } : {}),
  });
  const text = await answer.text();
  if (counting) took[method === 'GET' ? 'read' : 'write'].push(performance.now() - began);
  if (!answer.ok) {
    const what = `${answer.status} ${method} ${path.replace(/[0-9a-f-]{36}/g, ':id')} ${text.slice(0, 120)}`;
    refused.set(what, (refused.get(what) ?? 0) + 1);
  }
  return answer;
}

const today = new Date().toISOString().slice(0, 10);
const eye = (finding: string, answer: string) => ({ on: today, evidence: { kind: 'eye', finding, answer } });

/** An academy with its people and athletes, everybody signed in. */
async function open(n: number, hash: string): Promise<Phone[]> {
  const academy = uuid();
  await db('academies').insert({ id: academy, name: `Yard ${n}`, time_zone: 'UTC', league: '{}', schools: '{}' });
  const group = uuid();
  const phones: Phone[] = [];
  const made: string[] = [];
  for (const [k, role] of ROLES.slice(0, TOGETHER).entries()) {
    const user = uuid();
    const signIn = `load-${user}`;
    await db('users').insert({ id: user, academy_id: academy, role, name: `Person ${k}`, sign_in: signIn, password_hash: hash });
    const address = `10.${n}.${k}.1`;
    const owner = phones[0];
    if (owner) {
      if (role === 'station') await db('user_groups').insert({ academy_id: academy, user_id: user, group_id: group });
      if (role === 'athlete' || role === 'guardian')
        await db('user_athletes').insert({ academy_id: academy, user_id: user, athlete_id: made[k]! });
    }
    const answer = await fetch(`${base}/api/sign-in`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json', 'X-Forwarded-For': address },
      body: JSON.stringify({ signIn, password: PASSWORD }),
    });
    if (!answer.ok) throw new Error(`sign-in: ${answer.status} ${await answer.text()}`);
    const cookie = answer.headers.getSetCookie()[0]!.split(';')[0]!;
    if (!owner) {
      for (let a = 0; a < TOGETHER; a++) {
        const id = uuid();
        made.push(id);
        await call({ cookie, address }, 'PUT', `/athletes/${id}`, {
          name: `Athlete ${a} of ${n}`,
          discipline: a % 3 === 2 ? 'windmill' : 'overhand',
          throws: a % 4 === 3 ? 'L' : 'R',
          birthDate: `20${String(4 + a).padStart(2, '0')}-03-14`,
          heightM: 1.5 + 0.03 * a,
          massKg: 45 + 3 * a,
          level: 'high-school',
          season: 'off',
          availability: [{ weekday: 'mon', minutes: 60, place: 'cage' }],
          equipment: ['strap', 'net'],
          partner: true,
          schools: {},
        });
        for (const finding of ['knee-caves', 'arm-only'])
          await call({ cookie, address }, 'PUT', `/athletes/${id}/observations/${uuid()}`, eye(finding, 'yes'));
      }
      await call({ cookie, address }, 'PUT', `/groups/${group}`, { name: 'Evening', athletes: made });
    }
    const session = uuid();
    const phone = { cookie, address, role, athlete: made[k]!, session };
    await call(phone, 'PUT', `/athletes/${phone.athlete}/sessions/${session}`, { on: today, assignment: null, painBefore: [] });
    phones.push(phone);
  }
  return phones;
}

const rep = () => ({
  type: 'rep',
  id: uuid(),
  at: new Date().toISOString(),
  drill: 'strap-lower',
  rung: 2,
  focus: null,
  judged: 'good',
  effort: 0,
});

/** What a phone does next: mostly reps, now and then a look at a page. */
function tap(phone: Phone, chance: number): Promise<Response> {
  const { athlete, session, role } = phone;
  const coach = role === 'owner' || role === 'instructor';
  const page = role === 'station' ? `/athletes/${athlete}/work` : `/athletes/${athlete}`;
  if (chance < 0.7 || role === 'guardian')
    return call(phone, 'POST', `/athletes/${athlete}/sessions/${session}/log`, { entries: [rep()] });
  if (chance < 0.82 || !coach) return call(phone, 'GET', page);
  if (chance < 0.88) return call(phone, 'GET', '/today');
  if (chance < 0.92) return call(phone, 'GET', '/athletes');
  if (chance < 0.97) return call(phone, 'GET', `/athletes/${athlete}/diagnosis`);
  return call(phone, 'PUT', `/athletes/${athlete}/observations/${uuid()}`, eye('knee-caves', chance < 0.985 ? 'yes' : 'no'));
}

const memory = (): number => Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${server}/status`, 'utf8'))![1]) / 1024;
const share = (times: number[], q: number): string => {
  const sorted = [...times].sort((a, b) => a - b);
  return (sorted[Math.min(sorted.length - 1, Math.floor(q * sorted.length))] ?? NaN).toFixed(0);
};

const hash = await hashPassword(PASSWORD);
const phones: Phone[] = [];
for (let n = 0; n < PHONES / TOGETHER; n++) phones.push(...(await open(n, hash)));
console.log(
  `\n${phones.length} phones of ${PHONES / TOGETHER} academies, ${MINUTES} minutes; one tap in ${PAUSE_S.join(' to ')} s each`,
);
counting = true;
const end = performance.now() + 60_000 * MINUTES;
const marks: string[] = [];
const watch = setInterval(() => marks.push(memory().toFixed(0)), (60_000 * MINUTES) / 10);
const first = memory();
await Promise.all(
  phones.map(async (phone, n) => {
    const random = randomFrom(1000 + n);
    while (performance.now() < end) {
      await new Promise((resolve) => setTimeout(resolve, 1000 * (PAUSE_S[0] + (PAUSE_S[1] - PAUSE_S[0]) * random.uniform())));
      await tap(phone, random.uniform());
    }
  }),
);
clearInterval(watch);
for (const [kind, times] of Object.entries(took))
  console.log(
    `${kind}s  ${times.length} in all, ${(times.length / MINUTES / 60).toFixed(1)} a second: median ${share(times, 0.5)} ms, p95 ${share(times, 0.95)} ms, p99 ${share(times, 0.99)} ms, most ${share(times, 1)} ms`,
  );
console.log(`memory of the server, MB: ${first.toFixed(0)} at first, then ${marks.join(' ')}`);
console.log(refused.size === 0 ? 'nothing was refused' : [...refused].map(([what, times]) => `${times} × ${what}`).join('\n'));
await db.destroy();
