/** The demo's clips: made-up athletes filmed by the stand-in camera, two of them marked as a careful hand would have marked them. */
import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { EMPTY_MARKS, PART_MOST } from '@wrightonic/contract';
import { addDays } from '@wrightonic/core';
import { cameraFor, deliveryFor, filmDelivery, metresPerPixel } from '@wrightonic/core/simulate';
import type { AthleteProfile, IsoDate } from '@wrightonic/core';
import type { Faults } from '@wrightonic/core/simulate';
import type { Context } from '@wrightonic/server';
import { v7 as uuidv7 } from 'uuid';
import { putClip, putClipPart, putMarks } from './services';

/** What lies beside each clip: how it was rendered (scripts/clips.mjs). */
interface Rendered {
  readonly wanted: {
    readonly seed: number;
    readonly athlete: AthleteProfile;
    readonly faults: Faults;
    readonly view: 'side-open' | 'side-closed' | 'front' | 'rear';
    readonly captureFps: number;
    readonly width: number;
    readonly height: number;
  };
  readonly poster: string | null;
}

export interface DemoClip {
  readonly athlete: string;
  readonly file: string;
  readonly daysAgo: number;
  readonly marked: boolean;
  /** How hard it was thrown, percent. */
  readonly effort: number;
}
const CLIPS: readonly DemoClip[] = [
  { athlete: 'tavi', file: 'tavi-then-side', daysAgo: 63, marked: true, effort: 95 },
  { athlete: 'tavi', file: 'tavi-now-side', daysAgo: 5, marked: true, effort: 95 },
  { athlete: 'juna', file: 'juna-side', daysAgo: 2, marked: false, effort: 95 },
  ...[56, 40, 33, 3].map((daysAgo, n) => ({ athlete: 'ansa', file: `ansa-${n + 1}`, daysAgo, marked: true, effort: 95 })),
  ...[84, 62, 54, 4].map((daysAgo, n) => ({ athlete: 'wilma', file: `wilma-${n + 1}`, daysAgo, marked: true, effort: 95 })),
];
const MARK_SD = 2;

export interface FilmFolders {
  /** Where the rendered clips are. */
  readonly from: string;
  /** Where the server keeps clips. */
  readonly to: string;
}

/** Brings those of the demo's clips in that `wanted` picks, as the app does it. */
export async function bringInClips(
  on: (date: IsoDate) => Promise<Context>,
  today: IsoDate,
  athletes: ReadonlyMap<string, string>,
  folders: FilmFolders,
  picked: (clip: DemoClip) => boolean,
): Promise<void> {
  for (const { athlete: key, file, daysAgo, marked, effort } of CLIPS.filter(picked)) {
    const athlete = athletes.get(key)!;
    const date = addDays(today, -daysAgo);
    const ctx = await on(date);
    const bytes = readFileSync(join(folders.from, `${file}.webm`));
    const { wanted, poster } = JSON.parse(readFileSync(join(folders.from, `${file}.json`), 'utf8')) as Rendered;
    const { captureFps, width, height, view } = wanted;
    const { delivery, request } = deliveryFor(wanted);
    const camera = cameraFor(view, wanted.athlete.throws, request.heightM, { width, height });
    const film = filmDelivery(delivery, request, {
      view,
      throws: wanted.athlete.throws,
      fps: captureFps,
      markSd: MARK_SD,
      seed: wanted.seed,
      camera,
    });
    const id = uuidv7();
    await putClip(ctx, athlete, id, {
      on: date,
      name: `${file}.webm`,
      type: 'video/webm',
      bytes: bytes.length,
      sha256: createHash('sha256').update(bytes).digest('hex'),
      captureFps,
      frames: film.frames.length,
      width,
      height,
      setup: { view, distanceM: 6, cameraHeightM: 1, level: true, whole: true, effort },
      poster,
    });
    for (let from = 0; from < bytes.length; from += PART_MOST)
      await putClipPart(ctx, folders.to, athlete, id, from, bytes.subarray(from, from + PART_MOST));
    if (!marked) continue;
    const tall = request.heightM / metresPerPixel(camera);
    await putMarks(ctx, athlete, id, {
      ...EMPTY_MARKS,
      events: film.events,
      frames: film.frames,
      scale: {
        by: 'height',
        metres: request.heightM,
        from: [width / 2, height / 2 - tall / 2],
        to: [width / 2, height / 2 + tall / 2],
      },
    });
  }
}
