import type { ThunkAction, UnknownAction } from '@reduxjs/toolkit';
import type { BodyPicture, LogAnswer, SessionRecord } from '@wrightonic/contract';
import { api, problemOf } from './api';
import { bodyApi } from './body-api';
import { added, connection, forgotten, keeping, loaded, settled } from './operations';
import type { Operation, Work } from './operations';
import { storage } from './storage';
import type { RootState } from './store';

type Thunk<T = void> = ThunkAction<T, RootState, unknown, UnknownAction>;

const BATCH = 200;
const RETRY_MS = 3000;

/** What was settled longer ago than this is not read again. */
const OLD_MS = 36 * 3600 * 1000;

/** Reads what an earlier page left behind: all that waits, and what was settled lately. */
export const loadOperations = (): Thunk<Promise<void>> => async (dispatch) => {
  const kept = await storage.all();
  const old = (o: Operation) => o.status !== 'waiting' && o.seq < (Date.now() - OLD_MS) * 1000;
  dispatch(loaded(kept.filter((o) => !old(o))));
  await storage.remove(kept.filter(old).map((o) => o.seq));
};

/** Keeps something on the device, and says at once when the device does not take it. */
const keep =
  (operation: Operation): Thunk<Promise<void>> =>
  async (dispatch, getState) => {
    try {
      await storage.put(operation);
      if (getState().operations.notKept) dispatch(keeping(true));
    } catch {
      dispatch(keeping(false));
    }
  };

let lastSeq = 0;
/** Rises with every call, also across pages: the clock, moved on when two fall into one instant. */
function nextSeq(): number {
  lastSeq = Math.max(Date.now() * 1000, lastSeq + 1);
  return lastSeq;
}

/** Notes something done: on screen at once, in the browser's database, and to the server as soon as it answers. */
export const record =
  (user: string, athlete: string, session: string, work: Work): Thunk =>
  (dispatch) => {
    const operation: Operation = { seq: nextSeq(), user, athlete, session, work, status: 'waiting', reason: null };
    dispatch(added(operation));
    void dispatch(keep(operation));
    void dispatch(send(user));
  };

let sending = false;
let timer: ReturnType<typeof setTimeout> | null = null;

const retryLater = (dispatch: (thunk: Thunk<Promise<void>>) => unknown, user: string) => {
  stopRetrying();
  timer = setTimeout(() => void dispatch(send(user)), RETRY_MS);
};

/** Stops trying again by itself: nobody is signed in, or the page is going. */
export const stopRetrying = (): void => {
  if (timer) clearTimeout(timer);
  timer = null;
};

/** The first thing to send and all that may go with it in one request. */
function nextBatch(waiting: readonly Operation[]): Operation[] {
  const first = waiting[0];
  if (!first) return [];
  if (first.work.kind !== 'log') return [first];
  const batch: Operation[] = [];
  for (const operation of waiting) {
    if (operation.session !== first.session || operation.work.kind !== 'log' || batch.length >= BATCH) break;
    batch.push(operation);
  }
  return batch;
}

type Settled = { seq: number; status: 'sent' | 'refused'; reason: string | null };

/**
 * Sends what waits, in order. A lost connection or a fault of the server leaves everything waiting; a refusal settles the
 * operation with its reason, so that it neither blocks the rest nor disappears.
 */
export const send =
  (user: string): Thunk<Promise<void>> =>
  async (dispatch, getState) => {
    if (sending) return;
    sending = true;
    try {
      for (;;) {
        const batch = nextBatch(getState().operations.list.filter((o) => o.status === 'waiting' && o.user === user));
        if (batch.length === 0) return;
        const result = await deliver(batch, dispatch);
        if (result === null) {
          dispatch(connection(false));
          retryLater(dispatch as never, user);
          return;
        }
        dispatch(connection(true));
        dispatch(settled(result));
        const list = getState().operations.list;
        await Promise.all(result.flatMap(({ seq }) => list.filter((o) => o.seq === seq).map((o) => dispatch(keep(o)))));
      }
    } finally {
      sending = false;
    }
  };

async function deliver(batch: readonly Operation[], dispatch: (action: never) => unknown): Promise<Settled[] | null> {
  const first = batch[0]!;
  const { athlete, session: id, work, user: as } = first;
  const all = (status: Settled['status'], reason: string | null) => batch.map(({ seq }): Settled => ({ seq, status, reason }));
  try {
    if (work.kind === 'log') {
      const entries = batch.flatMap((o) => (o.work.kind === 'log' ? [o.work.entry] : []));
      const answer = await run<LogAnswer>(dispatch, api.endpoints.log.initiate({ athlete, id, entries, as }));
      dispatch(api.util.upsertQueryData('session', { athlete, id }, answer.session) as never);
      return batch.map(({ seq }, i): Settled => ({
        seq,
        status: answer.results[i]!.status === 'refused' ? 'refused' : 'sent',
        reason: answer.results[i]!.reason,
      }));
    }
    if (work.kind === 'start' || work.kind === 'finish') {
      const answer = await run<SessionRecord>(
        dispatch,
        work.kind === 'start'
          ? api.endpoints.putSession.initiate({ athlete, id, body: work.session, as })
          : api.endpoints.finish.initiate({ athlete, id, as }),
      );
      dispatch(api.util.upsertQueryData('session', { athlete, id }, answer) as never);
    } else {
      const answer = await run<BodyPicture>(dispatch, bodyCall(work, athlete, id, as));
      dispatch(bodyApi.util.upsertQueryData('body', athlete, answer) as never);
    }
    return all('sent', null);
  } catch (error) {
    const status = (error as { status?: number | string }).status;
    const refused = typeof status === 'number' && status >= 400 && status < 500 && ![401, 408, 425, 429].includes(status);
    return refused ? all('refused', problemOf(error).detail) : null;
  }
}

type BodyWork = Exclude<Work, { kind: 'log' | 'start' | 'finish' }>;

function bodyCall(work: BodyWork, athlete: string, check: string, as: string): unknown {
  const { endpoints } = bodyApi;
  switch (work.kind) {
    case 'check':
      return endpoints.putBodyCheck.initiate({ athlete, id: check, body: work.body, as });
    case 'reading':
      return endpoints.putBodyReading.initiate({ athlete, id: work.id, body: work.body, as });
    case 'drop-reading':
      return endpoints.dropBodyReading.initiate({ athlete, id: work.id, as });
    case 'note':
      return endpoints.putBodyNote.initiate({ athlete, id: work.id, body: work.body, as });
    case 'end-check':
      return endpoints.finishBodyCheck.initiate({ athlete, id: check, as });
  }
}

/** Runs a mutation and gives its answer or throws its error. */
async function run<T>(dispatch: (action: never) => unknown, mutation: unknown): Promise<T> {
  const result = (await dispatch(mutation as never)) as { data?: T; error?: unknown };
  if (result.error !== undefined) throw Object.assign(new Error('refused or not delivered'), result.error);
  return result.data as T;
}

/** Forgets a session that the server has whole. */
export const forgetSession =
  (session: string): Thunk<Promise<void>> =>
  async (dispatch, getState) => {
    const mine = getState().operations.list.filter((o) => o.session === session);
    if (mine.some((o) => o.status === 'waiting')) return;
    const seqs = mine.map((o) => o.seq);
    dispatch(forgotten(seqs));
    await storage.remove(seqs);
  };
