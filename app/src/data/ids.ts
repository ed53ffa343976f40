import { v7 } from 'uuid';

/** A new id, made here so that a repeated write is one record. */
export const newId = (): string => v7();
