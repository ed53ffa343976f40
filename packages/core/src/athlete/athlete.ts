import type { Discipline } from '../delivery/links';
import type { Hand } from '../delivery/sides';
import type { IsoDate } from '../shared/dates';

export const LEVELS = ['beginner', 'youth', 'high-school', 'college', 'adult'] as const;
export const JUMP_NORMS = ['men', 'women'] as const;
export type JumpNorms = (typeof JUMP_NORMS)[number];
export type Level = (typeof LEVELS)[number];

/** What every computation needs to know of the athlete. */
export interface AthleteProfile {
  readonly discipline: Discipline;
  readonly throws: Hand;
  readonly birthDate: IsoDate;
  /** Standing height, metres. */
  readonly heightM: number;
  /** Body mass, kilograms. */
  readonly massKg: number;
  readonly level: Level;
  /** Whose jumps this athlete's are held against; left out: by discipline. */
  readonly jumpNorms?: JumpNorms;
}
