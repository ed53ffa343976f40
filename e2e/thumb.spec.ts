import { expect, test } from './test';
import type { Locator, Page } from '@playwright/test';
import { addAthlete, signIn } from './steps';

const TAPS_AT_MOST = 40;

/** A thumb: taps only what lies in the lower two thirds of the screen, and counts. */
class Thumb {
  taps = 0;
  constructor(private readonly page: Page) {}

  async tap(target: Locator): Promise<void> {
    await expect(target).toBeEnabled({ timeout: 20_000 });
    const box = (await target.boundingBox())!;
    const { height } = this.page.viewportSize()!;
    expect(box.y).toBeGreaterThanOrEqual(height / 3);
    expect(Math.min(box.height, box.width)).toBeGreaterThanOrEqual(40);
    await target.click();
    this.taps += 1;
  }
}

test('the short body check, with one thumb and the stand-in inclinometer', async ({ page }, info) => {
  test.setTimeout(180_000);
  await signIn(page);
  const athlete = await addAthlete(page, `Bodil Tarnwick ${info.project.name} ${info.retry}`);
  const thumb = new Thumb(page);
  await page.goto(`${athlete}/body`);
  await thumb.tap(page.getByTestId('short-check'));
  const take = page.getByTestId('take');
  let steps = 0;
  let tilted = 0;
  for (;;) {
    await expect(page.getByTestId('step-name')).toBeVisible();
    steps += 1;
    const watch = (await page.getByText('Start the watch').count()) > 0;
    if (watch) {
      for (let reading = 0; reading < 2; reading++) {
        await thumb.tap(take);
        await page.waitForTimeout(700);
        await thumb.tap(take);
      }
    } else {
      tilted += 1;
      if ((await page.getByTestId('use-stand-in').count()) > 0) await thumb.tap(page.getByTestId('use-stand-in'));
      for (let reading = 0; reading < 2; reading++) {
        await expect(take).toContainText('Steady: keep', { timeout: 20_000 });
        await thumb.tap(take);
        // The second reading is a second try: no tap counts before the limb has gone back.
        if (reading === 0) await expect(take).toBeDisabled();
      }
    }
    await expect(page.getByTestId('step-value')).toBeVisible();
    const next = page.getByTestId('next-step');
    const last = (await next.innerText()).includes('End the check');
    await thumb.tap(next);
    if (last) break;
  }
  expect([steps, tilted]).toEqual([6, 4]);
  expect(thumb.taps).toBeLessThan(TAPS_AT_MOST);
  info.annotations.push({ type: 'taps', description: String(thumb.taps) });

  await expect(page.getByRole('heading', { name: 'What the body can do' })).toBeVisible();
  await expect(page.getByTestId('test-hip-internal-rotation')).toContainText('°');
  // The stand-in plays a stiff drive hip: that side is a limit, the other is free.
  const hip = page.getByTestId('test-hip-internal-rotation');
  await expect(hip.getByRole('img', { name: 'a limit' })).toHaveCount(1);
  await page.goto(athlete);
  await expect(page.getByText('Hip turning in, right')).toBeVisible();
});
