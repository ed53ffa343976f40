/** What is painted over a frame: joints, drawings, the loupe. All places in pixels of the clip. */
import type { Drawing } from '@wrightonic/contract';
import type { MarkedJoint } from '@wrightonic/core';
import { BONES } from './marks';
import type { SeenJoint } from './marks';

export type Ink = CanvasRenderingContext2D | OffscreenCanvasRenderingContext2D;
export type At = readonly [x: number, y: number];

/** Film has any colour: white on a dark casing is seen on all of it, and what is held is brass. */
const LIGHT = '#ffffff';
const CASING = 'rgba(0, 0, 0, 0.6)';
export const HELD = '#ffcf70';

const LOUPE_RADIUS = 0.17;
const LOUPE_ZOOM = 4;

/** Strokes a path twice: a wide dark casing, and the light line on it. */
function cased(ctx: Ink, width: number, colour: string, path: () => void): void {
  for (const [w, c] of [
    [width * 2.2, CASING],
    [width, colour],
  ] as const) {
    ctx.lineWidth = w;
    ctx.strokeStyle = c;
    ctx.beginPath();
    path();
    ctx.stroke();
  }
}

/** Joints and the lines between them. The lead and glove side is broken, so that the sides are told apart without colour. */
export function paintJoints(ctx: Ink, joints: readonly SeenJoint[], held: MarkedJoint | null, unit: number): void {
  const at = new Map(joints.map((j) => [j.joint, j]));
  for (const [a, b] of BONES) {
    const [from, to] = [at.get(a), at.get(b)];
    if (!from || !to) continue;
    ctx.setLineDash(/^(lead|glove)/.test(b) ? [5 * unit, 4 * unit] : []);
    cased(ctx, 1.2 * unit, LIGHT, () => {
      ctx.moveTo(from.x, from.y);
      ctx.lineTo(to.x, to.y);
    });
  }
  ctx.setLineDash([]);
  for (const { joint, x, y, how } of joints) {
    const mine = joint === held;
    ctx.beginPath();
    // Set by hand: filled. Tracked: a ring. Between: a dot.
    ctx.arc(x, y, (mine ? 6 : how === 'between' ? 1.2 : 2.4) * unit, 0, 2 * Math.PI);
    ctx.lineWidth = (mine ? 2.4 : 1.1) * unit;
    ctx.strokeStyle = mine ? HELD : LIGHT;
    ctx.fillStyle = how === 'set' && !mine ? LIGHT : 'rgba(0, 0, 0, 0.35)';
    ctx.fill();
    ctx.stroke();
  }
}

function label(ctx: Ink, text: string, x: number, y: number, unit: number): void {
  ctx.font = `600 ${14 * unit}px Barlow, sans-serif`;
  const width = ctx.measureText(text).width;
  ctx.fillStyle = 'rgba(16, 19, 18, 0.78)';
  ctx.fillRect(x - 4 * unit, y - 15 * unit, width + 8 * unit, 20 * unit);
  ctx.fillStyle = LIGHT;
  ctx.fillText(text, x, y);
}

/** Degrees between two legs that meet in the middle point. */
export function angleBetween([a, b, c]: readonly At[]): number {
  if (!a || !b || !c) return NaN;
  const turn = Math.atan2(a[1] - b[1], a[0] - b[0]) - Math.atan2(c[1] - b[1], c[0] - b[0]);
  const size = Math.abs(((turn * 180) / Math.PI + 540) % 360) - 180;
  return Math.abs(size);
}

/** Degrees of a line from the vertical. */
export const leanOf = ([a, b]: readonly At[]): number =>
  a && b ? (Math.atan2(Math.abs(b[0] - a[0]), Math.abs(b[1] - a[1])) * 180) / Math.PI : NaN;

export function paintDrawing(ctx: Ink, { kind, points, text }: Drawing, unit: number, chosen = false): void {
  const colour = chosen ? HELD : LIGHT;
  const [a, b] = points;
  if (!a) return;
  ctx.lineCap = 'round';
  ctx.lineJoin = 'round';
  const trace = () => points.forEach(([x, y], i) => (i === 0 ? ctx.moveTo(x, y) : ctx.lineTo(x, y)));
  if (kind === 'circle' && b) {
    const radius = Math.hypot(b[0] - a[0], b[1] - a[1]);
    cased(ctx, 2 * unit, colour, () => ctx.arc(a[0], a[1], radius, 0, 2 * Math.PI));
  } else if (kind === 'note') label(ctx, text || 'Note', a[0], a[1], unit);
  else cased(ctx, 2 * unit, colour, trace);
  if (kind === 'arrow' && b) {
    const turn = Math.atan2(b[1] - a[1], b[0] - a[0]);
    const size = 12 * unit;
    cased(ctx, 2 * unit, colour, () => {
      ctx.moveTo(b[0] - size * Math.cos(turn - 0.5), b[1] - size * Math.sin(turn - 0.5));
      ctx.lineTo(b[0], b[1]);
      ctx.lineTo(b[0] - size * Math.cos(turn + 0.5), b[1] - size * Math.sin(turn + 0.5));
    });
  }
  if (kind === 'angle' && points.length === 3)
    label(ctx, `${Math.round(angleBetween(points))}°`, points[1]![0] + 10 * unit, points[1]![1] - 10 * unit, unit);
  if (kind === 'line' && b) label(ctx, `${Math.round(leanOf(points))}° off upright`, b[0] + 8 * unit, b[1], unit);
}

/** The part of a clip that is shown, pixels. */
export interface Window {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/** What lies under the finger, four times as large, in the corner away from it. */
export function paintLoupe(ctx: Ink, picture: CanvasImageSource, at: At, unit: number, shown: Window): void {
  const radius = Math.max(LOUPE_RADIUS * Math.min(shown.width, shown.height), 46 * unit);
  const x = at[0] < shown.x + shown.width / 2 ? shown.x + shown.width - radius - 8 * unit : shown.x + radius + 8 * unit;
  const y = shown.y + radius + 8 * unit;
  const half = radius / LOUPE_ZOOM;
  ctx.save();
  ctx.beginPath();
  ctx.arc(x, y, radius, 0, 2 * Math.PI);
  ctx.clip();
  ctx.fillStyle = '#000000';
  ctx.fillRect(x - radius, y - radius, 2 * radius, 2 * radius);
  ctx.drawImage(picture, at[0] - half, at[1] - half, 2 * half, 2 * half, x - radius, y - radius, 2 * radius, 2 * radius);
  ctx.restore();
  ctx.strokeStyle = LIGHT;
  ctx.lineWidth = 3 * unit;
  ctx.beginPath();
  ctx.arc(x, y, radius, 0, 2 * Math.PI);
  ctx.stroke();
  cased(ctx, 1.4 * unit, HELD, () => {
    for (const [dx, dy] of [
      [1, 0],
      [0, 1],
    ] as const) {
      ctx.moveTo(x - dx * (radius / 3), y - dy * (radius / 3));
      ctx.lineTo(x - dx * 5 * unit, y - dy * 5 * unit);
      ctx.moveTo(x + dx * 5 * unit, y + dy * 5 * unit);
      ctx.lineTo(x + dx * (radius / 3), y + dy * (radius / 3));
    }
  });
}
