import { markedJointsAt, project } from '@wrightonic/core/simulate';
import type { Joint, Vector } from '@wrightonic/core';
import type { Camera, Delivery } from '@wrightonic/core/simulate';
import { paintHead } from './head';
import { paintLimb, shade } from './limb';
import type { Seen } from './limb';
import type { Colours, Look } from './look';
import type { Ink } from '../marks/paint';

type Part = 'thigh' | 'shank' | 'foot' | 'upper arm' | 'forearm' | 'hand';

interface Limb {
  readonly from: Joint;
  readonly to: Joint;
  /** Radii at both ends, shares of height. */
  readonly radii: readonly [number, number];
  readonly part: Part;
}

const LIMBS: readonly Limb[] = (['drive', 'lead'] as const)
  .flatMap((side): Limb[] => [
    { from: `${side}-hip`, to: `${side}-knee`, radii: [0.05, 0.036], part: 'thigh' },
    { from: `${side}-knee`, to: `${side}-ankle`, radii: [0.034, 0.022], part: 'shank' },
    { from: `${side}-heel`, to: `${side}-toe`, radii: [0.019, 0.016], part: 'foot' },
  ])
  .concat([
    { from: 'throwing-shoulder', to: 'throwing-elbow', radii: [0.03, 0.023], part: 'upper arm' },
    { from: 'throwing-elbow', to: 'throwing-wrist', radii: [0.022, 0.016], part: 'forearm' },
    { from: 'throwing-wrist', to: 'throwing-hand', radii: [0.016, 0.017], part: 'hand' },
    { from: 'glove-shoulder', to: 'glove-elbow', radii: [0.03, 0.023], part: 'upper arm' },
    { from: 'glove-elbow', to: 'glove-wrist', radii: [0.022, 0.016], part: 'forearm' },
  ]);
const HEAD = 0.062;
const GLOVE = '#6b4526';

/** What covers a part of the body, and whether it is cloth that may hang wide. */
function covering({ clothes }: Look, part: Part): { readonly of: keyof Colours; readonly cloth: boolean } {
  if (part === 'thigh') return { of: 'shorts', cloth: true };
  if (part === 'foot') return { of: 'shoes', cloth: false };
  if (part === 'shank') return clothes.legs === 'trousers' ? { of: 'shorts', cloth: true } : shankBelowTheKnee(clothes.legs);
  if (part === 'upper arm') return { of: clothes.shirt === 'raglan' ? 'cap' : 'shirt', cloth: true };
  if (part === 'forearm' && clothes.sleeves === 'long') return { of: clothes.shirt === 'raglan' ? 'cap' : 'shirt', cloth: true };
  return { of: 'skin', cloth: false };
}

/** Long stockings under knickers, bare legs under shorts. */
const shankBelowTheKnee = (legs: Look['clothes']['legs']): { of: keyof Colours; cloth: boolean } => ({
  of: legs === 'knickers' ? 'cap' : 'skin',
  cloth: false,
});

/** The light over the finished picture: darker or brighter, warmer or colder. */
export function paintLight(ctx: Ink, { width, height }: Camera, { exposure, warmth }: Look['light']): void {
  if (exposure !== 1) {
    ctx.fillStyle = exposure < 1 ? `rgba(0, 0, 0, ${1 - exposure})` : `rgba(255, 255, 255, ${0.6 * (exposure - 1)})`;
    ctx.fillRect(0, 0, width, height);
  }
  if (warmth !== 0) {
    ctx.fillStyle = warmth > 0 ? `rgba(255, 150, 40, ${0.16 * warmth})` : `rgba(60, 120, 255, ${-0.16 * warmth})`;
    ctx.fillRect(0, 0, width, height);
  }
}

/** Chest and hips between four corners (throwing and glove shoulder, lead and drive hip), in the colours of the shirt and shorts. */
function paintTrunk(ctx: Ink, corners: readonly [Seen, Seen, Seen, Seen], { colours, clothes, light: sun }: Look): void {
  const xs = corners.map((c) => c.x);
  const [left, right] = [Math.min(...xs), Math.max(...xs)];
  const light = ctx.createLinearGradient(left, corners[0].y, right + 1, corners[2].y);
  light.addColorStop(0, shade(colours.shirt, 0.12));
  light.addColorStop(1, shade(colours.shirt, -0.1 - 0.36 * sun.hardness));
  ctx.fillStyle = light;
  ctx.strokeStyle = light;
  ctx.lineJoin = 'round';
  ctx.lineWidth = corners[0].r * 2;
  ctx.beginPath();
  corners.forEach((c, i) => (i === 0 ? ctx.moveTo(c.x, c.y) : ctx.lineTo(c.x, c.y)));
  ctx.closePath();
  ctx.fill();
  ctx.stroke();
  if (clothes.shirt === 'bands') {
    const [a, b, c, d] = corners;
    ctx.strokeStyle = colours.cap;
    ctx.lineWidth = corners[0].r * 0.5;
    for (const share of [0.25, 0.55, 0.85]) {
      ctx.beginPath();
      ctx.moveTo(a.x + share * (d.x - a.x), a.y + share * (d.y - a.y));
      ctx.lineTo(b.x + share * (c.x - b.x), b.y + share * (c.y - b.y));
      ctx.stroke();
    }
  }
  paintLimb(ctx, corners[3], corners[2], colours.shorts, sun.hardness);
}

