import { expect, test } from './test';
import type { Browser, Page } from '@playwright/test';
import { addAthlete, signIn } from './steps';

/** Sign-in names are taken once and for all, so each run has its own. */
const markOf = (project: string): string => `${project}-${Date.now().toString(36)}`;

/** Somebody with a browser of their own. */
async function visitor(browser: Browser, like: Page): Promise<Page> {
  const context = await browser.newContext({ viewport: like.viewportSize(), baseURL: new URL(like.url()).origin });
  return context.newPage();
}

/** Invites from an athlete's page. @returns the link */
async function inviteFamily(page: Page, athlete: string, role: 'guardian' | 'athlete', name: string): Promise<string> {
  await page.goto(`${athlete}/family`);
  await page.getByTestId('invite-family').click();
  await page.getByTestId(`invite-${role}`).click();
  await page.getByTestId('invite-name').fill(name);
  await page.getByTestId('invite-make').click();
  await expect(page.getByRole('img', { name: 'The invitation’s link as a code' })).toBeVisible();
  return page.getByTestId('invitation-link').innerText();
}

async function joinBy(page: Page, link: string, signInName: string): Promise<void> {
  await page.goto(link);
  await page.getByTestId('join-sign-in').fill(signInName);
  await page.getByTestId('join-password').fill('seven quiet herons');
  await page.getByTestId('join').click();
}

