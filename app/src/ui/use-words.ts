import { SPARED_UNDER, spareWords } from '@wrightonic/core';
import { useCallback } from 'react';
import { api } from '../state/api';

/** Text as it is said to an athlete of this age, in the academy's words. */
export function useWordsFor(age: number): (text: string) => string {
  const { data: me } = api.useMeQuery();
  const words = me?.academy.words;
  return useCallback((text: string) => (words && age < SPARED_UNDER ? spareWords(text, words) : text), [words, age]);
}
