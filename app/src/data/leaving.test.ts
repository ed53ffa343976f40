/** @jest-environment node */
import { api } from './api';
import { arrived, hasLeft, LEFT_AS, signOut, tellLeft } from './leaving';
import { loaded } from './operations';
import type { Operation } from './operations';
import { storage } from './storage';
import { makeStore } from './store';
import type { AppStore } from './store';

jest.mock('./storage', () => ({
  storage: {
    all: jest.fn(() => Promise.resolve([])),
    put: jest.fn(() => Promise.resolve()),
    remove: jest.fn(() => Promise.resolve()),
  },
}));

const items = new Map<string, string>();
global.localStorage = {
  getItem: (key: string) => items.get(key) ?? null,
  setItem: (key: string, value: string) => void items.set(key, value),
  removeItem: (key: string) => void items.delete(key),
} as never;

interface Asked {
  readonly method: string;
  readonly path: string;
  readonly acting: string | null;
}
class PageRequest {
  readonly url: string;
  readonly method: string;
  readonly acting: string | null;
  constructor(path: string, init: { method?: string; headers?: Headers } = {}) {
    this.url = new URL(path, 'http://page.invalid').href;
    this.method = init.method ?? 'GET';
    this.acting = new Headers(init.headers).get('X-Acting-User');
  }
  clone = () => this;
}
global.Request = PageRequest as never;

const ME = { id: 'ada', name: 'Ada', role: 'owner', academy: {} };

/** A server that can be reached or not, with whoever is signed in by its cookie. */
function serverThat(state: { away: boolean; signedIn: string }): Asked[] {
  const asked: Asked[] = [];
  global.fetch = jest.fn((input: PageRequest) => {
    const path = new URL(input.url).pathname;
    asked.push({ method: input.method, path, acting: input.acting });
    if (state.away) return Promise.reject(new TypeError('no connection'));
    if (path === '/api/sign-out') return Promise.resolve(new Response(null, { status: 204 }));
    const body =
      input.acting !== null && input.acting !== state.signedIn ? { title: 'Somebody else is signed in' } : { rows: [] };
    const status = 'title' in body ? 401 : 200;
    const answer = path === '/api/me' ? { ...ME, id: state.signedIn } : body;
    return Promise.resolve(new Response(JSON.stringify(answer), { status, headers: { 'Content-Type': 'application/json' } }));
  }) as never;
  return asked;
}

const operation = (seq: number, user: string, status: Operation['status']): Operation => ({
  seq,
  user,
  athlete: 'a',
  session: 's',
  work: { kind: 'finish' },
  status,
  reason: null,
});
const stores: AppStore[] = [];
async function signedInStore(): Promise<AppStore> {
  const store = makeStore();
  stores.push(store);
  await store.dispatch(api.util.upsertQueryData('me', undefined, ME as never));
  return store;
}
beforeEach(() => {
  items.clear();
  jest.mocked(storage.remove).mockClear();
});
afterEach(() => {
  for (const store of stores.splice(0)) store.dispatch(api.util.resetApiState());
});

it('signs out without a connection: here at once, at the server once it is back', async () => {
  const server = { away: true, signedIn: 'ada' };
  const asked = serverThat(server);
  const store = await signedInStore();
  await store.dispatch(signOut('ada'));
  expect(store.getState().shell.left).toBe(true);
  expect(api.endpoints.me.select()(store.getState()).data).toBeUndefined();
  // A page that is opened again knows it, too.
  expect(hasLeft()).toBe(true);
  expect(await store.dispatch(tellLeft())).toBe(false);
  server.away = false;
  expect(await store.dispatch(tellLeft())).toBe(true);
  expect(hasLeft()).toBe(false);
  expect(asked.map((a) => `${a.method} ${a.path}`)).toEqual(Array(3).fill('POST /api/sign-out'));
});

it('takes off the device what the server has, and nothing that waits, was refused, or is another’s', async () => {
  serverThat({ away: false, signedIn: 'ada' });
  const onDevice = [
    operation(1, 'ada', 'sent'),
    operation(2, 'ada', 'waiting'),
    operation(3, 'ada', 'refused'),
    operation(4, 'bo', 'sent'),
  ];
  jest.mocked(storage.all).mockResolvedValue(onDevice);
  const store = await signedInStore();
  store.dispatch(loaded(onDevice));
  await store.dispatch(signOut('ada'));
  expect(storage.remove).toHaveBeenCalledWith([1]);
  expect(store.getState().operations.list.map((o) => o.seq)).toEqual([2, 3, 4]);
  jest.mocked(storage.all).mockResolvedValue([]);
});

it('is over when somebody signs in, and is told to other tabs by what the device keeps', async () => {
  serverThat({ away: true, signedIn: 'ada' });
  const store = await signedInStore();
  await store.dispatch(signOut('ada'));
  expect(items.get(LEFT_AS)).toBe('ada');
  store.dispatch(arrived());
  expect(store.getState().shell.left).toBe(false);
  expect(hasLeft()).toBe(false);
});

it('names whose page asks, with everything; told that somebody else is signed in, it looks who', async () => {
  const server = { away: false, signedIn: 'bo' };
  const asked = serverThat(server);
  const store = await signedInStore();
  const seen = store.dispatch(api.endpoints.me.initiate());
  const { error } = (await store.dispatch(api.endpoints.today.initiate())) as { error?: { status: number } };
  expect(error?.status).toBe(401);
  expect(asked.find((a) => a.path === '/api/today')?.acting).toBe('ada');
  for (let turn = 0; turn < 50 && api.endpoints.me.select()(store.getState()).data?.id !== 'bo'; turn++)
    await new Promise((resolve) => setTimeout(resolve, 2));
  expect(api.endpoints.me.select()(store.getState()).data?.id).toBe('bo');
  // Who is asked about is not named: that question is anybody’s.
  expect(asked.filter((a) => a.path === '/api/me').map((a) => a.acting)).toEqual([null]);
  seen.unsubscribe();
});
