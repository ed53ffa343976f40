/** The demo's people and their hidden truth. Everything here is made up. */
import type { AthleteRecord } from '@wrightonic/contract';
import type { FindingId, TestId, TestSide } from '@wrightonic/core';
import { MORE_CHARACTERS } from './more';

export const ACADEMY = 'Millrace Pitching Barn';
export interface Character {
  readonly key: string;
  /** Seed of the truth and of what was seen of it. */
  readonly seed: number;
  readonly record: Omit<AthleteRecord, 'birthDate'> & { readonly age: number };
  readonly roots: readonly FindingId[];
  /** Findings the coach looked at on the first day. */
  readonly looks: readonly FindingId[];
  readonly tests: readonly (readonly [TestId, TestSide])[];
  /** Focus chosen on the first day, or null: not diagnosed yet. */
  readonly focus: FindingId | null;
  readonly weeksAgo: number;
  readonly speedMph: number;
  readonly repairMph: number;
  readonly learning: number;
  /** Targets and spots are noted in the measured throws. */
  readonly aims?: boolean;
  readonly flatEffort?: boolean;
  readonly spike?: boolean;
  /** What the coach has ruled against the judgement. */
  readonly rulings?: readonly { finding: FindingId; as: 'present' | 'absent' | 'root'; reason: string; daysAgo: number }[];
  /** Days ago on which arm pain was reported. */
  readonly painDaysAgo?: number;
  /** Days ago on which the coach called the focus owned. */
  readonly ownedDaysAgo?: number;
  /** Lessons missed in a row: from so many days ago, to so many. */
  readonly away?: readonly [from: number, to: number];
  /** Games, days ago with pitches. */
  readonly games?: readonly (readonly [daysAgo: number, pitches: number])[];
}

const cage = (weekday: AthleteRecord['availability'][number]['weekday'], minutes = 45) => ({
  weekday,
  minutes,
  place: 'cage' as const,
});
const home = (weekday: AthleteRecord['availability'][number]['weekday'], minutes = 30) => ({
  weekday,
  minutes,
  place: 'home' as const,
});
const mound = (weekday: AthleteRecord['availability'][number]['weekday'], minutes = 60) => ({
  weekday,
  minutes,
  place: 'mound' as const,
});
const FULL_KIT = [
  'net',
  'strap',
  'band',
  'tape',
  'cone',
  'hurdle',
  'bag',
  'box',
  'towel',
  'radar',
  'belt-cord',
  'string',
] as const;
const everyDay = ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'] as const;

/** Work on every second day of the week, moved so that today is one of them. */
export function daysFrom(today: number, minutes: number): AthleteRecord['availability'] {
  return [0, 2, 5].map((step, i) => {
    const weekday = everyDay[(today + step) % 7]!;
    return i === 0 ? cage(weekday, minutes) : i === 1 ? home(weekday) : mound(weekday);
  });
}

const base = {
  season: 'off' as const,
  equipment: [...FULL_KIT],
  partner: true,
  schools: {},
  availability: [] as AthleteRecord['availability'],
};

