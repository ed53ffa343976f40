import { misfitsOf, violationsOf } from './accessible';
import { COACH, goWithin, signIn } from './steps';
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
    /^\/athletes\/(new|[^/]+(\/(intake|family|record|body|check|look|what|causes|what-if|plan|numbers|film|compare))?)$|hand-outs|camps\/.*\/(build|reports)|my-delivery|my-numbers|desk\/(settings|bands|findings|people|groups|guns|import|audit)$/,
  athlete:
    /^\/athletes(\/new|\/[^/]+\/(intake|body|check|look|what|causes|what-if))?$|group-run|hand-outs|camps|desk\/(settings|bands|findings|people|groups|guns|import|audit)$/,
  guardian:
    /^\/athletes(\/new|\/[^/]+\/(intake|body|check|look|what|causes|what-if))?$|group-run|hand-outs|camps|desk\/(settings|bands|findings|people|groups|guns|import|audit)$/,
};

/** What axe reads: between the two every screen. */
const READ: Partial<Record<string, RegExp>> = { owner: /./, athlete: /^\/(my-.*)?$/ };
const OF_ATHLETE = [
  '',
  'intake',
  'family',
  'record',
  'body',
  'check',
  'film',
  'compare',
  'look',
  'what',
  'causes',
  'what-if',
].concat('plan', 'numbers', 'run');

/** In how many tests a role's screens are opened: reading them takes longest. */
const PARTS: Partial<Record<string, number>> = { owner: 3 };

// Nothing is changed here: the tests may run beside each other, each browser with its own academy.
test.describe.configure({ mode: 'parallel' });

interface Part {
  role: keyof typeof PEOPLE;
  part: number;
  parts: number;
}

const EACH: Part[] = (Object.keys(PEOPLE) as (keyof typeof PEOPLE)[]).flatMap((role) => {
  const parts = PARTS[role] ?? 1;
  return Array.from({ length: parts }, (_, part) => ({ role, part, parts }));
});

for (const { role, part, parts } of EACH)
  test(`as ${role}, every screen opens or says that it is not theirs${READ[role] ? ', and axe has nothing to say' : ''}${
    parts > 1 ? ` (${part + 1} of ${parts})` : ''
  }`, async ({ page, browser, baseURL }) => {
    test.setTimeout(240_000);
    const errors: string[] = [];
    const violations: string[] = [];
    const titles = new Set<string>();
    let before = '';
    const coach = await browser.newPage({ baseURL: baseURL! });
    await signIn(coach);
    const { rows } = (await (await coach.request.get('/api/athletes?search=tavi')).json()) as { rows: { id: string }[] };
    const tavi = rows[0]!.id;
    const camps = (await (await coach.request.get('/api/camps')).json()) as { id: string; name: string }[];
    const camp = camps.find((c) => c.name === 'Barn weekend')!.id;
    await coach.close();
    page.on('pageerror', (error) => errors.push(error.message));
    // Whoever may see everything is refused nothing.
    if (role === 'owner')
      page.on('console', (message) => {
        if (message.type() === 'error' && !/401/.test(message.text())) errors.push(message.text());
      });
    await signIn(page, PEOPLE[role]);
    const paths = [
      '/',
      ...(role === 'athlete' ? ['/my-delivery', '/my-numbers', '/my-run'] : []),
      '/athletes',
      '/athletes/new',
      '/group-run',
      '/camps',
      ...['', '/build', '/board', '/reports'].map((p) => `/camps/${camp}${p}`),
      '/hand-outs',
      ...OF_ATHLETE.map((p) => `/athletes/${tavi}${p && `/${p}`}`),
      '/drills',
      '/desk',
      ...['account', 'settings', 'bands', 'findings', 'people', 'groups', 'guns', 'import', 'audit'].map((p) => `/desk/${p}`),
    ].filter((_, n) => n % parts === part);
    for (const path of paths) {
      const closed = CLOSED[role].test(path);
      // No way within leads to what is closed: its address is opened. So is every screen once, by the owner.
      if (role === 'owner' || closed) await page.goto(path, { waitUntil: 'commit' });
      else await goWithin(page, path);
      // The page is another one: no two are called alike.
      await page.waitForFunction((was) => document.title !== was && document.title.endsWith(' · Wrightonic'), before);
      before = await page.title();
      await expect(page.getByRole('heading', { level: 1 }).first()).toBeVisible();
      await expect(page.getByRole('progressbar')).toHaveCount(0);
      await expect(page.getByText('This is not yours to see'), path).toHaveCount(closed ? 1 : 0);
      if (!closed) await expect(page.locator('body')).not.toContainText('you are signed in as');
      titles.add(before);
      if (role === 'owner') expect({ path, ...(await misfitsOf(page)) }).toEqual({ path, sideways: 0, unnamed: 0 });
      if (READ[role]?.test(path)) violations.push(...(await violationsOf(page)));
    }
    expect(violations).toEqual([]);
    expect(titles.size).toBe(paths.length);
    expect(errors).toEqual([]);
    await page.goto('/nowhere/at/all');
    await expect(page.getByText('There is nothing here')).toBeVisible();
    expect(errors).toEqual([]);
  });
