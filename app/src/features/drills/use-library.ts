import { drillById, inOwnWay, libraryFrom, ownOf } from '@wrightonic/core';
import type { Drill } from '@wrightonic/core';
import type { LibraryAnswer } from '@wrightonic/contract';
import { useCallback, useMemo } from 'react';
import { api } from '../../state/api';

const NOTHING_OWN: LibraryAnswer = { drills: [], ladders: [] };

/** Drills and ladders as the academy has them. */
export function useLibrary() {
  const { data: own = NOTHING_OWN } = api.useLibraryQuery();
  const library = useMemo(() => libraryFrom(own.drills, own.ladders), [own]);
  /** The newest version of a drill, or the one that a plan was made with. */
  const drill = useCallback(
    (id: string, words?: number): Drill =>
      words === undefined ? library.drill(id) : inOwnWay(drillById(id), ownOf(own.drills, id, words)),
    [library, own],
  );
  return { own, library, drill };
}
