import { readFileSync } from 'node:fs';
import { expect, test } from './test';
import type { Page } from '@playwright/test';
import { choose, filmed, FOLDER, nameOf } from './film-steps';
import { signIn } from './steps';

const THEN = `${FOLDER}/tavi-then-side.webm`;

const shown = (page: Page) => page.getByTestId('frame').getAttribute('data-shown');
const dragOn = async (page: Page, from: [number, number], to: [number, number]) => {
  const box = (await page.getByTestId('frame').boundingBox())!;
  const at = ([x, y]: [number, number]) => [box.x + x * box.width, box.y + y * box.height] as const;
  await page.mouse.move(...at(from));
  await page.mouse.down();
  await page.mouse.move(...at(to), { steps: 3 });
  await page.mouse.up();
};
/** Measures that the judgement knows of. */
const measuredOf = async (page: Page, id: string): Promise<string[]> => {
  const { evidence } = (await (await page.request.get(`/api/athletes/${id}/diagnosis`)).json()) as {
    evidence: { evidence: { kind: string; measure?: string } }[];
  };
  return evidence.flatMap(({ evidence: item }) => (item.kind === 'measure' ? [item.measure!] : []));
};

test(
  'a clip comes in, is tracked and corrected, measured and drawn on, and changes the diagnosis',
  { tag: '@once' },
  async ({ page }, info) => {
    test.setTimeout(240_000);
    await signIn(page);
    const { url, id } = await filmed(page, nameOf(info.project.name, 'Farrowgate'));
    expect(await measuredOf(page, id)).toEqual([]);
    await page.goto(`${url}/film`);
    await expect(page.getByText('No clips yet')).toBeVisible();
    await choose(page, THEN);
    // The file is played at 30 and was filmed at 120: it says so, and the answer can be another.
    await expect(page.getByTestId('rate-120')).toHaveAttribute('aria-pressed', 'true');
    await page.getByTestId('rate-240').click();
    await expect(page.getByTestId('rate-says')).toContainText('0.8 s of real time');
    await page.getByTestId('rate-120').click();
    await expect(page.getByTestId('rate-says')).toContainText('the file plays them 4.0 times as slowly');
    await page.getByTestId('distance').fill('6');
    await page.getByTestId('camera-height').fill('1');
    await page.getByTestId('keep-clip').click();

    // Stepping shows the frame that is asked for.
    await expect(page.getByTestId('frame')).toHaveAttribute('data-shown', '0');
    for (const [step, frame] of [
      ['step10', '10'],
      ['step1', '11'],
      ['step-1', '10'],
      ['step-10', '0'],
    ] as const) {
      await page.getByTestId(step).click();
      await expect(page.getByTestId('frame')).toHaveAttribute('data-shown', frame);
    }

    // Tracking runs beside the page: meanwhile the page answers.
    await page.getByTestId('part-joints').click();
    await page.getByTestId('track').click();
    await expect(page.getByTestId('tracking')).toContainText('frames');
    await page.getByTestId('step10').click();
    await expect(page.getByTestId('frame')).toHaveAttribute('data-shown', '10');
    await expect(page.getByTestId('tracking')).toBeVisible();
    await expect(page.getByText(/^Tracked on \d+ frames/)).toBeVisible({ timeout: 180_000 });

    // Events were found; contact is put two frames later by hand.
    await page.getByTestId('part-events').click();
    await expect(page.getByTestId('event-release')).toContainText('suggested');
    await page.getByTestId('event-contact').click();
    const contact = Number(await shown(page));
    await page.getByTestId('step1').click();
    await page.getByTestId('here-contact').click();
    await expect(page.getByTestId('event-contact')).toContainText('by hand');
    await expect(page.getByTestId('frame')).toHaveAttribute('data-shown', String(contact + 1));
    await expect(page.getByTestId('where')).toContainText('at contact');

    // Three joints are corrected.
    await page.getByTestId('part-joints').click();
    for (const [i, joint] of ['lead-knee', 'throwing-elbow', 'head'].entries()) {
      await page.getByTestId(`joint-${joint}`).click();
      await dragOn(page, [0.5 + 0.05 * i, 0.5], [0.52 + 0.05 * i, 0.48]);
      await expect(page.getByText(`${joint.replace('-', ' ')}: by hand`)).toBeVisible();
    }
    // The last three were for the test alone: they go again.
    for (let n = 0; n < 3; n++) await page.getByTestId('undo').click();
    await expect(page.getByText('head: tracked')).toBeVisible();
    await page.getByTestId('joint-lead-knee').click();

    await page.getByTestId('part-measures').click();
    await expect(page.getByTestId('scale-now')).toContainText('the athlete’s height');
    await expect(page.getByTestId('measure-lead-knee-flexion-contact')).toContainText('°');
    await expect(page.getByTestId('measure-stride-length-contact')).toContainText('%');
    await page.getByTestId('untold').click();
    // A tracker's noise alone makes a dip of the hips: it is refused, with what to do.
    await expect(page.getByText(/the tracker is too rough for this; set the joints by hand/i).first()).toBeVisible();
    await expect(page.getByText(/cannot be read from the open side/i).first()).toBeVisible();

    await page.getByTestId('part-draw').click();
    await page.getByTestId('tool-line').click();
    await dragOn(page, [0.4, 0.7], [0.45, 0.3]);
    await page.getByTestId('tool-note').click();
    await page.getByTestId('note-text').fill('Hips stop here');
    await dragOn(page, [0.3, 0.2], [0.3, 0.2]);
    await expect(page.getByText('“Hips stop here”')).toBeVisible();
    const [download] = await Promise.all([page.waitForEvent('download'), page.getByTestId('snapshot').click()]);
    expect(download.suggestedFilename()).toMatch(/^nilo-.*-frame-\d+\.png$/);
    expect(
      readFileSync(await download.path())
        .subarray(1, 4)
        .toString(),
    ).toBe('PNG');

    await page.getByTestId('save-marks').click();
    await expect(page.getByTestId('save-marks')).toHaveText(/Saved/);
    await page.reload();
    await page.getByTestId('part-draw').click();
    await expect(page.getByText('“Hips stop here”')).toBeVisible();

    // What could be told is evidence, what could not is none, and the athlete's page shows it.
    const known = await measuredOf(page, id);
    expect(known).toEqual(expect.arrayContaining(['lead-knee-flexion', 'stride-length', 'trunk-tilt-forward']));
    expect(known).not.toContain('hip-travel-dip');
    await page.goto(url);
    await expect(page.getByText(/measures, the newest from/)).toBeVisible();
  },
);

