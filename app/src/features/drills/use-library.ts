import { drillById, inOwnWords, ownOf } from '@wrightonic/core';
import type { Drill } from '@wrightonic/core';
import { useCallback } from 'react';
import { api } from '../../state/api';

/** Drills as the academy says them: the newest version, or the one that a plan was made with. */
export function useLibrary() {
  const { data: own = [] } = api.useLibraryQuery();
  const drill = useCallback((id: string, words?: number): Drill => inOwnWords(drillById(id), ownOf(own, id, words)), [own]);
  return { own, drill };
}
