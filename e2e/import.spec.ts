import { expect, test } from './test';
import { signIn } from './steps';

test('a list with faults: seen first, mended by a choice, brought in, and taken back whole', async ({ page }, info) => {
  await signIn(page);
  const mark = info.project.name;
  const list = [
    'Name;Born;Hand;Style;Height;Weight;Group',
    `Zoë Lindquay ${mark};3/4/2011;R;overhand;165;55;Imported ${mark}`,
    `"Quay; Otto ${mark}";5/6/2012;left;softball;5'4";120 lb;Imported ${mark}`,
    `Nobody ${mark};soon;both;tennis;16;light;`,
  ].join('\r\n');
  await page.goto('/desk/import');
  const chooser = page.waitForEvent('filechooser');
  await page.getByTestId('choose-file').click();
  await (await chooser).setFiles({ name: `${mark}.csv`, mimeType: 'text/csv', buffer: Buffer.from(list, 'latin1') });
  await expect(page.getByText('Latin-1, separated by semicolons')).toBeVisible();
  await expect(page.getByTestId('import-faults')).toContainText('can be 2011-04-03 or 2011-03-04');
  await expect(page.getByTestId('bring-in')).toBeDisabled();
  await page.getByTestId('day-first').click();
  await expect(page.getByTestId('bring-in')).toContainText('Bring in 2 athletes');
  await expect(page.getByTestId('import-faults')).toContainText('Line 4: Born “soon” is not a date');
  const saved = page.waitForEvent('download');
  await page.getByTestId('download-faults').click();
  expect((await saved).suggestedFilename()).toBe(`faults-${mark}.csv`);
  await page.getByTestId('bring-in').click();
  await expect(page.getByTestId('import-done')).toContainText('2 athletes came in');

  await page.goto('/athletes');
  await page.getByLabel('Search by name').fill(`lindquay`);
  await expect(page.getByTestId(`athlete-Zoë Lindquay ${mark}`)).toBeVisible();

  await page.goto('/desk/import');
  await page.getByTestId('undo-import').first().click();
  await expect(page.getByTestId('undo-import')).toHaveCount(0);
  await page.goto('/athletes');
  await page.getByLabel('Search by name').fill(`lindquay ${mark}`);
  await expect(page.getByText('Nobody fits')).toBeVisible();
});
