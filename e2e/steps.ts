import { randomUUID } from 'node:crypto';
import { expect } from '@playwright/test';
import type { Page } from '@playwright/test';

export const COACH = { name: 'coach', password: 'bench-and-chalk' };
const DAYS = ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'];
export const ATHLETE = { name: 'tavi', password: 'net-in-the-yard' };

/** Signed in already, and at the first screen. Signing in by hand is a test of its own. */
export async function signIn(page: Page, who: { name: string; password: string } = COACH): Promise<void> {
  const answer = await page.request.post('/api/sign-in', { data: { signIn: who.name, password: who.password } });
  expect(answer.status()).toBe(200);
  await page.goto('/');
  await expect(page.getByRole('navigation')).toBeVisible();
}

/** Goes to an address as a link does, within the page that is open. */
export async function goWithin(page: Page, path: string): Promise<void> {
  await page.evaluate((to) => {
    history.pushState(null, '', to);
    dispatchEvent(new PopStateEvent('popstate', { state: null }));
  }, path);
}

/** Signs in as people do. */
export async function signInByHand(page: Page, who: { name: string; password: string } = COACH): Promise<void> {
  await page.goto('/');
  await page.getByTestId('sign-in-name').fill(who.name);
  await page.getByTestId('sign-in-password').fill(who.password);
  await page.getByTestId('sign-in').click();
  await expect(page.getByRole('navigation')).toBeVisible();
}

/** Writes straight to the server as whoever is signed in: what is not the matter of a test is there at once. */
async function put(page: Page, path: string, data: object): Promise<void> {
  const answer = await page.request.put(`/api${path}`, { data });
  expect([path, answer.status(), answer.ok() ? '' : await answer.text()]).toEqual([path, 200, '']);
}

/** An athlete as the form would make one, and their page. @returns its address */
export async function addAthlete(page: Page, name: string): Promise<string> {
  const id = randomUUID();
  await put(page, `/athletes/${id}`, {
    name,
    discipline: 'overhand',
    throws: 'R',
    birthDate: '2010-03-14',
    heightM: 1.78,
    massKg: 70,
    level: 'high-school',
    season: 'off',
    availability: DAYS.map((weekday) => ({ weekday, minutes: 60, place: 'cage' })),
    equipment: ['strap', 'tape'],
    partner: false,
    schools: {},
  });
  await page.goto(`/athletes/${id}`);
  await expect(page.getByRole('heading', { name })).toBeVisible();
  return page.url();
}

/** Looks as the Look screen would keep them. */
export async function saw(
  page: Page,
  athlete: string,
  answers: Readonly<Record<string, 'yes' | 'no' | 'unsure'>>,
): Promise<void> {
  const { academy } = (await (await page.request.get('/api/me')).json()) as { academy: { today: string } };
  const path = new URL(athlete).pathname;
  for (const [finding, answer] of Object.entries(answers))
    await put(page, `${path}/observations/${randomUUID()}`, {
      on: academy.today,
      evidence: { kind: 'eye', finding, answer },
    });
}

/** Adds an athlete through the form. @returns the athlete's page address */
export async function addAthleteByHand(page: Page, name: string): Promise<string> {
  await page.getByRole('link', { name: 'Athletes' }).click();
  await page.getByRole('button', { name: 'Add', exact: true }).click();
  await page.getByTestId('new-name').fill(name);
  await page.getByTestId('new-born').fill('14.3.2010');
  await page.getByTestId('new-overhand').click();
  await page.getByTestId('new-R').click();
  await page.getByTestId('intake-next').click();
  await page.getByTestId('new-height').fill('178');
  await page.getByTestId('new-mass').fill('70');
  await page.getByTestId('new-high-school').click();
  await page.getByTestId('intake-next').click();
  await expect(page.getByRole('heading', { name: 'Who can be reached, and who agrees?' })).toBeVisible();
  await page.getByRole('tab', { name: 'Week' }).click();
  // Every day at the cage, so that today has work: two taps, home then cage.
  for (const day of DAYS) {
    await page.getByTestId(`day-${day}`).click();
    await page.getByTestId(`day-${day}`).click();
  }
  await page.getByRole('button', { name: 'strap', exact: true }).click();
  await page.getByRole('button', { name: 'tape', exact: true }).click();
  await page.getByTestId('intake-later').click();
  await expect(page.getByRole('heading', { name })).toBeVisible();
  return page.url();
}

/** Answers looks on the Look screen, going from link to link. */
export async function look(page: Page, answers: Readonly<Record<string, 'yes' | 'no' | 'unsure'>>): Promise<void> {
  const left = new Map(Object.entries(answers));
  for (let link = 0; link < 8 && left.size > 0; link++) {
    await expect(page.getByText(`${link + 1} of 8`)).toBeVisible();
    const more = page.getByTestId('more-looks');
    if ((await more.count()) > 0) await more.click();
    for (const [finding, answer] of [...left]) {
      const button = page.getByTestId(`${finding}-${answer}`);
      if ((await button.count()) === 0) continue;
      await button.click();
      await expect(button).toHaveAttribute('aria-pressed', 'true');
      left.delete(finding);
    }
    const next = page.getByTestId('next-link');
    if ((await next.count()) === 0) break;
    await next.click();
  }
  expect([...left.keys()]).toEqual([]);
}
