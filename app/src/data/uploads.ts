import type { ThunkAction, UnknownAction } from '@reduxjs/toolkit';
import { PART_MOST, pathOf } from '@wrightonic/contract';
import type { ClipRecord } from '@wrightonic/contract';
import { api, problemOf } from './api';
import { actingAs } from './endpoints';
import { keptClips } from './storage';
import type { KeptClip } from './storage';
import type { RootState } from './store';

type Thunk<T = void> = ThunkAction<T, RootState, unknown, UnknownAction>;

/** How far an upload is. */
export interface UploadState {
  readonly sent: number;
  readonly problem: string | null;
  /** The server does not want it as it is: sending it again by itself would not help. */
  readonly refused: boolean;
}

/** The server said no, in words that can be shown. */
class Refused extends Error {
  constructor(
    message: string,
    readonly status: number,
  ) {
    super(message);
  }
}

/** The server may lose what it had and begin again so many times before it is told as a problem. */
const RESTARTS = 3;

/** From this status on it is the server's trouble, and may pass: a full disk, a lock. */
const SERVER_TROUBLE = 500;

/** Sends a part. @throws Refused with the server's words, or TypeError without a connection */
async function sendPart({ id, athlete, file, user }: KeptClip, from: number): Promise<ClipRecord> {
  const answer = await fetch(`/api${pathOf('putClipPart', { athlete, id })}?from=${from}`, {
    method: 'PUT',
    headers: { 'Content-Type': 'application/octet-stream', ...actingAs({ as: user }) },
    body: file.slice(from, from + PART_MOST),
  });
  const body: unknown = await answer.json();
  if (!answer.ok) throw new Refused(problemOf({ status: answer.status, data: body }).detail, answer.status);
  return body as ClipRecord;
}

/**
 * Sends what this device has of a clip, from where the server stands. The file stays here until the server has it whole and has
 * looked at it.
 */
export const sendClip =
  (kept: KeptClip, tell: (state: UploadState) => void): Thunk<Promise<void>> =>
  async (dispatch) => {
    let received = 0;
    let restarts = 0;
    try {
      const announced = await dispatch(
        api.endpoints.putClip.initiate({ athlete: kept.athlete, id: kept.id, body: kept.clip, as: kept.user }),
      );
      if (announced.error) {
        const { status } = announced.error as { status?: unknown };
        const { detail } = problemOf(announced.error);
        throw typeof status === 'number' ? new Refused(detail, status) : new TypeError(detail);
      }
      received = announced.data.received;
      while (received < kept.file.size) {
        tell({ sent: received, problem: null, refused: false });
        const { received: now } = await sendPart(kept, received);
        if (now <= received && ++restarts > RESTARTS) throw new Refused('The server takes no more of this clip.', 409);
        received = now;
      }
      await keptClips.remove(kept.id);
      tell({ sent: kept.file.size, problem: null, refused: false });
      dispatch(api.util.invalidateTags(['Clips']));
    } catch (error) {
      if (error instanceof Refused) tell({ sent: received, problem: error.message, refused: error.status < SERVER_TROUBLE });
      else tell({ sent: received, problem: 'No connection; it goes on by itself.', refused: false });
    }
  };
