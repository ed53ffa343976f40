/** Where the camera stood and which limb is which, held against what the joints show. */
import { LIMITS, told } from './clip-facts';
import type { ClipFault, FilmedView, Clip } from './clip-facts';
import type { View } from './types';

const OTHER: Partial<Record<View, FilmedView>> = {
  'side-open': 'side-closed',
  'side-closed': 'side-open',
  front: 'rear',
  rear: 'front',
};

const isSide = (view: View): boolean => view === 'side-open' || view === 'side-closed';

const isEnd = (view: View): boolean => view === 'front' || view === 'rear';

export function away(clip: Clip): ClipFault | null {
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

export function gloveSide(clip: Clip): ClipFault | null {
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
export function legs(clip: Clip): ClipFault | null {
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

export function wrongView(clip: Clip): ClipFault | null {
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

export function fromAbove(clip: Clip): ClipFault | null {
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
