/** What is asked of an athlete at intake, and the consents. */
import { LINKS, THOUGHTS } from '@wrightonic/core';
import type { IsoDate, Link } from '@wrightonic/core';
import Joi from 'joi';
import { count, isoDate, listOf, maybeText, objectOf, oneOf, text } from '../schema/schema';

export interface GuardianContact {
  readonly name: string;
  readonly relation: string;
  /** Phone or e-mail, as typed in. */
  readonly contact: string;
}

export interface GameToCome {
  readonly date: IsoDate;
  readonly pitches: number;
}

export const INTAKE_STEPS = ['who', 'size', 'family', 'history', 'thoughts', 'week', 'season'] as const;
export type IntakeStep = (typeof INTAKE_STEPS)[number];

/** Everything beside the profile. Free text is kept as it was said. */
export interface IntakeRecord {
  readonly guardians: readonly GuardianContact[];
  readonly history: {
    readonly armPain: boolean;
    readonly elbowSurgery: boolean;
    readonly timeAway: boolean;
    readonly otherSurgery: string;
    /** A clinician's standing limits, as typed in. */
    readonly clinicianLimits: string;
    /** Months without competitive pitching in the last twelve; null when nobody knows. */
    readonly monthsOff: number | null;
  };
  /** Ids of thoughts that the athlete named or was told. */
  readonly thoughts: readonly string[];
  /** In their own words, link by link. */
  readonly words: Partial<Record<Link, string>>;
  readonly told: string;
  readonly explain: 'image' | 'reason';
  readonly goals: string;
  readonly games: readonly GameToCome[];
  /** The step to go on with; null when all are done. */
  readonly next: IntakeStep | null;
}

const said = (most: number) => maybeText(most).required();

export const intakeSchema = objectOf<IntakeRecord>({
  guardians: listOf(Joi.object({ name: text(120).required(), relation: said(60), contact: text(120).required() }), 6).required(),
  history: Joi.object({
    armPain: Joi.boolean().required(),
    elbowSurgery: Joi.boolean().required(),
    timeAway: Joi.boolean().required(),
    otherSurgery: said(500),
    clinicianLimits: said(1000),
    monthsOff: Joi.number().min(0).max(12).allow(null).required(),
  }).required(),
  thoughts: listOf(oneOf(THOUGHTS.map((t) => t.id)), 40)
    .unique()
    .required(),
  words: Joi.object(Object.fromEntries(LINKS.map((link) => [link, text(300)]))).required(),
  told: said(1000),
  explain: oneOf(['image', 'reason'] as const).required(),
  goals: said(1000),
  games: listOf(Joi.object({ date: isoDate().required(), pitches: count(300).required() }), 100).required(),
  next: oneOf(INTAKE_STEPS).allow(null).required(),
});

export const EMPTY_INTAKE: IntakeRecord = {
  guardians: [],
  history: { armPain: false, elbowSurgery: false, timeAway: false, otherSurgery: '', clinicianLimits: '', monthsOff: null },
  thoughts: [],
  words: {},
  told: '',
  explain: 'image',
  goals: '',
  games: [],
  next: 'family',
};

export const CONSENT_KINDS = ['film', 'share'] as const;
export type ConsentKind = (typeof CONSENT_KINDS)[number];
export const CONSENT_TEXTS: Readonly<Record<ConsentKind, string>> = {
  film: 'Deliveries may be filmed, and the clips kept by the academy and the athlete',
  share: 'Sheets about the athlete may be shared by a link',
};

/** Consent given or taken back. A coach writes down whose word it was; a guardian gives their own. */
export interface NewConsent {
  readonly kind: ConsentKind;
  readonly given: boolean;
  /** Who gave it; for a minor, an adult who may. Left out when the person signed in gives it. */
  readonly by?: string;
}
export const newConsentSchema = objectOf<NewConsent>({
  kind: oneOf(CONSENT_KINDS).required(),
  given: Joi.boolean().required(),
  by: text(120),
});

export interface ConsentRow extends Required<NewConsent> {
  readonly on: IsoDate;
  readonly recordedBy: string;
}

export interface IntakeAnswer {
  readonly intake: IntakeRecord;
  /** Newest of each kind. */
  readonly consents: readonly ConsentRow[];
  readonly minor: boolean;
}

export interface Archiving {
  readonly archived: boolean;
}
export const archivingSchema = objectOf<Archiving>({ archived: Joi.boolean().required() });

/** The athlete's name typed out, so that nobody is erased by a slip. */
export interface Erasure {
  readonly name: string;
}
export const erasureSchema = objectOf<Erasure>({ name: text(120).required() });

/** What erasing would remove: how many of what. */
export interface ErasePreview {
  readonly name: string;
  readonly rows: readonly { readonly what: string; readonly count: number }[];
  /** Sign-ins that end because they are for nobody else. */
  readonly signIns: readonly string[];
}

/** Everything kept about one athlete, table by table. */
export interface AthleteExport {
  readonly format: 'wrightonic-athlete';
  readonly version: 1;
  readonly on: IsoDate;
  readonly tables: Readonly<Record<string, readonly Readonly<Record<string, unknown>>[]>>;
}
