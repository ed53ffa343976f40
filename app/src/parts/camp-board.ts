/** What a camp's board shows: pure, from the record and the time. */
import type { CampRecord } from '@wrightonic/contract';
import { minutesOf, momentOf } from '@wrightonic/core';
import type { CampMoment, IsoDate } from '@wrightonic/core';

export type Camper = CampRecord['athletes'][number];
export type Station = CampRecord['stations'][number];

/** A station in one rotation, with who is there. */
export interface StationNow {
  readonly station: Station;
  readonly closed: boolean;
  readonly campers: readonly Camper[];
}

/** Which day of the camp it is: counted from 0; null on days that are none of it. */
export function dayOfCamp({ days }: Pick<CampRecord, 'days'>, today: IsoDate): number | null {
  const found = days.findIndex((day) => day.date === today);
  return found < 0 ? null : found;
}

/** Where a camp's day stands. @param clock HH:MM at the camp */
export const momentAt = ({ days }: Pick<CampRecord, 'days'>, day: number, clock: string): CampMoment =>
  momentOf(days[day]!, minutesOf(clock));

const isClosed = ({ changes }: CampRecord, station: string, day: number, rotation: number): boolean =>
  changes.some((c) => c.type === 'station-closed' && c.id === station && c.day === day && rotation >= c.fromRotation);

/** Every station of a rotation, with its athletes by name. */
export function stationsAt(record: CampRecord, day: number, rotation: number): StationNow[] {
  const byId = new Map(record.athletes.map((a) => [a.athlete, a]));
  return record.stations.map((station) => ({
    station,
    closed: isClosed(record, station.id, day, rotation),
    campers: record.visits
      .filter((v) => v.day === day && v.rotation === rotation && v.station === station.id)
      .flatMap((v) => byId.get(v.athlete) ?? [])
      .sort((a, b) => (a.name < b.name ? -1 : 1)),
  }));
}

/** Where one athlete is to be in each rotation of a day; null where nowhere. */
export function wayOf(record: CampRecord, athlete: string, day: number): (Station | null)[] {
  const stations = new Map(record.stations.map((s) => [s.id, s]));
  const visits = record.visits.filter((v) => v.athlete === athlete && v.day === day);
  return Array.from({ length: record.days[day]!.rotations }, (_, rotation) => {
    const visit = visits.find((v) => v.rotation === rotation);
    return (visit && stations.get(visit.station)) ?? null;
  });
}

/** Who is expected on a day and was not seen at the gate yet. */
export function notSeen(record: CampRecord, day: number): Camper[] {
  const here = new Set(record.arrivals.filter((a) => a.day === day).map((a) => a.athlete));
  const gone = new Set(record.changes.filter((c) => c.day === day && c.type === 'athlete-absent').map((c) => c.id));
  return record.athletes.filter((a) => !here.has(a.athlete) && !gone.has(a.athlete));
}

/** The rotation from which a change can still be made: the next one, or the one that is on, where that is wanted. */
export function firstOpen(record: CampRecord, day: number, moment: CampMoment): number {
  if (moment.state === 'on') return moment.rotation;
  return moment.next ?? record.days[day]!.rotations;
}

/** How a moment is said on the board. */
export function momentWords(moment: CampMoment): string {
  const minutes = (count: number) => `${count} ${count === 1 ? 'minute' : 'minutes'}`;
  switch (moment.state) {
    case 'on':
      return `Rotation ${moment.rotation + 1}, ${minutes(moment.left)} left`;
    case 'before':
      return `Begins in ${moment.left >= 60 ? `${Math.floor(moment.left / 60)} h ${moment.left % 60} min` : minutes(moment.left)}`;
    case 'break':
      return `Break, rotation ${moment.next + 1} in ${minutes(moment.left)}`;
    case 'over':
      return 'The day is over';
  }
}

/** How many visits are to drills, and how many of these to one for a focus of the athlete's. */
export function focusVisits(
  { athletes, stations, visits }: CampRecord,
  treatsOf: (drill: string) => readonly string[],
): { readonly atDrills: number; readonly forFocus: number } {
  const foci = new Map(athletes.map((a) => [a.athlete, a.focus.map((f): string => f.finding)]));
  const treats = new Map(stations.flatMap((s) => (s.drill === null ? [] : [[s.id, treatsOf(s.drill)] as const])));
  const atDrills = visits.filter((v) => treats.has(v.station));
  const forFocus = atDrills.filter((v) => treats.get(v.station)?.some((finding) => foci.get(v.athlete)?.includes(finding)));
  return { atDrills: atDrills.length, forFocus: forFocus.length };
}
