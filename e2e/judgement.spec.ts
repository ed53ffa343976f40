import { expect, test } from './test';
import type { Page } from '@playwright/test';
import { addAthlete, saw, signIn } from './steps';

/** Someone with hips that start late, seen and not yet tested. */
async function seen(page: Page, name: string): Promise<string> {
  await signIn(page);
  const athlete = await addAthlete(page, name);
  await saw(page, athlete, { stall: 'no', 'late-hips': 'yes', 'turn-together': 'yes' });
  await page.goto(`${athlete}/what`);
  await expect(page.getByTestId('first-root')).toBeVisible();
  return athlete;
}

test(
  'every pull tells where it came from; the coach overrules, is heard, and takes it back',
  { tag: '@once' },
  async ({ page }, info) => {
    await seen(page, `Ulva Stonebrook ${info.project.name} ${info.retry}`);
    const first = await page.getByTestId('first-root').innerText();
    await page.getByRole('button', { name: /The hips start turning too late: seen.*speaks for it/ }).click();
    await expect(page.getByText(/times likelier if “the hips start turning too late” is there/)).toBeVisible();
    // The coach's own eye may be known by now; then the look weighs what it has earned, and says so.
    await expect(page.getByText(/^(house|own value)$/).first()).toBeVisible();

    await page.getByTestId('overrule').click();
    await page.getByTestId('rule-absent').click();
    await expect(page.getByTestId('rule-save')).toBeDisabled();
    await page.getByTestId('rule-reason').fill('Slow film says otherwise');
    await page.getByTestId('rule-save').click();
    await expect(page.getByText('“Slow film says otherwise”', { exact: false })).toBeVisible();
    // Another root, or none that stands out, takes its place.
    await expect(page.getByText(first, { exact: true })).toHaveCount(0);
    // It stands after a reload, until it is taken back.
    await page.reload();
    await expect(page.getByText('“Slow film says otherwise”', { exact: false })).toBeVisible();
    await expect(page.getByText(first, { exact: true })).toHaveCount(0);
    await page.getByRole('button', { name: 'Take back' }).click();
    await expect(page.getByTestId('first-root')).toHaveText(first);
    // What is told to the athlete has no word of the body and no number.
    const told = page.getByTestId('for-athlete');
    await expect(told).toContainText('Next:');
    expect(await told.innerText()).not.toMatch(/%|limit|weak|mph/);
  },
);

test('what if is computed on the device and stores nothing; the map shows causes and puts suppositions back', async ({
  page,
}, info) => {
  const athlete = await seen(page, `Vesna Aldermoor ${info.project.name} ${info.retry}`);
  await page.getByTestId('check-hip-internal-rotation-drive').fill('18');
  await page.getByTestId('check-hip-internal-rotation-drive-keep').click();
  await expect(page.getByTestId('first-root')).toContainText('the drive hip does not turn in');
  const writes: string[] = [];
  page.on('request', (r) => (r.method() === 'GET' ? undefined : writes.push(r.url())));
  await page.getByTestId('to-what-if').click();
  await page.getByTestId('suppose-test-hip-internal-rotation').click();
  await page.getByTestId('suppose-value').fill('46');
  await page.getByTestId('suppose-test').click();
  const changes = page.getByTestId('what-changes');
  await expect(changes).toContainText('The drive hip does not turn in far enough');
  await expect(changes).toContainText('↓ ');
  await page.getByTestId('suppose-search').fill('turning too late');
  await page.getByTestId('suppose-late-hips-absent').click();
  await expect(changes).toContainText('The hips start turning too late: not there');
  await page.getByTestId('put-back').first().click();
  await page.getByTestId('put-back').first().click();
  await expect(page.getByText('Suppose something and the judgement is made anew', { exact: false })).toBeVisible();
  await expect(page.getByTestId('two-schools')).toContainText('By the school below');
  await page.getByRole('button', { name: 'body first' }).click();
  await expect(page.getByTestId('two-schools')).toContainText('The likeliest limit of the body');

  await page.goto(`${athlete}/causes`);
  await expect(page.getByTestId('cause-map')).toBeVisible();
  await page.getByTestId('map-whole').click();
  await page.getByTestId('node-late-hips').click();
  await expect(page.getByTestId('node-panel')).toContainText('What can cause it');
  await expect(page.getByTestId('node-panel')).toContainText('strong, house');
  await page.getByTestId('suppose-absent').click();
  await expect(page.getByTestId('supposed')).toContainText('the hips start turning too late not there');
  await page.getByTestId('put-back').click();
  await expect(page.getByTestId('supposed')).toHaveCount(0);
  expect(writes).toEqual([]);
});

test(
  'an academy’s own weight changes the judgement, is marked, and goes back to the standard',
  { tag: '@once' },
  async ({ page }, info) => {
    const athlete = await seen(page, `Wanja Kettlewood ${info.project.name} ${info.retry}`);
    const before = await page.getByTestId('first-root').innerText();
    const setWeight = async (set: () => Promise<void>) => {
      await page.goto('/desk/findings');
      await page.getByTestId('findings-search').fill('start turning too late');
      await page.getByTestId('finding-late-hips').click();
      await set();
      await page.getByTestId('save-numbers').click();
      await expect(page.getByText('Saved. Save again')).toBeVisible();
    };
    await setWeight(async () => {
      await page.getByTestId('number-drive-hip-ir>late-hips-').fill('0');
      await page.getByTestId('number-stall>late-hips-').fill('0');
      await page.getByTestId('number-leak:late-hips-').fill('0.5');
      await expect(page.getByText('Yours; the standard is 0.6 (house)').first()).toBeVisible();
    });
    await page.goto(`${athlete}/what`);
    await expect(page.getByTestId('first-root')).toContainText('the hips start turning too late');
    await page.goto(`${athlete}/causes?centre=late-hips`);
    await expect(page.getByTestId('node-panel')).toContainText('◆ own');
    await setWeight(async () => {
      for (const key of ['drive-hip-ir>late-hips', 'stall>late-hips', 'leak:late-hips'])
        await page.getByTestId(`standard-${key}-`).click();
    });
    await page.goto(`${athlete}/what`);
    await expect(page.getByTestId('first-root')).toHaveText(before);
    await page.goto('/desk/account');
    await expect(page.getByTestId('own-eye')).toContainText('What is hard to see');
  },
);
