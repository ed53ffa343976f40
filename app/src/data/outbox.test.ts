/** @jest-environment node */
import type { LogEntry } from '@wrightonic/contract';
import { loaded, settled } from './operations';
import { loadOperations, record, send, stopRetrying } from './outbox';
import { answers, storage } from './storage';
import { api } from './api';
import { makeStore } from './store';
import type { AppStore } from './store';

jest.mock('./storage', () => ({
  storage: {
    all: jest.fn(() => Promise.resolve([])),
    put: jest.fn(() => Promise.resolve()),
    remove: jest.fn(() => Promise.resolve()),
  },
  answers: { clear: jest.fn(() => Promise.resolve()) },
}));

const entry = (id: string): LogEntry => ({
  type: 'rep',
  id,
  at: '2026-05-04T10:00:00Z',
  drill: 'knee-gate',
  rung: 3,
  focus: null,
  judged: 'good',
  effort: 60,
});
const session = { assignment: null, on: '2026-05-04', painBefore: [] };

/** Relative addresses are the browser’s; Node’s own Request refuses them. */
class PageRequest {
  readonly url: string;
  constructor(
    path: string,
    private readonly init: { body?: string } = {},
  ) {
    this.url = new URL(path, 'http://page.invalid').href;
  }
  text = () => Promise.resolve(this.init.body ?? '');
}
global.Request = PageRequest as never;

/** A server that answers, refuses or is not there. */
function serverThat(answer: (url: string, body: { entries?: LogEntry[] }) => { status: number; body: unknown } | 'away') {
  const calls: { url: string; entries: string[] }[] = [];
  global.fetch = jest.fn(async (input: PageRequest) => {
    const text = await input.text();
    const body = (text ? JSON.parse(text) : {}) as { entries?: LogEntry[] };
    calls.push({ url: new URL(input.url).pathname, entries: (body.entries ?? []).map((e) => e.id) });
    const given = answer(input.url, body);
    if (given === 'away') throw new TypeError('Failed to fetch');
    return new Response(JSON.stringify(given.body), { status: given.status, headers: { 'Content-Type': 'application/json' } });
  }) as never;
  return calls;
}
const fine = (_url: string, body: { entries?: LogEntry[] }) => ({
  status: 200,
  body: { results: (body.entries ?? []).map((e) => ({ id: e.id, status: 'stored', reason: null })), session: {} },
});
const settle = async () => {
  for (let turn = 0; turn < 60; turn++) await new Promise((done) => setTimeout(done, 1));
};
const statuses = (store: AppStore) => store.getState().operations.list.map((o) => o.status);

const opened: AppStore[] = [];
function openStore(): AppStore {
  const store = makeStore();
  opened.push(store);
  return store;
}

afterEach(() => {
  stopRetrying();
  // Cached answers would hold the test run for their minute.
  for (const store of opened.splice(0)) store.dispatch(api.util.resetApiState());
});

