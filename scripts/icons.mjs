// npm run icons: the icons of the installed app, from the mark.
import { mkdirSync, readFileSync } from 'node:fs';
import { chromium } from '@playwright/test';
import { installDebian, installPackages } from './lib/install.mjs';
import { inRoot } from './lib/paths.mjs';
import { CHROMIUM } from './lib/browser.mjs';

installPackages();
installDebian({ browser: true });
const mark = readFileSync(inRoot('app', 'public', 'mark.svg'), 'utf8');
// A launcher may cut a maskable icon to any shape: its ground reaches the edge, the mark keeps to the middle.
const whole = mark.replace('rx="6"', 'rx="0"').replace('<g ', '<g transform="translate(4.8 4.8) scale(0.7)" ');
mkdirSync(inRoot('app', 'public', 'icons'), { recursive: true });
const browser = await chromium.launch({ executablePath: CHROMIUM, args: ['--no-sandbox', '--disable-gpu'] });
for (const [name, svg, size] of [
  ['192', mark, 192],
  ['512', mark, 512],
  ['512-whole', whole, 512],
]) {
  const page = await browser.newPage({ viewport: { width: size, height: size } });
  await page.setContent(`<style>body{margin:0}svg{display:block;width:${size}px}</style>${svg}`);
  await page.screenshot({ path: inRoot('app', 'public', 'icons', `${name}.png`), omitBackground: true });
  await page.close();
}
await browser.close();
