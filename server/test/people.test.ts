import { INVITES, ROLES } from '@wrightonic/contract';
import request from 'supertest';
import { v4 as uuid } from 'uuid';
import { FREE_TRIES } from '../src/auth/tries';
import { addAthlete, PASSWORD, signedIn, startHarness } from './harness';
import type { Client, Harness } from './harness';

let harness: Harness;
let owner: Client;
let athlete: string;
beforeAll(async () => {
  harness = await startHarness();
  owner = await signedIn(harness);
  athlete = await addAthlete(owner);
});
afterAll(() => harness.close());
afterEach(() => expect(harness.faults).toEqual([]));
const NOON = new Date('2026-05-04T15:00:00Z');
beforeEach(() => {
  harness.clock.now = NOON;
});

const visitor = () => request.agent(harness.server);
const fresh = () => `person-${uuid().slice(0, 8)}`;
const GOOD = 'seven quiet herons';

async function invite(client: Client, body: object = {}): Promise<{ id: string; token: string }> {
  const id = uuid();
  const given = { role: 'guardian', name: 'Wim Birchley', athletes: [athlete], groups: [], ...body };
  return { id, token: ((await client.put(`/invitations/${id}`, given).expect(200)).body as { token: string }).token };
}
const join = (token: string, signIn = fresh(), password = GOOD) =>
  visitor().post('/api/join').send({ token, name: 'Wim Birchley', signIn, password });

describe('an invitation', () => {
  it('says what it is for, makes one person, and never works again', async () => {
    const { token } = await invite(owner);
    const { body: face } = await visitor().post('/api/join/look').send({ token }).expect(200);
    expect(face).toMatchObject({ role: 'guardian', name: 'Wim Birchley', athletes: ['Testa Birchley'], academy: 'Test Yard' });
    const guardian = visitor();
    const { body: me } = await guardian
      .post('/api/join')
      .send({ token, name: 'Wim Birchley', signIn: fresh(), password: GOOD })
      .expect(200);
    expect(me).toMatchObject({ role: 'guardian', athletes: [{ id: athlete }] });
    await guardian.get(`/api/athletes/${athlete}`).expect(200);
    expect((await join(token).expect(410)).body.detail).toContain('has been used');
    await visitor().post('/api/join/look').send({ token }).expect(410);
  });

  it('makes one person even when it is taken up many times at once', async () => {
    const { token } = await invite(owner);
    const answers = await Promise.all(Array.from({ length: 6 }, () => join(token)));
    expect(answers.map((a) => a.status).sort()).toEqual([200, 410, 410, 410, 410, 410]);
  });

  it('is over after seven days, when taken back, and when written anew', async () => {
    const old = await invite(owner);
    harness.clock.now = new Date(NOON.getTime() + 7 * 86_400_000 + 1000);
    expect((await join(old.token).expect(410)).body.detail).toContain('expired');
    harness.clock.now = NOON;
    const dropped = await invite(owner);
    await owner.delete(`/invitations/${dropped.id}`).expect(200);
    await join(dropped.token).expect(410);
    const first = await invite(owner);
    const { body: second } = await owner
      .put(`/invitations/${first.id}`, { role: 'guardian', name: 'Wim', athletes: [athlete], groups: [] })
      .expect(200);
    await join(first.token).expect(410);
    await join((second as { token: string }).token).expect(200);
  });

  it('is kept as a digest only', async () => {
    const { token } = await invite(owner);
    const rows = (await harness.db('invitations')) as object[];
    expect(JSON.stringify(rows)).not.toContain(token);
  });

  it('cannot be guessed, nor hand on more than the inviter has', async () => {
    await join('x'.repeat(43)).expect(410);
    await join('short').expect(422);
    const instructor = await signedIn(harness, { academy: owner.academy, role: 'instructor' });
    for (const role of ROLES) {
      const body = {
        role,
        name: 'Somebody',
        athletes: role === 'athlete' || role === 'guardian' ? [athlete] : [],
        groups: [],
      };
      const { status } = await instructor.put(`/invitations/${uuid()}`, body);
      const may = INVITES.instructor.includes(role);
      // A station coach without a group is refused for that, not for the right.
      expect([role, status]).toEqual([role, may ? (role === 'station' ? 422 : 200) : 403]);
    }
  });

  it('names only athletes and groups of its own academy', async () => {
    const stranger = await signedIn(harness);
    const foreign = await addAthlete(stranger);
    const { body } = await owner
      .put(`/invitations/${uuid()}`, { role: 'guardian', name: 'x', athletes: [foreign], groups: [] })
      .expect(422);
    expect(body.errors[0].path).toBe('athletes');
    await owner.put(`/invitations/${uuid()}`, { role: 'station', name: 'x', athletes: [], groups: [uuid()] }).expect(422);
    await owner.put(`/invitations/${uuid()}`, { role: 'owner', name: 'x', athletes: [athlete], groups: [] }).expect(422);
  });

  it('refuses a weak password and a name that is taken, and stays open', async () => {
    const { token } = await invite(owner);
    expect((await join(token, fresh(), 'short').expect(422)).body.errors[0].path).toBe('password');
    expect((await join(token, fresh(), 'aaaaaaaaaaaa').expect(422)).body.detail).toContain('different letters');
    expect((await join(token, 'heron-77', 'my-heron-77-word').expect(422)).body.detail).toContain('sign-in name');
    expect((await join(token, owner.signIn).expect(409)).body.errors[0].path).toBe('signIn');
    await join(token).expect(200);
  });
});

