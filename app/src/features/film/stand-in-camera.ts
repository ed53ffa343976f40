import { markedJointsAt, project } from '@wrightonic/core';
import type { Camera, Delivery, Joint, Vector } from '@wrightonic/core';

/** Clothes and skin of a made-up athlete. */
export interface Look {
  readonly skin: string;
  readonly shirt: string;
  readonly shorts: string;
  readonly shoes: string;
  readonly hair: string;
}

export const LOOKS: readonly Look[] = [
  { skin: '#c98f6a', shirt: '#8c3b2e', shorts: '#22304a', shoes: '#e8e4da', hair: '#2a1c14' },
  { skin: '#7a4a30', shirt: '#d8c46a', shorts: '#2f2f33', shoes: '#f0efe9', hair: '#15100d' },
  { skin: '#e3b48f', shirt: '#3c6a8f', shorts: '#3d3a36', shoes: '#d9d4c8', hair: '#6b4a2a' },
];

type Draw = CanvasRenderingContext2D | OffscreenCanvasRenderingContext2D;

interface Limb {
  readonly from: Joint;
  readonly to: Joint;
  /** Radii at both ends, shares of height. */
  readonly radii: readonly [number, number];
  readonly part: keyof Look;
}

const LIMBS: readonly Limb[] = [
  { from: 'drive-hip', to: 'drive-knee', radii: [0.05, 0.036], part: 'shorts' },
  { from: 'drive-knee', to: 'drive-ankle', radii: [0.034, 0.022], part: 'skin' },
  { from: 'drive-heel', to: 'drive-toe', radii: [0.019, 0.016], part: 'shoes' },
  { from: 'lead-hip', to: 'lead-knee', radii: [0.05, 0.036], part: 'shorts' },
  { from: 'lead-knee', to: 'lead-ankle', radii: [0.034, 0.022], part: 'skin' },
  { from: 'lead-heel', to: 'lead-toe', radii: [0.019, 0.016], part: 'shoes' },
  { from: 'throwing-shoulder', to: 'throwing-elbow', radii: [0.03, 0.023], part: 'shirt' },
  { from: 'throwing-elbow', to: 'throwing-wrist', radii: [0.022, 0.016], part: 'skin' },
  { from: 'throwing-wrist', to: 'throwing-hand', radii: [0.016, 0.017], part: 'skin' },
  { from: 'glove-shoulder', to: 'glove-elbow', radii: [0.03, 0.023], part: 'shirt' },
  { from: 'glove-elbow', to: 'glove-wrist', radii: [0.022, 0.016], part: 'skin' },
];
const HEAD = 0.062;
const GLOVE = '#6b4526';

/** A colour lighter or darker by a share. */
function shade(colour: string, by: number): string {
  const parts = [1, 3, 5].map((i) => parseInt(colour.slice(i, i + 2), 16));
  return `rgb(${parts.map((c) => Math.max(0, Math.min(255, Math.round(c * (1 + by))))).join()})`;
}

/** A rounded limb, lit from above and in front: a body in the sun, not a drawing. */
function drawLimb(ctx: Draw, a: Seen, b: Seen, colour: string): void {
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
  light.addColorStop(0, shade(colour, 0.16));
  light.addColorStop(0.45, colour);
  light.addColorStop(1, shade(colour, -0.38));
  ctx.fillStyle = light;
  const turn = Math.atan2(dy, dx);
  ctx.beginPath();
  ctx.arc(a.x, a.y, a.r, turn + Math.PI / 2, turn - Math.PI / 2);
  ctx.arc(b.x, b.y, b.r, turn - Math.PI / 2, turn + Math.PI / 2);
  ctx.closePath();
  ctx.fill();
}

interface Seen {
  readonly x: number;
  readonly y: number;
  readonly depth: number;
  readonly r: number;
}

