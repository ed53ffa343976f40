/** The roster with ten, hundreds and thousands of athletes: time, requests and rows read, on the server and on a slow phone. */
import { chromium } from '@playwright/test';
import { v4 as uuid } from 'uuid';
import { db } from './database';
import { line, timed } from './figures';
import { CHROMIUM } from '../scripts/lib/browser.mjs';

const base = process.env.BASE_URL!;
const SLOW_DOWN = 4;

const signedIn = await fetch(`${base}/api/sign-in`, {
  method: 'POST',
  headers: { 'Content-Type': 'application/json' },
  body: JSON.stringify({ signIn: 'coach', password: 'bench-and-chalk' }),
});
const cookie = signedIn.headers
  .getSetCookie()
  .map((c) => c.split(';')[0])
  .join('; ');

async function call(method: string, path: string, body?: object): Promise<Record<string, never>> {
  const answer = await fetch(`${base}/api${path}`, {
    method,
    headers: { cookie, ...(body ? { 'Content-Type': 'application/json' } : {}) },
    ...(body ? { body: JSON.stringify(body) } : {}),
  });
  if (!answer.ok) throw new Error(`${method} ${path}: ${answer.status} ${await answer.text()}`);
  return (await answer.json()) as Record<string, never>;
}

const FIRST = ['Alda', 'Bero', 'Cilla', 'Dorn', 'Edda', 'Fenn', 'Gisa', 'Holt', 'Ilva', 'Jarn', 'Kest', 'Lorn', 'Mave', 'Nils'];
const LAST = ['Ashgrove', 'Birchley', 'Coldwell', 'Dunmere', 'Elmstead', 'Fairlow', 'Greystone', 'Hartwood', 'Inkpen'];

/** Brings athletes in through the import, as a user would, until there are so many. */
async function growTo(wanted: number): Promise<number> {
  const { n } = (await db('athletes').count({ n: '*' }).first()) as { n: number };
  const rows = Array.from(
    { length: wanted - n },
    (_, i) =>
      `${FIRST[i % FIRST.length]} ${LAST[i % LAST.length]} ${wanted}-${i},${2002 + (i % 16)}-0${1 + (i % 9)}-11,${i % 5 ? 'R' : 'L'},${i % 3 ? 'overhand' : 'windmill'},165,55`,
  );
  const file = Buffer.from(['Name,Born,Throws,Discipline,Height,Weight', ...rows].join('\n')).toString('base64');
  const from = performance.now();
  await call('PUT', `/imports/${uuid()}`, { fileName: 'bench.csv', file });
  return performance.now() - from;
}

async function rowsRead(): Promise<number> {
  const [rows] = (await db.raw("show global status like 'Handler_read%'")) as [{ Value: string }[]];
  return rows.reduce((sum, row) => sum + Number(row.Value), 0);
}

/** Rows that the database reads for a request, less what reading the counter itself costs. */
async function rowsFor(work: () => Promise<unknown>): Promise<number> {
  await work();
  const start = await rowsRead();
  const idle = (await rowsRead()) - start;
  const before = await rowsRead();
  await work();
  return (await rowsRead()) - before - idle;
}

const QUERIES = [
  ['first page, by name', '/athletes'],
  ['first page, newest first', '/athletes?sort=newest'],
  ['search “ald”', '/athletes?search=ald'],
  ['windmill, left', '/athletes?discipline=windmill&throws=L'],
  ['throwing locked', '/athletes?flag=locked'],
] as const;

const browser = await chromium.launch({
  executablePath: CHROMIUM,
  args: ['--no-sandbox', '--disable-dev-shm-usage', '--disable-gpu'],
});

async function onPhone(): Promise<void> {
  const context = await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true });
  const page = await context.newPage();
  const cdp = await context.newCDPSession(page);
  await page.request.post(`${base}/api/sign-in`, { data: { signIn: 'coach', password: 'bench-and-chalk' } });
  await page.goto(base);
  await page.getByRole('navigation').waitFor();
  await cdp.send('Emulation.setCPUThrottlingRate', { rate: SLOW_DOWN });
  let requests = 0;
  page.on('request', (r) => (requests += r.url().includes('/api/athletes') ? 1 : 0));
  const openings: number[] = [];
  for (let n = 0; n < 5; n++) {
    await page.getByRole('link', { name: 'Desk' }).click();
    await page.getByRole('heading', { name: 'Desk' }).waitFor();
    const from = performance.now();
    await page.getByRole('link', { name: 'Athletes' }).click();
    await page.locator('[data-testid^="athlete-"]').first().waitFor();
    openings.push(performance.now() - from);
  }
  console.log(line(`open at ${SLOW_DOWN}× slow-down`, openings));
  const searches: number[] = [];
  for (const text of ['osk', 'tavi', 'juna', 'mirel']) {
    await page.getByPlaceholder('Search by name').fill('');
    await page.waitForTimeout(400);
    const from = performance.now();
    await page.getByPlaceholder('Search by name').fill(text);
    await page
      .locator(`[data-testid^="athlete-${text[0]!.toUpperCase()}${text.slice(1)}"]`)
      .first()
      .waitFor();
    await page.waitForFunction(() => document.querySelectorAll('[data-testid^="athlete-"]').length <= 3);
    searches.push(performance.now() - from);
  }
  console.log(line(`search to result at ${SLOW_DOWN}× slow-down`, searches));
  await page.getByPlaceholder('Search by name').fill('');
  await page.waitForTimeout(800);
  requests = 0;
  // A thumb's flick: a screen every tenth of a second, and the longest time in which nothing was drawn.
  const gaps = await page.evaluate(async () => {
    const list = [...document.querySelectorAll('div')].find(
      (d) => d.scrollHeight > d.clientHeight + 200 && getComputedStyle(d).overflowY !== 'visible',
    )!;
    const found: number[] = [];
    let last = performance.now();
    let running = true;
    const frame = () => {
      found.push(performance.now() - last);
      last = performance.now();
      if (running) requestAnimationFrame(frame);
    };
    requestAnimationFrame(frame);
    for (let n = 0; n < 30; n++) {
      list.scrollBy(0, 500);
      await new Promise((rest) => setTimeout(rest, 100));
    }
    running = false;
    return found;
  });
  console.log(line(`frame while scrolling 30 half screens at ${SLOW_DOWN}× slow-down`, gaps));
  console.log(`  pages fetched meanwhile: ${requests}`);
  await context.close();
}

for (const athletes of [50, 500, 5000]) {
  const took = await growTo(athletes);
  await db.raw('analyze table athletes, athlete_words');
  console.log(`\nRoster of ${athletes} athletes (import of the new ones: ${Math.round(took)} ms)`);
  for (const [name, path] of QUERIES) {
    const rows = await rowsFor(() => call('GET', path));
    console.log(`${line(name, await timed(20, () => call('GET', path)))}, ${rows} rows read`);
  }
  await onPhone();
}
await browser.close();
await db.destroy();
