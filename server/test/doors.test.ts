import request from 'supertest';
import { v4 as uuid } from 'uuid';
import { FREE_TRIES } from '../src/auth/tries';
import { plainName } from '../src/auth/names';
import { isUsual } from '../src/auth/weak';
import { createApp } from '../src/http/app';
import { connect } from '../src/db/connect';
import { retried } from '../src/db/retry';
import type { DiagnosisRecord } from '@wrightonic/contract';
import { faultNote } from '../src/http/notes';
import { addAthlete, ATHLETE, eye, PASSWORD, rep, signedIn, startHarness } from './harness';
import type { Harness } from './harness';

/** Doors that were found open: names written another way, bodies before sign-in, caches, junk in headers and paths, a database away. */
let harness: Harness;
beforeAll(async () => {
  harness = await startHarness();
});
afterAll(() => harness.close());

const attempt = (name: string, password = 'wrong-but-long') =>
  request(harness.server).post('/api/sign-in').send({ signIn: name, password });

describe('a sign-in name', () => {
  it('has one plain form, whatever its case, width or what cannot be seen in it', () => {
    for (const written of ['Ada.Test', 'ＡＤＡ.ｔｅｓｔ', 'a\u200bda.te\u00adst', ' ada.test\u2060', 'ada\u00a0.test'])
      expect(plainName(written)).toBe('ada.test');
    expect(plainName('àda.test')).not.toBe('ada.test');
  });

  it('is guessed at on one count, however it is written; another letter is another name', async () => {
    const { signIn } = await signedIn(harness);
    const forms = [
      signIn,
      signIn.toUpperCase(),
      `\u200b${signIn}`,
      [...signIn].join('\u200d'),
      signIn.replace(/[a-z]/g, (c) => String.fromCodePoint(c.codePointAt(0)! + 0xfee0)),
    ];
    let refused = 0;
    for (let n = 0; n < 2 * FREE_TRIES + 5; n++) {
      const { status } = await attempt(forms[n % forms.length]!);
      expect([401, 429]).toContain(status);
      if (status === 429) refused++;
    }
    expect(refused).toBe(FREE_TRIES + 5);
    // The table's own comparison takes é for e: nobody is signed in by it.
    const other = await signedIn(harness);
    expect((await attempt(other.signIn.replace('u', 'ú'), PASSWORD)).status).toBe(401);
    expect((await attempt(other.signIn.toUpperCase(), PASSWORD)).status).toBe(200);
  });
});

describe('a password', () => {
  it('that everybody tries first is refused, a few plain words are not', () => {
    for (const usual of [
      'password123',
      'P4ssw0rd!!!!',
      'letmein12345',
      'Baseball2026',
      'qwertyuiop12',
      '1234567890',
      '0987654321',
      'abcdefghij',
      '1q2w3e4r5t6z',
      'abcabcabcabc',
      'ballballball',
    ])
      expect([usual, isUsual(usual)]).toEqual([usual, true]);
    for (const good of ['bench-and-chalk', 'net-in-the-yard', 'seven quiet herons', 'Tq9!vKe2#LmX', 'password of the old mill'])
      expect([good, isUsual(good)]).toEqual([good, false]);
  });

  it('is not guessed by who holds a signed-in phone: wrong ones are counted, and outlive the refusal', async () => {
    const owner = await signedIn(harness);
    const change = (current: string, next = 'seven quiet herons') => owner.post('/account/password', { current, next });
    for (let n = 0; n < FREE_TRIES; n++) await change('not-the-password').expect(422);
    await change('not-the-password').expect(429);
    await change(PASSWORD).expect(429);
    const other = await signedIn(harness);
    expect((await other.post('/account/password', { current: PASSWORD, next: 'password1234' }).expect(422)).body.detail).toMatch(
      /first that anybody tries/,
    );
    // A weak new one is no guess at the present one.
    for (let n = 0; n < FREE_TRIES + 1; n++)
      await other.post('/account/password', { current: PASSWORD, next: 'password1234' }).expect(422);
    await other.post('/account/password', { current: PASSWORD, next: 'seven quiet herons' }).expect(200);
  });
});

