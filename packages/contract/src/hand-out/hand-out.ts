/** Work handed out by hand: drills or a plan, to one, several, a group or a station, here or at home. */
import { PLACES } from '@wrightonic/core';
import type { IsoDate, Place } from '@wrightonic/core';
import Joi from 'joi';
import { isoDate, listOf, objectOf, oneOf, text, uuid } from '../schema/schema';
import type { NamedId } from '../people/people';

/** Drills, each in the athlete's own dose; or a plan for each athlete's own focus. */
export type HandOutWhat =
  { readonly kind: 'drills'; readonly drills: readonly string[] } | { readonly kind: 'plan'; readonly weeks: number };

/** Whom it goes to. A station's athletes are those of its groups. */
export type HandOutTo =
  | { readonly kind: 'athletes'; readonly athletes: readonly string[] }
  | { readonly kind: 'group'; readonly group: string }
  | { readonly kind: 'station'; readonly person: string };

export const HANDED_TO_AT_MOST = 60;
const DRILLS_AT_MOST = 8;

export interface NewHandOut {
  readonly what: HandOutWhat;
  readonly to: HandOutTo;
  readonly place: Place;
  readonly on: IsoDate;
  readonly note: string | null;
}

/** One of several shapes, told apart by their kind; what is wrong with one is said of its own parts. */
const oneOfKinds = (kinds: Readonly<Record<string, Record<string, Joi.Schema>>>): Joi.AlternativesSchema =>
  Joi.alternatives().conditional('.kind', {
    switch: Object.entries(kinds).map(([kind, keys]) => ({
      is: kind,
      then: Joi.object({ kind: Joi.valid(kind).required(), ...keys }),
    })),
    otherwise: Joi.object({ kind: oneOf(Object.keys(kinds)).required() }).unknown(true),
  });

export const newHandOutSchema = objectOf<NewHandOut>({
  what: oneOfKinds({
    drills: { drills: listOf(text(60), DRILLS_AT_MOST).min(1).required() },
    plan: { weeks: Joi.number().integer().min(1).max(12).required() },
  }).required(),
  to: oneOfKinds({
    athletes: { athletes: listOf(uuid(), HANDED_TO_AT_MOST).min(1).required() },
    group: { group: uuid().required() },
    station: { person: uuid().required() },
  }).required(),
  place: oneOf(PLACES).required(),
  on: isoDate().required(),
  note: text(300).allow(null).required(),
});

/** What one athlete got of it. */
export interface HandOutShare {
  readonly athlete: NamedId;
  /** Minutes and throws of it; null where this athlete got nothing. */
  readonly work: { readonly minutes: number; readonly throws: number } | null;
  /** What was left out, or why there is nothing, in words. */
  readonly left: readonly string[];
  readonly state: 'none' | 'open' | 'seen' | 'done';
}

export interface HandOutRecord extends Pick<NewHandOut, 'what' | 'place' | 'on' | 'note'> {
  readonly id: string;
  /** Name of the group, the station or the one athlete; else how many. */
  readonly to: string;
  readonly by: string;
  readonly at: string;
  readonly shares: readonly HandOutShare[];
}
