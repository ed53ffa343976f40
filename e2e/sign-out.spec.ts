import { addAthlete, COACH, signIn } from './steps';
import { expect, test } from './test';

const OTHER = { name: 'assistant', password: 'second-pair-of-eyes' };

test('signing out holds without a connection, in every tab, and the server hears of it', async ({ page, context }) => {
  await signIn(page);
  const second = await context.newPage();
  await second.goto('/athletes');
  await expect(second.getByRole('navigation')).toBeVisible();
  await page.getByRole('link', { name: 'Desk' }).click();
  await expect(page.getByTestId('sign-out')).toBeVisible();
  await context.setOffline(true);
  await page.getByTestId('sign-out').click();
  await expect(page.getByTestId('sign-in')).toBeVisible();
  await expect(second.getByTestId('sign-in')).toBeVisible();
  // Not heard yet: the cookie would still do.
  expect((await page.request.get('/api/me')).status()).toBe(200);
  await context.setOffline(false);
  await expect.poll(async () => (await page.request.get('/api/me')).status()).toBe(401);
  await page.reload();
  await expect(page.getByTestId('sign-in')).toBeVisible();
});

test('what one taps does not go out under the cookie of another who signed in in a second tab', async ({
  page,
  context,
}, info) => {
  await signIn(page);
  const athlete = await addAthlete(page, `Tabbert Lindquell ${info.retry}`);
  const id = new URL(athlete).pathname.split('/')[2]!;
  await page.goto(`${athlete}/run`);
  await page.getByTestId('nothing-hurts').click();
  await expect(page.getByTestId('rep-good')).toBeVisible();
  await page.getByTestId('rep-good').click();
  const reps = async () =>
    (
      (await (await page.request.get(`/api/athletes/${id}`)).json()) as { timeline: { kind: string; text: string }[] }
    ).timeline.find((t) => t.kind === 'session')?.text ?? '';
  await expect.poll(reps).toContain('1 rep');

  const second = await context.newPage();
  await signIn(second, OTHER);
  await page.getByTestId('rep-good').click();
  // The first tab is the other one's now, and shows nothing of what was on it.
  await expect(page.getByTestId('rep-good')).toHaveCount(0);
  await expect(page.getByRole('link', { name: 'Athletes' })).toBeVisible();
  expect(await reps()).toContain('1 rep');
  expect(await reps()).not.toContain('2 reps');

  // It waits for whoever tapped it.
  await signIn(second, COACH);
  await expect.poll(reps).toContain('2 reps');
});
