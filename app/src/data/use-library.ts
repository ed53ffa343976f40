import { drillById, inOwnWay, libraryFrom, ownOf } from '@wrightonic/core';
import type { Drill, Library } from '@wrightonic/core';
import type { LibraryAnswer } from '@wrightonic/contract';
import { useCallback } from 'react';
import { api } from './api';

const NOTHING_OWN: LibraryAnswer = { drills: [], ladders: [], findings: [] };

/** Every drill on a page asks; the library of an answer is put together once. */
const MADE = new WeakMap<LibraryAnswer, Library>();

function libraryOfAnswer(own: LibraryAnswer): Library {
  const made = MADE.get(own) ?? libraryFrom(own.drills, own.ladders, own.findings);
  MADE.set(own, made);
  return made;
}

/** Drills and ladders as the academy has them. */
export function useLibrary() {
  const { data: own = NOTHING_OWN } = api.useLibraryQuery();
  const library = libraryOfAnswer(own);
  /** The newest version of a drill, or the one that a plan was made with. */
  const drill = useCallback(
    (id: string, words?: number): Drill =>
      words === undefined ? library.drill(id) : inOwnWay(drillById(id), ownOf(own.drills, id, words)),
    [library, own],
  );
  return { own, library, drill };
}
