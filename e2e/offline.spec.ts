/** The cage has no signal: the app is opened there, worked with, and sends everything when it is back. */
import { randomUUID } from 'node:crypto';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium } from '@playwright/test';
import type { BrowserContext, Page } from '@playwright/test';
import { args } from './playwright.config';
import { COACH } from './steps';
import { expect, test } from './test';
import { CHROMIUM } from '../scripts/lib/browser.mjs';

/** Addresses of what this device keeps. */
const keptAddresses = (page: Page): Promise<string[]> =>
  page.evaluate(
    () =>
      new Promise<string[]>((resolve, reject) => {
        const opening = indexedDB.open('wrightonic');
        opening.onerror = () => reject(new Error('the store does not open'));
        opening.onsuccess = () => {
          const db = opening.result;
          if (!db.objectStoreNames.contains('answers')) return resolve([]);
          const asked = db.transaction('answers').objectStore('answers').getAllKeys();
          asked.onsuccess = () => {
            db.close();
            resolve(asked.result.map(String));
          };
        };
      }),
  );

const nav = (page: Page) => page.getByRole('navigation');

let folder: string;
let opened: BrowserContext | null = null;
test.beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'profile-'));
});
test.afterEach(async () => {
  await opened?.close();
  opened = null;
  rmSync(folder, { recursive: true, force: true });
});

/** A browser with the profile of before, as a phone. */
async function start(baseURL: string): Promise<{ context: BrowserContext; page: Page }> {
  await opened?.close();
  const context = await chromium.launchPersistentContext(folder, {
    executablePath: CHROMIUM,
    args,
    baseURL,
    viewport: { width: 390, height: 844 },
    hasTouch: true,
    isMobile: true,
    serviceWorkers: 'allow',
  });
  opened = context;
  return { context, page: context.pages()[0] ?? (await context.newPage()) };
}

async function signInAndWait(context: BrowserContext, page: Page): Promise<{ id: string; name: string }> {
  const answer = await context.request.post('/api/sign-in', { data: { signIn: COACH.name, password: COACH.password } });
  expect(answer.status()).toBe(200);
  const { rows } = (await (await context.request.get('/api/today')).json()) as {
    rows: { athlete: { id: string; name: string; locked: boolean }; assignment: { done: boolean } }[];
  };
  const next = rows.find((row) => !row.assignment.done)!.athlete;
  await page.goto('/');
  await expect(nav(page)).toBeVisible();
  await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
  // Today's athletes are taken along without anybody opening them.
  await expect
    .poll(async () => (await keptAddresses(page)).filter((key) => key.includes(`/athletes/${next.id}/`)).length, {
      timeout: 30_000,
    })
    .toBeGreaterThan(2);
  return next;
}

/** Looks that the judgement of an athlete rests on, as their buttons are called. */
async function looksOf(context: BrowserContext, athlete: string): Promise<string[]> {
  const { evidence } = (await (await context.request.get(`/api/athletes/${athlete}/diagnosis`)).json()) as {
    evidence: { evidence: { kind: string; finding?: string; answer?: string } }[];
  };
  return evidence.flatMap(({ evidence: item }) => (item.kind === 'eye' ? [`${item.finding}-${item.answer}`] : []));
}

/** Reps of all sessions that the athlete's page lists. */
async function repsOf(context: BrowserContext, athlete: string): Promise<number> {
  const { timeline } = (await (await context.request.get(`/api/athletes/${athlete}`)).json()) as {
    timeline: { kind: string; text: string }[];
  };
  return timeline.reduce(
    (total, { kind, text }) => total + (kind === 'session' ? Number(/^(\d+) reps/.exec(text)?.[1] ?? 0) : 0),
    0,
  );
}