test('a guardian joins by a link that works once, sees one child, and gives and takes back consent', async ({
  page,
  browser,
}, info) => {
  await signIn(page);
  const mark = markOf(info.project.name);
  const athlete = await addAthlete(page, `Aveline Rushmoor ${mark}`);
  const link = await inviteFamily(page, athlete, 'guardian', 'Corin Rushmoor');

  const guardian = await visitor(browser, page);
  await guardian.goto(link);
  await expect(guardian.getByTestId('join-what')).toContainText(`guardian for Aveline Rushmoor ${mark}`);
  await joinBy(guardian, link, `corin-${mark}`);
  await expect(guardian.getByRole('link', { name: 'My day' })).toBeVisible();

  // The same link, by somebody else: nothing.
  const thief = await visitor(browser, page);
  await thief.goto(link);
  await expect(thief.getByText('This link no longer works')).toBeVisible();
  await expect(thief.getByTestId('join')).toHaveCount(0);
  await thief.goto(link.replace(/#.*/, `#${'x'.repeat(43)}`));
  await expect(thief.getByText('This link no longer works')).toBeVisible();

  // One child and nobody else's; nothing that coaches decide.
  const others = await guardian.evaluate(async () => {
    const asked = async (path: string) => (await fetch(`/api${path}`)).status;
    return [await asked('/athletes'), await asked('/people'), await asked('/audit'), await asked('/today')];
  });
  expect(others).toEqual([403, 403, 403, 403]);
  await guardian.goto('/athletes');
  await expect(guardian.getByText('This is not yours to see')).toBeVisible();

  await guardian.goto(`${new URL(athlete).pathname}/family`);
  await expect(guardian.getByTestId('consent-film')).toContainText('Not asked yet');
  await guardian.getByTestId('consent-film-yes').click();
  await expect(guardian.getByTestId('consent-film')).toContainText('Given by Corin Rushmoor');
  await guardian.getByTestId('consent-film-no').click();
  await expect(guardian.getByTestId('consent-film')).toContainText('Taken back by Corin Rushmoor');
  await page.goto(`${athlete}/family`);
  await expect(page.getByTestId('consent-film')).toContainText('Taken back by Corin Rushmoor');

  // The child, with a sign-in of their own, cannot agree for themselves: not on the page, not past it.
  const child = await visitor(browser, page);
  await joinBy(child, await inviteFamily(page, athlete, 'athlete', 'Aveline'), `aveline-${mark}`);
  await expect(child.getByRole('link', { name: 'My day' })).toBeVisible();
  await child.goto(`${new URL(athlete).pathname}/family`);
  await expect(child.getByText('a parent or guardian of')).toBeVisible();
  await expect(child.getByTestId('consent-film-yes')).toHaveCount(0);
  const refused = await child.evaluate(async () => {
    const id = location.pathname.split('/')[2]!;
    const answer = await fetch(`/api/athletes/${id}/consents/${crypto.randomUUID()}`, {
      method: 'PUT',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({ kind: 'film', given: true }),
    });
    return answer.status;
  });
  expect(refused).toBe(403);

  // Outside throwing, by the guardian: it counts at once.
  await guardian.goto('/');
  await guardian.getByTestId('add-outing').click();
  await guardian.getByTestId('outing-catch').click();
  await guardian.getByTestId('outing-throws').fill('30');
  await guardian.getByTestId('save-outing').click();
  await expect(guardian.getByText('in seven days')).toBeVisible();
  await page.goto(athlete);
  await expect(page.getByText('30 throws playing catch')).toBeVisible();
});

test('guessing a password locks the guesser out and not the owner, and an owner’s link sets a new one', async ({
  page,
  browser,
}, info) => {
  await signIn(page);
  const mark = markOf(info.project.name);
  await page.goto('/desk/people');
  await page.getByTestId('invite').click();
  await page.getByTestId('invite-instructor').click();
  await page.getByTestId('invite-name').fill(`Lorne Ashby ${mark}`);
  await page.getByTestId('invite-make').click();
  const link = await page.getByTestId('invitation-link').innerText();
  const lorne = await visitor(browser, page);
  await joinBy(lorne, link, `lorne-${mark}`);
  await expect(lorne.getByRole('link', { name: 'Athletes' })).toBeVisible();
  await lorne.getByRole('link', { name: 'Desk' }).click();
  await lorne.getByTestId('sign-out').click();
  await expect(lorne.getByTestId('sign-in')).toBeVisible();

  const guesser = await visitor(browser, page);
  await guesser.goto('/');
  for (let n = 0; n < 6; n++) {
    await guesser.getByTestId('sign-in-name').fill(`lorne-${mark}`);
    await guesser.getByTestId('sign-in-password').fill(`guess number ${n}`);
    const answered = guesser.waitForResponse('**/api/sign-in');
    await guesser.getByTestId('sign-in').click();
    await answered;
  }
  await expect(guesser.getByRole('alert')).toContainText('Too many wrong passwords from here');

  // Lorne's own phone has been here before and still gets in.
  await lorne.getByTestId('sign-in-name').fill(`lorne-${mark}`);
  await lorne.getByTestId('sign-in-password').fill('seven quiet herons');
  await lorne.getByTestId('sign-in').click();
  await expect(lorne.getByRole('link', { name: 'Athletes' })).toBeVisible();

  // A phone never seen before, behind the same address as the guesser, gets in by the owner's link.
  await page.goto('/desk/people');
  await page.getByTestId(`person-lorne-${mark}`).click();
  await page.getByTestId('password-link').click();
  const reset = await page.getByTestId('invitation-link').innerText();
  await guesser.goto(reset);
  await guesser.getByTestId('join-password').fill('nine loud geese');
  await guesser.getByTestId('join').click();
  await expect(guesser.getByRole('link', { name: 'Athletes' })).toBeVisible();
  await lorne.goto('/desk');
  await expect(lorne.getByTestId('sign-in')).toBeVisible();
});

test('an athlete is erased only by an owner who types the name, and is gone everywhere', async ({ page, browser }, info) => {
  await signIn(page);
  const name = `Gone Tomorrow ${info.project.name} ${info.retry}`;
  const athlete = await addAthlete(page, name);
  const child = await visitor(browser, page);
  const signInName = `gone-${markOf(info.project.name)}`;
  await joinBy(child, await inviteFamily(page, athlete, 'athlete', name), signInName);
  await expect(child.getByRole('link', { name: 'My day' })).toBeVisible();

  const helper = await visitor(browser, page);
  await signIn(helper, { name: 'assistant', password: 'second-pair-of-eyes' });
  await helper.goto(`${new URL(athlete).pathname}/record`);
  await expect(helper.getByTestId('export')).toBeVisible();
  await expect(helper.getByTestId('erase-look')).toHaveCount(0);

  await page.goto(`${athlete}/record`);
  await page.getByTestId('erase-look').click();
  await expect(page.getByTestId('erase-what')).toContainText(signInName);
  await expect(page.getByTestId('erase')).toBeDisabled();
  await page.getByTestId('erase-name').fill('Gone');
  await expect(page.getByTestId('erase')).toBeDisabled();
  await page.getByTestId('erase-name').fill(name);
  await page.getByTestId('erase').click();
  await expect(page.getByRole('heading', { name: 'Athletes' })).toBeVisible();
  await page.getByLabel('Search by name').fill(name);
  await expect(page.getByText('Nobody fits')).toBeVisible();
  await page.goto(athlete);
  await expect(page.getByText('There is no such athlete')).toBeVisible();
  await child.reload();
  await expect(child.getByTestId('sign-in')).toBeVisible();
});
