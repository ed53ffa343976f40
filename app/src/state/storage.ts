import { openDB } from 'idb';
import type { IDBPDatabase } from 'idb';
import type { Operation } from './operations';

const STORE = 'operations';
let opened: Promise<IDBPDatabase> | null = null;

const database = (): Promise<IDBPDatabase> =>
  (opened ??= openDB('wrightonic', 1, {
    upgrade(db) {
      db.createObjectStore(STORE, { keyPath: 'seq' });
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