function drawPlace(ctx: Draw, camera: Camera): void {
  const { width, height } = camera;
  const horizon = Math.min(
    height * 0.62,
    Math.max(height * 0.3, project(camera, [camera.lookAt[0], camera.lookAt[1] + (camera.at[1] < 0 ? 60 : -60), 0]).y),
  );
  const sky = ctx.createLinearGradient(0, 0, 0, horizon);
  sky.addColorStop(0, '#8fb4d0');
  sky.addColorStop(1, '#d5e2e6');
  ctx.fillStyle = sky;
  ctx.fillRect(0, 0, width, horizon);
  ctx.fillStyle = '#55714a';
  ctx.fillRect(0, horizon - height * 0.09, width, height * 0.09);
  const grass = ctx.createLinearGradient(0, horizon, 0, height);
  grass.addColorStop(0, '#7d9a5c');
  grass.addColorStop(1, '#5c7a43');
  ctx.fillStyle = grass;
  ctx.fillRect(0, horizon, width, height - horizon);
  const earth = [-0.7, 2.2].flatMap((x) => [-0.6, 0.6].map((y) => project(camera, [x, x < 0 ? y : -y, 0])));
  ctx.fillStyle = '#b58d63';
  ctx.beginPath();
  earth.forEach((p, i) => (i === 0 ? ctx.moveTo(p.x, p.y) : ctx.lineTo(p.x, p.y)));
  ctx.closePath();
  ctx.fill();
}

/**
 * One picture of a made-up athlete in a delivery, as a camera on a stand sees it.
 * @param number drawn into the corner, so that a frame can be told from its neighbours; left out: nothing is drawn
 */
