// Stepping through clips: exactness, time a step, and what a long clip keeps in memory.
import { renderer } from '../scripts/lib/renderer.mjs';

const ATHLETE = {
  discipline: 'overhand',
  throws: 'R',
  birthDate: '2010-01-15',
  heightM: 1.81,
  massKg: 75,
  level: 'high-school',
};
/** Milliseconds between steps, as a thumb or a held key does it. */
const PAUSE = 60;
const LONG = { frames: 14_400, width: 640, height: 360, fps: 240 };

const sorted = (list) => list.map((f) => f.ms).sort((a, b) => a - b);
const at = (list, share) => sorted(list)[Math.min(list.length - 1, Math.floor(share * list.length))].toFixed(0);
const figures = (list) => `median ${at(list, 0.5)} p95 ${at(list, 0.95)} ms`;

export async function benchFilm(say) {
  const { decode, long, close } = await renderer();
  try {
    for (const [format, jitter, width, height] of [
      ['mp4', 0, 1280, 720],
      ['webm', 0, 1280, 720],
      ['mp4', 0.3, 640, 360],
      ['webm', 0.3, 640, 360],
    ]) {
      const clip = { seed: 3, athlete: ATHLETE, faults: {}, view: 'side-open', captureFps: 120, playFps: 30, width, height };
      const wanted = { ...clip, format, jitter };
      const on = await decode(wanted, 'all', PAUSE);
      const { frames } = on.info;
      let state = 7;
      const somewhere = () => (state = (state * 48_271) % 2_147_483_647) % frames;
      const back = await decode(
        wanted,
        Array.from({ length: 80 }, (_, i) => frames - 1 - i),
        PAUSE,
      );
      const jumps = await decode(wanted, Array.from({ length: 60 }, somewhere), PAUSE);
      const wrong = [...on.seen, ...back.seen, ...jumps.seen].filter((f) => f.number !== f.index).length;
      say(
        `${format === 'mp4' ? 'H.264' : 'VP9  '} ${width}×${height} ${jitter ? 'variable' : 'constant'} rate: ${wrong} wrong of ${frames + 140} · step on ${figures(on.seen.slice(1))} · step back ${figures(back.seen.slice(1))} · jump ${figures(jumps.seen)}`,
      );
    }
    const { opened, memory, steps } = await long(LONG);
    say(
      `60 s at 240 a second (${LONG.frames} frames, ${LONG.width}×${LONG.height}): opened in ${opened.toFixed(0)} ms · step on ${figures(steps)} · ${memory.frames} of at most ${memory.most} pictures kept, ${((memory.frames * LONG.width * LONG.height * 4) / 2 ** 20).toFixed(0)} MB`,
    );
  } finally {
    await close();
  }
}
