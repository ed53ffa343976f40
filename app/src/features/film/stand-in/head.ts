import type { Look } from './look';
import { paintLimb, shade } from './limb';
import type { Seen } from './limb';
import type { Ink } from '../marks/paint';

/**
 * A head on its neck, with a face that looks where the chest looks: the face tells left from right.
 * @param ahead a point in front of the head; behind the head, the back of it is painted
 * @param facing whether the face is seen
 */
export function paintHead(
  ctx: Ink,
  neck: Seen,
  head: Seen,
  ahead: Seen,
  facing: boolean,
  { colours, clothes, light }: Look,
): void {
  paintLimb(ctx, neck, head, colours.skin, light.hardness);
  const ball = ctx.createRadialGradient(head.x - head.r * 0.3, head.y - head.r * 0.35, head.r * 0.1, head.x, head.y, head.r);
  ball.addColorStop(0, shade(colours.skin, 0.15));
  ball.addColorStop(1, shade(colours.skin, -0.25));
  ctx.fillStyle = ball;
  ctx.beginPath();
  ctx.arc(head.x, head.y, head.r, 0, 2 * Math.PI);
  ctx.fill();
  const cover = clothes.cap ? colours.cap : colours.hair;
  ctx.fillStyle = cover;
  ctx.beginPath();
  ctx.arc(head.x - 0.3 * (ahead.x - head.x), head.y - head.r * 0.22, head.r * 0.98, facing ? Math.PI : 0, 2 * Math.PI);
  ctx.fill();
  if (!facing) return;
  const [fx, fy] = [0.62 * (ahead.x - head.x), 0.05 * head.r];
  ctx.fillStyle = '#241a16';
  for (const side of [-1, 1]) {
    ctx.beginPath();
    ctx.arc(head.x + fx + side * head.r * 0.28, head.y + fy, head.r * 0.09, 0, 2 * Math.PI);
    ctx.fill();
  }
  ctx.fillStyle = shade(colours.skin, -0.35);
  ctx.fillRect(head.x + fx * 1.25 - head.r * 0.05, head.y + fy + head.r * 0.05, head.r * 0.1, head.r * 0.25);
  ctx.fillStyle = '#8d4a42';
  ctx.fillRect(head.x + fx - head.r * 0.2, head.y + fy + head.r * 0.45, head.r * 0.4, head.r * 0.09);
  if (!clothes.cap) return;
  // The brim lies over the brow, ahead of the head.
  ctx.fillStyle = shade(cover, -0.2);
  ctx.beginPath();
  ctx.ellipse(head.x + 1.1 * fx, head.y - head.r * 0.25, head.r * 0.85, head.r * 0.16, 0, 0, 2 * Math.PI);
  ctx.fill();
}
