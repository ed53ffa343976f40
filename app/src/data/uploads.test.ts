/** @jest-environment node */
import type { NewClip } from '@wrightonic/contract';
import { PART_MOST } from '@wrightonic/contract';
import { keptClips } from './storage';
import { makeStore } from './store';
import { sendClip } from './uploads';
import type { UploadState } from './uploads';
import { api } from './api';

jest.mock('./storage', () => ({
  storage: { all: () => Promise.resolve([]), put: () => Promise.resolve(), remove: () => Promise.resolve() },
  keptClips: { remove: jest.fn(() => Promise.resolve()) },
}));

/** Relative addresses are the browser’s; Node’s own Request refuses them. */
class PageRequest {
  readonly url: string;
  readonly method: string;
  constructor(path: string, init: { method?: string } = {}) {
    this.url = new URL(path, 'http://page.invalid').href;
    this.method = init.method ?? 'GET';
  }
  clone = () => this;
}
global.Request = PageRequest as never;

const SIZE = 2 * PART_MOST + 500;
const kept = {
  id: 'c',
  user: 'u',
  athlete: 'a',
  clip: { name: 'throw.webm' } as NewClip,
  file: new Blob([new Uint8Array(SIZE)]),
};

type Answer = { readonly status?: number; readonly body: unknown } | 'away';

/** A server that says where it stands; `at` answers a part by the place that it begins at. */
function serverThat(announced: Answer, at: (from: number, size: number) => Answer): number[] {
  const parts: number[] = [];
  global.fetch = jest.fn((input: string | PageRequest, init?: { body: Blob }) => {
    const url = typeof input === 'string' ? input : input.url;
    const from = /from=(\d+)/.exec(url);
    if (from) parts.push(Number(from[1]));
    const answer = from ? at(Number(from[1]), init!.body.size) : announced;
    if (answer === 'away') return Promise.reject(new TypeError('no connection'));
    const { status = 200, body } = answer;
    return Promise.resolve(new Response(JSON.stringify(body), { status, headers: { 'content-type': 'application/json' } }));
  }) as never;
  return parts;
}

async function send(): Promise<UploadState[]> {
  const told: UploadState[] = [];
  const store = makeStore();
  await store.dispatch(sendClip(kept, (state) => told.push(state)));
  store.dispatch(api.util.resetApiState());
  return told;
}
const last = (states: readonly UploadState[]) => states[states.length - 1];
const whole = (from: number, size: number): Answer => ({ body: { received: from + size } });

// What the store has put off to the next picture comes before the test run ends.
afterAll(() => new Promise((resolve) => setTimeout(resolve, 100)));
beforeEach(() => jest.mocked(keptClips.remove).mockClear());

describe('an upload', () => {
  it('goes in parts, and the clip leaves the device when the server has it whole', async () => {
    const parts = serverThat({ body: { received: 0 } }, whole);
    expect(last(await send())).toEqual({ sent: SIZE, problem: null, refused: false });
    expect(parts).toEqual([0, PART_MOST, 2 * PART_MOST]);
    expect(keptClips.remove).toHaveBeenCalledWith('c');
  });

  it('goes on from where the server stands', async () => {
    const parts = serverThat({ body: { received: 2 * PART_MOST } }, whole);
    await send();
    expect(parts).toEqual([2 * PART_MOST]);
  });

  it('begins again when the server has lost what it had, but not for ever', async () => {
    let lost = true;
    const parts = serverThat({ body: { received: PART_MOST } }, (from, size) => {
      if (!lost) return whole(from, size);
      lost = false;
      return { body: { received: 0 } };
    });
    expect(last(await send())!.problem).toBeNull();
    expect(parts).toEqual([PART_MOST, 0, PART_MOST, 2 * PART_MOST]);
    const stuck = serverThat({ body: { received: 0 } }, () => ({ body: { received: 0 } }));
    expect(last(await send())).toMatchObject({ refused: true, problem: 'The server takes no more of this clip.' });
    expect(stuck).toHaveLength(4);
  });

  it('without a connection waits, and keeps the clip', async () => {
    serverThat('away', whole);
    expect(last(await send())).toEqual({ sent: 0, problem: 'No connection; it goes on by itself.', refused: false });
    serverThat({ body: { received: 0 } }, (from, size) => (from === 0 ? whole(from, size) : 'away'));
    expect(last(await send())).toEqual({ sent: PART_MOST, problem: 'No connection; it goes on by itself.', refused: false });
    expect(keptClips.remove).not.toHaveBeenCalled();
  });

  it('that is refused says why and is not sent again by itself; a full disk may pass', async () => {
    const problem = (status: number, detail: string): Answer => ({ status, body: { title: 'No', detail, errors: [] } });
    serverThat(problem(403, 'There is no consent to film for this athlete.'), whole);
    expect(last(await send())).toMatchObject({ refused: true, problem: 'There is no consent to film for this athlete.' });
    serverThat({ body: { received: 0 } }, () => problem(422, 'The file is not a WebM video.'));
    expect(last(await send())).toMatchObject({ refused: true, problem: 'The file is not a WebM video.' });
    serverThat({ body: { received: 0 } }, () => problem(507, 'The server’s disk is full.'));
    expect(last(await send())).toMatchObject({ refused: false, problem: 'The server’s disk is full.' });
    expect(keptClips.remove).not.toHaveBeenCalled();
  });
});
