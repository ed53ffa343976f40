/** @jest-environment node */
import { api } from './api';
import { signOut } from './leaving';
import type { KeptAnswer } from './storage';
import { makeStore } from './store';
import type { AppStore } from './store';

const mockKept = new Map<string, KeptAnswer>();
jest.mock('./storage', () => ({
  storage: { all: () => Promise.resolve([]), put: () => Promise.resolve(), remove: () => Promise.resolve() },
  answers: {
    get: (key: string) => Promise.resolve(mockKept.get(key)),
    put: (answer: KeptAnswer) => Promise.resolve(void mockKept.set(answer.key, answer)),
    each: (change: (answer: KeptAnswer) => KeptAnswer | null) => {
      for (const [key, answer] of mockKept) {
        const after = change(answer);
        if (after) mockKept.set(key, after);
        else mockKept.delete(key);
      }
      return Promise.resolve();
    },
  },
}));
const items = new Map<string, string>();
global.localStorage = {
  getItem: (key: string) => items.get(key) ?? null,
  setItem: (key: string, value: string) => void items.set(key, value),
  removeItem: (key: string) => void items.delete(key),
} as never;
global.Request = class {
  readonly url: string;
  constructor(path: string) {
    this.url = new URL(path, 'http://page.invalid').href;
  }
  clone = () => this;
} as never;

/** The server, as it is met: who is signed in, what Tavi is called there, and whether it answers. */
const server = { user: 'ada', name: 'Tavi', status: 200 };
global.fetch = jest.fn(({ url }: { url: string }) => {
  if (server.status === 0) return Promise.reject(new TypeError('no connection'));
  const path = new URL(url).pathname;
  const body = path === '/api/me' ? { id: server.user } : { athlete: { name: server.name } };
  return Promise.resolve(
    new Response(JSON.stringify(body), { status: server.status, headers: { 'Content-Type': 'application/json' } }),
  );
}) as never;

const stores: AppStore[] = [];
/** A page that is opened anew. */
async function open(): Promise<AppStore> {
  const store = makeStore();
  stores.push(store);
  await store.dispatch(api.endpoints.me.initiate());
  return store;
}
const nameOf = async (store: AppStore): Promise<string | undefined> => {
  const { data, isError } = await store.dispatch(api.endpoints.athlete.initiate({ athlete: 'tavi' }, { forceRefetch: true }));
  return isError ? undefined : data?.athlete.name;
};
/** What is kept is written beside the answer. */
const written = () => new Promise((done) => setTimeout(done, 0));

beforeEach(() => {
  mockKept.clear();
  items.clear();
  Object.assign(server, { user: 'ada', name: 'Tavi', status: 200 });
});
afterAll(() => {
  for (const store of stores.splice(0)) store.dispatch(api.util.resetApiState());
});

test.each([0, 502, 503, 504])(
  'what was answered last is shown while the server is away (%s), and says of when it is',
  async (status) => {
    const before = Date.now();
    await nameOf(await open());
    await written();
    server.status = status;
    const page = await open();
    expect(api.endpoints.me.select()(page.getState()).data?.id).toBe('ada');
    expect(await nameOf(page)).toBe('Tavi');
    const { connected, shownFrom } = page.getState().operations;
    expect(connected).toBe(false);
    expect(shownFrom).toBeGreaterThanOrEqual(before);
    // Back again: the server’s word counts, and the note is gone.
    Object.assign(server, { status: 200, name: 'Tavi Rowan' });
    await page.dispatch(api.endpoints.me.initiate(undefined, { forceRefetch: true }));
    expect(await nameOf(page)).toBe('Tavi Rowan');
    expect(page.getState().operations).toMatchObject({ connected: true, shownFrom: null });
  },
);

test.each([401, 403, 404, 422, 500])('a refusal (%s) is a refusal: nothing kept is shown instead', async (status) => {
  const page = await open();
  await nameOf(page);
  await written();
  server.status = status;
  expect(await nameOf(page)).toBeUndefined();
});

test('lists of people and what was done by whom are not kept', async () => {
  const page = await open();
  await page.dispatch(api.endpoints.people.initiate());
  await page.dispatch(api.endpoints.audit.initiate({ query: {} }));
  await page.dispatch(api.endpoints.erasePreview.initiate({ athlete: 'tavi' }));
  await written();
  expect([...mockKept.keys()].filter((key) => !key.includes('/me'))).toEqual([]);
});

