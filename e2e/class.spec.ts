import { addAthlete, signIn } from './steps';
import { expect, test } from './test';

test('a class link by link: one tap a child marks a look, undo takes it back, and the judgement has what stayed @once', async ({
  page,
}) => {
  await signIn(page);
  const names = ['Pell Astonridge', 'Quin Barrowmead'];
  const pages: string[] = [];
  for (const name of names) pages.push(await addAthlete(page, name));
  await page.goto('/group-run');
  for (const name of names) {
    await page.getByTestId('pick-athlete').fill(name);
    await page.getByTestId(`pick-${name}`).click();
  }
  await page.getByTestId('gather-class').click();
  await page.getByTestId('teach-move').click();
  await expect(page.getByTestId('front')).toHaveText(names[0]!);
  await page.getByTestId('rep-off').click();
  await expect(page.getByTestId('front')).toHaveText(names[1]!);
  await page.getByTestId('rep-off').click();
  await expect(page.getByText('Everybody has shown it')).toBeVisible();
  await page.getByTestId('undo').click();
  await page.getByTestId('rep-good').click();
  await page.getByTestId('end-class').click();
  await expect(page.getByText(`Not yet: ${names[0]}`)).toBeVisible();
  await expect(page.getByText(`Shown well: ${names[1]}`)).toBeVisible();
  await page.getByTestId('class-end').click();
  const answers = async (at: string) => {
    const answer = await page.request.get(`/api${new URL(at).pathname}/diagnosis`);
    const { evidence } = (await answer.json()) as { evidence: { evidence: { kind: string; answer?: string } }[] };
    return evidence.map((e) => e.evidence.answer);
  };
  await expect.poll(() => answers(pages[0]!)).toEqual(['yes']);
  await expect.poll(() => answers(pages[1]!)).toEqual(['no']);
});
