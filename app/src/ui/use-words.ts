import { SPARED_UNDER, spared } from '@wrightonic/core';
import { useCallback } from 'react';
import { api } from '../data/api';

/** A phrase as it is said to an athlete of this age: another one where it says what the academy avoids. */
export function useWordsFor(age: number): (phrase: string) => string {
  const { data: me } = api.useMeQuery();
  const words = me?.academy.words;
  return useCallback((phrase: string) => (words && age < SPARED_UNDER ? spared(phrase, words) : phrase), [words, age]);
}
