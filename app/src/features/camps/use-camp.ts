import { may } from '@wrightonic/contract';
import type { Me } from '@wrightonic/contract';
import { useMemo } from 'react';
import { api } from '../../data/api';
import { useAppSelector } from '../../data/store';
import { withArrivals } from './arrivals';

/** A board looks for what others have changed this often, ms. */
const LOOKS_EVERY_MS = 15_000;

/** A camp as it is, with what others change meanwhile and what waits on this device. @param live asks again and again */
export function useCamp(id: string, live = false) {
  const { data, ...asked } = api.useCampQuery(
    { id },
    { refetchOnMountOrArgChange: true, ...(live ? { pollingInterval: LOOKS_EVERY_MS } : {}) },
  );
  const operations = useAppSelector((s) => s.operations.list);
  const { data: me } = api.useMeQuery();
  const user = me?.id ?? '';
  return { ...asked, data: useMemo(() => data && withArrivals(data, operations, user), [data, operations, user]) };
}

export const mayRun = (me: Me): boolean => may(me.role, 'runCamps');
