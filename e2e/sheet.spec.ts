import { readFileSync } from 'node:fs';
import { misfitsOf, violationsOf } from './accessible';
import { signIn } from './steps';
import { expect, test } from './test';

test('a relapse leads to its numbers, and then and now goes to the family by a link that can be closed', async ({
  page,
  browser,
  baseURL,
}) => {
  await signIn(page);
  await page.getByText(/stride length is outside the band again/).click();
  await expect(page.getByTestId('course')).toContainText('Back again');
  await expect(page.getByTestId('tune-up')).toBeVisible();
  for (const [label, starts] of [
    ['Save as SVG', '<svg'],
    ['Save as PNG', '\x89PNG'],
  ] as const) {
    const chart = page.waitForEvent('download');
    await page.getByTestId('measure-stride-length').getByRole('button', { name: label }).click();
    expect(readFileSync(await (await chart).path(), 'latin1').slice(0, 4)).toBe(starts);
  }
  await page.getByTestId('open-sheet').click();
  await expect(page.getByTestId('sheet')).toBeVisible();
  expect(await violationsOf(page)).toEqual([]);
  expect(await misfitsOf(page)).toEqual({ sideways: 0, unnamed: 0 });

  const paper = page.waitForEvent('download');
  await page.getByTestId('sheet-pdf').click();
  const file = await paper;
  expect(file.suggestedFilename()).toMatch(/^Wilma Tarnbeck .*\.pdf$/);
  expect(
    readFileSync(await file.path())
      .subarray(0, 5)
      .toString(),
  ).toBe('%PDF-');

  await page.getByTestId('make-link').click();
  const address = (await page.getByTestId('link-address').innerText()).trim();
  const home = await browser.newContext({ baseURL: baseURL!, serviceWorkers: 'block' });
  const family = await home.newPage();
  await family.goto(address);
  await expect(family.getByTestId('shared-whose')).toContainText('Wilma Tarnbeck');
  await expect(family.getByRole('navigation')).toHaveCount(0);
  expect(await violationsOf(family)).toEqual([]);
  // It leads nowhere else: without a sign-in there is nothing to see.
  await family.goto('/athletes');
  await expect(family.getByTestId('sign-in')).toBeVisible();

  await expect(async () => {
    await page.reload();
    await expect(page.getByTestId('link-row').first()).toContainText('opened once', { timeout: 2000 });
  }).toPass();
  await page.getByTestId('close-link').first().click();
  await expect(page.getByTestId('link-row').first()).toContainText('closed');
  await family.goto(address);
  await expect(family.getByText('This link no longer works')).toBeVisible();
  await home.close();
});

test('a coach’s week, and the whole academy out as files @once', async ({ page }) => {
  await signIn(page);
  await page.goto('/desk/files');
  const bundle = page.waitForEvent('download');
  await page.getByTestId('save-bundle').click();
  const text = readFileSync(await (await bundle).path(), 'utf8');
  const { format, tables } = JSON.parse(text) as { format: string; tables: Record<string, unknown[]> };
  expect(format).toBe('wrightonic-bundle');
  expect(tables.athletes!.length).toBeGreaterThan(20);
  const csv = page.waitForEvent('download');
  await page.getByTestId('csv-readings').click();
  expect((await csv).suggestedFilename()).toBe('readings.csv');
  expect(await violationsOf(page)).toEqual([]);
});
