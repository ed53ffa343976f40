/** Camps: days, stations and athletes as they are built, and who is where when. */
import { CAMP_CHANGES, fitsInDay, STATION_KINDS } from '@wrightonic/core';
import type {
  Assignment,
  CampBreak,
  CampChange,
  CampSchedule,
  FindingId,
  IsoDate,
  StationKind,
  TimedDay,
} from '@wrightonic/core';
import Joi from 'joi';
import { clockTime } from '../load/load';
import type { NamedId } from '../people/people';
import { count, errorAt, isoDate, listOf, objectOf, oneOf, text, uuid } from '../schema/schema';

/** The largest camp. */
export const CAMP_MOST = { days: 5, rotations: 16, athletes: 200, stations: 30 } as const;

/** A station as it is built. */
export interface CampStationForm {
  readonly id: string;
  readonly name: string;
  readonly kind: StationKind;
  /** Where at the camp, in words. */
  readonly place: string | null;
  /** Who runs it: somebody of the academy. */
  readonly coach: string | null;
  /** The drill of a station of that kind. */
  readonly drill: string | null;
  readonly capacity: number;
  /** Pieces of what each athlete needs one of; null where there are enough. */
  readonly kit: number | null;
  readonly throwsPerVisit: number;
  readonly hard: boolean;
}

/** Somebody who comes, and with whom. */
export interface CampAthleteForm {
  readonly athlete: string;
  readonly group: string | null;
  /** Others of the camp: siblings, buddies, a coach's wish. */
  readonly with: readonly string[];
  /** Here for the camp alone: to be erased after it, unless kept. */
  readonly visitor: boolean;
}

export interface NewCamp {
  readonly name: string;
  readonly place: string | null;
  readonly days: readonly TimedDay[];
  readonly stations: readonly CampStationForm[];
  readonly athletes: readonly CampAthleteForm[];
  /** Days after the last one until visitors are to be erased. */
  readonly forgetAfterDays: number;
  /** The state that was changed: 0 for a new camp. Another one is refused, so that no two overwrite each other. */
  readonly revision: number;
}

const FORGET_MOST = 365;
const BREAKS_MOST = 4;

const daySchema = objectOf<TimedDay>({
  date: isoDate().required(),
  start: clockTime().required(),
  rotations: Joi.number().integer().min(1).max(CAMP_MOST.rotations).required(),
  minutes: Joi.number().integer().min(5).max(120).required(),
  breaks: listOf(
    objectOf<CampBreak>({
      after: Joi.number()
        .integer()
        .min(1)
        .max(CAMP_MOST.rotations - 1)
        .required(),
      minutes: Joi.number().integer().min(1).max(180).required(),
    }),
    BREAKS_MOST,
  )
    .unique('after')
    .required(),
})
  .custom((day: TimedDay, helpers) => (fitsInDay(day) ? day : helpers.error('camp.late')))
  .messages({ 'camp.late': '{{#label}} goes on after midnight: begin earlier, or leave rotations out' });

const stationSchema = objectOf<CampStationForm>({
  id: uuid().required(),
  name: text(60).required(),
  kind: oneOf(STATION_KINDS).required(),
  place: text(80).allow(null).required(),
  coach: uuid().allow(null).required(),
  drill: text(60).allow(null).required(),
  capacity: Joi.number().integer().min(1).max(100).required(),
  kit: Joi.number().integer().min(1).max(100).allow(null).required(),
  throwsPerVisit: count(100).required(),
  hard: Joi.boolean().required(),
})
  .custom((station: CampStationForm, helpers) => {
    if ((station.kind === 'drill') === (station.drill !== null)) return station;
    return errorAt(helpers, station.kind === 'drill' ? 'camp.no-drill' : 'camp.drill', {}, ['drill']);
  })
  .messages({
    'camp.no-drill': '{{#label}} must name the drill of the station',
    'camp.drill': '{{#label}} must be empty: only a station of the kind “drill” has one',
  });

const campAthleteSchema = objectOf<CampAthleteForm>({
  athlete: uuid().required(),
  group: text(60).allow(null).required(),
  with: listOf(uuid(), 20).required(),
  visitor: Joi.boolean().required(),
});

/** Friends are at the camp, and days follow each other. */
const holdsTogether: Joi.CustomValidator<NewCamp> = (camp, helpers) => {
  const there = new Set(camp.athletes.map((a) => a.athlete));
  const stranger = camp.athletes.flatMap((a, n) => a.with.flatMap((id, k) => (there.has(id) ? [] : [[n, k] as const])))[0];
  if (stranger) return errorAt(helpers, 'camp.stranger', {}, ['athletes', stranger[0], 'with', stranger[1]]);
  const wrong = camp.days.findIndex((day, n) => n > 0 && day.date <= camp.days[n - 1]!.date);
  return wrong < 0 ? camp : errorAt(helpers, 'camp.order', {}, ['days', wrong, 'date']);
};

