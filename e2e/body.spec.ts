import { expect, test } from './test';
import { addAthlete, saw, signIn } from './steps';

test(
  'a body value changes the diagnosis and the next test; a slip is corrected; a pause loses nothing',
  { tag: '@once' },
  async ({ page }, info) => {
    await signIn(page);
    const athlete = await addAthlete(page, `Hanne Wolmer ${info.project.name} ${info.retry}`);
    await saw(page, athlete, { 'late-hips': 'yes', 'turn-together': 'yes', stall: 'no' });
    await page.goto(`${athlete}/body`);
    await expect(page.getByTestId('worth-first')).toContainText('Hip turning in, right');
    await page.getByTestId('short-check').click();
    const name = page.getByTestId('step-name');
    for (let n = 0; n < 6 && !(await name.innerText()).startsWith('Hip turning in, right'); n++)
      await page.getByTestId('skip-step').click();
    await expect(name).toContainText('Hip turning in, right');
    // By hand: the dial starts at the threshold; two times five down.
    await page.getByTestId('dial-less-5').click();
    await page.getByTestId('dial-less-5').click();
    await page.getByTestId('take').click();
    await page.getByTestId('take').click();
    await expect(page.getByTestId('step-value')).toContainText('20° ± 2.1: a limit');
    await expect(page.getByTestId('limits')).toContainText('hips', { timeout: 10_000 });
    // Straight after a hold it reads more; the value stays what it was.
    await page.getByTestId('after-hold').click();
    await page.getByTestId('dial-more-5').click();
    await page.getByTestId('dial-more-5').click();
    await page.getByTestId('take').click();
    await expect(page.getByTestId('moved')).toContainText('it changes');
    await expect(page.getByTestId('step-value')).toContainText('20° ± 2.1');

    await page.getByTestId('pause-check').click();
    await expect(page.getByTestId('go-on-check')).toBeVisible();
    await page.reload();
    await expect(page.getByTestId('test-hip-internal-rotation')).toContainText('20°');
    await expect(page.getByText('1. Hip turning in, right')).toHaveCount(0);
    await page.goto(`${athlete}/what`);
    await expect(page.getByTestId('first-root')).toContainText('drive hip does not turn in');
  },
);

test('pain ends a test and locks what it must', { tag: '@once' }, async ({ page }, info) => {
  await signIn(page);
  const athlete = await addAthlete(page, `Ottil Brackwater ${info.project.name} ${info.retry}`);
  await page.goto(`${athlete}/body`);
  await page.getByTestId('short-check').click();
  await page.getByTestId('it-hurts').click();
  await page.getByTestId('something-hurts').click();
  await page.getByTestId('pain-shoulder').click();
  await page.getByTestId('pain-score-4').click();
  await page.getByTestId('report-pain').click();
  await expect(page.getByText('Ended: it hurt (shoulder, 4)')).toBeVisible();
  await expect(page.getByTestId('take')).toHaveCount(0);
  await expect
    .poll(async () => {
      const id = new URL(athlete).pathname.split('/')[2]!;
      const work = (await (await page.request.get(`/api/athletes/${id}/work`)).json()) as {
        workload: { today: { locked: object | null } };
      };
      return work.workload.today.locked !== null;
    })
    .toBe(true);
  await page.goto(athlete);
  await expect(page.getByTestId('locked')).toBeVisible();
});
