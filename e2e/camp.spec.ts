import { randomUUID } from 'node:crypto';
import { violationsOf } from './accessible';
import { addAthlete, goWithin, signIn } from './steps';
import { expect, test } from './test';

/** A camp as it was answered. */
interface Camp {
  readonly id: string;
  readonly revision: number;
  readonly visits: readonly { athlete: string; day: number; rotation: number; station: string }[];
  readonly stations: readonly { id: string; name: string }[];
  readonly athletes: readonly { athlete: string; name: string; locked: string | null }[];
  readonly broken: readonly string[];
}

test('a camp is built, scheduled, published, run from the board and by a station, and sends its reports home @once', async ({
  page,
  browser,
  baseURL,
}) => {
  test.setTimeout(240_000);
  await signIn(page);
  const names = ['Ansel Moorhen', 'Bryn Moorhen', 'Cato Moorhen', 'Dilys Moorhen'];
  for (const name of names) await addAthlete(page, name);

  // Built by hand: name, stations, athletes.
  await goWithin(page, '/camps');
  await page.getByTestId('camp-new').click();
  await page.getByTestId('camp-name').fill('Moorhen day');
  const { academy } = (await (await page.request.get('/api/me')).json()) as { academy: { today: string } };
  await page.getByTestId('day-0').fill(academy.today);
  await page.getByTestId('start-0').fill('23:20');
  await page.getByTestId('rotations-0').fill('4');
  await page.getByTestId('minutes-0').fill('5');
  for (const kind of ['radar', 'film', 'rest']) await page.getByTestId(`add-${kind}`).click();
  await page.getByTestId('add-drill').click();
  await page.getByTestId('pick-drill').fill('march');
  await page.getByTestId('drill-march-and-reach').click();
  await page.getByTestId('station-March and reach').click();
  await page.getByTestId('station-coach-Mina Oxcroft').click();
  await page.getByTestId('station-done').click();
  for (const name of names) {
    await page.getByTestId('pick-athlete').fill(name);
    await page.getByTestId(`pick-${name}`).click();
    await expect(page.getByTestId(`comer-${name}`)).toBeVisible();
  }
  await page.getByTestId('camp-save').click();
  await expect(page.getByRole('heading', { name: 'Moorhen day' })).toBeVisible();
  const id = new URL(page.url()).pathname.split('/').pop()!;
  const camp = async (): Promise<Camp> => (await (await page.request.get(`/api/camps/${id}`)).json()) as Camp;

  // Scheduled and published, unless the clock of the machine is past its start.
  const scheduled = page.waitForResponse((r) => r.url().endsWith('/schedule'));
  await page.getByTestId('camp-schedule').click();
  expect((await scheduled).status()).toBe(200);
  await expect(page.getByText('drill visits for a focus')).toBeVisible();
  await page.getByTestId('camp-publish').click();
  await page.getByTestId('camp-board').click();
  await expect(page.getByTestId('board-missing')).toContainText('Ansel Moorhen');
  expect(await violationsOf(page)).toEqual([]);

  // The gate: three have come, one has not.
  await page.getByTestId('board-gate').click();
  for (const name of names.slice(0, 3)) {
    await page.getByTestId(`here-${name}`).click();
    await expect(page.getByTestId(`here-${name}`)).toHaveAttribute('aria-pressed', 'true');
  }
  await expect(page.getByTestId('board-missing')).toContainText('Dilys Moorhen');
  await expect(page.getByTestId('board-missing')).not.toContainText('Ansel');
  await page.getByTestId('board-gate').click();

  // Rain: the drill's station closes from the second rotation on. It is seen first, and taken then.
  const before = await camp();
  await page.getByTestId('board-replan').click();
  await page.getByTestId('replan-of-March and reach').click();
  await page.getByTestId('replan-from-2').click();
  await page.getByTestId('replan-look').click();
  await expect(page.getByTestId('replan-difference')).toBeVisible();
  expect((await camp()).visits).toEqual(before.visits);
  await page.getByTestId('replan-take').click();
  await expect(page.getByTestId('replan-difference')).toHaveCount(0);
  const rained = await camp();
  const drill = rained.stations.find((s) => s.name === 'March and reach')!.id;
  expect(rained.visits.filter((v) => v.station === drill && v.rotation > 0)).toEqual([]);
  expect(rained.visits.filter((v) => v.rotation === 0)).toEqual(before.visits.filter((v) => v.rotation === 0));
  for (const { athlete } of rained.athletes)
    for (let rotation = 0; rotation < 4; rotation++)
      expect(rained.visits.filter((v) => v.athlete === athlete && v.rotation === rotation)).toHaveLength(1);

  // Pain on one phone: whoever it is throws no more, and the board says so.
  const hurt = rained.athletes.find((a) => a.name === 'Bryn Moorhen')!.athlete;
  const session = randomUUID();
  const began = await page.request.put(`/api/athletes/${hurt}/sessions/${session}`, {
    data: { on: academy.today, assignment: null, painBefore: [{ site: 'elbow', score: 6 }] },
  });
  expect(began.status()).toBe(200);
  await page.reload();
  await page.getByTestId('board-replan').click();
  await page.getByTestId('replan-limits').click();
  await page.getByTestId('replan-look').click();
  await page.getByTestId('replan-take').click();
  await expect.poll(async () => (await camp()).broken).toEqual([]);
  const spared = await camp();
  const thrown = new Set(
    spared.stations.filter((s) => s.name !== 'March and reach' && !s.name.startsWith('Shade')).map((s) => s.id),
  );
  expect(spared.athletes.find((a) => a.athlete === hurt)!.locked).not.toBeNull();
  expect(spared.visits.filter((v) => v.athlete === hurt && thrown.has(v.station))).toEqual([]);

  // The station's phone has its line, and its network may go.
  const phone = await browser.newPage({ baseURL: baseURL!, viewport: { width: 390, height: 844 } });
  await signIn(phone, { name: 'station', password: 'one-station-only' });
  await expect(phone.getByText('March and reach, Moorhen day')).toBeVisible();
  await phone.close();

  // Reports are there for everybody, and nobody else.
  await goWithin(page, `/camps/${id}/reports`);
  for (const name of names) await expect(page.getByRole('heading', { name })).toBeVisible();
  const paper = await page.request.get(`/api/camps/${id}/paper?of=reports`);
  expect([paper.status(), (await paper.body()).subarray(0, 5).toString()]).toEqual([200, '%PDF-']);
  await page.request.delete(`/api/camps/${id}`);
});