describe('a session', () => {
  it('ends when somebody signs in over it, and leaves nothing in the browser’s cache at sign-out', async () => {
    const [first, second] = [await signedIn(harness), await signedIn(harness)];
    const agent = request.agent(harness.server);
    await agent.post('/api/sign-in').send({ signIn: first.signIn, password: PASSWORD }).expect(200);
    const sessions = async (user: string) =>
      Number((await harness.db('sign_ins').where('user_id', user).count({ n: '*' }))[0]!.n);
    const before = await sessions(first.user);
    await agent.post('/api/sign-in').send({ signIn: second.signIn, password: PASSWORD }).expect(200);
    expect(await sessions(first.user)).toBe(before - 1);
    const out = await agent.post('/api/sign-out').expect(204);
    expect(out.headers['clear-site-data']).toContain('cache');
    await agent.get('/api/me').expect(401);
  });
});

describe('a body', () => {
  it('is not read before it is known who sends it; each route takes its own size', async () => {
    const big = { text: 'x'.repeat(8 * 1024 * 1024) };
    // 401 and not 413 or 422: nothing of it was looked at.
    await request(harness.server).post('/api/imports/look').send(big).expect(401);
    await request(harness.server).post('/api/sign-in').send(big).expect(413);
    const owner = await signedIn(harness);
    expect((await owner.put('/academy/settings', big).expect(413)).body.detail).toMatch(/8\.0 MB, and 1\.0 MB are taken/);
    const family = await signedIn(harness, { academy: owner.academy, role: 'guardian', athletes: [await addAthlete(owner)] });
    await family.post('/imports/look', big).expect(403);
  });
});

describe('junk', () => {
  it('in headers and paths is refused in words, never a fault or a page of the framework', async () => {
    const owner = await signedIn(harness);
    for (const origin of ['null', 'not an address', 'http://', 'https://elsewhere.example']) {
      const answer = await request(harness.server).post('/api/sign-out').set('Origin', origin);
      expect([origin, answer.status]).toEqual([origin, 403]);
    }
    for (const path of ['/api/%E0%A4%A', '/%', '/api/athletes/%ff']) {
      const answer = await request(harness.server).get(path);
      expect([path, answer.status < 500, /<html|at .+\.(ts|js):/i.test(answer.text)]).toEqual([path, true, false]);
    }
    expect((await owner.get('/nothing-here').expect(404)).headers['content-type']).toMatch(/problem\+json/);
  });
});

describe('a database that is away', () => {
  it('is said with 503 on every path, quickly, and nothing else is', async () => {
    const db = connect({ host: '127.0.0.1', port: 1, user: 'nobody', password: '', database: 'none' });
    const app = createApp({ db, clock: () => new Date(), log: () => undefined, appFolder: null, clipsFolder: '/nowhere' });
    try {
      for (const ask of [
        request(app).get('/api/health'),
        request(app).get('/api/me').set('Cookie', 'wrightonic=abc'),
        request(app).post('/api/sign-in').send({ signIn: 'ada', password: 'long-enough-words' }),
      ]) {
        const answer = await ask;
        expect(answer.status).toBe(503);
        expect(answer.headers['content-type']).toMatch(/problem\+json/);
        expect(answer.body.detail).toMatch(/database is away/);
      }
    } finally {
      await db.destroy();
    }
  });
});

describe('a deadlock', () => {
  const deadlock = () => Object.assign(new Error('Deadlock found'), { code: 'ER_LOCK_DEADLOCK' });

  it('is tried again, and told only when it comes a sixth time; any other fault is told at once', async () => {
    let calls = 0;
    await expect(retried(() => (++calls < 6 ? Promise.reject(deadlock()) : Promise.resolve('kept')))).resolves.toBe('kept');
    calls = 0;
    await expect(retried(() => Promise.reject((calls++, deadlock())))).rejects.toThrow('Deadlock');
    expect(calls).toBe(6);
    calls = 0;
    await expect(retried(() => Promise.reject((calls++, new Error('other'))))).rejects.toThrow('other');
    expect(calls).toBe(1);
  });

  it('of two that write the same rows crosswise ends with both kept', async () => {
    const owner = await signedIn(harness);
    const [a, b] = [await addAthlete(owner), await addAthlete(owner)];
    const both = (first: string, second: string) =>
      retried(() =>
        harness.db.transaction(async (trx) => {
          await trx('athletes').where('id', first).increment('mass_kg', 1);
          await new Promise((resolve) => setTimeout(resolve, 60));
          await trx('athletes').where('id', second).increment('mass_kg', 1);
        }),
      );
    await Promise.all([both(a, b), both(b, a)]);
    const rows = (await harness.db('athletes').whereIn('id', [a, b]).select('mass_kg')) as { mass_kg: number }[];
    expect(rows.map((r) => r.mass_kg)).toEqual([72, 72]);
  });
});

