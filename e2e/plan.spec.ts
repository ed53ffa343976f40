import { expect, test } from './test';
import { addAthlete, saw, signIn } from './steps';

const SEEN = {
  stall: 'yes',
  'late-hips': 'yes',
  'turn-together': 'yes',
  'stuck-back': 'no',
  'shin-vertical': 'no',
  'hip-lead-overdone': 'no',
} as const;

/** A plan as a coach takes it in the hand: another drill, a rule that breaks and is mended, undo, and the library behind it. */
test('a plan is changed by hand, says what breaks, is mended on a tap, undone and assigned', async ({ page }, info) => {
  await signIn(page);
  const athlete = await addAthlete(page, `Plana Reedmoor ${info.project.name} ${info.retry}`);
  await saw(page, athlete, SEEN);
  await page.goto(`${athlete}/what`);
  await page.getByTestId('make-focus').click();
  await page.getByTestId('make-plan').click();
  await expect(page.getByText('Drills chosen over the whole plan at once', { exact: false })).toBeVisible({ timeout: 60_000 });

  // The first session with throws.
  const wide = (page.viewportSize()?.width ?? 0) > 900;
  const session = page.getByRole('button', { name: /rung \d · \d+ throws/ }).first();
  await (wide ? session : page.getByText(/rung \d · \d+ throws/).first()).click();
  const main = page.getByRole('button', { name: / × / }).filter({ hasText: 'main work' }).first();
  await main.click();
  await page.getByRole('button', { name: 'Swap', exact: true }).click();
  await page.getByRole('button', { name: 'Swap', exact: true }).click();
  await page.getByRole('button', { name: 'Leave out', exact: true }).click();
  await expect(page.getByTestId('undo-edit')).toBeVisible();
  await page.getByTestId('undo-edit').click();
  await expect(page.getByTestId('undo-edit')).toBeHidden();

  // Far too many free throws break the day; each tap mends a little, and until then nothing is assigned.
  const free = page.getByRole('button', { name: / × / }).filter({ hasText: 'free throws' }).first();
  await free.click();
  for (let n = 0; n < 5; n++) await page.getByRole('button', { name: 'One set more', exact: true }).last().click();
  await expect(page.getByText('are open', { exact: false }).first()).toBeVisible();
  await expect(page.getByTestId('assign')).toBeDisabled();
  for (let n = 0; n < 5; n++) await page.getByTestId('undo-edit').click();
  await expect(page.getByTestId('assign')).toBeEnabled();

  await page.getByTestId('assign').click();
  await expect(page.getByTestId('focus-title')).toBeVisible();
});

test('a plan stands beside others that the device makes itself', { tag: '@once' }, async ({ page }, info) => {
  await signIn(page);
  const athlete = await addAthlete(page, `Planb Reedmoor ${info.project.name} ${info.retry}`);
  await saw(page, athlete, SEEN);
  await page.goto(`${athlete}/what`);
  await page.getByTestId('make-focus').click();
  await page.getByText('2 wk', { exact: true }).click();
  await page.getByTestId('make-plan').click();
  await expect(page.getByTestId('assign')).toBeEnabled({ timeout: 60_000 });
  const solver = page.waitForResponse('**/planner/highs.wasm');
  await page.getByText('Compare', { exact: true }).click();
  expect((await solver).ok()).toBe(true);
  await expect(page.getByRole('table', { name: 'This plan beside others' })).toContainText('As it stands');
  await expect(page.getByText('The best that was found of each.')).toBeVisible({ timeout: 90_000 });
});

test('a drill is said in the academy’s own words, in versions', { tag: '@once' }, async ({ page }, info) => {
  await signIn(page);
  await page.goto('/drills');
  const name = `Long glide ${info.project.name} ${info.retry}`;
  await page.getByLabel('A drill, or what it should mend').fill('straight-line');
  await page.getByRole('button').filter({ hasText: 'rung 2 · dry' }).first().click();
  await page.getByTestId('own-words').click();
  await page.getByTestId('own-name').fill(name);
  await page.getByTestId('own-save').click();
  await expect(page.getByText(name).first()).toBeVisible();
  await page.getByTestId('own-words').click();
  await expect(page.getByText(/Version \d+, .*: name, as usual/).first()).toBeVisible();
});

test('a drill is copied, and a ladder put in another order', { tag: '@once' }, async ({ page }, info) => {
  await signIn(page);
  await page.goto('/drills');
  const name = `Porch glide ${info.project.name} ${info.retry}`;
  await page.getByLabel('A drill, or what it should mend').fill('no-brake walk');
  await page.getByRole('button').filter({ hasText: 'No-brake walk' }).first().click();
  await page.getByTestId('own-copy').click();
  await page.getByTestId('own-reps').fill('0');
  await page.getByTestId('own-name').fill(name);
  await page.getByTestId('own-save').click();
  await expect(page.getByText(/reps/).first()).toBeVisible();
  await page.getByTestId('own-reps').fill('9');
  await page.getByTestId('own-save').click();
  await page.getByLabel('A drill, or what it should mend').fill(name);
  await expect(page.getByText(name).first()).toBeVisible();

  await page.goto('/drills/ladder?finding=stall&discipline=overhand');
  await page.getByTestId('ladder-change').click();
  await page.getByLabel(`${name}: one place up`).first().click();
  await page.getByTestId('ladder-save').click();
  await expect(page.getByText(/Our own ladder/)).toBeVisible();
  await page.getByTestId('ladder-usual').click();
  await expect(page.getByText(/hangs on the athlete/)).toBeVisible();
});