describe('the outbox', () => {
  it('keeps everything while the server is away and sends it once, in order, when it is back', async () => {
    const store = openStore();
    serverThat(() => 'away');
    store.dispatch(record('u', 'a', 's', { kind: 'start', session }));
    for (const id of ['1', '2', '3']) store.dispatch(record('u', 'a', 's', { kind: 'log', entry: entry(id) }));
    await settle();
    expect(statuses(store)).toEqual(['waiting', 'waiting', 'waiting', 'waiting']);
    expect(store.getState().operations.connected).toBe(false);
    expect(storage.put).toHaveBeenCalledTimes(4);
    const calls = serverThat(fine);
    await store.dispatch(send('u'));
    await settle();
    expect(statuses(store)).toEqual(['sent', 'sent', 'sent', 'sent']);
    expect(calls.map((c) => c.entries)).toEqual([[], ['1', '2', '3']]);
    await store.dispatch(send('u'));
    expect(calls).toHaveLength(2);
    expect(store.getState().operations.connected).toBe(true);
  });

  it('does not let a refusal block the rest, and tells its reason', async () => {
    const store = openStore();
    serverThat((url, body) =>
      url.endsWith('/log')
        ? {
            status: 200,
            body: { results: body.entries!.map((e) => ({ id: e.id, status: 'refused', reason: 'used up' })), session: {} },
          }
        : { status: 422, body: { title: 't', detail: 'not today', errors: [] } },
    );
    store.dispatch(record('u', 'a', 's', { kind: 'log', entry: entry('1') }));
    store.dispatch(record('u', 'a', 's', { kind: 'finish' }));
    await settle();
    expect(store.getState().operations.list.map((o) => [o.status, o.reason])).toEqual([
      ['refused', 'used up'],
      ['refused', 'not today'],
    ]);
  });

  it('neither sends nor drops what another person left on this device', async () => {
    const store = openStore();
    const left = {
      seq: 1,
      user: 'somebody else',
      athlete: 'a',
      session: 's',
      work: { kind: 'finish' as const },
      status: 'waiting' as const,
      reason: null,
    };
    (storage.all as jest.Mock).mockResolvedValueOnce([left]);
    const calls = serverThat(fine);
    await store.dispatch(loadOperations());
    await store.dispatch(send('u'));
    expect(calls).toEqual([]);
    expect(statuses(store)).toEqual(['waiting']);
  });

  it('keeps waiting through a fault of the server', async () => {
    const store = openStore();
    serverThat(() => ({ status: 503, body: { title: 't', detail: 'busy', errors: [] } }));
    store.dispatch(record('u', 'a', 's', { kind: 'log', entry: entry('1') }));
    await settle();
    expect(statuses(store)).toEqual(['waiting']);
  });

  it('names whose work it is, and lets it wait while somebody else is signed in', async () => {
    const store = openStore();
    const headers: (string | null)[] = [];
    global.fetch = jest.fn((input: PageRequest) => {
      headers.push(new Headers((input as unknown as { init: { headers?: HeadersInit } }).init.headers).get('X-Acting-User'));
      const body = { title: 'Somebody else is signed in', detail: 'waits', errors: [] };
      return Promise.resolve(
        new Response(JSON.stringify(body), { status: 401, headers: { 'Content-Type': 'application/json' } }),
      );
    }) as never;
    store.dispatch(record('u', 'a', 's', { kind: 'log', entry: entry('1') }));
    await settle();
    expect(headers[0]).toBe('u');
    expect(statuses(store)).toEqual(['waiting']);
    // Another user of this page sends nothing of it.
    const calls = serverThat(fine);
    await store.dispatch(send('other'));
    expect(calls).toEqual([]);
    expect(statuses(store)).toEqual(['waiting']);
  });

  it('says at once when the device does not keep what was tapped, and when it does again', async () => {
    const store = openStore();
    serverThat(() => 'away');
    for (let time = 0; time < 2; time++) (storage.put as jest.Mock).mockRejectedValueOnce(new Error('QuotaExceededError'));
    store.dispatch(record('u', 'a', 's', { kind: 'log', entry: entry('1') }));
    await settle();
    expect(store.getState().operations.notKept).toBe(true);
    expect(store.getState().operations.unkept).toHaveLength(1);
    (storage.put as jest.Mock).mockClear();
    store.dispatch(record('u', 'a', 's', { kind: 'log', entry: entry('2') }));
    await settle();
    // The first one is kept now too: before that, the warning would have gone too early.
    expect((storage.put as jest.Mock).mock.calls.map(([o]) => (o as { seq: number }).seq).sort()).toEqual(
      store.getState().operations.list.map((o) => o.seq),
    );
    expect(store.getState().operations).toMatchObject({ notKept: false, unkept: [] });
    expect(statuses(store)).toEqual(['waiting', 'waiting']);
  });

  it('says of nothing that it is kept before the device has written it down', async () => {
    const store = openStore();
    serverThat(() => 'away');
    let written = () => {};
    (storage.put as jest.Mock).mockImplementationOnce(() => new Promise<void>((resolve) => (written = resolve)));
    store.dispatch(record('u', 'a', 's', { kind: 'log', entry: entry('1') }));
    await settle();
    const [operation] = store.getState().operations.list;
    expect(store.getState().operations).toMatchObject({ notKept: false, unkept: [operation?.seq] });
    written();
    await settle();
    expect(store.getState().operations.unkept).toEqual([]);
  });

  it('gives up what was taken along when the store is full, and keeps what is tapped', async () => {
    const store = openStore();
    serverThat(() => 'away');
    const kept: unknown[] = [];
    const put = storage.put as jest.Mock;
    put.mockRejectedValueOnce(new Error('QuotaExceededError')).mockImplementationOnce((o: unknown) => {
      kept.push(o);
      return Promise.resolve();
    });
    (answers.clear as jest.Mock).mockClear();
    store.dispatch(record('u', 'a', 's', { kind: 'log', entry: entry('1') }));
    await settle();
    expect(answers.clear).toHaveBeenCalledTimes(1);
    expect(kept).toEqual([store.getState().operations.list[0]]);
    expect(store.getState().operations.notKept).toBe(false);
  });

  it('keeps memory bounded: what is settled goes, what waits never', () => {
    const store = openStore();
    const operation = (seq: number, status: 'sent' | 'waiting') =>
      ({ seq, user: 'u', athlete: 'a', session: 's', work: { kind: 'finish' }, status, reason: null }) as const;
    store.dispatch(loaded(Array.from({ length: 5000 }, (_, n) => operation(n, n % 2 ? 'sent' : 'waiting'))));
    store.dispatch(settled([{ seq: 0, status: 'sent', reason: null }]));
    const left = store.getState().operations.list;
    expect(left.filter((o) => o.status === 'waiting')).toHaveLength(2499);
    expect(left.filter((o) => o.status === 'sent').length).toBeLessThanOrEqual(2000);
    expect(left.at(-1)!.seq).toBe(4999);
  });

  it('does not read again what was settled days ago', async () => {
    const store = openStore();
    const old = { seq: 1, user: 'u', athlete: 'a', session: 's', work: { kind: 'finish' }, status: 'sent', reason: null };
    (storage.all as jest.Mock).mockResolvedValueOnce([old, { ...old, seq: 2, status: 'waiting' }]);
    await store.dispatch(loadOperations());
    expect(store.getState().operations.list.map((o) => o.seq)).toEqual([2]);
    expect(storage.remove).toHaveBeenCalledWith([1]);
  });
});
