/** Tries before a deadlock is told to whoever asked. */
const TRIES = 6;
const WAIT_MS = 20;

const isDeadlock = (error: unknown): boolean => (error as { code?: string }).code === 'ER_LOCK_DEADLOCK';

/**
 * Does a transaction again when the database took it back for another's sake: nothing of it was kept. Those who met each other wait for
 * different times, so that they do not meet again.
 */
export async function retried<T>(transaction: () => Promise<T>, tries = TRIES): Promise<T> {
  for (let attempt = 1; ; attempt++)
    try {
      return await transaction();
    } catch (error) {
      if (!isDeadlock(error) || attempt >= tries) throw error;
      await new Promise((resolve) => setTimeout(resolve, attempt * WAIT_MS * (0.5 + Math.random())));
    }
}
