import { proportionsFor } from '@wrightonic/core';
import { cameraFor, deliveryFor } from '@wrightonic/core/simulate';
import type { AthleteProfile, DeliveryEvent, Joint, Vector } from '@wrightonic/core';
import type { Delivery } from '@wrightonic/core/simulate';
import { project } from '@wrightonic/core/simulate';
import type { FilmSetup } from '@wrightonic/contract';
import type { FilmInfo, Pictures } from '../media/film-info';

const SIZE = { width: 960, height: 540 } as const;
/** Frames a second of the figure: it can be shown at any moment, this is how finely it is stepped. */
const FPS = 240;
const SEED = 1;
const PAPER = '#f6f2e8';
const INK = '#22302b';
const LIMB = '#e4dac4';

/** Limbs from far to near do not matter much to a line figure: bones, and how thick they are, in shares of height. */
const BONES: readonly (readonly [Joint, Joint, number])[] = [
  ['glove-shoulder', 'glove-elbow', 0.028],
  ['glove-elbow', 'glove-wrist', 0.022],
  ['lead-hip', 'lead-knee', 0.045],
  ['lead-knee', 'lead-ankle', 0.032],
  ['lead-heel', 'lead-toe', 0.02],
  ['drive-hip', 'drive-knee', 0.045],
  ['drive-knee', 'drive-ankle', 0.032],
  ['drive-heel', 'drive-toe', 0.02],
  ['throwing-shoulder', 'throwing-elbow', 0.028],
  ['throwing-elbow', 'throwing-wrist', 0.022],
];

/** The reference figure of an athlete: a clean delivery of this height, hand and discipline, drawn in ink on paper. */
export class ReferenceFigure implements Pictures {
  readonly info: FilmInfo;
  readonly events: Readonly<Partial<Record<Exclude<DeliveryEvent, 'max'>, { readonly frame: number }>>>;
  private readonly delivery: Delivery;
  private readonly see: (at: Vector) => { x: number; y: number; depth: number };
  private readonly pixel: (depth: number, metres: number) => number;
  private readonly canvas = new OffscreenCanvas(SIZE.width, SIZE.height);
  private readonly heightM: number;

  constructor(athlete: AthleteProfile, view: FilmSetup['view']) {
    const { delivery, request } = deliveryFor({ athlete, seed: SEED, faults: {} });
    const camera = cameraFor(view, athlete.throws, request.heightM, SIZE);
    this.delivery = delivery;
    this.heightM = request.heightM;
    this.see = (at) => project(camera, at);
    this.pixel = (depth, metres) => (metres * camera.focal) / depth;
    this.info = { frames: Math.floor(delivery.duration * FPS) + 1, playFps: FPS, captureFps: FPS, uneven: 0, ...SIZE };
    this.events = Object.fromEntries(
      Object.entries(delivery.events).map(([event, seconds]) => [event, { frame: Math.round(seconds * FPS) }]),
    );
  }

  frame(index: number): Promise<CanvasImageSource> {
    const ctx = this.canvas.getContext('2d')!;
    const joints = this.delivery.jointsAt(index / FPS);
    ctx.fillStyle = PAPER;
    ctx.fillRect(0, 0, SIZE.width, SIZE.height);
    const ground = this.see([0.4, 0, 0]).y;
    ctx.strokeStyle = INK;
    ctx.lineWidth = 1;
    ctx.beginPath();
    ctx.moveTo(0, ground);
    ctx.lineTo(SIZE.width, ground);
    ctx.stroke();
    ctx.lineCap = 'round';
    ctx.lineJoin = 'round';
    const limb = (points: readonly Vector[], thick: number, outline: number, close = false) => {
      const seen = points.map(this.see);
      for (const [width, colour] of [
        [this.pixel(seen[0]!.depth, 2 * thick * this.heightM) + 2 * outline, INK],
        [this.pixel(seen[0]!.depth, 2 * thick * this.heightM), LIMB],
      ] as const) {
        ctx.lineWidth = width;
        ctx.strokeStyle = colour;
        ctx.fillStyle = colour;
        ctx.beginPath();
        seen.forEach((p, i) => (i === 0 ? ctx.moveTo(p.x, p.y) : ctx.lineTo(p.x, p.y)));
        if (close) {
          ctx.closePath();
          ctx.fill();
        }
        ctx.stroke();
      }
    };
    const bone = ([a, b, thick]: (typeof BONES)[number]) =>
      // The throwing side and the drive leg stand out by their line.
      limb([joints[a], joints[b]], thick * 0.8, /^(throwing|drive)/.test(a) ? 3 : 1.4);
    BONES.slice(0, 5).forEach(bone);
    limb([joints['throwing-shoulder'], joints['glove-shoulder'], joints['lead-hip'], joints['drive-hip']], 0.032, 1.6, true);
    limb([joints.neck, joints.head], 0.02, 1.4);
    BONES.slice(5).forEach(bone);
    const head = this.see(joints.head);
    ctx.fillStyle = LIMB;
    ctx.strokeStyle = INK;
    ctx.lineWidth = 2;
    ctx.beginPath();
    ctx.arc(head.x, head.y, this.pixel(head.depth, proportionsFor(this.heightM, 17).headRadius), 0, 2 * Math.PI);
    ctx.fill();
    ctx.stroke();
    if (index / FPS <= (this.delivery.events.release ?? Infinity)) {
      const ball = this.see(joints['throwing-hand']);
      ctx.beginPath();
      ctx.arc(ball.x, ball.y, this.pixel(ball.depth, 0.037), 0, 2 * Math.PI);
      ctx.fillStyle = INK;
      ctx.fill();
    }
    return Promise.resolve(this.canvas);
  }
}
