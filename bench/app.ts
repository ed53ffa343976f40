/** First load beside a bare export of the same stack, and rep tap to paint, in headless Chromium. */
import { readdirSync, readFileSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';
import { chromium } from '@playwright/test';
import type { Page } from '@playwright/test';
import { line } from './figures';
import { CHROMIUM } from '../scripts/lib/browser.mjs';

const base = process.env.BASE_URL!;
const browser = await chromium.launch({
  executablePath: CHROMIUM,
  args: ['--no-sandbox', '--disable-dev-shm-usage', '--disable-gpu'],
});

/** What a bare export of the same stack (router, Paper, Redux Toolkit, SVG) weighs: measured once, gzip. */
const BARE_KB = 479;

function exported(folder: string): { files: number; raw: number; gzip: number } {
  let [files, raw, gzip] = [0, 0, 0];
  for (const entry of readdirSync(folder, { withFileTypes: true, recursive: true })) {
    const path = join(entry.parentPath, entry.name);
    if (!entry.isFile() || !path.endsWith('.js')) continue;
    files++;
    raw += statSync(path).size;
    gzip += gzipSync(readFileSync(path)).length;
  }
  return { files, raw, gzip };
}

async function open(slowdown: number): Promise<Page> {
  const context = await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true });
  const page = await context.newPage();
  const cdp = await context.newCDPSession(page);
  await cdp.send('Emulation.setCPUThrottlingRate', { rate: slowdown });
  return page;
}

async function signIn(page: Page): Promise<void> {
  await page.getByTestId('sign-in-name').fill('coach');
  await page.getByTestId('sign-in-password').fill('bench-and-chalk');
  await page.getByTestId('sign-in').click();
  await page.getByRole('navigation').waitFor();
}

const all = exported(join(process.cwd(), 'app', 'dist', '_expo'));
console.log(
  `\nApp: ${all.files} script files, ${Math.round(all.raw / 1024)} KB raw, ${Math.round(all.gzip / 1024)} KB gzip in all`,
);
for (const slowdown of [1, 4]) {
  const page = await open(slowdown);
  let bytes = 0;
  page.on(
    'response',
    (r) =>
      void r
        .request()
        .sizes()
        .then(
          (s) => (bytes += s.responseBodySize),
          () => undefined,
        ),
  );
  const from = performance.now();
  await page.goto(base);
  await page.getByTestId('sign-in').waitFor();
  const usable = performance.now() - from;
  await page.waitForTimeout(300);
  console.log(
    `First load at ${slowdown}× slow-down: usable in ${Math.round(usable)} ms, ${Math.round(bytes / 1024)} KB over the wire (a bare export of the stack: ${BARE_KB} KB)`,
  );
  await signIn(page);
  const { rows: roster } = (await (await page.request.get(`${base}/api/athletes?search=tavi`)).json()) as {
    rows: { id: string; name: string }[];
  };
  await page.goto(`${base}/athletes/${roster.find((a) => a.name.startsWith('Tavi'))!.id}/run`);
  if ((await page.getByTestId('nothing-hurts').count()) > 0 || (await page.getByTestId('rep-good').count()) === 0)
    await page.getByTestId('nothing-hurts').click();
  await page.getByTestId('rep-good').waitFor();
  // From the tap's own event to the frame after the one in which the count changed.
  const taps = await page.evaluate(async () => {
    const button = document.querySelector<HTMLElement>('[data-testid="rep-good"]')!;
    const times: number[] = [];
    for (let n = 0; n < 25; n++) {
      // All counts on the page: one of them is the reps'.
      const shown = () => document.body.innerText.match(/\d+\/\d+/g)?.join();
      const before = shown();
      const tapped = performance.now();
      button.click();
      await new Promise<void>((done) => {
        const look = () => (shown() === before && performance.now() - tapped < 2000 ? requestAnimationFrame(look) : done());
        requestAnimationFrame(look);
      });
      times.push(performance.now() - tapped);
      await new Promise((rest) => setTimeout(rest, 120));
    }
    return times;
  });
  console.log(line(`rep tap to paint at ${slowdown}× slow-down`, taps));
  await benchJudging(page, slowdown);
  await page.context().close();
}
await browser.close();

/** The judgement in the page's worker: a supposed reading to the whole diagnosis with its next checks, ten times. */
async function benchJudging(page: Page, slowdown: number): Promise<void> {
  const { rows } = (await (await page.request.get(`${base}/api/athletes?search=bram`)).json()) as { rows: { id: string }[] };
  await page.goto(`${base}/athletes/${rows[0]!.id}/what-if`);
  await page.getByTestId('suppose-test-hip-internal-rotation').click();
  const shown: number[] = [];
  for (let n = 0; n < 10; n++) {
    await page.getByTestId('suppose-value').fill(String(16 + 4 * n));
    const from = performance.now();
    await page.getByTestId('suppose-test').click();
    const changes = page.getByTestId('what-changes');
    await changes.getByText('as it would be').or(changes.getByText('No cause stands out')).first().waitFor();
    shown.push(performance.now() - from);
  }
  // The browser slows the page's own thread down and not its workers: the worker's time is as it is.
  const judged = await page.evaluate(() => performance.getEntriesByName('judge diagnosis').map((e) => e.duration));
  console.log(
    line(`diagnosis in the worker, page at ${slowdown}× slow-down`, judged.slice(1), `first ${judged[0]!.toFixed(0)} ms`),
  );
  console.log(line(`tap to answer shown at ${slowdown}× slow-down`, shown));
}