test('two clips are stepped together on an event, and the table says what really changed', { tag: '@wide' }, async ({ page }) => {
  await signIn(page);
  const { rows } = (await (await page.request.get('/api/athletes?search=Tavi')).json()) as { rows: { id: string }[] };
  await page.goto(`/athletes/${rows[0]!.id}/compare`);
  await expect(page.getByTestId('compare-says')).toContainText(/Better: .*speed/i);
  await expect(page.getByTestId('compare-at')).toHaveText('at contact');
  const frames = () =>
    Promise.all(['frame-before', 'frame-after'].map(async (f) => Number(await page.getByTestId(f).getAttribute('data-shown'))));
  await expect.poll(async () => Math.min(...(await frames()))).toBeGreaterThan(0);
  const [a, b] = await frames();
  await page.getByTestId('step-10').click();
  await expect(page.getByTestId('compare-at')).toHaveText('83 ms before contact');
  await expect.poll(frames).toEqual([a! - 10, b! - 10]);
  await page.getByTestId('align-release').scrollIntoViewIfNeeded();
  await page.getByTestId('align-release').click();
  await expect(page.getByTestId('compare-at')).toHaveText('at release');
  await page.getByTestId('over').click();
  await expect(page.getByTestId('frame-before')).toBeVisible();
  await page.getByTestId('with-figure').click();
  await expect(page.getByText('The figure throws cleanly')).toBeVisible();
  await expect(page.getByTestId('frame-before')).toHaveAttribute('data-shown', /\d+/);
});
