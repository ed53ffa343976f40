/** Whether a clip can be what it is said to be: looked at before any number is read from it. */
import { EVENT_ORDER } from '../delivery/event-order';
import { round } from '../shared/maths';
import { Clip, HEAD_TO_ANKLE, LIMITS, ORDER_SLACK_S, RATES, USUAL_MS } from './clip-facts';
import type { ClipFault } from './clip-facts';
import type { MarkedJoint, MeasureRequest } from './types';
import { away, fromAbove, gloveSide, legs, wrongView } from './wrong-view';

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

export function rate(clip: Clip): ClipFault | null {
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

export function order(clip: Clip): ClipFault | null {
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

export function scale(clip: Clip): ClipFault | null {
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