const guess = (name: string, password = 'wrong', agent = visitor()) =>
  agent.post('/api/sign-in').send({ signIn: name, password });

describe('wrong passwords', () => {
  it('close the door on the guesser, and on nobody else', async () => {
    const victim = await signedIn(harness);
    // The victim’s own device has signed in before; its cookie is with it after the sign-out as well.
    const phone = visitor();
    await guess(victim.signIn, PASSWORD, phone).expect(200);
    await phone.post('/api/sign-out').expect(204);
    const answers = [];
    for (let n = 0; n < FREE_TRIES + 2; n++) answers.push((await guess(victim.signIn)).status);
    expect(answers).toEqual([...Array<number>(FREE_TRIES).fill(401), 429, 429]);
    const { body } = await guess(victim.signIn, PASSWORD).expect(429);
    expect(body.detail).toContain('link that sets a new password');
    await guess(victim.signIn, PASSWORD, phone).expect(200);
    await victim.get('/me').expect(200);
    await guess((await signedIn(harness)).signIn, PASSWORD).expect(200);
  });

  it('are counted one by one, however many come at once', async () => {
    const { signIn } = await signedIn(harness);
    const answers = await Promise.all(Array.from({ length: 20 }, () => guess(signIn)));
    expect(answers.filter((a) => a.status === 401)).toHaveLength(FREE_TRIES);
  });

  it('are answered alike for names that nobody has', async () => {
    const nobody = fresh();
    const answers = [];
    for (let n = 0; n < FREE_TRIES + 1; n++) answers.push(await guess(nobody));
    expect(answers.map((a) => a.status)).toEqual([...Array<number>(FREE_TRIES).fill(401), 429]);
    expect(answers[0]!.body.detail).toContain('do not go together');
  });

  it('make the wait longer each time, and are forgotten after the right one', async () => {
    const { signIn } = await signedIn(harness);
    for (let n = 0; n < FREE_TRIES; n++) await guess(signIn).expect(401);
    harness.clock.now = new Date(NOON.getTime() + 31_000);
    await guess(signIn).expect(401);
    harness.clock.now = new Date(NOON.getTime() + 31_000 + 45_000);
    await guess(signIn).expect(429);
    harness.clock.now = new Date(NOON.getTime() + 31_000 + 61_000);
    await guess(signIn, PASSWORD).expect(200);
    for (let n = 0; n < FREE_TRIES; n++) await guess(signIn).expect(401);
  });

  it('of a known device do not open the door of others, nor close it', async () => {
    const { signIn } = await signedIn(harness);
    const phone = visitor();
    await guess(signIn, PASSWORD, phone).expect(200);
    for (let n = 0; n < FREE_TRIES; n++) await guess(signIn, 'wrong', phone).expect(401);
    await guess(signIn, PASSWORD, phone).expect(429);
    await guess(signIn, PASSWORD).expect(200);
  });
});

