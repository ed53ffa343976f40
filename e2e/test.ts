import { test as base } from '@playwright/test';

export { expect } from '@playwright/test';

const URLS = (process.env.BASE_URLS ?? '').split(' ');

/** A test whose pages are served by an academy of its own: what one of two that run at once changes, the other never sees. */
export const test = base.extend({
  // The runner reads from the first argument which other fixtures are wanted, and takes nothing but a pattern there.
  baseURL: ({ browserName: _ }, use, info) => use(URLS[info.parallelIndex]),
});
