import { signIn } from './steps';
import { expect, test } from './test';

const TAVI = { name: 'tavi', password: 'net-in-the-yard' };

test('work is handed out to a group, seen by one at home, and taken back from the others', async ({ page, browser, baseURL }) => {
  await signIn(page);
  await page.goto('/');
  await page.getByTestId('open-hand-outs').click();
  await page.getByTestId('hand-out-new').click();
  await page.getByTestId('pick-drill').fill('wall hip');
  await page.getByTestId('drill-wall-hip-fall').click();
  await page.getByTestId('to-Evening barn').click();
  await page.getByTestId('hand-note').fill('Slow ones before supper');
  // Who would get what is there before anything goes.
  await expect(page.getByTestId('share-Tavi Orrellin')).toContainText('min');
  await page.getByTestId('hand-out-send').click();
  await expect(page.getByText('not seen yet').first()).toBeVisible();

  const home = await browser.newContext({ baseURL: baseURL!, serviceWorkers: 'block' });
  const family = await home.newPage();
  await signIn(family, TAVI);
  await expect(family.getByTestId('work-note')).toContainText('Slow ones before supper');
  await expect(family.getByRole('button', { name: /^Wall hip fall coach’s pick/ })).toBeVisible();

  await expect(async () => {
    await page.reload();
    await expect(page.getByText(/^1 of \d seen$/)).toBeVisible({ timeout: 2000 });
  }).toPass();
  await page.getByText('Evening barn').click();
  await page.getByTestId('take-back').click();
  await expect(page.getByText('Nothing is handed out')).toBeVisible();
  await family.reload();
  await expect(family.getByText('What we are working on')).toBeVisible();
  await expect(family.getByTestId('work-note')).toHaveCount(0);
  await home.close();
});
