import type { FindingId } from '../findings/ids';
import type { IsoDate } from '../shared/dates';
import type { Evidence } from './kinds';

export type { Evidence } from './kinds';

/** Where an item comes from. Without a day it is of the day of the evaluation. */
export interface Origin {
  readonly on?: IsoDate;
  /** Whose eye or hand: looks of one and the same eye are not independent. */
  readonly by?: string;
  /** What the look says, where this eye is known better than eyes in general: see {@link weighLook}. */
  readonly weighs?: number;
}

export type DatedEvidence = Evidence & Origin;

/** The coach's word on a finding, which stands above all evidence. `root`: it is there, and of itself. */
export interface Overrule {
  readonly finding: FindingId;
  readonly as: 'present' | 'absent' | 'root';
}

/** An evidence item that the model cannot take, with its place in the list. */
export class EvidenceError extends Error {
  constructor(
    readonly index: number,
    readonly field: string,
    message: string,
    readonly list: 'evidence' | 'overrules' = 'evidence',
  ) {
    super(message);
    this.name = 'EvidenceError';
  }
}
