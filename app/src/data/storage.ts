import type { NewClip, Topic } from '@wrightonic/contract';
import { openDB } from 'idb';
import type { IDBPDatabase } from 'idb';
import type { Operation } from './operations';

const STORE = 'operations';
const DRAFTS = 'drafts';
const CLIPS = 'clips';
const ANSWERS = 'answers';
let opened: Promise<IDBPDatabase> | null = null;

const database = (): Promise<IDBPDatabase> =>
  (opened ??= openDB('wrightonic', 4, {
    upgrade(db, from) {
      if (from < 1) db.createObjectStore(STORE, { keyPath: 'seq' });
      if (from < 2) db.createObjectStore(DRAFTS, { keyPath: 'id' });
      if (from < 3) db.createObjectStore(CLIPS, { keyPath: 'id' });
      db.createObjectStore(ANSWERS, { keyPath: 'key' });
    },
  }));

/** The browser's own database: what was tapped is here before it is sent, and survives a closed page. */
export const storage = {
  all: async (): Promise<Operation[]> => (await (await database()).getAll(STORE)) as Operation[],
  put: async (operation: Operation): Promise<void> => void (await (await database()).put(STORE, operation)),
  remove: async (seqs: readonly number[]): Promise<void> => {
    const tx = (await database()).transaction(STORE, 'readwrite');
    await Promise.all([...seqs.map((seq) => tx.store.delete(seq)), tx.done]);
  },
};

/** A clip on this device whose bytes are not all on the server yet. */
export interface KeptClip {
  readonly id: string;
  readonly user: string;
  readonly athlete: string;
  readonly clip: NewClip;
  readonly file: Blob;
}

export const keptClips = {
  all: async (user: string): Promise<KeptClip[]> =>
    ((await (await database()).getAll(CLIPS)) as KeptClip[]).filter((kept) => kept.user === user),
  get: async (id: string, user: string): Promise<KeptClip | null> => {
    const kept = (await (await database()).get(CLIPS, id)) as KeptClip | undefined;
    return kept?.user === user ? kept : null;
  },
  put: async (kept: KeptClip): Promise<void> => void (await (await database()).put(CLIPS, kept)),
  remove: async (id: string): Promise<void> => (await database()).delete(CLIPS, id),
};

/** Something half filled in, under the id that it will have. */
export interface Draft<T> {
  readonly id: string;
  readonly user: string;
  readonly at: string;
  readonly form: T;
}

/** Forms as they are filled in: a closed page loses nothing. */
export const drafts = {
  all: async <T>(user: string): Promise<Draft<T>[]> =>
    ((await (await database()).getAll(DRAFTS)) as Draft<T>[]).filter(
      (draft) => draft.user === user && !draft.id.startsWith(LINE),
    ),
  get: async <T>(id: string, user: string): Promise<Draft<T> | null> => {
    const draft = (await (await database()).get(DRAFTS, id)) as Draft<T> | undefined;
    return draft?.user === user ? draft : null;
  },
  put: async <T>(draft: Draft<T>): Promise<void> => void (await (await database()).put(DRAFTS, draft)),
  remove: async (id: string): Promise<void> => (await database()).delete(DRAFTS, id),
};

const LINE = 'line:';

/** The line that somebody runs, as it stands: kept among the drafts, so that a closed page finds everybody at their place. */
export const lines = {
  get: <T>(user: string): Promise<Draft<T> | null> => drafts.get<T>(LINE + user, user),
  put: <T>(user: string, at: string, form: T): Promise<void> => drafts.put({ id: LINE + user, user, at, form }),
  remove: (user: string): Promise<void> => drafts.remove(LINE + user),
};

/** An answer of the server, with whose it is and when it came, milliseconds. */
export interface KeptAnswer {
  /** User and address. */
  readonly key: string;
  readonly user: string;
  readonly address: string;
  /** What it shows, as the table of routes says. */
  readonly shows: Topic | undefined;
  readonly at: number;
  readonly data: unknown;
  /** A write has changed since what it tells. */
  readonly old?: true;
}

export const answers = {
  get: async (key: string): Promise<KeptAnswer | undefined> =>
    (await (await database()).get(ANSWERS, key)) as KeptAnswer | undefined,
  put: async (answer: KeptAnswer): Promise<void> => void (await (await database()).put(ANSWERS, answer)),
  clear: async (): Promise<void> => (await database()).clear(ANSWERS),
  /** Changes each answer, or removes those that become null. */
  each: async (change: (answer: KeptAnswer) => KeptAnswer | null): Promise<void> => {
    const tx = (await database()).transaction(ANSWERS, 'readwrite');
    for (let cursor = await tx.store.openCursor(); cursor; cursor = await cursor.continue()) {
      const before = cursor.value as KeptAnswer;
      const after = change(before);
      if (after === null) await cursor.delete();
      else if (after !== before) await cursor.update(after);
    }
    await tx.done;
  },
};
