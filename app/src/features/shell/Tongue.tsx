import type { Me } from '@wrightonic/contract';
import { CATALOGUE_WORDS, vocabularyOf } from '@wrightonic/core';
import { useMemo } from 'react';
import type { ReactNode } from 'react';
import { api } from '../../state/api';
import { UNITS, UnitsContext } from '../../ui/units';
import { VocabularyContext } from '../../ui/vocabulary';

/** How this academy reads numbers and says things, for every screen below. */
export function Tongue({ me, children }: { readonly me: Me; readonly children: ReactNode }) {
  const { data: library } = api.useLibraryQuery();
  const own = library?.findings;
  const vocabulary = useMemo(() => (own && own.length > 0 ? vocabularyOf(own) : CATALOGUE_WORDS), [own]);
  return (
    <UnitsContext.Provider value={UNITS[me.academy.lengthUnit]}>
      <VocabularyContext.Provider value={vocabulary}>{children}</VocabularyContext.Provider>
    </UnitsContext.Provider>
  );
}
