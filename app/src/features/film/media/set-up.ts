/** How a clip is filmed: the questions before the first frame, and what their answers mean for the numbers. */
import type { Units } from '@wrightonic/core';
import type { FilmSetup } from '@wrightonic/contract';
import { VIEW_WORDS } from '../../../ui/views';

/** Rates at which phones film. */
export const RATES = [30, 60, 120, 240] as const;

/** What a slow throw and a fast one take from the first move to the finish, seconds: outside of it the rate is doubted. */
const THROW_S = [0.5, 30] as const;

/** A sentence on what a rate makes of a clip's length, and whether it can be right. */
export function rateSentence(frames: number, playFps: number, captureFps: number): { text: string; doubtful: boolean } {
  const real = frames / captureFps;
  const slower = captureFps / playFps;
  const doubtful = real < THROW_S[0] || real > THROW_S[1];
  const lasts = `At ${captureFps} a second the ${frames} frames are ${real.toFixed(1)} s of real time`;
  return {
    text: doubtful
      ? `${lasts}; a throw from the set to the finish takes one to three. Check the rate.`
      : slower > 1.2
        ? `${lasts}; the file plays them ${slower.toFixed(1)} times as slowly.`
        : `${lasts}.`,
    doubtful,
  };
}

/** Frames further than this from their even places, in frames, make times worth a word. */
const UNEVEN = 0.5;

/** What an unevenly filmed clip does to times; null when it is even enough. */
export const unevenWarning = (uneven: number, captureFps: number): string | null =>
  uneven <= UNEVEN
    ? null
    : `The frames of this file do not come evenly: a time between two events can be off by ${Math.ceil((2000 * uneven) / captureFps)} ms.`;

/** Nearer than this, parts of one body are at clearly different scales, metres. */
const NEAR_M = 4;

/** What is wrong with a set-up, said before the first number. */
export function setupWarnings({ level, whole, cameraHeightM, distanceM }: FilmSetup, units: Units): string[] {
  return [
    ...(whole
      ? []
      : ['The athlete is not in the frame from the set to the finish, or is less than half of it high: parts cannot be told.']),
    ...(level ? [] : ['The camera was not level: leans and tilts are off by its tilt.']),
    ...(cameraHeightM !== null && (cameraHeightM < 0.5 || cameraHeightM > 1.6)
      ? ['The camera was not at hip height: lengths near the ground and above the head are drawn out.']
      : []),
    ...(distanceM !== null && distanceM < NEAR_M
      ? [`The camera stood nearer than ${units.long(NEAR_M)}: what is nearer to it looks larger.`]
      : []),
  ];
}

/** How two set-ups differ, said before their numbers are compared; empty when they are alike. */
export function unlikeSetups(a: FilmSetup, b: FilmSetup, units: Units): string[] {
  const apart = (x: number | null, y: number | null, by: number): boolean => x !== null && y !== null && Math.abs(x - y) > by;
  return [
    ...(a.view === b.view
      ? []
      : [
          `one is from the ${VIEW_WORDS[a.view].name.toLowerCase()}, the other from the ${VIEW_WORDS[b.view].name.toLowerCase()}`,
        ]),
    ...(apart(a.distanceM, b.distanceM, 1.5)
      ? [`the camera stood ${units.long(a.distanceM!)} and ${units.long(b.distanceM!)} away`]
      : []),
    ...(apart(a.cameraHeightM, b.cameraHeightM, 0.3)
      ? [`the camera was ${units.long(a.cameraHeightM!)} and ${units.long(b.cameraHeightM!)} high`]
      : []),
    ...(a.level === b.level ? [] : ['one camera was not level']),
    ...(a.whole === b.whole ? [] : ['one does not show the whole athlete']),
  ];
}
