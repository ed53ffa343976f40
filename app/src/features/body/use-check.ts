import type { BodyPicture, NewBodyCheck, ReadBy } from '@wrightonic/contract';
import type { PainReport, TestStep } from '@wrightonic/core';
import { useMemo } from 'react';
import { api } from '../../data/api';
import { newId } from '../../data/ids';
import type { Work } from '../../data/operations';
import { forgetSession, record } from '../../data/outbox';
import { useAppDispatch, useAppSelector } from '../../data/store';
import { checkState } from './check-state';

/** The body check as it is done: everything is noted on the device first and sent as soon as there is a connection. */
export function useCheck(athlete: string, user: string) {
  const dispatch = useAppDispatch();
  const operations = useAppSelector((s) => s.operations.list);
  const { data, error, isLoading } = api.useBodyQuery({ athlete });
  const state = useMemo(() => checkState(operations, athlete, user, data), [operations, athlete, user, data]);
  const note = (check: string, work: Work) => dispatch(record(user, athlete, check, work));
  const on = (work: (check: string) => Work) => {
    if (state.check) note(state.check, work(state.check));
  };
  return {
    state,
    picture: data as BodyPicture | undefined,
    error,
    isLoading,
    begin: (body: NewBodyCheck) => note(newId(), { kind: 'check', body }),
    read: (step: TestStep, value: number, readBy: ReadBy, moment: 'first' | 'after') =>
      on((check) => ({ kind: 'reading', id: newId(), body: { ...step, check, value, readBy, moment } })),
    takeBack: (id: string) => on(() => ({ kind: 'drop-reading', id })),
    write: (step: TestStep, text: string) =>
      on((check) => ({ kind: 'note', id: newId(), body: { ...step, check, note: text, pain: null } })),
    hurts: (step: TestStep, pain: PainReport) =>
      on((check) => ({ kind: 'note', id: newId(), body: { ...step, check, note: '', pain } })),
    end: () => on(() => ({ kind: 'end-check' })),
    forget: () => (state.check ? dispatch(forgetSession(state.check)) : undefined),
  };
}