test('installed: it has a name, icons that are there, and a worker that answers for every address', async ({ baseURL }) => {
  const { context, page } = await start(baseURL!);
  await signInAndWait(context, page);
  const manifest = (await (await context.request.get('/app.webmanifest')).json()) as {
    name: string;
    start_url: string;
    display: string;
    icons: { src: string; sizes: string; purpose: string }[];
  };
  expect([manifest.name, manifest.start_url, manifest.display]).toEqual(['Wrightonic', '/', 'standalone']);
  expect(manifest.icons.map((icon) => `${icon.sizes} ${icon.purpose}`)).toEqual([
    '192x192 any',
    '512x512 any',
    '512x512 maskable',
  ]);
  for (const { src, sizes } of manifest.icons) {
    const size = await page.evaluate(async (address) => {
      const image = await createImageBitmap(await (await fetch(address)).blob());
      return `${image.width}x${image.height}`;
    }, src);
    expect([src, size]).toEqual([src, sizes]);
  }
  await context.setOffline(true);
  await page.goto('/drills');
  await expect(nav(page)).toBeVisible();
  // What is nobody's file is not answered by the page.
  expect(
    await page.evaluate(() =>
      fetch('/api/me').then(
        () => 'answered',
        () => 'away',
      ),
    ),
  ).toBe('away');
});

test('a browser that is started without a network opens the day, runs a session, and sends it once it is back', async ({
  baseURL,
}) => {
  const first = await start(baseURL!);
  const { id, name } = await signInAndWait(first.context, first.page);
  const before = await repsOf(first.context, id);
  const looksBefore = await looksOf(first.context, id);

  const { context, page } = await start(baseURL!);
  await context.setOffline(true);
  await page.goto('/');
  await expect(page.getByTestId('connection')).toContainText('Shown as it was at');
  await page.getByTestId('start-lesson').click();
  const [begin, good] = [page.getByTestId('nothing-hurts'), page.getByTestId('rep-good')];
  await expect(begin.or(good)).toBeVisible();
  if (await begin.isVisible()) await begin.click();
  for (let rep = 0; rep < 5; rep++) await good.click();
  const kept = async () => Number(/(\d+) entries/.exec((await page.getByTestId('connection').textContent()) ?? '')?.[1] ?? 0);
  // The session's start and its reps; each is said to be kept once the device has written it down.
  await expect.poll(kept).toBeGreaterThanOrEqual(5);
  const reps = await kept();
  // A look is taken and judged on the device.
  await page.goto(`/athletes/${id}/look`);
  const yes = page.locator('[data-testid$="-yes"][aria-pressed="false"]').first();
  const seen = (await yes.getAttribute('data-testid'))!;
  await yes.click();
  await expect(page.getByTestId(seen)).toHaveAttribute('aria-pressed', 'true');
  await expect.poll(kept).toBe(reps + 1);

  // Killed in the middle, still without a network.
  const later = await start(baseURL!);
  await later.context.setOffline(true);
  await later.page.goto(`/athletes/${id}`);
  await expect(later.page.getByRole('heading', { name })).toBeVisible();
  await expect(later.page.getByTestId('connection')).toContainText(`${reps + 1} entries of one athlete are kept on this device`);

  await later.context.setOffline(false);
  await expect(later.page.getByTestId('connection')).toBeHidden({ timeout: 30_000 });
  await expect.poll(async () => (await repsOf(later.context, id)) - before).toBe(5);
  const times = (looks: readonly string[]) => looks.filter((look) => look === seen).length;
  // What was tapped last is sent last.
  await expect.poll(async () => times(await looksOf(later.context, id)) - times(looksBefore)).toBe(1);
});

/** Eight made-up athletes in a group of their own. @returns their ids by name */
async function groupOfEight(context: BrowserContext): Promise<ReadonlyMap<string, string>> {
  const ids = new Map<string, string>();
  for (let n = 1; n <= 8; n++) {
    const [id, name] = [randomUUID(), `Line Number${n} ${Date.now()}`];
    const put = await context.request.put(`/api/athletes/${id}`, {
      data: {
        name,
        discipline: 'overhand',
        throws: n % 3 === 0 ? 'L' : 'R',
        birthDate: '2010-03-14',
        heightM: 1.78,
        massKg: 70,
        level: 'high-school',
        season: 'off',
        availability: [],
        equipment: ['strap'],
        partner: false,
        schools: {},
      },
    });
    expect(put.status()).toBe(200);
    ids.set(name, id);
  }
  const group = await context.request.put(`/api/groups/${randomUUID()}`, {
    data: { name: 'Line of eight', athletes: [...ids.values()] },
  });
  expect(group.status()).toBe(200);
  return ids;
}

