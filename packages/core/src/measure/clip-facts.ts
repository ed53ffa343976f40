/** What is held against a clip, and what is known of one. */
import type { Discipline } from '../delivery/links';
import { HIPS, midHip } from './readings';
import { slopes } from './series';
import { Missing } from './throw-marks';
import { Throw } from './throw';
import type { MeasureRequest, View } from './types';

export const CLIP_FAULTS = ['away', 'glove-side', 'legs', 'view', 'rate', 'order', 'scale', 'cut-off', 'no-throw'] as const;

export type ClipFaultKind = (typeof CLIP_FAULTS)[number];

/** A view that a camera has. */
export type FilmedView = Exclude<View, '3d'>;

/** A change of the set-up that would make the clip agree with itself. */
export type Mend =
  | { readonly change: 'view'; readonly to: FilmedView }
  | { readonly change: 'rate'; readonly to: number }
  | { readonly change: 'scale'; readonly to: number };

/** Why nothing is read from a clip. */
export interface ClipFault {
  readonly kind: ClipFaultKind;
  readonly why: string;
  /** The likeliest mends, first the one to try; empty where a hand has to look. */
  readonly mends: readonly Mend[];
}

/** Limits beyond which a clip is not believed, wide of every delivery that is thrown. Provenance `house`, from simulated deliveries. */
export const LIMITS = {
  /** Shares of height. */
  awayFromTarget: -0.08,
  throwTravels: 0.12,
  endOnTravels: 0.3,
  gloveSide: -0.06,
  /** The front foot ahead of the back one at contact. */
  feetApart: 0.12,
  /** Shares of the standing height: the marked frames may begin when the body is bent already. */
  scale: [0.72, 1.25],
  /** Contact to release, ms. */
  contactToRelease: { overhand: [60, 400], windmill: [40, 400] },
  /** Greatest speed of the throwing wrist, heights a second. */
  wristSpeed: 2.2,
  topStands: 0.6,
} as const;

/** The usual time from contact to release, ms, by which a capture rate is guessed. */
export const USUAL_MS: Record<Discipline, number> = { overhand: 155, windmill: 115 };

/** Rates that cameras of phones have. */
export const RATES = [30, 60, 120, 240, 480] as const;

/** Events so close are not out of order, seconds: a heel and a toe leave the ground nearly together. */
export const ORDER_SLACK_S = 0.03;

/** Half-width of the line a wrist's speed is read from, seconds. */
const SPEED_S = 0.02;

/** A head joint sits at 0.94 of the height, an ankle at 0.05. */
export const HEAD_TO_ANKLE = 0.89;

/** A number, or null where the clip does not have what it needs. */
export function told<T>(read: () => T): T | null {
  try {
    return read();
  } catch (error) {
    if (error instanceof Missing) return null;
    throw error;
  }
}

export class Clip {
  readonly t: Throw;
  /** The athlete's height in the unit of the tracks; null where nothing says it. */
  readonly height: number | null;

  constructor(readonly request: MeasureRequest) {
    this.t = new Throw(request);
    this.height = request.view === '3d' || request.scale ? request.heightM : this.standing && this.standing / HEAD_TO_ANKLE;
  }

  /** Head to ankle where they are furthest apart upright, in the tracks' unit. */
  get standing(): number | null {
    const tall = (['drive-ankle', 'lead-ankle'] as const).flatMap((ankle) =>
      this.t.framesOf(['head', ankle], -Infinity, Infinity).map((f) => this.t.at('head', f)[2] - this.t.at(ankle, f)[2]),
    );
    return tall.length === 0 ? null : Math.max(...tall);
  }

  frame(event: 'contact' | 'release'): number | null {
    return this.request.events[event]?.frame ?? null;
  }

  /** How far the hips went along an axis, from where they first are to a frame, shares of height. */
  travel(axis: 0 | 1): number | null {
    const to = this.frame('contact') ?? this.frame('release');
    const from = this.t.framesOf(HIPS, -Infinity, to ?? Infinity)[0];
    if (to === null || from === undefined || this.height === null || to - from < 0.15 * this.request.fps) return null;
    const moved = told(() => midHip(this.t, to)[axis] - midHip(this.t, from)[axis]);
    return moved === null ? null : moved / this.height;
  }

  wristSpeed(): number | null {
    const frames = this.t.framesOf(['throwing-wrist'], -Infinity, Infinity);
    if (frames.length < 5 || this.height === null || frames[frames.length - 1]! - frames[0]! < 0.2 * this.request.fps)
      return null;
    const half = Math.max(1.01, SPEED_S * this.request.fps);
    const parts = this.t.shown.map((axis) =>
      slopes(
        frames.map((f) => ({ t: f, v: this.t.at('throwing-wrist', f)[axis] })),
        half,
      ),
    );
    const speeds = (parts[0] ?? []).map((_, i) => Math.hypot(...parts.map((p) => p[i]?.v ?? 0)));
    return speeds.length === 0 ? null : (Math.max(...speeds) * this.request.fps) / this.height;
  }
}
