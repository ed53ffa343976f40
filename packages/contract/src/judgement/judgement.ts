/** Observations, the coach's word, and the judgement over all of it. */
import { FINDING_IDS } from '@wrightonic/core';
import type { Change, Diagnosis, DiagnosisRequest, Evidence, EyeRecord, FindingId, IsoDate, Overrule } from '@wrightonic/core';
import { isoDate, objectOf, oneOf, text } from '../schema/schema';
import { evidenceSchema } from './evidence';

export interface NewObservation {
  readonly on: IsoDate;
  readonly evidence: Evidence;
}
export const newObservationSchema = objectOf<NewObservation>({ on: isoDate().required(), evidence: evidenceSchema.required() });

/** The coach's word on a finding, above all evidence, until it is taken back. */
export interface NewRuling {
  readonly finding: FindingId;
  readonly as: Overrule['as'];
  readonly reason: string;
}
export const newRulingSchema = objectOf<NewRuling>({
  finding: oneOf(FINDING_IDS).required(),
  as: oneOf(['present', 'absent', 'root'] as const).required(),
  reason: text(300).required(),
});

export interface RulingRecord extends NewRuling {
  readonly id: string;
  readonly by: string;
  readonly on: IsoDate;
}

/** What a coach's own looks agreed with; shown to nobody else. */
export interface OwnEye {
  readonly clear: EyeRecord;
  readonly hard: EyeRecord;
  /** Findings on which looks and measures met, most often first. */
  readonly findings: readonly { readonly finding: FindingId; readonly agreed: number; readonly of: number }[];
}

/** How an observation came about. */
export type ObservationSource = 'coach' | 'body' | 'film' | 'intake' | 'speeds';

export interface ObservationRecord extends NewObservation {
  readonly id: string;
  readonly by: string;
  /** Made by whoever asks. */
  readonly own: boolean;
  readonly source: ObservationSource;
  /** Clips from which it was measured. */
  readonly clips: readonly string[];
}

export interface DiagnosisRecord {
  readonly id: string;
  readonly on: IsoDate;
  readonly catalogueVersion: string;
  /** In the order of the request's evidence. */
  readonly evidence: readonly ObservationRecord[];
  readonly result: Diagnosis;
  /** What the judgement was asked: enough to judge again on the device. */
  readonly request: DiagnosisRequest;
  readonly rulings: readonly RulingRecord[];
  /** What is judged otherwise than at the last look; null when there was none. */
  readonly changes: { readonly since: IsoDate; readonly list: readonly Change[] } | null;
}