export const CHARACTERS: readonly Character[] = [
  {
    key: 'tavi',
    aims: true,
    seed: 431,
    record: {
      ...base,
      name: 'Tavi Orrellin',
      age: 16,
      heightM: 1.81,
      massKg: 75,
      discipline: 'overhand',
      throws: 'R',
      level: 'high-school',
    },
    roots: ['stall'],
    looks: [
      'stall',
      'stuck-back',
      'late-hips',
      'turn-together',
      'glove-pull',
      'shin-vertical',
      'early-arm',
      'hip-lead-overdone',
      'fear-of-falling',
      'balance-overtaught',
      'no-brace',
    ],
    tests: [
      ['hip-internal-rotation', 'drive'],
      ['hip-internal-rotation', 'lead'],
      ['hip-abduction', 'lead'],
    ],
    focus: 'stall',
    weeksAgo: 9,
    speedMph: 73,
    repairMph: 3.2,
    learning: 0.32,
  },
  {
    key: 'juna',
    seed: 129,
    record: {
      ...base,
      name: 'Juna Castelmoor',
      age: 14,
      heightM: 1.66,
      massKg: 58,
      discipline: 'windmill',
      throws: 'R',
      level: 'high-school',
    },
    roots: ['idle-drive-leg'],
    looks: [
      'idle-drive-leg',
      'fold-and-lift',
      'locked-landing',
      'shoulder-finish',
      'early-extension',
      'sunk-landing',
      'straight-whip',
      'drill-not-transferred',
    ],
    tests: [
      ['single-leg-squat', 'drive'],
      ['vertical-jump', 'none'],
    ],
    focus: 'idle-drive-leg',
    weeksAgo: 8,
    speedMph: 52,
    repairMph: 2.4,
    learning: 0.34,
  },
  {
    key: 'bram',
    seed: 22,
    record: {
      ...base,
      name: 'Bram Ekholtey',
      age: 17,
      heightM: 1.86,
      massKg: 83,
      discipline: 'overhand',
      throws: 'L',
      level: 'high-school',
    },
    roots: ['drive-hip-ir'],
    looks: ['late-hips', 'turn-together', 'stall', 'stuck-back', 'knee-led-load', 'early-arm', 'glove-pull'],
    tests: [
      ['hip-internal-rotation', 'drive'],
      ['hip-internal-rotation', 'lead'],
      ['trunk-rotation', 'to-throwing'],
    ],
    focus: 'drive-hip-ir',
    weeksAgo: 7,
    speedMph: 78,
    repairMph: 2,
    learning: 0.22,
  },
  {
    key: 'pipa',
    seed: 315,
    record: {
      ...base,
      name: 'Pipa Marrowind',
      age: 9,
      heightM: 1.36,
      massKg: 31,
      discipline: 'overhand',
      throws: 'R',
      level: 'beginner',
      equipment: ['net', 'cone', 'tape'],
    },
    roots: ['unstable-base'],
    looks: ['unstable-base', 'balance-loss', 'open-lift', 'short-stride', 'late-arm'],
    tests: [
      ['single-leg-balance', 'drive'],
      ['single-leg-squat', 'drive'],
    ],
    focus: 'unstable-base',
    weeksAgo: 5,
    speedMph: 43,
    repairMph: 1.5,
    learning: 0.4,
  },
  {
    key: 'osk',
    seed: 20,
    record: {
      ...base,
      name: 'Osk Farrowdale',
      age: 19,
      heightM: 1.89,
      massKg: 92,
      discipline: 'overhand',
      throws: 'R',
      level: 'college',
    },
    roots: ['wasted-effort'],
    looks: ['arm-only', 'turn-together', 'idle-drive-leg', 'knee-led-load', 'fly-open'],
    tests: [
      ['single-leg-squat', 'drive'],
      ['broad-jump', 'none'],
    ],
    focus: 'wasted-effort',
    weeksAgo: 6,
    speedMph: 86,
    repairMph: 1.2,
    learning: 0.3,
    flatEffort: true,
  },
  {
    key: 'lio',
    seed: 61,
    record: {
      ...base,
      name: 'Lio Brandtivasek',
      age: 15,
      heightM: 1.75,
      massKg: 66,
      discipline: 'overhand',
      throws: 'L',
      level: 'high-school',
    },
    roots: ['early-peel'],
    looks: ['early-peel', 'fly-open', 'swing-open', 'idle-drive-leg', 'arm-drag', 'glove-pull'],
    tests: [['hip-extension', 'drive']],
    focus: 'early-peel',
    weeksAgo: 6,
    rulings: [
      { finding: 'glove-pull', as: 'absent', reason: 'Seen from behind at full speed: the glove only follows.', daysAgo: 6 },
    ],
    speedMph: 71,
    repairMph: 2,
    learning: 0.25,
    spike: true,
    painDaysAgo: 2,
    games: [[9, 34]],
  },
  {
    key: 'mirel',
    seed: 15,
    record: {
      ...base,
      name: 'Mirel Quillabye',
      age: 20,
      heightM: 1.72,
      massKg: 68,
      discipline: 'windmill',
      throws: 'L',
      level: 'college',
    },
    roots: ['locked-landing'],
    looks: ['locked-landing', 'shoulder-finish', 'off-line-arm', 'idle-drive-leg', 'fear-of-falling', 'fold-and-lift'],
    tests: [['single-leg-squat', 'lead']],
    focus: 'locked-landing',
    weeksAgo: 4,
    speedMph: 61,
    repairMph: 1,
    learning: 0.3,
  },
  {
    key: 'noor',
    seed: 1,
    record: {
      ...base,
      name: 'Noor Halloweth',
      age: 12,
      heightM: 1.55,
      massKg: 45,
      discipline: 'windmill',
      throws: 'R',
      level: 'youth',
      equipment: ['net', 'band', 'tape', 'belt-cord'],
    },
    roots: ['early-extension'],
    looks: [],
    tests: [],
    focus: null,
    weeksAgo: 0,
    speedMph: 46,
    repairMph: 1,
    learning: 0.3,
  },
  ...MORE_CHARACTERS,
];