export function drawStandIn(
  ctx: Draw,
  delivery: Delivery,
  camera: Camera,
  seconds: number,
  heightM: number,
  look: Look,
  number?: number,
): void {
  const joints = delivery.jointsAt(seconds);
  const seen = (at: Vector, radius = 0): Seen => {
    const p = project(camera, at);
    return { ...p, r: Math.max(0.5, (radius * heightM * camera.focal) / p.depth) };
  };
  drawPlace(ctx, camera);
  const feet = [joints['drive-heel'], joints['lead-heel']];
  ctx.fillStyle = 'rgba(30, 34, 24, 0.32)';
  for (const f of feet) {
    const s = seen([f[0], f[1], 0], 0.07);
    ctx.beginPath();
    ctx.ellipse(s.x, s.y, s.r * 1.6, s.r * 0.45, 0, 0, 2 * Math.PI);
    ctx.fill();
  }
  const shapes: { depth: number; draw: () => void }[] = LIMBS.map((limb) => {
    const [a, b] = [seen(joints[limb.from], limb.radii[0]), seen(joints[limb.to], limb.radii[1])];
    return { depth: (a.depth + b.depth) / 2, draw: () => drawLimb(ctx, a, b, look[limb.part]) };
  });
  const corners = [
    seen(joints['throwing-shoulder'], 0.036),
    seen(joints['glove-shoulder'], 0.036),
    seen(joints['lead-hip'], 0.05),
    seen(joints['drive-hip'], 0.05),
  ];
  const depth = corners.reduce((sum, c) => sum + c.depth, 0) / 4;
  shapes.push({
    depth,
    draw: () => {
      const [left, right] = [Math.min(...corners.map((c) => c.x)), Math.max(...corners.map((c) => c.x))];
      const light = ctx.createLinearGradient(left, corners[0]!.y, right + 1, corners[2]!.y);
      light.addColorStop(0, shade(look.shirt, 0.12));
      light.addColorStop(1, shade(look.shirt, -0.28));
      ctx.fillStyle = light;
      ctx.strokeStyle = light;
      ctx.lineJoin = 'round';
      ctx.lineWidth = corners[0]!.r * 2;
      ctx.beginPath();
      corners.forEach((c, i) => (i === 0 ? ctx.moveTo(c.x, c.y) : ctx.lineTo(c.x, c.y)));
      ctx.closePath();
      ctx.fill();
      ctx.stroke();
      drawLimb(ctx, corners[3]!, corners[2]!, look.shorts);
    },
  });
  // The head, with a face that looks where the chest looks: the face tells left from right.
  const head = seen(joints.head, HEAD);
  const [a, b] = [joints['throwing-shoulder'], joints['glove-shoulder']];
  const turn = Math.atan2(b[1] - a[1], b[0] - a[0]);
  const ahead: Vector = [0.55 * Math.sin(turn) + 0.75, -0.55 * Math.cos(turn), -0.1];
  const face = seen(
    [
      joints.head[0] + ahead[0] * HEAD * heightM,
      joints.head[1] + ahead[1] * HEAD * heightM,
      joints.head[2] + ahead[2] * HEAD * heightM,
    ],
    HEAD,
  );
  shapes.push({
    depth: head.depth,
    draw: () => {
      drawLimb(ctx, seen(joints.neck, 0.026), head, look.skin);
      const ball = ctx.createRadialGradient(head.x - head.r * 0.3, head.y - head.r * 0.35, head.r * 0.1, head.x, head.y, head.r);
      ball.addColorStop(0, shade(look.skin, 0.15));
      ball.addColorStop(1, shade(look.skin, -0.25));
      ctx.fillStyle = ball;
      ctx.beginPath();
      ctx.arc(head.x, head.y, head.r, 0, 2 * Math.PI);
      ctx.fill();
      const facing = face.depth < head.depth + 0.3 * HEAD * heightM;
      ctx.fillStyle = look.hair;
      ctx.beginPath();
      ctx.arc(
        head.x - 0.3 * (face.x - head.x),
        head.y - head.r * 0.22,
        head.r * 0.98,
        facing ? Math.PI : 0,
        facing ? 2 * Math.PI : 2 * Math.PI,
      );
      ctx.fill();
      if (!facing) return;
      const [fx, fy] = [0.62 * (face.x - head.x), 0.05 * head.r];
      ctx.fillStyle = '#241a16';
      for (const side of [-1, 1]) {
        ctx.beginPath();
        ctx.arc(head.x + fx + side * head.r * 0.28, head.y + fy, head.r * 0.09, 0, 2 * Math.PI);
        ctx.fill();
      }
      ctx.fillStyle = shade(look.skin, -0.35);
      ctx.fillRect(head.x + fx * 1.25 - head.r * 0.05, head.y + fy + head.r * 0.05, head.r * 0.1, head.r * 0.25);
      ctx.fillStyle = '#8d4a42';
      ctx.fillRect(head.x + fx - head.r * 0.2, head.y + fy + head.r * 0.45, head.r * 0.4, head.r * 0.09);
    },
  });
  const glove = seen(joints['glove-hand'], 0.038);
  shapes.push({
    depth: glove.depth - 0.01,
    draw: () => {
      ctx.fillStyle = GLOVE;
      ctx.beginPath();
      ctx.arc(glove.x, glove.y, glove.r, 0, 2 * Math.PI);
      ctx.fill();
    },
  });
  const ball = seen(markedJointsAt(delivery, seconds).ball, 0.02);
  if (seconds <= (delivery.events.release ?? Infinity))
    shapes.push({
      depth: ball.depth - 0.02,
      draw: () => {
        ctx.fillStyle = '#f6f2e6';
        ctx.beginPath();
        ctx.arc(ball.x, ball.y, ball.r, 0, 2 * Math.PI);
        ctx.fill();
      },
    });
  for (const shape of shapes.sort((p, q) => q.depth - p.depth)) shape.draw();
  if (number !== undefined) drawNumber(ctx, number);
}

/** Bits of a frame's number, drawn large in the corner: what a test reads back. */
export const NUMBER_BITS = 14;
const CELL = 14;

/** Draws a frame's number into the corner. */
export function drawNumber(ctx: Draw, number: number): void {
  for (let bit = 0; bit < NUMBER_BITS; bit++) {
    ctx.fillStyle = (number >> bit) & 1 ? '#ffffff' : '#000000';
    ctx.fillRect(8 + bit * CELL, 8, CELL, CELL);
  }
}

/** Reads a frame's number back from its picture. */
export function readNumber(ctx: Draw): number {
  let number = 0;
  for (let bit = 0; bit < NUMBER_BITS; bit++) {
    const [r = 0] = ctx.getImageData(8 + bit * CELL + CELL / 2, 8 + CELL / 2, 1, 1).data;
    if (r > 127) number |= 1 << bit;
  }
  return number;
}
