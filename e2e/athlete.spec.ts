import { misfitsOf, violationsOf } from './accessible';
import { expect, test } from './test';
import { ATHLETE, COACH, signIn, signInByHand } from './steps';

test('an athlete sees their own day, and nobody else’s', async ({ page }) => {
  await signInByHand(page, ATHLETE);
  await expect(page.getByRole('link', { name: 'My day' })).toBeVisible();
  await expect(page.getByRole('link', { name: 'Athletes' })).toHaveCount(0);
  await expect(page.getByText('What we are working on')).toBeVisible();
  await page.getByRole('link', { name: 'My numbers' }).click();
  await expect(page.getByRole('heading', { name: 'Numbers' })).toBeVisible();
  const status = await page.evaluate(async () => (await fetch('/api/athletes')).status);
  expect(status).toBe(403);
});

// On a phone every screen is looked at as its owner sees it, in e2e/roles.spec.ts.
test('every main view opens without an error, nothing scrolls sideways, and axe has nothing to say on a wide screen @wide', async ({
  page,
}) => {
  test.setTimeout(240_000);
  const violations: string[] = [];
  const errors: string[] = [];
  page.on('pageerror', (error) => errors.push(error.message));
  page.on('console', (message) => {
    if (message.type() === 'error' && !/401/.test(message.text())) errors.push(message.text());
  });
  await signIn(page, COACH);
  const roster = ((await (await page.request.get('/api/athletes')).json()) as { rows: { id: string; name: string }[] }).rows;
  const juna = roster.find((a) => a.name.startsWith('Juna'))!.id;
  for (const path of [
    '',
    'athletes',
    'drills',
    'desk',
    'hand-outs',
    'group-run',
    'athletes/new',
    `athletes/${juna}`,
    ...['look', 'what', 'causes', 'plan', 'numbers', 'run', 'body', 'film'].map((v) => `athletes/${juna}/${v}`),
  ]) {
    await page.goto(`/${path}`);
    await expect(page.getByRole('heading', { level: 1 }).first()).toBeVisible();
    await expect(page.getByRole('progressbar')).toHaveCount(0);
    expect(await misfitsOf(page)).toEqual({ sideways: 0, unnamed: 0 });
    violations.push(...(await violationsOf(page)));
  }
  expect(violations).toEqual([]);
  expect(errors).toEqual([]);
});

test('what is typed wrongly is answered in place, and nothing is saved', async ({ page }) => {
  await signIn(page, COACH);
  await page.goto('/athletes/new');
  await page.getByTestId('new-name').fill('Nobody Yet');
  await page.getByTestId('new-born').fill('the fourteenth');
  await expect(page.getByText('Not a day yet')).toBeVisible();
  await page.getByTestId('new-born').fill('3/4/2010');
  await page.getByRole('button', { name: '3 April 2010' }).click();
  await page.getByTestId('new-overhand').click();
  await page.getByTestId('new-R').click();
  await page.getByTestId('intake-next').click();
  await page.getByTestId('intake-next').click();
  await expect(page.getByRole('alert')).toContainText('Still missing: the height');
  await page.getByTestId('new-height').fill('17');
  await page.getByTestId('new-mass').fill('70');
  await page.getByTestId('new-high-school').click();
  await page.getByTestId('intake-next').click();
  await expect(page.getByRole('alert')).toContainText('Height must be between');
  const roster = ((await (await page.request.get('/api/athletes')).json()) as { rows: { name: string }[] }).rows;
  expect(roster.some((a) => a.name === 'Nobody Yet')).toBe(false);
});

test('reps survive a closed page', async ({ page, context }, info) => {
  await signIn(page, COACH);
  const roster = ((await (await page.request.get('/api/athletes')).json()) as { rows: { id: string; name: string }[] }).rows;
  const athlete = roster.find((a) => a.name.startsWith(info.project.name === 'phone' ? 'Osk' : 'Mirel'))!.id;
  await page.goto(`/athletes/${athlete}/run`);
  const start = page.getByTestId('nothing-hurts');
  await expect(start.or(page.getByTestId('rep-good'))).toBeVisible();
  if (await start.isVisible()) await start.click();
  await expect(page.getByTestId('rep-good')).toBeVisible();
  const shown = async () => Number(/(\d+)\/\d+/.exec(await page.locator('body').innerText())![1]);
  const before = await shown();
  await context.setOffline(true);
  await page.getByTestId('rep-good').click();
  await page.getByTestId('rep-close').click();
  expect(await shown()).toBe(before + 2);
  await page.close();
  await context.setOffline(false);
  const again = await context.newPage();
  await again.goto(`/athletes/${athlete}/run`);
  await expect(again.getByTestId('rep-good')).toBeVisible();
  await expect.poll(async () => Number(/(\d+)\/\d+/.exec(await again.locator('body').innerText())?.[1] ?? -1)).toBe(before + 2);
  await expect
    .poll(async () => {
      const overview = (await (await again.request.get(`/api/athletes/${athlete}`)).json()) as {
        timeline: { kind: string; text: string }[];
      };
      return overview.timeline.find((t) => t.kind === 'session')?.text ?? '';
    })
    .toContain(`${before + 2} reps`);
});
