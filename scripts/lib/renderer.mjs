import { createReadStream, existsSync } from 'node:fs';
import { createServer } from 'node:http';
import { basename, join } from 'node:path';
import { cacheFolder, inRoot } from './paths.mjs';
import { CHROMIUM } from './browser.mjs';

const ENTRY = `
  export { renderClip } from './app/src/features/film/stand-in/render';
  export { thrown, standFor } from './app/src/features/film/stand-in/render';
  export { FrameSource } from './app/src/features/film/media/frames';
  export { posterOf } from './app/src/features/film/media/poster';
  export { readNumber } from './app/src/features/film/stand-in/camera';
  export { simulate } from '@wrightonic/core/simulate';
  export { plainClip } from './bench/plain-clip';
  export { startTracking } from './app/src/features/film/track/client';
`;

const TYPES = { js: 'text/javascript', wasm: 'application/wasm' };

/**
 * A browser page with the stand-in camera, the frame reader and, when it is asked for, the tracker in it, for scripts: WebCodecs live
 * in the browser alone.
 */
export async function renderer({ tracker = false } = {}) {
  const trackFolder = join(cacheFolder, 'track');
  if (tracker) await (await import('./tracker.mjs')).buildTracker(trackFolder);
  const { build } = await import('esbuild');
  const { chromium } = await import('@playwright/test');
  const bundled = await build({
    stdin: { contents: ENTRY, resolveDir: inRoot(), loader: 'ts' },
    bundle: true,
    format: 'iife',
    globalName: 'film',
    target: 'es2022',
    write: false,
    logLevel: 'warning',
  });
  const script = bundled.outputFiles[0].text;
  const server = createServer((req, res) => {
    const asked = join(trackFolder, basename(req.url));
    if (tracker && req.url.startsWith('/track/') && existsSync(asked)) {
      res.setHeader('Content-Type', TYPES[asked.split('.').pop()] ?? 'application/octet-stream');
      createReadStream(asked).pipe(res);
      return;
    }
    res.setHeader('Content-Type', req.url === '/film.js' ? 'text/javascript' : 'text/html');
    res.end(req.url === '/film.js' ? script : '<!doctype html><script src="/film.js"></script>');
  });
  await new Promise((resolve) => server.listen(0, '127.0.0.1', resolve));
  const browser = await chromium.launch({
    executablePath: CHROMIUM,
    args: ['--no-sandbox', '--disable-dev-shm-usage', '--disable-gpu'],
  });
  const page = await browser.newPage();
  page.on('pageerror', (error) => process.stderr.write(`${error.message}\n`));
  await page.goto(`http://127.0.0.1:${server.address().port}/`);
  return {
    page,
    render: async (wanted) =>
      Buffer.from(
        await page.evaluate(async (w) => {
          const bytes = new Uint8Array(await globalThis.film.renderClip(w));
          let text = '';
          for (let i = 0; i < bytes.length; i += 32768) text += String.fromCharCode(...bytes.subarray(i, i + 32768));
          return btoa(text);
        }, wanted),
        'base64',
      ),
    /** A small picture of a rendered clip. */
    poster: (bytes) =>
      page.evaluate(async (base64) => {
        const file = new Blob([Uint8Array.from(atob(base64), (c) => c.charCodeAt(0))]);
        return globalThis.film.posterOf(await globalThis.film.FrameSource.open(file));
      }, bytes.toString('base64')),
    truth: (wanted) =>
      page.evaluate(
        (w) => globalThis.film.simulate({ kind: 'delivery', seed: w.seed, athlete: w.athlete, faults: w.faults }).truth,
        wanted,
      ),
    /**
     * Renders a clip with its frames' numbers drawn in, and decodes frames in an order. @returns what the file says of itself, and for
     * each asked frame the number that was seen and the time it took; `pause` ms lie between them
     */
    decode: (wanted, order, pause = 0) =>
      page.evaluate(
        async ([w, asked, wait]) => {
          const { FrameSource, readNumber, renderClip } = globalThis.film;
          const source = await FrameSource.open(new Blob([await renderClip({ ...w, numbered: true })]));
          const ctx = new OffscreenCanvas(source.info.width, source.info.height).getContext('2d');
          const seen = [];
          for (const index of asked === 'all' ? Array.from({ length: source.info.frames }, (_, i) => i) : asked) {
            const begun = performance.now();
            const picture = await source.frame(index);
            const ms = performance.now() - begun;
            ctx.drawImage(picture, 0, 0);
            seen.push({ index, number: readNumber(ctx), ms });
            if (wait) await new Promise((resolve) => setTimeout(resolve, wait));
          }
          source.close();
          return { info: source.info, seen };
        },
        [wanted, order, pause],
      ),
    /** Opens a long clip and steps through parts of it. */
    long: ({ frames, width, height, fps }) =>
      page.evaluate(
        async ([n, w, h, rate]) => {
          const { FrameSource, plainClip } = globalThis.film;
          const clip = await plainClip('mp4', n, w, h, rate);
          const begun = performance.now();
          const source = await FrameSource.open(clip);
          const opened = performance.now() - begun;
          const steps = [];
          for (const from of [0, n >> 1, n - 200]) {
            await source.frame(from);
            for (let i = 1; i < 200; i++) {
              const started = performance.now();
              await source.frame(from + i);
              steps.push({ ms: performance.now() - started });
            }
          }
          return { opened, memory: source.memory, steps };
        },
        [frames, width, height, fps],
      ),
    /** Tracks a rendered clip. @returns landmarks of each frame (x, y, visibility), sizes and times */
    track: async (wanted) =>
      page.evaluate(async (w) => {
        const file = new Blob([await globalThis.film.renderClip(w)]);
        const frames = [];
        return new Promise((resolve, reject) => {
          const begun = performance.now();
          globalThis.film.startTracking({ file, from: 0, to: 1e6 }, (news) => {
            if (news.kind === 'frame')
              frames.push({ frame: news.frame, landmarks: news.landmarks && [...news.landmarks], modelMs: news.modelMs });
            if (news.kind === 'done') resolve({ frames, width: news.width, height: news.height, ms: performance.now() - begun });
            if (news.kind === 'failed') reject(new Error(news.why));
          });
        });
      }, wanted),
    close: async () => {
      await browser.close();
      server.close();
    },
  };
}