describe('behind a proxy that is believed', () => {
  const over = (trustProxy?: number) =>
    createApp({
      db: harness.db,
      clock: () => new Date('2026-05-04T15:00:00Z'),
      log: () => undefined,
      appFolder: null,
      clipsFolder: '/nowhere',
      ...(trustProxy === undefined ? {} : { trustProxy }),
    });
  it('the cookie is for TLS alone, and phones are told apart by their own addresses; else the headers say nothing', async () => {
    const { signIn } = await signedIn(harness);
    const from = (app: ReturnType<typeof over>, address: string, password: string) =>
      request(app)
        .post('/api/sign-in')
        .set('X-Forwarded-For', address)
        .set('X-Forwarded-Proto', 'https')
        .send({ signIn, password });
    const [believed, not] = [over(1), over()];
    for (let n = 0; n < FREE_TRIES; n++) await from(believed, '203.0.113.7', 'wrong-but-long').expect(401);
    await from(believed, '203.0.113.7', PASSWORD).expect(429);
    const welcome = await from(believed, '203.0.113.8', PASSWORD).expect(200);
    expect(String(welcome.headers['set-cookie'])).toMatch(/wrightonic=.+; Secure/);
    expect(String((await from(not, '203.0.113.9', PASSWORD)).headers['set-cookie'] ?? '')).not.toMatch(/Secure/);
  });
});

describe('erasing an athlete', () => {
  it('takes the name out of the record and of lists; what remains says that, not who', async () => {
    const owner = await signedIn(harness);
    const name = 'Wenna (Quill) O’Tarrow_%';
    const athlete = await addAthlete(owner, { name });
    const other = await addAthlete(owner, { name: 'Wenna Quillon' });
    await owner.put(`/invitations/${uuid()}`, { role: 'athlete', name, athletes: [athlete], groups: [] }).expect(200);
    await owner
      .put(`/invitations/${uuid()}`, { role: 'athlete', name: 'Wenna Quillon', athletes: [other], groups: [] })
      .expect(200);
    await owner.post(`/athletes/${athlete}/erase`, { name }).expect(204);
    const did = (await harness.db('audit_entries').where('academy_id', owner.academy).select('did', 'who')) as {
      did: string;
      who: string;
    }[];
    const all = did.map((line) => `${line.who} ${line.did}`).join('\n');
    expect(all).not.toContain('O’Tarrow');
    expect(all).toContain('invited somebody erased');
    expect(all).toContain('invited Wenna Quillon');
    // A short name is not cut out of a longer one.
    const brief = await addAthlete(owner, { name: 'Al' });
    await owner.put(`/invitations/${uuid()}`, { role: 'athlete', name: 'Alda', athletes: [other], groups: [] }).expect(200);
    await owner.post(`/athletes/${brief}/erase`, { name: 'Al' }).expect(204);
    const lines = (await harness.db('audit_entries').where('academy_id', owner.academy).select('did')) as { did: string }[];
    expect(lines.map((l) => l.did).join('\n')).toContain('invited Alda as');
  });
});

describe('an athlete who was put away', () => {
  it('is read, and nothing is recorded of them; brought back, it goes on', async () => {
    const owner = await signedIn(harness);
    const athlete = await addAthlete(owner);
    const session = uuid();
    await owner
      .put(`/athletes/${athlete}/sessions/${session}`, { on: '2026-05-04', assignment: null, painBefore: [] })
      .expect(200);
    await owner.post(`/athletes/${athlete}/archive`, { archived: true }).expect(200);
    const writes = () => [
      owner.post(`/athletes/${athlete}/sessions/${session}/log`, { entries: [rep()] }),
      owner.put(`/athletes/${athlete}/sessions/${uuid()}`, { on: '2026-05-04', assignment: null, painBefore: [] }),
      owner.put(`/athletes/${athlete}/observations/${uuid()}`, eye('stall', 'yes')),
      owner.put(`/athletes/${athlete}/outings/${uuid()}`, { on: '2026-05-04', pitches: 0, throws: 9, highEffort: 0, innings: 0 }),
      owner.put(`/athletes/${athlete}`, ATHLETE),
    ];
    for (const write of writes()) {
      const { status, body } = (await write) as { status: number; body: { title: string; detail: string } };
      expect([status, body.title]).toEqual([409, 'The athlete was put away']);
      expect(body.detail).toContain('Bring the athlete back');
    }
    for (const path of ['', '/diagnosis', '/progress', '/export', `/sessions/${session}`])
      await owner.get(`/athletes/${athlete}${path}`).expect(200);
    // What lessens what is kept is done for them, too.
    await owner.put(`/athletes/${athlete}/consents/${uuid()}`, { kind: 'film', given: false, by: 'A Guardian' }).expect(200);
    await owner.post(`/athletes/${athlete}/archive`, { archived: false }).expect(200);
    for (const write of writes()) await write.expect(200);
  });
});

