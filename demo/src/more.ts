/** More of the demo’s people: one who is done, one who slipped back, one who is stuck, and others at all points of the loop. */
import type { FindingId, TestId, TestSide } from '@wrightonic/core';
import type { Character } from './scenario';

type Size = readonly [age: number, heightM: number, massKg: number];

const person = (
  name: string,
  [age, heightM, massKg]: Size,
  discipline: 'overhand' | 'windmill',
  throws: 'L' | 'R',
  level: Character['record']['level'],
): Character['record'] => ({
  name,
  age,
  heightM,
  massKg,
  discipline,
  throws,
  level,
  season: 'off',
  equipment: ['net', 'strap', 'band', 'tape', 'cone', 'hurdle', 'towel', 'radar'],
  partner: true,
  schools: {},
  availability: [],
});

interface Story extends Partial<Character> {
  readonly looks: readonly FindingId[];
  readonly tests: readonly (readonly [TestId, TestSide])[];
}

/** A character whose cause is the focus, or nobody has looked at yet. */
const character = (
  key: string,
  seed: number,
  record: Character['record'],
  cause: FindingId | null,
  [weeksAgo, speedMph, repairMph, learning]: readonly [number, number, number, number],
  story: Story,
): Character => ({
  key,
  seed,
  record,
  roots: cause ? [cause] : [],
  focus: cause,
  weeksAgo,
  speedMph,
  repairMph,
  learning,
  ...story,
});

export const MORE_CHARACTERS: readonly Character[] = [
  character('ansa', 512, person('Ansa Derwyth', [20, 1.88, 84], 'overhand', 'L', 'college'), 'short-stride', [8, 82, 2.6, 0.5], {
    looks: ['short-stride', 'late-hips', 'no-brace', 'early-arm', 'glove-pull'],
    tests: [['hip-extension', 'drive']],
    ownedDaysAgo: 30,
  }),
  character(
    'wilma',
    523,
    person('Wilma Tarnbeck', [17, 1.7, 62], 'windmill', 'R', 'high-school'),
    'short-stride',
    [12, 56, 2, 0.5],
    {
      looks: ['short-stride', 'idle-drive-leg', 'fold-and-lift', 'straight-whip'],
      tests: [['single-leg-squat', 'drive']],
      ownedDaysAgo: 50,
      away: [44, 9],
      games: [[8, 30]],
    },
  ),
  character('rufus', 531, person('Rufus Oldacre', [13, 1.58, 47], 'overhand', 'R', 'youth'), 'late-arm', [2, 57, 0.5, -0.12], {
    looks: ['late-arm', 'early-arm', 'glove-pull', 'fly-open'],
    tests: [['trunk-rotation', 'to-throwing']],
  }),
  character('etta', 537, person('Etta Hollinshaw', [11, 1.47, 39], 'windmill', 'L', 'youth'), 'fold-and-lift', [1, 43, 1, 0.3], {
    looks: ['fold-and-lift', 'early-extension', 'idle-drive-leg'],
    tests: [['single-leg-balance', 'drive']],
  }),
  character(
    'kasper',
    541,
    person('Kasper Ironmoor', [18, 1.91, 89], 'overhand', 'R', 'high-school'),
    'fly-open',
    [2, 80, 1.6, 0.3],
    { looks: ['fly-open', 'glove-pull', 'late-hips', 'turn-together'], tests: [['trunk-rotation', 'to-glove']], spike: true },
  ),
  character(
    'linnea',
    547,
    person('Linnea Foxgrove', [16, 1.73, 66], 'windmill', 'R', 'high-school'),
    'idle-drive-leg',
    [1, 54, 1.5, 0.32],
    {
      looks: ['idle-drive-leg', 'sunk-landing', 'locked-landing'],
      tests: [['vertical-jump', 'none']],
      games: [
        [3, 60],
        [10, 55],
      ],
    },
  ),
  character('pell', 557, person('Pell Anselwood', [10, 1.4, 33], 'overhand', 'L', 'youth'), 'balance-loss', [1, 45, 1, 0.4], {
    looks: ['balance-loss', 'unstable-base', 'short-stride'],
    tests: [['single-leg-balance', 'drive']],
  }),
  character(
    'sunniva',
    563,
    person('Sunniva Barrowdel', [14, 1.64, 54], 'overhand', 'R', 'high-school'),
    'early-arm',
    [1, 58, 1, 0.3],
    { looks: ['early-arm', 'late-hips', 'glove-pull'], tests: [['trunk-rotation', 'to-throwing']] },
  ),
  character(
    'gideon',
    569,
    person('Gideon Marlstrand', [21, 1.86, 90], 'overhand', 'L', 'college'),
    'no-brace',
    [2, 84, 1.5, 0.28],
    { looks: ['no-brace', 'knee-caves', 'turn-together', 'late-hips'], tests: [['single-leg-squat', 'lead']] },
  ),
  character(
    'oona',
    571,
    person('Oona Thistlebank', [18, 1.76, 70], 'windmill', 'R', 'college'),
    'straight-whip',
    [1, 60, 1.2, 0.3],
    { looks: ['straight-whip', 'shoulder-finish', 'off-line-arm'], tests: [['trunk-rotation', 'to-throwing']] },
  ),
  character(
    'matti',
    577,
    person('Matti Quernholm', [15, 1.79, 68], 'overhand', 'R', 'high-school'),
    'turn-together',
    [2, 72, 2, 0.3],
    { looks: ['turn-together', 'late-hips', 'stall', 'early-arm'], tests: [['hip-internal-rotation', 'lead']] },
  ),
  character(
    'bree',
    587,
    person('Bree Wychcombe', [12, 1.52, 42], 'windmill', 'R', 'youth'),
    'shoulder-finish',
    [1, 47, 0.8, 0.35],
    { looks: ['shoulder-finish', 'straight-whip', 'fold-and-lift'], tests: [['single-leg-squat', 'drive']] },
  ),
  character(
    'anders',
    593,
    person('Anders Selwick', [17, 1.83, 77], 'overhand', 'R', 'high-school'),
    'stuck-back',
    [1, 76, 1.8, 0.3],
    { looks: ['stuck-back', 'stall', 'late-hips'], tests: [['hip-abduction', 'lead']], games: [[5, 42]] },
  ),
  character('maud', 599, person('Maud Elverstone', [13, 1.6, 50], 'windmill', 'L', 'youth'), 'off-line-arm', [1, 48, 1, 0.3], {
    looks: ['off-line-arm', 'shoulder-finish', 'idle-drive-leg'],
    tests: [['single-leg-squat', 'lead']],
  }),
  character('tomas', 601, person('Tomas Greyhurst', [16, 1.8, 73], 'overhand', 'L', 'high-school'), null, [0, 70, 1, 0.3], {
    looks: [],
    tests: [],
  }),
  character('ylva', 607, person('Ylva Pennard', [9, 1.33, 29], 'overhand', 'R', 'beginner'), null, [0, 38, 1, 0.3], {
    looks: [],
    tests: [],
  }),
];