export const newCampSchema = objectOf<NewCamp>({
  name: text(80).required(),
  place: text(120).allow(null).required(),
  days: listOf(daySchema, CAMP_MOST.days).min(1).required(),
  stations: listOf(stationSchema, CAMP_MOST.stations).unique('id').unique('name').required(),
  athletes: listOf(campAthleteSchema, CAMP_MOST.athletes).unique('athlete').required(),
  forgetAfterDays: Joi.number().integer().min(1).max(FORGET_MOST).required(),
  revision: count(1_000_000).required(),
})
  .custom(holdsTogether)
  .messages({
    'camp.stranger': '{{#label}} is not at this camp: add them first, or leave the wish out',
    'camp.order': '{{#label}} is not after the day before it: put the days in their order',
  });

export const CAMP_STATES = ['draft', 'scheduled', 'published', 'over'] as const;
/** Built · everybody has a place · station coaches see it · its last day has gone. */
export type CampState = (typeof CAMP_STATES)[number];

export interface CampRow {
  readonly id: string;
  readonly name: string;
  readonly place: string | null;
  readonly from: IsoDate;
  readonly to: IsoDate;
  readonly athletes: number;
  readonly state: CampState;
  /** Whether a station of it is run by whoever asks. */
  readonly runsStation: boolean;
  /** Visitors whose time is over. */
  readonly toErase: readonly NamedId[];
}

/** An athlete of a camp, with what the engine says of them now. */
export interface CampMember extends CampAthleteForm {
  readonly name: string;
  readonly age: number;
  readonly throws: 'R' | 'L';
  /** What is worked on; without a focus, what is likeliest. */
  readonly focus: readonly { readonly finding: FindingId; readonly title: string }[];
  /** Whether a coach has chosen it. */
  readonly chosen: boolean;
  /** Throws of a day that are left by every rule, the least of the days to come. */
  readonly throwBudget: number;
  /** Why there is no throwing; null where there is. */
  readonly locked: string | null;
}

/** Somebody was seen at the gate. */
export interface CampArrival {
  readonly day: number;
  readonly athlete: string;
}

export interface CampRecord extends Omit<NewCamp, 'athletes'> {
  readonly id: string;
  readonly state: CampState;
  readonly athletes: readonly CampMember[];
  readonly coaches: readonly NamedId[];
  readonly visits: readonly Assignment[];
  readonly changes: readonly CampChange[];
  readonly arrivals: readonly CampArrival[];
  /** Hard rules that are broken from now on, in words: after a lock, or a change to athletes and stations. */
  readonly broken: readonly string[];
  /** What to know before it begins. */
  readonly cautions: readonly string[];
  /** What the schedule is worth and what none exceeds; null where there is none. */
  readonly worth: null | { readonly score: number; readonly bound: number };
  readonly infeasible: CampSchedule['infeasible'];
}

/** A moment of a running camp: what comes before is past. */
export interface CampNow {
  readonly day: number;
  readonly rotation: number;
}

export interface CampReplan {
  /** The state that it was looked at. */
  readonly revision: number;
  readonly now: CampNow;
  /** What has happened; empty where only a lock or a limit has changed. */
  readonly changes: readonly CampChange[];
}

export const campReplanSchema = objectOf<CampReplan>({
  revision: count(1_000_000).required(),
  now: objectOf<CampNow>({
    day: count(CAMP_MOST.days - 1).required(),
    rotation: count(CAMP_MOST.rotations).required(),
  }).required(),
  changes: listOf(
    objectOf<CampChange>({
      day: count(CAMP_MOST.days - 1).required(),
      fromRotation: count(CAMP_MOST.rotations - 1).required(),
      type: oneOf(CAMP_CHANGES).required(),
      id: uuid().required(),
    }),
    50,
  ).required(),
});

/** One athlete who goes elsewhere than planned. */
export interface CampMove {
  readonly athlete: NamedId;
  readonly day: number;
  readonly rotation: number;
  /** Names of stations; null where there was none, or is none any more. */
  readonly from: string | null;
  readonly to: string | null;
}

/** What a change to the rest of a camp would do. */
export interface CampDifference {
  readonly revision: number;
  readonly moves: readonly CampMove[];
  /** Athletes who go elsewhere while both places are there. */
  readonly moved: number;
  readonly broken: readonly string[];
  readonly infeasible: CampSchedule['infeasible'];
}

export interface CampCheckIn extends CampArrival {
  readonly here: boolean;
}
export const campCheckInSchema = objectOf<CampCheckIn>({
  day: count(CAMP_MOST.days - 1).required(),
  athlete: uuid().required(),
  here: Joi.boolean().required(),
});
