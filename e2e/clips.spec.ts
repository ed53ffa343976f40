import { readFileSync } from 'node:fs';
import { expect, test } from './test';
import { choose, filmed, FOLDER, nameOf } from './film-steps';
import { addAthlete, signIn } from './steps';

const THEN = `${FOLDER}/tavi-then-side.webm`;

test('a file that is no clip is told so, and nothing is kept of it', async ({ page }, info) => {
  await signIn(page);
  const { url, id } = await filmed(page, nameOf(info.project.name, 'Paperbark'));
  await page.goto(`${url}/film`);
  const real = readFileSync(THEN);
  for (const [name, buffer, says] of [
    ['page.mp4', Buffer.from('<!doctype html>'.padEnd(400, ' ')), 'no MP4, MOV or WebM'],
    ['empty.webm', Buffer.alloc(0), 'is empty'],
    // A phone’s own format, made by an encoder: where it cannot be decoded, what to change on the phone is said.
    ['phone.mov', readFileSync(new URL('./fixtures/hevc.mov', import.meta.url)), /cannot decode HEVC.*share the clip as H\.264/],
    [
      'broken.webm',
      Buffer.concat([real.subarray(0, 40), Buffer.alloc(4000)]),
      /cannot be read|no picture|ends in the middle|fewer than two/,
    ],
  ] as const) {
    await choose(page, { name, mimeType: 'video/mp4', buffer });
    await expect(page.getByTestId('bad-clip')).toContainText(says);
  }
  expect(await (await page.request.get(`/api/athletes/${id}/clips`)).json()).toEqual([]);
});

test('without consent nothing can be brought in', async ({ page }, info) => {
  await signIn(page);
  const url = await addAthlete(page, nameOf(info.project.name, 'Quillhaven'));
  await page.goto(`${url}/film`);
  await expect(page.getByTestId('no-consent')).toBeVisible();
  await expect(page.getByTestId('bring-in')).toBeDisabled();
});

test('a clip works on the device before it is with the server, and its upload goes on where it stopped', async ({
  page,
}, info) => {
  await signIn(page);
  const { url, id } = await filmed(page, nameOf(info.project.name, 'Sedgewick'));
  // Large enough for two parts: what follows the video's end in the file is passed over by players.
  const file = Buffer.concat([readFileSync(THEN), readFileSync(`${FOLDER}/juna-side.webm`).subarray(0, 400_000)]);
  await page.goto(`${url}/film`);
  const parts: number[] = [];
  let cut = true;
  await page.route('**/bytes?from=*', (route) => {
    const from = Number(new URL(route.request().url()).searchParams.get('from'));
    parts.push(from);
    return cut && from > 0 ? route.abort() : route.continue();
  });
  await choose(page, { name: 'long.webm', mimeType: 'video/webm', buffer: file });
  await page.getByTestId('keep-clip').click();
  await expect(page.getByTestId('frame')).toHaveAttribute('data-shown', '0');
  await page.getByTestId('here-set').click();
  await page.goto(`${url}/film`);
  await expect(page.getByText('No connection; it goes on by itself.')).toBeVisible();
  const received = async () =>
    ((await (await page.request.get(`/api/athletes/${id}/clips`)).json()) as { received: number }[])[0]!.received;
  expect(await received()).toBe(1024 * 1024);
  cut = false;
  await page.evaluate(() => window.dispatchEvent(new Event('online')));
  await expect(page.getByText('not marked yet')).toBeVisible();
  await expect.poll(received).toBe(file.length);
  // The first part went once.
  expect(parts.filter((p) => p === 0)).toHaveLength(1);
  // What was marked meanwhile is still here, and is kept when it is saved.
  await page.getByRole('link', { name: /long\.webm/ }).click();
  await expect(page.getByTestId('event-set')).toContainText('by hand');
  await page.getByTestId('save-marks').click();
  await expect(page.getByTestId('save-marks')).toHaveText(/Saved/);
});

test('the athlete and the family see clips and measures, and change nothing', async ({ page }) => {
  await signIn(page, { name: 'tavi', password: 'net-in-the-yard' });
  await page.getByRole('link', { name: 'My delivery' }).click();
  await page.getByTestId('open-film').click();
  await expect(page.getByTestId('bring-in')).toHaveCount(0);
  await page.getByRole('link', { name: /tavi-now-side/ }).click();
  await expect(page.getByTestId('measure-stride-length-contact')).toBeVisible();
  await expect(page.getByTestId('part-joints')).toHaveCount(0);
  await expect(page.getByTestId('save-marks')).toHaveCount(0);
  await page.getByTestId('part-events').click();
  await expect(page.getByTestId('here-contact')).toHaveCount(0);
});
