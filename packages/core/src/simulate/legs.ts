/** How the legs go in either discipline, and the bones between hip, ankle and ground. */
import type { Proportions, Vector } from '../delivery/body';
import type { Discipline } from '../delivery/links';
import { vectorOf } from '../delivery/body';

/** How the legs go: all lengths as shares of height, times in seconds at the usual tempo. */
export interface LegScript {
  readonly lift: number;
  readonly land: number;
  readonly release: number;
  readonly end: number;
  /** Forward speed of the hips, heights a second, over time. */
  readonly speed: readonly (readonly [t: number, v: number])[];
  /** Height of the hips over the ground until they come down to the landing. */
  readonly stand: number;
  /** How much lower they sit in the push, shares of height. */
  readonly sit: number;
  readonly stride: number;
  /** Lead knee, degrees, at landing, release and end. */
  readonly knee: readonly [land: number, release: number, end: number];
  readonly footAngle: number;
  /** Heel of the drive foot comes up so long before landing. */
  readonly peel: number;
  /** Lead ankle at set and on its way, (x, y, z) from the middle of the hips down to the ground. */
  readonly leadAtSet: Vector;
  readonly leadOnTheWay: readonly (readonly [t: number, from: Vector])[];
}

export const LEGS: Record<Discipline, LegScript> = {
  overhand: {
    lift: 0.6,
    land: 1.12,
    release: 1.29,
    end: 1.62,
    speed: [
      [0, 0],
      [0.35, 0.01],
      [0.6, 0.24],
      [0.8, 0.62],
      [1.0, 1.08],
      [1.12, 1.22],
      [1.2, 1.12],
      [1.29, 0.82],
      [1.62, 0.06],
    ],
    stand: 0.515,
    sit: 0,
    stride: 0.81,
    knee: [46, 31, 20],
    footAngle: 12,
    peel: 0.03,
    leadAtSet: [0.1, 0, 0],
    leadOnTheWay: [
      [0.6, [0.05, -0.13, 0.3]],
      [0.86, [0.2, -0.05, 0.14]],
    ],
  },
  windmill: {
    lift: 0.5,
    land: 0.94,
    release: 1.055,
    end: 1.4,
    speed: [
      [0, 0],
      [0.3, 0.05],
      [0.5, 0.5],
      [0.7, 1.22],
      [0.84, 1.95],
      [0.94, 1.5],
      [1.055, 0.6],
      [1.17, 0.15],
      [1.4, 0.03],
    ],
    stand: 0.51,
    sit: 0.045,
    stride: 0.86,
    knee: [24, 16, 12],
    footAngle: 38,
    peel: 0.14,
    leadAtSet: [-0.16, 0.08, 0.02],
    leadOnTheWay: [
      [0.5, [-0.1, 0.09, 0.06]],
      [0.74, [0.2, 0.08, 0.14]],
    ],
  },
};

interface DriveFootAt {
  readonly at: (land: number, release: number, end: number, tempo: number) => number;
  /** Shares of height from where it stood. */
  readonly to: Vector;
  /** Heel up, and turned to the throwing side, degrees. */
  readonly pitch: number;
  readonly turn: number;
  /** How much of the way it has not made when the shoulders pull it, shares of height. */
  readonly lags?: number;
}

/** The drive foot once its heel has come up: overhand it stays until the landing, in the windmill it pushes off, drags and arrives. */
export const DRIVE_FOOT: Record<Discipline, readonly DriveFootAt[]> = {
  overhand: [
    { at: (land) => land + 0.02, to: [0.03, 0, 0.05], pitch: 34, turn: 58 },
    { at: (_land, release) => release, to: [0.26, 0.02, 0.13], pitch: 58, turn: 22 },
    { at: (_land, _release, end) => end, to: [0.62, 0.06, 0.16], pitch: 64, turn: 0 },
  ],
  windmill: [
    { at: (land, _release, _end, tempo) => land - 0.085 * tempo, to: [0.034, 0, 0.053], pitch: 55, turn: 34 },
    { at: (land, _release, _end, tempo) => land - 0.055 * tempo, to: [0.125, 0, 0.08], pitch: 50, turn: 36 },
    { at: (land) => land, to: [0.235, 0, 0.095], pitch: 46, turn: 38 },
    { at: (_land, release) => release, to: [0.46, 0.02, 0.12], pitch: 54, turn: 30, lags: 0.2 },
    { at: (_land, release, _end, tempo) => release + 0.09 * tempo, to: [0.62, 0.04, 0.14], pitch: 62, turn: 14 },
  ],
};

export const CLOSED_IN = 1;
export const INCH = 0.0254;

export const RAD = Math.PI / 180;

/** The knee between a hip and an ankle: two bones of fixed length, bent toward a direction. An ankle out of reach is drawn in. */
export function bend(hip: Vector, ankle: Vector, thigh: number, shank: number, toward: Vector): { knee: Vector; ankle: Vector } {
  const reach: Vector = [ankle[0] - hip[0], ankle[1] - hip[1], ankle[2] - hip[2]];
  const far = Math.hypot(...reach);
  const d = Math.min(far, (thigh + shank) * 0.9999);
  const u: Vector = [reach[0] / far, reach[1] / far, reach[2] / far];
  const along = (thigh ** 2 - shank ** 2 + d ** 2) / (2 * d);
  const across = Math.sqrt(Math.max(0, thigh ** 2 - along ** 2));
  const share = toward[0] * u[0] + toward[1] * u[1] + toward[2] * u[2];
  const side: Vector = [toward[0] - share * u[0], toward[1] - share * u[1], toward[2] - share * u[2]];
  const size = Math.hypot(...side) || 1;
  const point = (by: number): Vector => [hip[0] + by * u[0], hip[1] + by * u[1], hip[2] + by * u[2]];
  const onLine = point(along);
  return {
    knee: [onLine[0] + (across * side[0]) / size, onLine[1] + (across * side[1]) / size, onLine[2] + (across * side[2]) / size],
    ankle: point(d),
  };
}

/** Heel and toe of a foot whose ankle is at a place, turned by an angle from the target to the throwing side, heel up by a pitch. */
export function foot(ankle: Vector, turn: number, pitch: number, size: Proportions): { heel: Vector; toe: Vector } {
  const [r, p] = [turn * RAD, pitch * RAD];
  const ahead: Vector = [Math.cos(r) * Math.cos(p), -Math.sin(r) * Math.cos(p), -Math.sin(p)];
  const down: Vector = [-Math.cos(r) * Math.sin(p), Math.sin(r) * Math.sin(p), -Math.cos(p)];
  const at = (by: number): Vector => vectorOf((a) => ankle[a] + size.footHeight * down[a] + by * size.foot * ahead[a]);
  return { heel: at(-0.28), toe: at(0.72) };
}