/**
 * A made-up athlete at one moment of a delivery, as a camera on a stand sees it, painted over the place.
 */
export function drawStandIn(ctx: Ink, delivery: Delivery, camera: Camera, seconds: number, heightM: number, look: Look): void {
  const joints = delivery.jointsAt(seconds);
  const { colours, clothes, girth, light } = look;
  const seen = (at: Vector, radius = 0): Seen => {
    const p = project(camera, at);
    return { ...p, r: Math.max(0.5, (radius * heightM * camera.focal) / p.depth) };
  };
  const round = (cloth: boolean): number => girth * (cloth ? 1 + clothes.loose : 1);
  ctx.fillStyle = `rgba(30, 34, 24, ${0.14 + 0.36 * light.hardness})`;
  for (const f of [joints['drive-heel'], joints['lead-heel']]) {
    const s = seen([f[0], f[1], 0], 0.07 * girth);
    ctx.beginPath();
    ctx.ellipse(s.x, s.y, s.r * 1.6, s.r * 0.45, 0, 0, 2 * Math.PI);
    ctx.fill();
  }
  const shapes: { depth: number; draw: () => void }[] = LIMBS.map((limb) => {
    const { of, cloth } = covering(look, limb.part);
    const [a, b] = [seen(joints[limb.from], limb.radii[0] * round(cloth)), seen(joints[limb.to], limb.radii[1] * round(cloth))];
    return { depth: (a.depth + b.depth) / 2, draw: () => paintLimb(ctx, a, b, colours[of], light.hardness) };
  });
  const trunk = [
    seen(joints['throwing-shoulder'], 0.036 * round(true)),
    seen(joints['glove-shoulder'], 0.036 * round(true)),
    seen(joints['lead-hip'], 0.05 * round(true)),
    seen(joints['drive-hip'], 0.05 * round(true)),
  ] as const;
  shapes.push({ depth: trunk.reduce((sum, c) => sum + c.depth, 0) / trunk.length, draw: () => paintTrunk(ctx, trunk, look) });
  const head = seen(joints.head, HEAD);
  const [a, b] = [joints['throwing-shoulder'], joints['glove-shoulder']];
  const turn = Math.atan2(b[1] - a[1], b[0] - a[0]);
  const before: Vector = [0.55 * Math.sin(turn) + 0.75, -0.55 * Math.cos(turn), -0.1];
  const ahead = seen(
    [
      joints.head[0] + before[0] * HEAD * heightM,
      joints.head[1] + before[1] * HEAD * heightM,
      joints.head[2] + before[2] * HEAD * heightM,
    ],
    HEAD,
  );
  const facing = ahead.depth < head.depth + 0.3 * HEAD * heightM;
  shapes.push({
    depth: head.depth,
    draw: () => paintHead(ctx, seen(joints.neck, 0.026 * girth), head, ahead, facing, look),
  });
  const disc = (at: Seen, colour: string) => () => {
    ctx.fillStyle = colour;
    ctx.beginPath();
    ctx.arc(at.x, at.y, at.r, 0, 2 * Math.PI);
    ctx.fill();
  };
  const glove = seen(joints['glove-hand'], 0.038);
  shapes.push({ depth: glove.depth - 0.01, draw: disc(glove, GLOVE) });
  const ball = seen(markedJointsAt(delivery, seconds).ball, 0.02);
  if (seconds <= (delivery.events.release ?? Infinity)) shapes.push({ depth: ball.depth - 0.02, draw: disc(ball, '#f6f2e6') });
  for (const shape of shapes.sort((p, q) => q.depth - p.depth)) shape.draw();
}

/** Bits of a frame's number, drawn large in the corner: what a test reads back. */
const NUMBER_BITS = 14;
const CELL = 14;

/** Draws a frame's number into the corner. */
export function drawNumber(ctx: Ink, number: number): void {
  for (let bit = 0; bit < NUMBER_BITS; bit++) {
    ctx.fillStyle = (number >> bit) & 1 ? '#ffffff' : '#000000';
    ctx.fillRect(8 + bit * CELL, 8, CELL, CELL);
  }
}

/** Reads a frame's number back from its picture. */
export function readNumber(ctx: Ink): number {
  let number = 0;
  for (let bit = 0; bit < NUMBER_BITS; bit++) {
    const [r = 0] = ctx.getImageData(8 + bit * CELL + CELL / 2, 8 + CELL / 2, 1, 1).data;
    if (r > 127) number |= 1 << bit;
  }
  return number;
}
