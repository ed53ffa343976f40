import { EMPTY_INTAKE } from '@wrightonic/contract';
import type { AthleteRecord, IntakeRecord } from '@wrightonic/contract';
import { UNITS, WEEKDAYS } from '@wrightonic/core';
import { readHeight, readMass } from '@wrightonic/core';
import type { AthleteProfile, LengthUnit, IsoDate, Place, Weekday } from '@wrightonic/core';

/** An intake as it is typed in: texts where a number is not finished yet. */
export interface IntakeForm {
  readonly who: {
    readonly name: string;
    /** '' while there is none. */
    readonly birthDate: IsoDate;
    readonly discipline: AthleteProfile['discipline'] | null;
    readonly throws: AthleteProfile['throws'] | null;
  };
  readonly size: {
    readonly height: string;
    readonly mass: string;
    readonly level: AthleteProfile['level'] | null;
    /** Undefined: by discipline. */
    readonly jumpNorms?: AthleteProfile['jumpNorms'];
  };
  readonly week: {
    readonly days: Partial<Record<Weekday, { readonly place: Place; readonly minutes: number }>>;
    readonly equipment: AthleteRecord['equipment'];
    readonly partner: boolean;
  };
  readonly season: AthleteRecord['season'];
  readonly schools: AthleteRecord['schools'];
  readonly intake: IntakeRecord;
  /** The server has the athlete. */
  readonly known: boolean;
}

export const EMPTY_FORM: IntakeForm = {
  who: { name: '', birthDate: '', discipline: null, throws: null },
  size: { height: '', mass: '', level: null },
  week: { days: {}, equipment: ['net'], partner: false },
  season: 'off',
  schools: {},
  intake: EMPTY_INTAKE,
  known: false,
};

/** What a bare number in the field of the weight is in. */
export const MASS_UNIT = { cm: 'kg', in: 'lb' } as const satisfies Record<LengthUnit, string>;

/** The form of an athlete who is known already. */
export function formOf(athlete: AthleteRecord, intake: IntakeRecord, unit: LengthUnit): IntakeForm {
  return {
    who: { name: athlete.name, birthDate: athlete.birthDate, discipline: athlete.discipline, throws: athlete.throws },
    size: {
      // As it was taken, to the millimetre: reopened and left, it is the same height.
      height: unit === 'cm' ? String(Math.round(1000 * athlete.heightM) / 10) : UNITS.in.height(athlete.heightM),
      mass: unit === 'cm' ? String(athlete.massKg) : UNITS.in.mass(athlete.massKg),
      level: athlete.level,
      ...(athlete.jumpNorms ? { jumpNorms: athlete.jumpNorms } : {}),
    },
    week: {
      days: Object.fromEntries(athlete.availability.map(({ weekday, place, minutes }) => [weekday, { place, minutes }])),
      equipment: athlete.equipment,
      partner: athlete.partner,
    },
    season: athlete.season,
    schools: athlete.schools,
    intake,
    known: true,
  };
}

/** What is still missing from the athlete's own record, in words; null when it can be kept. */
export function missing({ who, size }: IntakeForm, unit: LengthUnit): string | null {
  if (!who.name.trim()) return 'the name';
  if (!who.birthDate) return 'the birth date';
  if (!who.discipline) return 'overhand or windmill';
  if (!who.throws) return 'the throwing hand';
  if (readHeight(size.height, unit) === null) return 'the height';
  if (readMass(size.mass, MASS_UNIT[unit]) === null) return 'the weight';
  return size.level ? null : 'the level';
}

/** The athlete's record from a form in which nothing is missing. */
export function recordFrom(form: IntakeForm, unit: LengthUnit): AthleteRecord | null {
  const { who, size, week } = form;
  const heightM = readHeight(size.height, unit);
  const massKg = readMass(size.mass, MASS_UNIT[unit]);
  if (!who.birthDate || !who.discipline || !who.throws || !size.level || heightM === null || massKg === null) return null;
  return {
    name: who.name.trim(),
    birthDate: who.birthDate,
    discipline: who.discipline,
    throws: who.throws,
    heightM,
    massKg,
    level: size.level,
    ...(size.jumpNorms ? { jumpNorms: size.jumpNorms } : {}),
    season: form.season,
    availability: WEEKDAYS.flatMap((weekday) => {
      const day = week.days[weekday];
      return day ? [{ weekday, minutes: day.minutes, place: day.place }] : [];
    }),
    equipment: week.equipment,
    partner: week.partner,
    schools: form.schools,
  };
}
