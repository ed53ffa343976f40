import { expect, test } from './test';
import { signIn } from './steps';

test(
  'targets and spots are tapped on the plate, kept without a connection, and told as command',
  { tag: '@once' },
  async ({ page, context }) => {
    await signIn(page);
    const { id, nth } = await page.evaluate(async () => {
      const { rows } = (await (await fetch('/api/today')).json()) as {
        rows: { athlete: { id: string; locked: boolean }; assignment: { done: boolean } }[];
      };
      for (const { athlete, assignment } of rows) {
        if (athlete.locked || assignment.done) continue;
        const work = (await (await fetch(`/api/athletes/${athlete.id}/work`)).json()) as {
          today: { session: { items: { throws: number }[] } } | null;
          workload: { today: { throwsLeft: number } };
        };
        const at = work.today?.session.items.findIndex((item) => item.throws > 0) ?? -1;
        if (at >= 0 && work.workload.today.throwsLeft > 0) return { id: athlete.id, nth: at };
      }
      throw new Error('nobody throws today');
    });
    const command = () =>
      page.evaluate(
        async (athlete) => (await (await fetch(`/api/athletes/${athlete}/progress`)).json()).command as { throws: number } | null,
        id,
      );
    const before = (await command())?.throws ?? 0;
    await page.goto(`/athletes/${id}/run`);
    const [begin, good] = [page.getByTestId('nothing-hurts'), page.getByTestId('rep-good')];
    await expect(begin.or(good)).toBeVisible();
    if (await begin.isVisible()) await begin.click();
    for (let n = 0; n < nth; n++) await page.getByTestId('next-drill').click();
    await page.getByTestId('open-spot').click();
    await expect(page.getByTestId('spot-question')).toHaveText('Where is the target?');
    await page.getByRole('button', { name: 'low, glove side', exact: true }).click();
    await context.setOffline(true);
    await good.click();
    await page.getByRole('button', { name: 'low, glove side', exact: true }).click();
    await good.click();
    // By key it is the middle of the part.
    await page.getByRole('button', { name: 'high, arm side', exact: true }).focus();
    await page.keyboard.press('Enter');
    await expect(page.getByText(/2 of 2 throws in the zone/)).toBeVisible();
    await context.setOffline(false);
    await expect.poll(async () => ((await command())?.throws ?? 0) - before, { timeout: 30_000 }).toBe(2);
    await page.goto(`/athletes/${id}/numbers`);
    await expect(page.getByText(/in the zone, .* from the target/).first()).toBeVisible();
  },
);
