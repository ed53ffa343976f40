import type { Page } from '@playwright/test';
import { addAthlete, signIn } from './steps';
import { expect, test } from './test';

/** A drill's figure as it is drawn at an instant. */
const drawn = (page: Page) =>
  page
    .getByRole('img', { name: /^Figure/ })
    .first()
    .innerHTML();

for (const reducedMotion of ['no-preference', 'reduce'] as const)
  test(
    `figures ${reducedMotion === 'reduce' ? 'stand still for whoever asks for less motion' : 'move'}`,
    { tag: '@once' },
    async ({ page }, info) => {
      await page.emulateMedia({ reducedMotion });
      await signIn(page);
      const athlete = await addAthlete(page, `Movina Ferndale ${info.retry} ${reducedMotion}`);
      await page.goto(`${athlete}/look`);
      await expect(page.getByRole('img', { name: /^Figure/ }).first()).toBeVisible();
      const before = await drawn(page);
      if (reducedMotion === 'reduce') {
        await page.waitForTimeout(600);
        expect(await drawn(page)).toBe(before);
      } else await expect.poll(() => drawn(page)).not.toBe(before);
    },
  );