describe('a page of somebody who is no longer signed in here', () => {
  it('neither writes nor reads under the other one’s cookie, and does not sign them out', async () => {
    const owner = await signedIn(harness);
    const other = await signedIn(harness, { academy: owner.academy, role: 'instructor' });
    const athlete = await addAthlete(owner);
    for (const asked of [
      other.get(`/athletes/${athlete}`),
      other.put(`/athletes/${athlete}/observations/${uuid()}`, eye('stall', 'yes')),
      other.get('/athletes'),
    ]) {
      const { status, body } = (await asked.set('X-Acting-User', owner.user)) as { status: number; body: { title: string } };
      expect([status, body.title]).toEqual([401, 'Somebody else is signed in']);
    }
    expect(await harness.db('observations').where('athlete_id', athlete)).toHaveLength(0);
    await other.post('/sign-out').set('X-Acting-User', owner.user).expect(204);
    await other.get('/me').expect(200);
    await other.post('/sign-out').set('X-Acting-User', other.user).expect(204);
    await other.get('/me').expect(401);
  });
});

describe('a device’s channel', () => {
  it('tells its listeners when it has run out, and lets them go', async () => {
    const owner = await signedIn(harness);
    const id = uuid();
    const { body } = await owner.put(`/channels/${id}`).expect(200);
    const was = harness.clock.now;
    const heard = owner
      .get(`/channels/${id}/live?key=${(body as { key: string }).key}`)
      .buffer(true)
      .timeout(15_000);
    const ended = heard.then((answer) => answer.text);
    await new Promise((resolve) => setTimeout(resolve, 300));
    harness.clock.now = new Date(was.getTime() + 13 * 3_600_000);
    expect(await ended).toContain('event: closed');
    harness.clock.now = was;
  });
});

describe('a fault', () => {
  it('is noted by its kind and place: nothing that was being written, no name, no query', async () => {
    const athlete = 'Nominata Quillsworth';
    const sql = await harness
      .db('athletes')
      .insert({ name: athlete })
      .then(() => null)
      .catch((error: unknown) => error);
    const parsed = (() => {
      try {
        return JSON.parse(`{"name": ${athlete}}`) as unknown;
      } catch (error) {
        return error;
      }
    })();
    for (const error of [sql, parsed, new Error(`no such ${athlete}`), new RangeError(athlete), athlete, { name: athlete }]) {
      const note = faultNote(error);
      expect(note).not.toContain('Nominata');
      expect(note).not.toContain('Quillsworth');
    }
    expect(faultNote(sql)).toMatch(/ER_/);
    expect(faultNote(new TypeError('x is not a function'))).toContain('x is not a function');
  });
});

describe('the judgement', () => {
  it('is computed when something has changed and read otherwise, and never an old one', async () => {
    const owner = await signedIn(harness);
    const athlete = await addAthlete(owner);
    const asked = async () =>
      ((await harness.db('standing_answers').where({ athlete_id: athlete, what: 'now' }).first('asked', 'answer')) ?? {}) as {
        asked?: string;
        answer?: { posterior: object };
      };
    const read = async () => ((await owner.get(`/athletes/${athlete}/diagnosis`).expect(200)).body as DiagnosisRecord).result;
    const first = await read();
    const one = await asked();
    expect(await read()).toEqual(first);
    expect((await asked()).asked).toBe(one.asked);
    // What is kept is what is read: changed underneath, it is told as it stands there.
    await harness
      .db('standing_answers')
      .where({ athlete_id: athlete, what: 'now' })
      .update({ answer: JSON.stringify({ ...first, roots: [] }) });
    expect((await read()).roots).toEqual([]);
    const seen = (await owner.put(`/athletes/${athlete}/observations/${uuid()}`, eye('stall', 'yes')).expect(200))
      .body as DiagnosisRecord;
    expect((await asked()).asked).not.toBe(one.asked);
    expect(seen.result).not.toEqual(first);
    expect(await read()).toEqual(seen.result);
    // Another day, another judgement: looks fade.
    harness.clock.now = new Date('2026-05-24T15:00:00Z');
    expect((await read()).posterior).not.toEqual(seen.result.posterior);
    harness.clock.now = new Date('2026-05-04T15:00:00Z');
  });
});
