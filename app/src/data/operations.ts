import { createSlice } from '@reduxjs/toolkit';
import type { PayloadAction } from '@reduxjs/toolkit';
import type {
  CampCheckIn,
  LogEntry,
  NewBodyCheck,
  NewBodyNote,
  NewBodyReading,
  NewObservation,
  NewSession,
} from '@wrightonic/contract';

/** Something done in a session, a body check or a look that the server has to hear of, once and in this order. */
export type Work =
  | { readonly kind: 'start'; readonly session: NewSession }
  | { readonly kind: 'log'; readonly entry: LogEntry }
  | { readonly kind: 'finish' }
  | { readonly kind: 'check'; readonly body: NewBodyCheck }
  | { readonly kind: 'reading'; readonly id: string; readonly body: NewBodyReading }
  | { readonly kind: 'drop-reading'; readonly id: string }
  | { readonly kind: 'note'; readonly id: string; readonly body: NewBodyNote }
  | { readonly kind: 'end-check' }
  | { readonly kind: 'observe'; readonly id: string; readonly body: NewObservation }
  | { readonly kind: 'take-back'; readonly id: string }
  /** Who was seen at the gate of a camp; its session is the camp. */
  | { readonly kind: 'arrive'; readonly body: CampCheckIn };

export interface Operation {
  /** Order of happening, and key in the browser's database. */
  readonly seq: number;
  /** Who did it: another person who signs in on this phone neither sees nor sends it. */
  readonly user: string;
  readonly athlete: string;
  /** The session, the body check or the camp that it belongs to. */
  readonly session: string;
  readonly work: Work;
  readonly status: 'waiting' | 'sent' | 'refused';
  readonly reason: string | null;
}

export interface OperationsState {
  readonly list: readonly Operation[];
  readonly connected: boolean;
  /** When what is on screen was answered, where it comes from this device and not from the server; ms, the oldest of it. */
  readonly shownFrom: number | null;
  /** The stored operations have been read from the browser's database. */
  readonly loaded: boolean;
  /** What this device is still writing down: until then a page that is killed loses it. */
  readonly unkept: readonly number[];
  /** This device could not keep something that was tapped: it is lost if the page closes before it is sent. */
  readonly notKept: boolean;
}

/** Settled operations that stay in memory. */
const SETTLED_KEPT = 2000;

const initialState: OperationsState = {
  list: [],
  connected: true,
  shownFrom: null,
  loaded: false,
  unkept: [],
  notKept: false,
};

const operations = createSlice({
  name: 'operations',
  initialState,
  reducers: {
    loaded(state, action: PayloadAction<Operation[]>) {
      const known = new Set(state.list.map((o) => o.seq));
      state.list = [...action.payload.filter((o) => !known.has(o.seq)), ...state.list] as typeof state.list;
      state.loaded = true;
    },
    added(state, action: PayloadAction<Operation>) {
      (state.list as Operation[]).push(action.payload);
      (state.unkept as number[]).push(action.payload.seq);
    },
    settled(state, action: PayloadAction<readonly { seq: number; status: 'sent' | 'refused'; reason: string | null }[]>) {
      for (const { seq, status, reason } of action.payload) {
        const found = state.list.find((o) => o.seq === seq);
        if (found) Object.assign(found, { status, reason });
      }
      // What is settled is kept for the screen only, and not without end.
      const over = state.list.filter((o) => o.status !== 'waiting').length - SETTLED_KEPT;
      if (over > 0) {
        let dropped = 0;
        state.list = state.list.filter((o) => o.status === 'waiting' || dropped++ >= over);
      }
    },
    forgotten(state, action: PayloadAction<readonly number[]>) {
      const gone = new Set(action.payload);
      state.list = state.list.filter((o) => !gone.has(o.seq));
      state.unkept = state.unkept.filter((seq) => !gone.has(seq));
    },
    /** The device's own store has this. */
    kept(state, action: PayloadAction<number>) {
      state.unkept = state.unkept.filter((seq) => seq !== action.payload);
      if (state.unkept.length === 0) state.notKept = false;
    },
    /** The device's own store did not take what was to be kept. */
    notKept(state) {
      state.notKept = true;
    },
    connection(state, action: PayloadAction<boolean>) {
      state.connected = action.payload;
      if (action.payload) state.shownFrom = null;
    },
    /** Something is shown as this device kept it. */
    shownFrom(state, action: PayloadAction<number>) {
      state.connected = false;
      state.shownFrom = Math.min(state.shownFrom ?? Infinity, action.payload);
    },
  },
});

export const { loaded, added, settled, forgotten, kept, notKept, connection, shownFrom } = operations.actions;
export const operationsReducer = operations.reducer;
