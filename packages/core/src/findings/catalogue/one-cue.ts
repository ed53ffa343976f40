import type { Discipline } from '../../delivery/links';
import type { FindingId } from '../ids';

/** The one thing to think of while a finding is worked on: outside the body, or inside it. */
export interface OneCue {
  readonly external: string;
  readonly internal: string;
}

const of = (external: string, internal: string): OneCue => ({ external, internal });

/** Cues that drill and whole throw share, so that nothing else has to be thought of. */
const CUES: Readonly<Record<FindingId, OneCue>> = {
  'unstable-base': of('Leave a clean print', 'Outer edge holds'),
  'balance-loss': of('Quiet head, then go', 'Gather over the shoe'),
  'open-lift': of('Knee to the glove', 'Gather toward the back hip'),
  'stuck-back': of('Pocket first, while the knee is up', 'Front hip starts the trip'),
  stall: of('Slow is fine, never stopped', 'Hips never brake'),
  'early-tip': of('Carry the belt like a tray', 'Drop and travel together'),
  'shin-vertical': of('Shin at the mitt', 'Knee goes where the hip goes'),
  'swing-open': of('Draw the line, then turn the toe', 'Heel leads, hip stays closed'),
  'knee-led-load': of('Seat to the wall behind', 'Hip folds, knee stays'),
  'knee-outside': of('Knee inside the line', 'Inside edge all the way'),
  'knee-turns-alone': of('Buckle comes with the knee', 'Hip and knee as one'),
  'idle-drive-leg': of('Push the rubber away last', 'Long leg at the end'),
  'idle-stride-leg': of('First step of a sprint', 'Rear leg pushes, then comes'),
  'early-extension': of('Cap stays level till the foot is down', 'Back knee stays bent till late'),
  'jump-off': of('Back toe draws, never lifts', 'Late, low toe'),
  'early-peel': of('Plant, then turn', 'Heel heavy, late to leave'),
  'short-stride': of('Land on the far mark', 'Front hip goes first'),
  'stride-offline': of('Land in the alley', 'Front hip at the target'),
  'knee-caves': of('Knee over the laces', 'Outside of the hip on'),
  'no-brace': of('Push the ground down', 'Front leg long'),
  'locked-landing': of('Land without a sound', 'Soft, then firm'),
  'sunk-landing': of('Land tall, stay tall', 'Front leg firm'),
  'early-close': of('Belt looks at the side line till the arm is at the top', 'Open, then half closed'),
  replant: of('Draw one line with the toe', 'Drag, do not hop'),
  'idle-glove': of('Reach for the mitt, then tuck it in', 'Glove out, glove home'),
  'late-hips': of('Belt at the toe touch', 'Hips as the toe touches'),
  'turn-together': of('Belt first, shirt later', 'Ribs wait'),
  'fly-open': of('Hide the shirt until the foot is down', 'Closed a moment longer'),
  'glove-pull': of('Chest goes to the glove', 'Glove arm quiet'),
  'glove-drift': of('Glove on a rail', 'Trunk steady, glove quiet'),
  'lean-back': of('Stack the ribs on the belt', 'Tall, not arched'),
  'chest-behind': of('Letters past the knee', 'Rear hip opens'),
  'fold-and-lift': of('Head at one height', 'Tall, no nod'),
  'shoulder-finish': of('Let the back foot come by itself', 'Hips bring it, not shoulders'),
  slouch: of('Long neck, tall shirt', 'Ribs up off the belt'),
  'early-hands': of('Knee passes knee, then hands', 'Hands wait for the leg'),
  'early-arm': of('Up on the foot, not before', 'Hand late, elbow quick'),
  'late-arm': of('Ball up on two', 'Elbow leads the hand up'),
  'hand-under': of('Show the ball to the ground first', 'Back of the hand up'),
  'lazy-arm': of('Short way up', 'Elbow leads the hand up'),
  'low-elbow': of('Elbow slides on the shelf', 'Elbow on the shoulder line'),
  'long-lever': of('Past the ear', 'Elbow bent about a right angle'),
  'arm-drag': of('Elbow rides with the shirt', 'Elbow on the chest line'),
  'push-arm': of('A rope with a knot at the end', 'Trunk turns, arm sleeps'),
  'straight-whip': of('Elbow through the door first', 'Loose bend, late hand'),
  'off-line-arm': of('Draw the circle on a wall', 'Hand over the line'),
  'pull-up-finish': of('Palm to the other pocket', 'Let it turn in'),
  'arm-only': of('Louder feet, sleeping arm', 'Effort from the ground'),
  'drive-hip-ir': of('Knee to the other shoelace', 'Thigh turns in, hip stays heavy'),
  'lead-hip-ir': of('Knee to the other shoelace', 'Thigh turns in, hip stays heavy'),
  'hip-er': of('Belt to the shin', 'Long back, hip folds'),
  'hip-abduction': of('Belt along a rail', 'Sit over one heel'),
  'hip-extension': of('Buckle to the ribs', 'Seat on, then tall'),
  'thoracic-rotation': of('Show the chest to the side', 'Ribs turn, hips stay'),
  ankle: of('Knee over the laces', 'Heel heavy'),
  'abductor-strength': of('Knee over the laces', 'Outside of the hip on'),
  'hip-flexor-strength': of('Knee stays at the belt', 'Tall over the standing foot'),
  'trunk-stability': of('A cup on the back stays full', 'Ribs down, breathe out'),
  'single-leg-strength': of('Push the ground away', 'Knee over the laces'),
  'low-power': of('Land like a cat', 'Hips back, knees over laces'),
  'push-misread': of('Fall first, the word comes last', 'Leg works at the end'),
  'balance-overtaught': of('One long word, no comma', 'Hips drift while the knee rises'),
  'hip-lead-overdone': of('Touch the wall, do not squash it', 'Back hip tall'),
  'sit-avoided': of('Brush the seat, keep going', 'Sit into the hip'),
  'drill-not-transferred': of('Other place, same picture', 'Carry it along'),
  'wasted-effort': of('Louder feet, same arm', 'Effort from the ground'),
  'fear-of-falling': of('Let the ground come to you', 'Hip first, foot last'),
  'pull-up-taught': of('Palm to the other pocket', 'Let it turn in'),
  'snap-misread': of('Shake water off the fingers', 'Elbow shows the way'),
  'slam-taught': of('Arm first, then the door', 'Hips wait for the elbow'),
};

/** Where the other discipline says it differently. */
const WINDMILL: Partial<Record<FindingId, OneCue>> = {
  'balance-loss': of('Quiet head, then go', 'Weight over the front shoe'),
  'short-stride': of('Push past the mark', 'Fall, then long leg'),
  'early-extension': of('Say it late, send it out', 'Fall, then long leg'),
};

/** The cue that carries a finding through a session. */
export const cueFor = (finding: FindingId, discipline: Discipline): OneCue =>
  (discipline === 'windmill' ? WINDMILL[finding] : undefined) ?? CUES[finding];
