/** An athlete, what was seen of them and how it was judged. */
import type {
  AthleteRecord,
  BodyCheckRecord,
  ClipMarks,
  ClipType,
  ConsentKind,
  FilmSetup,
  IntakeRecord,
  ObservationSource,
  RulingRecord,
} from '@wrightonic/contract';
import type { Agreement, AthleteProfile, Diagnosis, Evidence, FindingId, IsoDate, LinkState } from '@wrightonic/core';
import type { Flag, Kept, OfAcademy, OfAthlete } from './column';

export interface AthleteDbRow extends Kept, OfAcademy {
  name: string;
  discipline: AthleteProfile['discipline'];
  throws: AthleteProfile['throws'];
  birth_date: IsoDate;
  height_m: number;
  mass_kg: number;
  level: AthleteProfile['level'];
  jump_norms: AthleteProfile['jumpNorms'] | null;
  season: AthleteRecord['season'];
  availability: AthleteRecord['availability'];
  equipment: AthleteRecord['equipment'];
  partner: Flag;
  schools: AthleteRecord['schools'];
  // What the roster shows, renewed with every write that changes it.
  chain: LinkState[];
  focus: FindingId | null;
  focus_chance: number | null;
  focus_chance_on: IsoDate | null;
  lock_until: string | null;
  lock_from: IsoDate | null;
  flags: FindingId[];
  care: Flag;
  archived: Flag;
  archived_at: Date | null;
  intake: IntakeRecord | null;
  intake_next: IntakeRecord['next'];
  import_id: string | null;
}

export interface AthleteWordDbRow extends OfAthlete {
  word: string;
}

export interface SizeDbRow extends OfAthlete {
  id: string;
  on_date: IsoDate;
  height_m: number;
  mass_kg: number;
}

export interface ConsentDbRow extends Kept, OfAthlete {
  kind: ConsentKind;
  given: Flag;
  by_whom: string;
  recorded_by: string;
  on_date: IsoDate;
}

export interface ObservationDbRow extends Kept, OfAthlete {
  on_date: IsoDate;
  author: string;
  author_id: string | null;
  source: ObservationSource;
  evidence: Evidence;
  set_aside: string | null;
}

export interface DiagnosisDbRow extends Kept, OfAthlete {
  on_date: IsoDate;
  catalogue_version: string;
  shown: { readonly evidence: readonly object[]; readonly result: Diagnosis };
}

export interface RulingDbRow extends Kept, OfAthlete {
  finding: FindingId;
  ruling: RulingRecord['as'];
  reason: string;
  author: string;
  on_date: IsoDate;
  ended_at: Date | null;
}

export interface AgreementDbRow extends OfAthlete {
  observation_id: string;
  user_id: string;
  finding: FindingId;
  visibility: Agreement['visibility'];
  saw: Agreement['saw'];
  measured: Agreement['measured'];
}

export interface StandingDbRow extends OfAthlete {
  what: string;
  asked: string;
  answer: object;
}

export interface BodyCheckDbRow extends Kept, OfAthlete {
  on_date: IsoDate;
  kind: BodyCheckRecord['kind'];
  steps: BodyCheckRecord['steps'];
  finished_at: Date | null;
}

export interface ClipDbRow extends Kept, OfAthlete {
  on_date: IsoDate;
  name: string;
  type: ClipType;
  bytes: number;
  received: number;
  sha256: string;
  capture_fps: number;
  frames: number;
  width: number;
  height: number;
  setup: FilmSetup;
  marks: ClipMarks;
  poster: string | null;
  author: string;
}

export interface ClipMeasureDbRow extends OfAcademy {
  clip_id: string;
  observation_id: string;
}
