/** Radar guns as things of the academy, and what a reading says beside its speed. */
import Joi from 'joi';
import { objectOf, oneOf, text } from '../schema/schema';

export const GUN_PLACES = ['behind the plate', 'behind the pitcher', 'at the side', 'in the hand'] as const;
export type GunPlace = (typeof GUN_PLACES)[number];

/** A gun. Its name stands in the readings, so it is not changed: a gun that is another is another gun. */
export interface NewGun {
  readonly name: string;
  readonly place: GunPlace;
  /** Angle between its beam and the way of the ball, to the side and up or down, degrees. */
  readonly sideDeg: number;
  readonly upDeg: number;
  readonly unit: 'mph' | 'km/h';
  /** How much more it shows than a gun that is right, in its unit; null where nobody knows. */
  readonly offset: number | null;
  /** No longer in use: its readings stay. */
  readonly retired: boolean;
}
const degrees = () => Joi.number().min(-60).max(60).required();
export const newGunSchema = objectOf<NewGun>({
  name: text(40).required(),
  place: oneOf(GUN_PLACES).required(),
  sideDeg: degrees(),
  upDeg: degrees(),
  unit: oneOf(['mph', 'km/h'] as const).required(),
  offset: Joi.number().min(-10).max(10).allow(null).required(),
  retired: Joi.boolean().required(),
});

export interface Gun extends NewGun {
  readonly id: string;
}

/** What was thrown, when it was not the usual ball over the usual distance. */
export const PITCHES = ['fastball', 'change', 'breaking', 'rise', 'drop', 'other'] as const;
export type PitchType = (typeof PITCHES)[number];
export const SURFACES = ['mound', 'turf', 'grass', 'dirt', 'floor'] as const;
export type Surface = (typeof SURFACES)[number];
export interface ThrownAs {
  readonly pitch?: PitchType | null;
  /** Grams. */
  readonly ballG?: number | null;
  /** Metres. */
  readonly distanceM?: number | null;
  readonly surface?: Surface | null;
}
export const thrownAsKeys = {
  pitch: oneOf(PITCHES).allow(null),
  ballG: Joi.number().min(50).max(1000).allow(null),
  distanceM: Joi.number().min(1).max(60).allow(null),
  surface: oneOf(SURFACES).allow(null),
};
