import { expect, test } from './test';
import { COACH, signIn } from './steps';

test('keys do what the sheet says', async ({ page }) => {
  await signIn(page, COACH);
  await page.keyboard.press('?');
  await expect(page.getByText('the places in the rail')).toBeVisible();
  await page.keyboard.press('?');
  await expect(page.getByText('the places in the rail')).toHaveCount(0);
  await page.keyboard.press('2');
  await expect(page.getByRole('heading', { name: 'Athletes' })).toBeVisible();
  await page.getByLabel('Search by name').fill('3');
  await expect(page.getByRole('heading', { name: 'Athletes' })).toBeVisible();
});