describe('an account', () => {
  it('changes its password, which ends every other session', async () => {
    const me = await signedIn(harness);
    const other = visitor();
    await guess(me.signIn, PASSWORD, other).expect(200);
    expect((await me.post('/account/password', { current: 'no', next: GOOD }).expect(422)).body.errors[0].path).toBe('current');
    await me.post('/account/password', { current: PASSWORD, next: 'short' }).expect(422);
    await other.get('/api/me').expect(200);
    await me.post('/account/password', { current: PASSWORD, next: GOOD }).expect(200);
    await me.get('/me').expect(200);
    await other.get('/api/me').expect(401);
    await guess(me.signIn, PASSWORD).expect(401);
    await guess(me.signIn, GOOD).expect(200);
  });

  it('signs out everywhere else', async () => {
    const me = await signedIn(harness);
    const others = [visitor(), visitor()];
    for (const other of others) await guess(me.signIn, PASSWORD, other).expect(200);
    await me.post('/account/sign-out-everywhere').expect(200);
    await me.get('/me').expect(200);
    for (const other of others) await other.get('/api/me').expect(401);
  });

  it('gets a new password by an owner’s link, whatever the guesser closed', async () => {
    const lost = await signedIn(harness, { academy: owner.academy, role: 'instructor' });
    for (let n = 0; n <= FREE_TRIES; n++) await guess(lost.signIn);
    const { body } = await owner.post(`/people/${lost.user}/password-link`).expect(200);
    const { token } = body as { token: string };
    expect((await visitor().post('/api/join/look').send({ token }).expect(200)).body.forSignIn).toBe(lost.signIn);
    await join(token, fresh()).expect(422);
    const back = visitor();
    await back.post('/api/join').send({ token, name: 'x', signIn: lost.signIn, password: GOOD }).expect(200);
    expect((await back.get('/api/me').expect(200)).body.id).toBe(lost.user);
    await lost.get('/me').expect(401);
    await join(token, lost.signIn).expect(410);
  });
});

describe('people', () => {
  it('cannot lock themselves out of the academy', async () => {
    const self = { role: 'instructor', groups: [], athletes: [] };
    await owner.put(`/people/${owner.user}`, self).expect(409);
    await owner.delete(`/people/${owner.user}`).expect(409);
  });

  it('are changed and removed at once, signed in or not', async () => {
    const helper = await signedIn(harness, { academy: owner.academy, role: 'instructor' });
    await helper.get('/people').expect(200);
    const group = uuid();
    await owner.put(`/groups/${group}`, { name: `G ${group}`, athletes: [athlete] }).expect(200);
    await owner.put(`/people/${helper.user}`, { role: 'station', groups: [group], athletes: [] }).expect(200);
    await helper.get('/people').expect(403);
    await helper.get(`/athletes/${athlete}/work`).expect(200);
    await owner.put(`/groups/${group}`, { name: `G ${group}`, athletes: [] }).expect(200);
    await helper.get(`/athletes/${athlete}/work`).expect(404);
    await owner.delete(`/people/${helper.user}`).expect(200);
    await helper.get('/me').expect(401);
  });

  it('leave a line for all they do, in order, that only coaches read', async () => {
    const mine = await signedIn(harness);
    const child = await addAthlete(mine);
    await mine.post(`/athletes/${child}/archive`, { archived: true }).expect(200);
    // What fails is not said to have been done.
    await mine.post(`/athletes/${child}/erase`, { name: 'Somebody Else' }).expect(422);
    const { body } = await mine.get(`/audit?athlete=${child}`).expect(200);
    const entries = (body as { entries: { did: string; who: string; athlete: { name: string } }[] }).entries;
    expect(entries.map((e) => e.did)).toEqual(['put the athlete away', 'changed the athlete’s record']);
    expect(entries[0]).toMatchObject({ who: 'Test Person', athlete: { id: child, name: 'Testa Birchley' } });
  });

  it('are listed by pages', async () => {
    const mine = await signedIn(harness);
    const child = await addAthlete(mine);
    for (let n = 0; n < 70; n++) await mine.post(`/athletes/${child}/archive`, { archived: n % 2 === 0 }).expect(200);
    const first = (await mine.get('/audit').expect(200)).body as { entries: { id: string }[]; more: boolean };
    expect([first.entries.length, first.more]).toEqual([60, true]);
    const second = (await mine.get(`/audit?before=${first.entries[59]!.id}`).expect(200)).body as typeof first;
    expect([second.entries.length, second.more]).toEqual([11, false]);
    expect(new Set([...first.entries, ...second.entries].map((e) => e.id)).size).toBe(71);
  });
});

describe('a group', () => {
  it('has a name of its own, and athletes of its own academy', async () => {
    const mine = await signedIn(harness);
    const child = await addAthlete(mine);
    const id = uuid();
    await mine.put(`/groups/${id}`, { name: 'Evening', athletes: [child] }).expect(200);
    await mine.put(`/groups/${id}`, { name: 'Evening', athletes: [] }).expect(200);
    expect((await mine.put(`/groups/${uuid()}`, { name: 'Evening', athletes: [] }).expect(422)).body.errors[0].path).toBe('name');
    await mine.put(`/groups/${uuid()}`, { name: 'Others', athletes: [athlete] }).expect(422);
    expect((await mine.delete(`/groups/${id}`).expect(200)).body).toEqual([]);
    await mine.get(`/athletes/${child}`).expect(200);
  });
});
