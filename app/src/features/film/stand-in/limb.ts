import type { Ink } from '../marks/paint';

/** A point in the picture, pixels, with how far ahead it lies (metres) and how large it is there (radius, pixels). */
export interface Seen {
  readonly x: number;
  readonly y: number;
  readonly depth: number;
  readonly r: number;
}

/** A colour lighter or darker by a share. */
export function shade(colour: string, by: number): string {
  const parts = [1, 3, 5].map((i) => parseInt(colour.slice(i, i + 2), 16));
  return `rgb(${parts.map((c) => Math.max(0, Math.min(255, Math.round(c * (1 + by))))).join()})`;
}

/** A rounded limb, lit from above: a body, not a drawing. `hardness` is how dark its shade is, 0 to 1. */
export function paintLimb(ctx: Ink, a: Seen, b: Seen, colour: string, hardness: number): void {
  const [dx, dy] = [b.x - a.x, b.y - a.y];
  const length = Math.hypot(dx, dy) || 1;
  const [nx, ny] = [-dy / length, dx / length];
  const wide = Math.max(a.r, b.r);
  const middle = { x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 };
  // The lighter edge is the one that looks up.
  const up = ny < 0 ? 1 : -1;
  const light = ctx.createLinearGradient(
    middle.x + up * nx * wide,
    middle.y + up * ny * wide,
    middle.x - up * nx * wide,
    middle.y - up * ny * wide,
  );
  light.addColorStop(0, shade(colour, 0.08 + 0.16 * hardness));
  light.addColorStop(0.45, colour);
  light.addColorStop(1, shade(colour, -0.12 - 0.52 * hardness));
  ctx.fillStyle = light;
  const turn = Math.atan2(dy, dx);
  ctx.beginPath();
  ctx.arc(a.x, a.y, a.r, turn + Math.PI / 2, turn - Math.PI / 2);
  ctx.arc(b.x, b.y, b.r, turn - Math.PI / 2, turn + Math.PI / 2);
  ctx.closePath();
  ctx.fill();
}
