import type { FindingId } from '../ids';

/** What tells a finding from those that look like it. */
export const TELL_APART: Readonly<Partial<Record<FindingId, string>>> = {
  'unstable-base': 'The foot moves before the body does; lost balance comes later, with a still foot.',
  'balance-loss': 'The head wanders while the foot stands firm; a poor base moves the foot, weight behind moves the belt.',
  'stuck-back': 'Nothing has travelled yet at the top of the lift; a stall travels first and stops after it.',
  stall: 'The hips were on their way and slow down; stuck behind they never started, tipped too soon they do not slow.',
  'early-tip': 'The belt tips while the hips keep going; in a stall they stop, in an early swing the leg opens first.',
  'shin-vertical':
    'Look at the shin alone: upright while the hips travel. In a stall the hips stop; in a knee-led load the knee is past the toes.',
  'swing-open':
    'The foot turns out before the hips turn; in an early tip the belt drops first, in an open lift the leg was never gathered.',
  'knee-led-load': 'The knee is past the toes and the trunk upright; an upright shin has the knee behind the toes.',
  'knee-outside': 'The knee stays out over the edge of the foot; a knee that turns alone rolls in.',
  'knee-turns-alone': 'The knee rolls in and the belt stays; outside the foot it never comes in.',
  'idle-drive-leg': 'The leg is left behind although the hips travel; in a stall the hips stop, in an early tip they fall first.',
  'early-extension': 'The leg straightens with the foot still down; in a jump both feet are off the ground.',
  'jump-off': 'Daylight under both feet; an early extension keeps the toe on the ground.',
  'early-peel': 'The heel leaves while the body still travels; an idle leg stays down and drags.',
  'knee-caves': 'The knee moves in as the weight arrives; a missing brace bends forward over the foot.',
  'no-brace': 'The knee keeps bending forward; caving goes inward, a chest behind leans back over a firm leg.',
  'locked-landing': 'Straight or heel first at touch; a sunk landing is deep at touch.',
  'sunk-landing': 'Deep already at touch; a missing brace sinks only afterwards.',
  'late-hips': 'The belt is still closed at touch; turning together starts in time but at once.',
  'turn-together': 'Belt and letters face the plate at the same moment; with late hips both are late, flying open is early.',
  'fly-open': 'The letters face the plate at touch; turning together happens after touch.',
  'glove-pull': 'The glove is yanked and starts the turn; a drifting glove wanders without pull.',
  'glove-drift': 'The glove wanders with an unsteady trunk; a pull is quick and goes behind.',
  'lean-back': 'The trunk leans away at touch; a chest behind is upright at touch and stays behind at release.',
  'chest-behind': 'Late, at release; leaning back is there at touch.',
  'fold-and-lift':
    'The trunk tips after touch and comes up before release; from a sunk landing the legs are deep, not the trunk.',
  'early-close': 'The hips themselves close early; with the shoulders’ finish they are fetched late and at once.',
  replant: 'The foot comes down a second time; a leg that is straight too soon only goes up.',
  'shoulder-finish': 'The trailing foot takes a curve because the shoulders fetch it; an idle leg just stays behind.',
  'early-hands': 'Count from the hands parting; an early arm may follow hands that part in time.',
  'early-arm': 'The ball is up and waits; early hands may still arrive in time.',
  'late-arm': 'The ball is not up at touch; a dragging arm is up and then left behind.',
  'low-elbow': 'The elbow is below the line of the shoulders; a long lever has the ball far out, whatever the elbow.',
  'long-lever': 'The ball is far from the body; a low elbow can carry it close.',
  'arm-drag': 'The elbow is behind the chest after the turn has begun; a late arm is low before it.',
};
