import { COACH, signIn } from './steps';
import { expect, test } from './test';

const OTHER = { name: 'assistant', password: 'second-pair-of-eyes' };

test('signing out holds without a connection, in every tab, and the server hears of it', async ({ page, context }) => {
  await signIn(page);
  const second = await context.newPage();
  await second.goto('/athletes');
  await expect(second.getByRole('navigation')).toBeVisible();
  await page.getByRole('link', { name: 'Desk', exact: true }).click();
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

test('a page that is opened again asks for nothing under the name of whoever signed out', async ({ page, context }) => {
  await signIn(page);
  await page.getByRole('link', { name: 'Desk', exact: true }).click();
  // The server cannot be told.
  await context.route('**/api/sign-out', (route) => route.abort());
  await page.getByTestId('sign-out').click();
  await expect(page.getByTestId('sign-in')).toBeVisible();
  const asked: string[] = [];
  page.on('request', (request) => {
    const { pathname } = new URL(request.url());
    if (pathname.startsWith('/api/')) asked.push(pathname);
  });
  await page.reload();
  await expect(page.getByTestId('sign-in')).toBeVisible();
  await page.waitForLoadState('networkidle');
  expect(asked.filter((path) => path !== '/api/sign-out')).toEqual([]);
  await context.unroute('**/api/sign-out');
  await expect.poll(async () => (await page.request.get('/api/me')).status(), { timeout: 15_000 }).toBe(401);
});

test('what one taps does not go out under the cookie of another who signed in in a second tab', async ({ page, context }) => {
  await signIn(page);
  const { rows } = (await (await page.request.get('/api/athletes?search=osk')).json()) as { rows: { id: string }[] };
  const id = rows[0]!.id;
  /** Reps of the newest session, as the server has them. */
  const reps = async (): Promise<number> => {
    const { timeline } = (await (await page.request.get(`/api/athletes/${id}`)).json()) as {
      timeline: { kind: string; text: string }[];
    };
    return Number(/^(\d+) reps/.exec(timeline.find((t) => t.kind === 'session')?.text ?? '')?.[1] ?? 0);
  };
  await page.goto(`/athletes/${id}/run`);
  const [start, good] = [page.getByTestId('nothing-hurts'), page.getByTestId('rep-good')];
  await expect(start.or(good)).toBeVisible();
  if (await start.isVisible()) await start.click();
  await good.click();
  await good.click();
  await expect(page.getByRole('status')).toHaveCount(0);
  await expect.poll(reps).toBeGreaterThan(1);
  const before = await reps();

  const second = await context.newPage();
  await signIn(second, OTHER);
  await good.click();
  // The first tab is the other one's now, and shows nothing of what was on it.
  await expect(good).toHaveCount(0);
  await expect(page.getByRole('link', { name: 'Athletes', exact: true })).toBeVisible();
  expect(await reps()).toBe(before);

  // It waits for whoever tapped it.
  await signIn(second, COACH);
  await expect.poll(reps).toBe(before + 1);
});
