import { project } from '@wrightonic/core/simulate';
import type { Camera } from '@wrightonic/core/simulate';
import type { Place } from './look';
import type { Ink } from '../marks/paint';

/** A wall, ground and what the pitcher stands on; tall things behind lie at a fixed place of the picture. */
interface Scenery {
  readonly far: readonly [top: string, low: string];
  readonly ground: readonly [top: string, low: string];
  readonly patch: string;
  readonly behind: (ctx: Ink, width: number, horizon: number) => void;
}

/** Upright bars over the width, each so wide, in one colour. */
function bars(ctx: Ink, colour: string, width: number, every: number, wide: number, from: number, to: number): void {
  ctx.fillStyle = colour;
  for (let x = every / 3; x < width; x += every) ctx.fillRect(x, from, wide, to - from);
}

const SCENES: Readonly<Record<Place, Scenery>> = {
  field: {
    far: ['#8fb4d0', '#d5e2e6'],
    ground: ['#7d9a5c', '#5c7a43'],
    patch: '#b58d63',
    behind: (ctx, width, horizon) => {
      ctx.fillStyle = '#55714a';
      ctx.fillRect(0, horizon * 0.86, width, horizon * 0.14);
    },
  },
  park: {
    far: ['#a9bcc6', '#cfd6d2'],
    ground: ['#8f9c63', '#6d7a4a'],
    patch: '#9d8a6c',
    behind: (ctx, width, horizon) => {
      // Trees of uneven size, a fence and its posts.
      for (let n = 0; n < 9; n++) {
        const [x, r] = [(n + 0.3 + 0.4 * ((n * 7) % 3)) * (width / 9), horizon * (0.16 + 0.05 * ((n * 5) % 4))];
        ctx.fillStyle = '#4d3b2c';
        ctx.fillRect(x - r * 0.08, horizon - r, r * 0.16, r);
        ctx.fillStyle = n % 2 ? '#3f5a38' : '#566f3d';
        ctx.beginPath();
        ctx.arc(x, horizon - 1.5 * r, r, 0, 2 * Math.PI);
        ctx.fill();
      }
      bars(ctx, '#d9d4c6', width, width / 14, width / 220, horizon * 0.78, horizon);
      ctx.fillRect(0, horizon * 0.8, width, horizon * 0.015);
      ctx.fillRect(0, horizon * 0.92, width, horizon * 0.015);
    },
  },
  cage: {
    far: ['#4a4f52', '#6d7173'],
    ground: ['#5e8061', '#46664a'],
    patch: '#3c5740',
    behind: (ctx, width, horizon) => {
      // A net of thin lines before a block wall.
      bars(ctx, '#3a3e40', width, width / 7, width / 60, 0, horizon);
      ctx.strokeStyle = 'rgba(225, 225, 220, 0.35)';
      ctx.lineWidth = 1;
      ctx.beginPath();
      const mesh = width / 48;
      for (let x = 0; x < width; x += mesh) {
        ctx.moveTo(x, 0);
        ctx.lineTo(x, horizon);
      }
      for (let y = 0; y < horizon; y += mesh) {
        ctx.moveTo(0, y);
        ctx.lineTo(width, y);
      }
      ctx.stroke();
    },
  },
  hall: {
    far: ['#c9c2b4', '#a99f8d'],
    ground: ['#b98e58', '#95703f'],
    patch: '#2f5a7a',
    behind: (ctx, width, horizon) => {
      bars(ctx, '#e9edf0', width, width / 5, width / 9, horizon * 0.05, horizon * 0.35);
      bars(ctx, '#8c5a3a', width, width / 11, width / 90, horizon * 0.5, horizon);
    },
  },
};

/** Paints where the throw is made: what is far, the ground, and the patch that the pitcher stands on. */
export function paintPlace(ctx: Ink, camera: Camera, place: Place): void {
  const { width, height } = camera;
  const { far, ground, patch, behind } = SCENES[place];
  const horizon = Math.min(
    height * 0.62,
    Math.max(height * 0.3, project(camera, [camera.lookAt[0], camera.lookAt[1] + (camera.at[1] < 0 ? 60 : -60), 0]).y),
  );
  const fill = ([top, low]: readonly [string, string], from: number, to: number) => {
    const colour = ctx.createLinearGradient(0, from, 0, to);
    colour.addColorStop(0, top);
    colour.addColorStop(1, low);
    ctx.fillStyle = colour;
    ctx.fillRect(0, from, width, to - from);
  };
  fill(far, 0, horizon);
  behind(ctx, width, horizon);
  fill(ground, horizon, height);
  const corners = [-0.7, 2.2].flatMap((x) => [-0.6, 0.6].map((y) => project(camera, [x, x < 0 ? y : -y, 0])));
  ctx.fillStyle = patch;
  ctx.beginPath();
  corners.forEach((p, i) => (i === 0 ? ctx.moveTo(p.x, p.y) : ctx.lineTo(p.x, p.y)));
  ctx.closePath();
  ctx.fill();
}
