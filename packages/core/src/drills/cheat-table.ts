export interface Cheat {
  /** Shared by all drills in which this way round is found. */
  readonly cheat: string;
  /** Words for the chip that a coach taps. */
  readonly label: string;
  /** What to add so that this way round is closed. */
  readonly counter: string;
}

/** Ways round that many drills share, with what usually closes them. */
const TABLE = {
  rushes: ['Rushes', 'Count two before each rep'],
  'holds-breath': ['Holds the breath', 'Breathe out through the hard part'],
  'looks-down': ['Looks down', 'Eyes on a mark at eye level'],
  'wobbles-through': ['Wobbles through', 'Reset, and start only when still'],
  'leans-off': ['Trunk leans off', 'A wall within a hand of the shoulder, untouched'],
  'arches-low': ['Arches the low back', 'Ribs down over the belt before each rep'],
  'turns-foot': ['Standing foot turns', 'A chalk line round the shoe; the print must match'],
  bounces: ['Bounces at the end', 'Stay two breaths at the end'],
  cranks: ['Cranks into pain', 'Half the way, and only a mild pull'],
  'hips-sag': ['Hips sag', 'Shorter holds, hips up'],
  'knee-in': ['Knee dives in', 'Knee over the middle toes, slower'],
  pauses: ['Stops on the way', 'Count it as one word, no comma'],
  'steps-early': ['Steps early', 'Half the distance, and wait for the fall'],
  reaches: ['Reaches with the foot', 'The foot lands where the hips take it; mark it after, not before'],
  'pops-up': ['Pops up', 'A string at the height of the cap'],
  jumps: ['Jumps off', 'Back toe draws a line and never lifts'],
  'shoulder-first': ['Shoulder goes first', 'Front shoulder keeps a hand’s width from the wall'],
  'arm-hurries': ['Arm hurries', 'Drop to 60 % until the arm is calm'],
  aims: ['Aims instead of throwing', 'Take the target away for five'],
  'throws-harder': ['Throws harder than asked', 'Half the distance, and play it back soft'],
  'drill-vanishes': ['Drill vanishes', 'Two reps of the drill before each throw'],
  'opens-early': ['Opens early', 'Front shirt hidden from the target until the foot is down'],
  'falls-off': ['Falls off to the side', 'Hold the finish for two counts'],
  'stiff-leg': ['Stiff standing leg', 'Start from a soft knee'],
  'heel-lifts': ['Heel lifts', 'A coin under the heel'],
  peeks: ['Turns to look', 'A partner or a phone looks for you'],
  'hand-under': ['Hand gets under the ball', 'Back of the hand up until the hand is out of the glove'],
  'drops-elbow': ['Drops the elbow', 'Elbow at the height of the shoulder before each rep'],
  'muscles-it': ['Muscles the arm', 'Shake the arm loose between reps'],
  'short-arms': ['Cuts the path short', 'Whole way, half the speed'],
  'bends-at-waist': ['Bends at the waist', 'Tall from ear to hip; shorten the range'],
  'walks-on': ['Walks on through', 'Stick the last step for a count'],
  'lifts-hand': ['Lifts the hand', 'The hand finishes below the belt'],
  'circle-tips': ['Circle leaves the line', 'A curtain a hand beside the circle'],
  squeezes: ['Squeezes and stiffens', 'Loose hands, loose jaw'],
} as const satisfies Record<string, readonly [label: string, counter: string]>;

export type CheatId = keyof typeof TABLE;

/** A cheat of the shared table. */
export const sharedCheat = (cheat: CheatId): Cheat => ({ cheat, label: TABLE[cheat][0], counter: TABLE[cheat][1] });
