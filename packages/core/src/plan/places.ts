import type { Equipment, Place, Rung } from '../drills/types';
import { addDays, ageOn, weekdayOf } from '../shared/dates';
import type { IsoDate } from '../shared/dates';
import type { PlanRequest } from './types';

/** A day on which there is time, and what can be done on it. */
export interface Day {
  readonly date: IsoDate;
  readonly place: Place;
  /** Minutes that there are. */
  readonly minutes: number;
  /** Minutes that a session of this age should use. */
  readonly useful: number;
  readonly equipment: readonly Equipment[];
  /** At home with nobody there. */
  readonly alone: boolean;
  readonly age: number;
}

/** Minutes for which a session holds attention, by age. Provenance `house`. */
const ATTENTION: readonly (readonly [upToAge: number, minutes: number])[] = [
  [9, 25],
  [12, 35],
  [15, 50],
  [Infinity, 70],
];
/** Share of them that is planned; the rest is talk, water and finding balls. */
const USED = 0.8;
const HOME_ALONE = { young: 12, older: 20 } as const;
/** Under this age nobody throws alone at home. */
const THROWS_ALONE_FROM = 10;
/** Minutes of a throwing session that are not throws, and seconds of a throw on the average. */
const AROUND_THROWS = 7;
const SECONDS_A_THROW = 16;

/** Highest rung of the work that can be done at a place. */
export const PLACE_TOP: Record<Place, Rung> = { home: 5, cage: 6, field: 6, mound: 8 };

const attention = (age: number): number => ATTENTION.find(([upTo]) => age <= upTo)![1];

/** The day’s slot, or null where there is no time or a game. */
export function dayAt(request: PlanRequest, date: IsoDate): Day | null {
  const slot = request.availability.find((a) => a.weekday === weekdayOf(date));
  if (!slot || request.games.some((g) => g.date === date)) return null;
  const age = ageOn(request.athlete.birthDate, date);
  const alone = slot.place === 'home' && !request.partner;
  const useful = USED * Math.min(slot.minutes, attention(age));
  return {
    date,
    place: slot.place,
    minutes: slot.minutes,
    useful: Math.floor(alone ? Math.min(useful, age < 13 ? HOME_ALONE.young : HOME_ALONE.older) : useful),
    equipment: slot.equipment ?? request.equipment,
    alone,
    age,
  };
}

/** All days of the plan with a session, in date order. */
export function daysOfPlan(request: PlanRequest): Day[] {
  const days: Day[] = [];
  for (let n = 0; n < 7 * request.weeks; n++) {
    const date = addDays(request.on, n);
    if (request.until !== undefined && date > request.until) break;
    const day = dayAt(request, date);
    if (day) days.push(day);
  }
  return days;
}

/** Why nothing may be thrown at a place; null where something may. At home a ball needs a net or somebody who catches it. */
export function whyNoThrows(day: Day, request: PlanRequest): string | null {
  if (day.place !== 'home') return null;
  if (!day.equipment.includes('net') && !request.partner) return 'Nothing is thrown at home without a net or a partner.';
  if (day.alone && day.age < THROWS_ALONE_FROM) return 'Nothing is thrown at home without an adult.';
  return null;
}

/** Throws that a day’s place and minutes have room for. */
export function capacityOf(day: Day, request: PlanRequest): number {
  if (whyNoThrows(day, request) !== null) return 0;
  return Math.max(0, Math.floor(((day.useful - AROUND_THROWS) * 60) / SECONDS_A_THROW));
}
