// npm run screenshots: one picture of each main view, from the demo data.
import { mkdirSync } from 'node:fs';
import { installDebian, installPackages } from './lib/install.mjs';
import { inRoot } from './lib/paths.mjs';
import { CHROMIUM } from './lib/browser.mjs';

installPackages();
installDebian({ browser: true });
const { startDemo } = await import('./lib/demo.mjs');
const { chromium } = await import('@playwright/test');

const PHONE = { width: 390, height: 844 };
const DESK = { width: 1280, height: 800 };
const SIGN_INS = { coach: 'bench-and-chalk', tavi: 'net-in-the-yard' };

/** name, who, where (with @name for an athlete), size, scheme, and what to tap before the picture. */
const VIEWS = [
  ['today', 'coach', '', PHONE, 'light', []],
  ['board', 'coach', 'camps', DESK, 'light', ['text=Barn weekend', 'wait', 'text=Open the board', 'wait']],
  ['intake', 'coach', '@noor/intake', PHONE, 'light', ['tab=Thoughts', 'wait']],
  ['body-check', 'coach', '@noor/body', PHONE, 'light', ['short-check', 'skip-step', 'skip-step', 'use-stand-in', 'wait']],
  ['athlete', 'coach', '@tavi', PHONE, 'light', []],
  ['look', 'coach', '@bram/look', PHONE, 'light', ['next-link', 'next-link']],
  ['clip', 'coach', '@tavi/film', PHONE, 'light', ['text=tavi-now-side', 'wait', 'closer', 'part-measures', 'wait']],
  ['compare', 'coach', '@tavi/compare', PHONE, 'light', ['wait', 'wait']],
  ['what', 'coach', '@juna/what', PHONE, 'light', []],
  ['causes-wide', 'coach', '@juna/causes', DESK, 'light', ['wait', 'wait']],
  ['plan', 'coach', '@juna/plan', PHONE, 'light', []],
  ['plan-wide-dark', 'coach', '@juna/plan', DESK, 'dark', []],
  ['run', 'coach', '@tavi/run', PHONE, 'light', ['nothing-hurts', 'rep-good', 'rep-good', 'rep-off']],
  ['line', 'coach', 'group-run', PHONE, 'light', ['group-Evening barn', 'gather', 'group-start', 'rep-good', 'rep-off']],
  ['numbers', 'coach', '@wilma/numbers', PHONE, 'dark', ['show=measure-stride-length']],
  ['sheet', 'coach', '@tavi/sheet', PHONE, 'light', ['wait']],
  ['drills-wide', 'coach', 'drills', DESK, 'light', ['text=Wall hip fall']],
  ['my-day', 'tavi', '', PHONE, 'light', []],
  ['locked', 'coach', '@lio', PHONE, 'dark', []],
];

const folder = inRoot('docs', 'screenshots');
mkdirSync(folder, { recursive: true });
const only = process.argv.slice(2);
const demo = await startDemo({ name: 'pictures', fresh: true, port: '0', say: (line) => process.stdout.write(`${line}\n`) });
const browser = await chromium.launch({
  executablePath: CHROMIUM,
  args: ['--no-sandbox', '--disable-dev-shm-usage', '--disable-gpu'],
});
try {
  for (const [name, who, where, viewport, colorScheme, taps] of VIEWS) {
    if (only.length > 0 && !only.includes(name)) continue;
    const context = await browser.newContext({ viewport, colorScheme, reducedMotion: 'reduce', baseURL: demo.url });
    const page = await context.newPage();
    await page.goto('/');
    await page.getByTestId('sign-in-name').fill(who);
    await page.getByTestId('sign-in-password').fill(SIGN_INS[who]);
    await page.getByTestId('sign-in').click();
    await page.getByRole('navigation').waitFor();
    const roster = who === 'coach' ? (await (await page.request.get('/api/athletes')).json()).rows : [];
    const path = where.replace(/@(\w+)/, (_, key) => `athletes/${roster.find((a) => a.name.toLowerCase().startsWith(key)).id}`);
    await page.goto(`/${path}`);
    await page.waitForTimeout(1500);
    for (const tap of taps) {
      if (tap === 'wait') {
        await page.waitForTimeout(2200);
        continue;
      }
      if (tap.startsWith('fill=')) {
        const [, field, value] = tap.split('=');
        await page.getByTestId(field).fill(value);
        continue;
      }
      if (tap.startsWith('show=')) {
        await page.getByTestId(tap.slice(5)).evaluate((e) => e.scrollIntoView());
        continue;
      }
      if (tap.startsWith('tab=')) {
        await page.getByRole('tab', { name: tap.slice(4) }).click();
        continue;
      }
      await (tap.startsWith('text=') ? page.getByText(tap.slice(5)).first() : page.getByTestId(tap)).click();
      await page.waitForTimeout(500);
    }
    await page.screenshot({ path: inRoot('docs', 'screenshots', `${name}.png`) });
    process.stdout.write(`${name}\n`);
    await context.close();
  }
} finally {
  await browser.close();
  await demo.stop();
}