test('another who signs in finds nothing of the one before, on screen or on the device', async () => {
  await nameOf(await open());
  await written();
  server.user = 'bo';
  const page = await open();
  await written();
  expect([...mockKept.values()].map((kept) => kept.user)).toEqual(['bo']);
  server.status = 0;
  expect(await nameOf(page)).toBeUndefined();
});

test('after signing out without a connection nobody is signed in here, and nothing is kept', async () => {
  const page = await open();
  await nameOf(page);
  await written();
  server.status = 0;
  await page.dispatch(signOut('ada'));
  expect(mockKept.size).toBe(0);
  expect(api.endpoints.me.select()((await open()).getState()).data).toBeUndefined();
});

test('an answer of a fortnight ago is no answer', async () => {
  await nameOf(await open());
  await written();
  for (const [key, answer] of mockKept) mockKept.set(key, { ...answer, at: answer.at - 14 * 86_400_000 });
  server.status = 0;
  expect(await nameOf(await open())).toBeUndefined();
});

test('an answer that comes after its user has left is not kept', async () => {
  const page = await open();
  const coming = nameOf(page);
  await page.dispatch(signOut('ada'));
  await coming;
  await written();
  expect(mockKept.size).toBe(0);
});

/** Addresses of what a write has made old on the device. */
const old = () => [...mockKept.values()].flatMap((kept) => (kept.old ? [kept.address.replace(/\?.*/, '')] : [])).sort();

/** Of a read that no screen shows: what is shown is read anew at once. */
const NOBODY_LOOKS = { subscribe: false };

test('a write makes old what it changes, of its athlete alone, and its answer is kept as the answer of its read', async () => {
  const page = await open();
  for (const athlete of ['tavi', 'juna']) {
    await page.dispatch(api.endpoints.work.initiate({ athlete }, NOBODY_LOOKS));
    await page.dispatch(api.endpoints.diagnosis.initiate({ athlete }, NOBODY_LOOKS));
    await page.dispatch(api.endpoints.plan.initiate({ athlete }, NOBODY_LOOKS));
  }
  await page.dispatch(api.endpoints.today.initiate(undefined, NOBODY_LOOKS));
  await written();
  await page.dispatch(api.endpoints.assignPlan.initiate({ athlete: 'tavi', id: 'p' }));
  await written();
  expect(old()).toEqual(['/athletes/tavi/plan', '/athletes/tavi/work', '/today']);

  server.name = 'judged anew';
  await page.dispatch(api.endpoints.endRuling.initiate({ athlete: 'tavi', id: 'r' }));
  await written();
  expect(mockKept.get('ada /athletes/tavi/diagnosis?{}')).toMatchObject({ data: { athlete: { name: 'judged anew' } } });
  expect(mockKept.get('ada /athletes/juna/diagnosis?{}')).toMatchObject({ data: { athlete: { name: 'Tavi' } } });
});

test('a write that is refused makes nothing old', async () => {
  const page = await open();
  await page.dispatch(api.endpoints.plan.initiate({ athlete: 'tavi' }));
  await written();
  server.status = 422;
  await page.dispatch(api.endpoints.assignPlan.initiate({ athlete: 'tavi', id: 'p' }));
  await written();
  expect(old()).toEqual([]);
});

test.each([403, 404])('an athlete who is not theirs to see any more (%s) is forgotten whole, and nobody else', async (status) => {
  const page = await open();
  for (const athlete of ['tavi', 'tavi-two']) {
    await page.dispatch(api.endpoints.work.initiate({ athlete }));
    await page.dispatch(api.endpoints.plan.initiate({ athlete }));
  }
  await written();
  server.status = status;
  await nameOf(page);
  await written();
  expect([...mockKept.values()].map((kept) => kept.address).filter((address) => address.includes('tavi'))).toEqual([
    '/athletes/tavi-two/work?{}',
    '/athletes/tavi-two/plan?{}',
  ]);
});

test('a sign-in that the server has ended is ended here too: without a network nobody is signed in', async () => {
  await nameOf(await open());
  await written();
  server.status = 401;
  await open();
  expect(mockKept.size).toBe(0);
  server.status = 0;
  expect(api.endpoints.me.select()((await open()).getState()).data).toBeUndefined();
});
