import { may } from '@wrightonic/contract';
import type { Me } from '@wrightonic/contract';
import { api } from '../../data/api';

/** A board looks for what others have changed this often, ms. */
const LOOKS_EVERY_MS = 15_000;

/** A camp as it is, with what others change meanwhile. @param live asks again and again */
export function useCamp(id: string, live = false) {
  return api.useCampQuery({ id }, { refetchOnMountOrArgChange: true, ...(live ? { pollingInterval: LOOKS_EVERY_MS } : {}) });
}

export const mayRun = (me: Me): boolean => may(me.role, 'runCamps');