test('a line of eight is run without a network, the browser killed in between, and every rep arrives once', async ({
  baseURL,
}) => {
  test.setTimeout(240_000);
  const first = await start(baseURL!);
  const answer = await first.context.request.post('/api/sign-in', { data: { signIn: COACH.name, password: COACH.password } });
  expect(answer.status()).toBe(200);
  const athletes = await groupOfEight(first.context);
  await first.page.goto('/');
  await expect(nav(first.page)).toBeVisible();
  await first.page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
  const keptOfEight = async () =>
    (await keptAddresses(first.page)).filter((key) => [...athletes.values()].some((id) => key.includes(`/athletes/${id}/work`)))
      .length;
  await expect.poll(keptOfEight, { timeout: 60_000 }).toBe(8);

  const { context, page } = await start(baseURL!);
  await context.setOffline(true);
  await page.goto('/group-run');
  await page.getByTestId('group-Line of eight').click();
  await page.getByTestId('gather').click();
  // One of them hurts: throws are closed to that one, and to nobody else.
  const [hurt] = [...athletes.keys()];
  await page.getByTestId(`hurts-${hurt}`).click();
  await page.getByTestId('something-hurts').click();
  await page.getByTestId('pain-elbow').click();
  await page.getByTestId('pain-score-2').click();
  await page.getByTestId('report-pain').click();
  await page.getByTestId('group-start').click();
  await page.getByTestId('other-drill').click();
  await page.getByTestId('pick-drill').fill('Knee gate');
  await page.getByTestId('drill-knee-gate').click();
  await expect(page.getByTestId(`line-${hurt}`)).toContainText('elbow');
  const taps = async (on: Page, count: number) => {
    for (let n = 0; n < count; n++) await on.getByTestId(n % 5 === 4 ? 'rep-off' : 'rep-good').click();
  };
  await taps(page, 30);
  await page.getByTestId('undo').click();
  await page.getByTestId('skip').click();
  await expect(page.getByTestId('connection')).toContainText('of 8 athletes');

  // The browser is killed; the line stands as it was.
  const later = await start(baseURL!);
  await later.context.setOffline(true);
  await later.page.goto('/group-run');
  await expect(later.page.getByTestId('front')).toBeVisible();
  await taps(later.page, 10);
  await later.context.setOffline(false);
  await expect(later.page.getByTestId('connection')).toBeHidden({ timeout: 60_000 });
  await expect
    .poll(async () => {
      const reps = await Promise.all([...athletes.values()].map((id) => repsOf(later.context, id)));
      return reps.reduce((sum, n) => sum + n, 0);
    })
    .toBe(39);
  // A turn for each: nobody had more than one rep more than another, and the hurt one none.
  const each = await Promise.all([...athletes].map(async ([name, id]) => [name, await repsOf(later.context, id)] as const));
  expect(new Map(each).get(hurt!)).toBe(0);
  const others = each.filter(([name]) => name !== hurt).map(([, n]) => n);
  expect(Math.max(...others) - Math.min(...others)).toBeLessThanOrEqual(2);
});

test('whoever signs out leaves nothing on the device that they were answered', async ({ baseURL }) => {
  const { context, page } = await start(baseURL!);
  await signInAndWait(context, page);
  await nav(page).getByRole('link', { name: 'Desk', exact: true }).click();
  await context.setOffline(true);
  await page.getByTestId('sign-out').click();
  await expect(page.getByTestId('sign-in')).toBeVisible();
  expect(await keptAddresses(page)).toEqual([]);
  await page.goto('/');
  await expect(page.getByTestId('sign-in')).toBeVisible();
});
