/** Whether a clip can be what it is said to be: looked at before any number is read from it. */
import { EVENT_ORDER } from '../delivery/event-order';
import type { Discipline } from '../delivery/links';
import { slopes } from './series';
import { round } from '../shared/maths';
import { HIPS, midHip } from './readings';
import { Missing, Throw } from './throw';
import type { MarkedJoint, MeasureRequest, View } from './types';

export const CLIP_FAULTS = ['away', 'glove-side', 'legs', 'view', 'rate', 'order', 'scale', 'cut-off', 'no-throw'] as const;
export type ClipFaultKind = (typeof CLIP_FAULTS)[number];

/** A view that a camera has. */
type FilmedView = Exclude<View, '3d'>;

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
const LIMITS = {
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
const USUAL_MS: Record<Discipline, number> = { overhand: 155, windmill: 115 };
/** Rates that cameras of phones have. */
const RATES = [30, 60, 120, 240, 480] as const;
/** Events so close are not out of order, seconds: a heel and a toe leave the ground nearly together. */
const ORDER_SLACK_S = 0.03;
/** Half-width of the line a wrist's speed is read from, seconds. */
const SPEED_S = 0.02;
/** A head joint sits at 0.94 of the height, an ankle at 0.05. */
const HEAD_TO_ANKLE = 0.89;

const OTHER: Partial<Record<View, FilmedView>> = {
  'side-open': 'side-closed',
  'side-closed': 'side-open',
  front: 'rear',
  rear: 'front',
};
const isSide = (view: View): boolean => view === 'side-open' || view === 'side-closed';
const isEnd = (view: View): boolean => view === 'front' || view === 'rear';

/** A number, or null where the clip does not have what it needs. */
function told<T>(read: () => T): T | null {
  try {
    return read();
  } catch (error) {
    if (error instanceof Missing) return null;
    throw error;
  }
}

class Clip {
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

function noThrow(clip: Clip, faster: number): ClipFault | null {
  const speed = clip.wristSpeed();
  const { view } = clip.request;
  const travel = view === '3d' || view === 'top' ? clip.travel(0) : null;
  const stays = travel !== null && Math.abs(travel) < LIMITS.throwTravels;
  if (!stays && (speed === null || speed * Math.max(1, faster) >= LIMITS.wristSpeed)) return null;
  return {
    kind: 'no-throw',
    why: 'no throw is seen in this clip: the hand is never as fast, or the body never travels, as in one; cut the clip round the throw, or film another',
    mends: [],
  };
}

function away(clip: Clip): ClipFault | null {
  const { view } = clip.request;
  if (isEnd(view)) return null;
  const travel = clip.travel(0);
  if (travel === null || travel >= LIMITS.awayFromTarget) return null;
  const other = OTHER[view];
  return {
    kind: 'away',
    why: isSide(view)
      ? 'the body travels away from the target: the clip was filmed from the other side, or the athlete throws with the other hand'
      : 'the body travels away from the target: check where the target is',
    mends: other ? [{ change: 'view', to: other }] : [],
  };
}

function gloveSide(clip: Clip): ClipFault | null {
  const { view } = clip.request;
  if (isSide(view)) return null;
  const release = clip.frame('release');
  const { height, t } = clip;
  if (release === null || height === null) return null;
  const across = told(() => (t.at('glove-shoulder', release)[1] - t.at('throwing-shoulder', release)[1]) / height);
  if (across === null || across >= LIMITS.gloveSide) return null;
  const other = OTHER[view];
  return {
    kind: 'glove-side',
    why: isEnd(view)
      ? 'at release the glove side is where the throwing side should be: the clip was filmed from the other end, or the athlete throws with the other hand'
      : 'at release the glove side is where the throwing side should be: check the throwing hand',
    mends: other ? [{ change: 'view', to: other }] : [],
  };
}

/** At contact the front foot is well ahead of the back one, in every throw of everybody. */
function legs(clip: Clip): ClipFault | null {
  const { request, t, height } = clip;
  const contact = clip.frame('contact');
  if (contact === null || height === null || !(isSide(request.view) || request.view === '3d')) return null;
  const apart = told(() => (t.at('lead-ankle', contact)[0] - t.at('drive-ankle', contact)[0]) / height);
  if (apart === null || apart >= LIMITS.feetApart) return null;
  return {
    kind: 'legs',
    why: 'at contact the front foot is not ahead of the back one: one leg was taken for the other, or contact is not where it stands',
    mends: [],
  };
}

function wrongView(clip: Clip): ClipFault | null {
  const { view, throws } = clip.request;
  if (view === '3d') return null;
  if (isSide(view)) {
    const travel = clip.travel(0);
    const speed = clip.wristSpeed();
    if (travel === null || speed === null || speed < LIMITS.wristSpeed) return null;
    if (travel < LIMITS.awayFromTarget || travel >= LIMITS.throwTravels) return null;
    return {
      kind: 'view',
      why: 'the body hardly travels along the picture: this was not filmed from the side',
      mends: [
        { change: 'view', to: 'front' },
        { change: 'view', to: 'rear' },
      ],
    };
  }
  if (isEnd(view)) {
    const across = clip.travel(1);
    if (across === null || Math.abs(across) < LIMITS.endOnTravels) return null;
    // Which side it was: in the picture the body goes to the right on the open side of a right-hander.
    const toRight = (view === 'front' ? across : -across) > 0 === (throws === 'R');
    const first: FilmedView = toRight === (throws === 'R') ? 'side-open' : 'side-closed';
    return {
      kind: 'view',
      why: 'the body travels across the picture: this was filmed from the side',
      mends: [
        { change: 'view', to: first },
        { change: 'view', to: first === 'side-open' ? 'side-closed' : 'side-open' },
      ],
    };
  }
  return null;
}

function rate(clip: Clip): ClipFault | null {
  const { discipline, fps } = clip.request;
  const [contact, release] = [clip.frame('contact'), clip.frame('release')];
  if (contact === null || release === null || release <= contact) return null;
  const frames = release - contact;
  const took = (1000 * frames) / fps;
  const [low, high] = LIMITS.contactToRelease[discipline];
  // Within a frame of the bound nobody can tell.
  if (took > low - 1000 / fps && took < high + 1000 / fps) return null;
  const fits = (rateTried: number) => Math.abs(Math.log((1000 * frames) / rateTried / USUAL_MS[discipline]));
  const to = RATES.reduce((best, one) => (fits(one) < fits(best) ? one : best));
  return {
    kind: 'rate',
    why: `from contact to release would take ${Math.round(took)} ms: the capture rate of ${fps} a second cannot be right, or one of the two events is not where it stands`,
    mends: to === fps ? [] : [{ change: 'rate', to }],
  };
}

const spoken = (event: string): string => event.replace(/-/g, ' ').replace('oclock', 'o’clock');

function order(clip: Clip): ClipFault | null {
  const { events, discipline, fps } = clip.request;
  for (const [before, after] of EVENT_ORDER[discipline]) {
    const [a, b] = [events[before], events[after]];
    if (!a || !b) continue;
    const slack = 2 * Math.hypot(a.sd ?? 0.5, b.sd ?? 0.5) + ORDER_SLACK_S * fps;
    if (a.frame > b.frame + slack)
      return {
        kind: 'order',
        why: `“${spoken(before)}” is marked after “${spoken(after)}”: put them in order`,
        mends: [],
      };
  }
  return null;
}

function scale(clip: Clip): ClipFault | null {
  const { view, heightM, scale: given } = clip.request;
  const { standing } = clip;
  if (view === 'top' || standing === null || (view !== '3d' && !given)) return null;
  const share = standing / (HEAD_TO_ANKLE * heightM);
  if (share >= LIMITS.scale[0] && share <= LIMITS.scale[1]) return null;
  return {
    kind: 'scale',
    why: `by this scale the athlete would stand ${(standing / HEAD_TO_ANKLE).toFixed(2)} m tall and not ${heightM.toFixed(2)} m: set the scale again, or the height`,
    mends: given ? [{ change: 'scale', to: round(given.metresPerUnit / share, 6) }] : [],
  };
}

const WHOLE: readonly (readonly [part: string, joints: readonly MarkedJoint[]])[] = [
  ['the feet', ['drive-ankle', 'lead-ankle']],
  ['the throwing hand', ['throwing-wrist']],
  ['the hips', ['drive-hip', 'lead-hip']],
];

/** Joints that lie on the edge of the picture where it matters: what lies beyond it was guessed. */
function cutOff(clip: Clip): ClipFault | null {
  const { frames, frame: size } = clip.request;
  const [contact, release] = [clip.frame('contact'), clip.frame('release')];
  if (!size || contact === null || release === null) return null;
  const edge = 0.004 * Math.max(size.width, size.height);
  const outside = ({ x, y }: { x: number; y: number }) =>
    x <= edge || y <= edge || x >= size.width - edge || y >= size.height - edge;
  const within = frames.filter((f) => f.frame >= contact - 2 && f.frame <= release + 2);
  for (const [part, joints] of WHOLE) {
    const seen = within.flatMap((f) => joints.flatMap((joint) => f.joints[joint] ?? []));
    if (seen.length > 0 && seen.filter(outside).length > seen.length / 3)
      return {
        kind: 'cut-off',
        why: `${part} leave the picture between contact and release: film with more room around`,
        mends: [],
      };
  }
  return null;
}

function fromAbove(clip: Clip): ClipFault | null {
  const { request, t, height } = clip;
  if (request.view !== 'top' || height === null) return null;
  const first = t.framesOf(['head', 'drive-ankle'], -Infinity, Infinity)[0];
  if (first === undefined) return null;
  const [a, b] = [t.at('head', first), t.at('drive-ankle', first)];
  if (Math.hypot(a[0] - b[0], a[1] - b[1]) < LIMITS.topStands * height) return null;
  return {
    kind: 'view',
    why: 'head and feet lie far apart: this was not filmed from above',
    mends: [{ change: 'view', to: 'side-open' }],
  };
}

/**
 * What is wrong with a clip as it is set up and marked; empty when it can be what it is said to be. What cannot be told from the
 * marks is not held against it.
 */
export function clipFaults(request: MeasureRequest): ClipFault[] {
  const clip = new Clip(request);
  const tooSlow = rate(clip);
  // At another rate the hand may be as fast as in a throw.
  const [mend] = tooSlow?.mends ?? [];
  const faster = mend?.change === 'rate' ? mend.to / request.fps : 1;
  const none = noThrow(clip, faster);
  // With no throw in it, nothing else that is off says anything.
  if (none) return [none];
  const found = [tooSlow, ...[away, gloveSide, wrongView, fromAbove, order, scale, cutOff].map((check) => check(clip))].flatMap(
    (fault) => fault ?? [],
  );
  // A wrong side, view or order of events puts the feet where they are not, too: what is behind it is said alone.
  return found.length > 0 ? found : [legs(clip)].flatMap((fault) => fault ?? []);
}
