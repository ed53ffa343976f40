import { UNITS } from '@wrightonic/core';
import type { Me } from '@wrightonic/contract';
import type { ReactNode } from 'react';
import { UnitsContext } from '../../ui/units';
import { VocabularyContext } from '../../ui/vocabulary';
import { useLibrary } from '../../data/use-library';

/** How this academy reads numbers and says things, for every screen below. */
export function Tongue({ me, children }: { readonly me: Me; readonly children: ReactNode }) {
  const { library } = useLibrary();
  return (
    <UnitsContext.Provider value={UNITS[me.academy.lengthUnit]}>
      <VocabularyContext.Provider value={library.words}>{children}</VocabularyContext.Provider>
    </UnitsContext.Provider>
  );
}
