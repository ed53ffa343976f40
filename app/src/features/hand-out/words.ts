import type { Place } from '@wrightonic/core';

/** Where work is done, in a sentence. */
export const PLACE_WORDS: Record<Place, string> = {
  home: 'at home',
  cage: 'in the cage',
  field: 'on the field',
  mound: 'on the mound',
};
