import { defineConfig } from '@playwright/test';
import { CHROMIUM } from '../scripts/lib/browser.mjs';

/** How the browser is started. */
export const args = [
  '--no-sandbox',
  '--disable-dev-shm-usage',
  '--disable-gpu',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
];

/** The real server and database, in Debian's Chromium, as a phone and as a desk; what does not hang on the size is tried once. */
export default defineConfig({
  testDir: '.',
  timeout: 150_000,
  expect: { timeout: 20_000 },
  workers: process.env.BASE_URLS?.split(' ').length ?? 1,
  reporter: [['list'], ['json']],
  outputDir: '../test-results',
  use: {
    actionTimeout: 25_000,
    browserName: 'chromium',
    // What the device keeps is the matter of one test; the others meet the server each time.
    serviceWorkers: 'block',
    // Figures that move draw a picture each 40 ms, on a machine without a graphics card; e2e/motion.spec.ts lets them.
    contextOptions: { reducedMotion: 'reduce' },
    launchOptions: { executablePath: CHROMIUM, args },
  },
  projects: [
    {
      name: 'phone',
      grepInvert: /@wide/,
      testIgnore: /(desk|frames|sign-out)\.spec/,
      use: { viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true },
    },
    {
      name: 'desk',
      grepInvert: /@once/,
      testIgnore: /(thumb|roles|people|import|clips|offline|hand-out)\.spec/,
      use: { viewport: { width: 1280, height: 800 } },
    },
  ],
});
