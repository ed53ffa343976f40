/** Measures throws beside the page. */
import { measureThrow } from '@wrightonic/core';
import { expose } from 'comlink';

const measuring = { measure: measureThrow };
export type Measuring = typeof measuring;

expose(measuring);
