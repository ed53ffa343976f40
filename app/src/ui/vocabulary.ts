import { CATALOGUE_WORDS } from '@wrightonic/core';
import type { Vocabulary } from '@wrightonic/core';
import { createContext, useContext } from 'react';

/** Set once above all screens, from the academy's own words for findings. */
export const VocabularyContext = createContext<Vocabulary>(CATALOGUE_WORDS);
export const useVocabulary = (): Vocabulary => useContext(VocabularyContext);
