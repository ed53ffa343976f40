import type { NewObservation } from '@wrightonic/contract';
import { useMemo } from 'react';
import { api } from '../data/api';
import { newId } from '../data/ids';
import { record } from '../data/outbox';
import { useAppDispatch, useAppSelector } from '../data/store';
import { waitingLooks, withWaiting } from './pending-looks';

/**
 * The judgement of an athlete, and a way to add to what it rests on: noted on the device first, and sent when there is a
 * connection. Without one the device judges anew itself.
 */
export function useObservations(athlete: string) {
  const dispatch = useAppDispatch();
  const { data: me } = api.useMeQuery();
  const { data, error } = api.useDiagnosisQuery({ athlete });
  const operations = useAppSelector((s) => s.operations.list);
  const connected = useAppSelector((s) => s.operations.connected);
  const user = me?.id ?? '';
  const by = me?.name ?? '';
  const diagnosis = useMemo(
    () => data && withWaiting(data, waitingLooks(operations, athlete, user), by, !connected),
    [data, operations, athlete, user, by, connected],
  );
  const refused = operations.filter(
    (o) => o.athlete === athlete && o.user === user && o.work.kind === 'observe' && o.status === 'refused',
  );
  return {
    diagnosis,
    error,
    /** Why the newest thing seen was not taken, or null. */
    refused: refused[refused.length - 1]?.reason ?? null,
    observe: (body: NewObservation) => {
      const id = newId();
      dispatch(record(user, athlete, id, { kind: 'observe', id, body }));
    },
    takeBack: (id: string) => void dispatch(record(user, athlete, id, { kind: 'take-back', id })),
  };
}
