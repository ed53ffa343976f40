import type { ThunkAction, ThunkDispatch, UnknownAction } from '@reduxjs/toolkit';
import { api, problemOf } from './api';
import { added, connection, forgotten, kept, loaded, notKept, settled } from './operations';
import type { Operation, Work } from './operations';
import { answers, storage } from './storage';
import type { RootState } from './store';

type Thunk<T = void> = ThunkAction<T, RootState, unknown, UnknownAction>;
type Dispatch = ThunkDispatch<RootState, unknown, UnknownAction>;

const BATCH = 200;
const RETRY_MS = 3000;

/** What was settled longer ago than this is not read again. */
const OLD_MS = 36 * 3600 * 1000;

/** Reads what an earlier page left behind: all that waits, and what was settled lately. */
export const loadOperations = (): Thunk<Promise<void>> => async (dispatch) => {
  const stored = await storage.all();
  const old = (o: Operation) => o.status !== 'waiting' && o.seq < (Date.now() - OLD_MS) * 1000;
  dispatch(loaded(stored.filter((o) => !old(o))));
  await storage.remove(stored.filter(old).map((o) => o.seq));
};

/** Keeps something on the device, and says at once when the device does not take it. */
const keep =
  (operation: Operation): Thunk<Promise<void>> =>
  async (dispatch, getState) => {
    try {
      // A store that is full gives up what was taken along: that can be asked for again, what was tapped cannot.
      await storage.put(operation).catch(async () => {
        await answers.clear();
        await storage.put(operation);
      });
      const { notKept: failed } = getState().operations;
      dispatch(kept(operation.seq));
      // It takes things again: what it did not take before is kept now.
      const { unkept, list } = getState().operations;
      const before = failed ? list.find((o) => o.seq !== operation.seq && unkept.includes(o.seq)) : undefined;
      if (before) await dispatch(keep(before));
    } catch {
      dispatch(notKept());
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

const retryLater = (dispatch: Dispatch, user: string) => {
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
  // Taps of a line of athletes lie one between the other: sessions do not wait for each other.
  const own = waiting.filter((operation) => operation.session === first.session);
  const end = own.findIndex((operation) => operation.work.kind !== 'log');
  return own.slice(0, Math.min(BATCH, end < 0 ? own.length : end));
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
          retryLater(dispatch, user);
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

async function deliver(batch: readonly Operation[], dispatch: Dispatch): Promise<Settled[] | null> {
  const first = batch[0];
  if (!first) return [];
  const { athlete, session: id, work, user: as } = first;
  try {
    if (work.kind !== 'log') {
      await dispatchOf(work, athlete, id, as, dispatch);
      return batch.map(({ seq }) => ({ seq, status: 'sent', reason: null }));
    }
    const entries = batch.flatMap((o) => (o.work.kind === 'log' ? [o.work.entry] : []));
    const answer = await dispatch(api.endpoints.log.initiate({ athlete, id, body: { entries }, as })).unwrap();
    void dispatch(api.util.upsertQueryData('session', { athlete, id }, answer.session));
    return batch.map(({ seq }, i) => {
      const result = answer.results[i];
      return { seq, status: result?.status === 'refused' ? 'refused' : 'sent', reason: result?.reason ?? null };
    });
  } catch (error) {
    const status = (error as { status?: number | string }).status;
    const refused = typeof status === 'number' && status >= 400 && status < 500 && ![401, 408, 425, 429].includes(status);
    return refused ? batch.map(({ seq }) => ({ seq, status: 'refused', reason: problemOf(error).detail })) : null;
  }
}

/** Sends one thing done that is no tap of a log; its answer takes the place of what is shown. @throws what the server refuses with */
function dispatchOf(work: Exclude<Work, { kind: 'log' }>, athlete: string, id: string, as: string, dispatch: Dispatch) {
  const { endpoints } = api;
  switch (work.kind) {
    case 'start':
      return dispatch(endpoints.putSession.initiate({ athlete, id, body: work.session, as })).unwrap();
    case 'finish':
      return dispatch(endpoints.finish.initiate({ athlete, id, as })).unwrap();
    case 'check':
      return dispatch(endpoints.putBodyCheck.initiate({ athlete, id, body: work.body, as })).unwrap();
    case 'reading':
      return dispatch(endpoints.putBodyReading.initiate({ athlete, id: work.id, body: work.body, as })).unwrap();
    case 'drop-reading':
      return dispatch(endpoints.dropBodyReading.initiate({ athlete, id: work.id, as })).unwrap();
    case 'note':
      return dispatch(endpoints.putBodyNote.initiate({ athlete, id: work.id, body: work.body, as })).unwrap();
    case 'end-check':
      return dispatch(endpoints.finishBodyCheck.initiate({ athlete, id, as })).unwrap();
    case 'observe':
      return dispatch(endpoints.putObservation.initiate({ athlete, id: work.id, body: work.body, as })).unwrap();
    case 'arrive':
      return dispatch(endpoints.checkIn.initiate({ id, body: work.body, as })).unwrap();
    case 'take-back':
      return dispatch(endpoints.dropObservation.initiate({ athlete, id: work.id, as })).unwrap();
  }
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
