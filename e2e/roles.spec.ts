import { COACH, signIn } from './steps';
import { expect, test } from './test';

const PEOPLE = {
  owner: COACH,
  instructor: { name: 'assistant', password: 'second-pair-of-eyes' },
  station: { name: 'station', password: 'one-station-only' },
  athlete: { name: 'tavi', password: 'net-in-the-yard' },
  guardian: { name: 'guardian', password: 'two-at-the-table' },
};
/** Where each role gets to; every other screen must be refused. The child of the guardian is the athlete. */
const CLOSED: Record<keyof typeof PEOPLE, RegExp> = {
  owner: /^$/,
  instructor: /desk\/(settings|bands)$/,
  station:
    /^\/athletes\/(new|[^/]+(\/(intake|family|record|body|check|look|what|plan|numbers))?)$|my-delivery|my-numbers|desk\/(settings|bands|people|groups|import|audit)$/,
  athlete: /^\/athletes(\/new|\/[^/]+\/(intake|body|check|look|what))?$|desk\/(settings|bands|people|groups|import|audit)$/,
  guardian: /^\/athletes(\/new|\/[^/]+\/(intake|body|check|look|what))?$|desk\/(settings|bands|people|groups|import|audit)$/,
};

for (const role of Object.keys(PEOPLE) as (keyof typeof PEOPLE)[])
  test(`as ${role}, every screen opens or says that it is not theirs`, async ({ page, browser, baseURL }) => {
    const errors: string[] = [];
    const coach = await browser.newPage({ baseURL: baseURL! });
    await signIn(coach);
    const { rows } = (await (await coach.request.get('/api/athletes?search=tavi')).json()) as { rows: { id: string }[] };
    const tavi = rows[0]!.id;
    await coach.close();
    page.on('pageerror', (error) => errors.push(error.message));
    await signIn(page, PEOPLE[role]);
    const paths = [
      '/athletes',
      '/athletes/new',
      ...['', '/intake', '/family', '/record', '/body', '/check', '/look', '/what', '/plan', '/numbers', '/run'].map(
        (p) => `/athletes/${tavi}${p}`,
      ),
      '/drills',
      '/desk',
      ...['account', 'settings', 'bands', 'people', 'groups', 'import', 'audit'].map((p) => `/desk/${p}`),
    ];
    for (const path of paths) {
      await page.goto(path);
      await expect(page.getByRole('progressbar')).toHaveCount(0);
      const closed = CLOSED[role].test(path);
      await expect(page.getByText('This is not yours to see')).toHaveCount(closed ? 1 : 0);
      if (!closed) await expect(page.locator('body')).not.toContainText('you are signed in as');
    }
    await page.goto('/nowhere/at/all');
    await expect(page.getByText('There is nothing here')).toBeVisible();
    expect(errors).toEqual([]);
  });
