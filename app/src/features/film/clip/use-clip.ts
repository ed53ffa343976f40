import { EMPTY_MARKS } from '@wrightonic/contract';
import type { ClipMarks, ClipRecord, Problem } from '@wrightonic/contract';
import { useEffect, useState } from 'react';
import { pathOf } from '@wrightonic/contract';
import { api, problemOf } from '../../../data/api';
import { drafts, keptClips } from '../../../data/storage';
import type { KeptClip } from '../../../data/storage';

const draftId = (clip: string): string => `marks:${clip}`;

/** What a clip is, wherever it lies. */
export type ClipFacts = Omit<ClipRecord, 'marks' | 'marked' | 'received' | 'bytes'>;

export interface ClipAt {
  /** null while it is looked for. */
  readonly clip: ClipFacts | null;
  /** The file on this device, or its address. */
  readonly file: Blob | string | null;
  /** Marks as the server has them; null while it has not answered. */
  readonly stored: ClipMarks | null;
  readonly problem: Problem | null;
}

/** Finds a clip: on this device while its upload is not through, on the server otherwise. */
export function useClipAt(athlete: string, id: string | undefined): ClipAt {
  const { data: me } = api.useMeQuery();
  const [looked, setLooked] = useState<{ readonly id: string; readonly kept: KeptClip | null } | null>(null);
  // What was found for another clip is nothing of this one.
  const kept = looked && looked.id === id ? looked.kept : undefined;
  const answer = api.useClipQuery({ athlete, id: id ?? '' }, { skip: !id });
  const user = me?.id;
  useEffect(() => {
    if (!user || !id) return undefined;
    let here = true;
    keptClips.get(id, user).then(
      (found) => (here ? setLooked({ id, kept: found }) : undefined),
      () => (here ? setLooked({ id, kept: null }) : undefined),
    );
    return () => {
      here = false;
    };
  }, [user, id]);
  const whole = answer.currentData && answer.currentData.received === answer.currentData.bytes;
  const address = id ? `/api${pathOf('clipFile', { athlete, id })}` : null;
  const waiting = kept === undefined || (answer.isFetching && !answer.currentData && !kept);
  const clip = answer.currentData ?? (kept ? { ...kept.clip, id: kept.id } : null);
  return {
    clip: waiting ? null : clip,
    file: waiting ? null : kept ? kept.file : whole ? address : null,
    stored: answer.currentData?.marks ?? (kept && !answer.isFetching ? EMPTY_MARKS : null),
    problem: waiting || clip ? null : problemOf(answer.error),
  };
}

export interface MarkWork {
  readonly marks: ClipMarks;
  /** Changes the marks; the change is kept on the device at once and can be taken back. */
  readonly change: (next: ClipMarks) => void;
  readonly undo: (() => void) | null;
  readonly redo: (() => void) | null;
  /** Whether the server has the marks as they are. */
  readonly saved: boolean;
  readonly saving: boolean;
  readonly problem: Problem | null;
  readonly save: () => Promise<boolean>;
}

interface Steps {
  readonly past: readonly ClipMarks[];
  readonly now: ClipMarks;
  readonly future: readonly ClipMarks[];
  readonly saved: boolean;
}

/** Steps that can be taken back. */
const MOST_STEPS = 60;

/** Marks of a clip as they are made. What is not with the server yet survives a closed page, on this device. */
export function useMarks(athlete: string, id: string | undefined, stored: ClipMarks | null): MarkWork | null {
  const { data: me } = api.useMeQuery();
  const [steps, setSteps] = useState<Steps | null>(null);
  const [put, { isLoading, error }] = api.usePutMarksMutation();
  const user = me?.id;
  useEffect(() => {
    if (!user || !id || !stored) return;
    void drafts
      .get<ClipMarks>(draftId(id), user)
      .catch(() => null)
      .then((draft) =>
        // Marks are filled once; what the server says later does not overwrite what is being marked.
        setSteps((was) => was ?? { past: [], now: draft?.form ?? stored, future: [], saved: draft === null }),
      );
  }, [user, id, stored]);
  if (!steps || !id || !user) return null;
  const keep = (next: Steps) => {
    setSteps(next);
    void drafts.put({ id: draftId(id), user, at: new Date().toISOString(), form: next.now }).catch(() => undefined);
  };
  const { past, now, future } = steps;
  return {
    marks: now,
    change: (next) => keep({ past: [...past.slice(-MOST_STEPS), now], now: next, future: [], saved: false }),
    undo:
      past.length > 0
        ? () => keep({ past: past.slice(0, -1), now: past[past.length - 1]!, future: [now, ...future], saved: false })
        : null,
    redo: future.length > 0 ? () => keep({ past: [...past, now], now: future[0]!, future: future.slice(1), saved: false }) : null,
    saved: steps.saved,
    saving: isLoading,
    problem: error ? problemOf(error) : null,
    save: async () => {
      const done = await put({ athlete, id, body: now });
      if (!done.data) return false;
      // Marked on in the meantime: that is not with the server.
      setSteps((was) => (was?.now === now ? { ...was, saved: true } : was));
      await drafts.remove(draftId(id)).catch(() => undefined);
      return true;
    },
  };
}
