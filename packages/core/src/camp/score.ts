/** What a schedule is worth by its wishes. */
import { round, sum } from '../shared/maths';
import { campOf, READ_KINDS, treatsFocus } from './camp';
import type { Assignment, CampRequest, ScoreParts } from './types';
import { againAt, groupsOf, isOwed, RESTS, timelyWorth, visitWorth, wishedPairs, WORTH } from './worth';

/** @returns each part of the score; a schedule is worth their sum */
export function scorePartsOf(request: CampRequest, assignments: readonly Assignment[]): ScoreParts {
  const camp = campOf(request);
  const at = new Map(assignments.map((a) => [`${a.athlete}\n${a.day}\n${a.rotation}`, a.station]));
  const rotations = request.days.flatMap(({ rotations: many }, day) =>
    Array.from({ length: many }, (_, rotation) => ({ day, rotation })),
  );
  const stationOf = (athlete: string, { day, rotation }: { day: number; rotation: number }) =>
    at.get(`${athlete}\n${day}\n${rotation}`);
  const parts = { focus: 0, readings: 0, waiting: 0, variety: 0, groups: 0, wishes: 0 };
  for (const athlete of request.athletes)
    for (const [day, { rotations: many }] of request.days.entries()) {
      const visits = Array.from({ length: many }, (_, rotation) => rotation).flatMap((rotation) => {
        const station = stationOf(athlete.id, { day, rotation });
        return station === undefined ? [] : [{ rotation, station: camp.station(station) }];
      });
      parts.focus += sum(visits.map((v) => visitWorth(athlete, v.station)));
      if (visits.some((v) => treatsFocus(athlete, v.station))) parts.focus += WORTH.firstFocus;
      parts.readings += sum(visits.map((v) => timelyWorth(request, athlete, v.station, day, v.rotation)));
      for (const kind of READ_KINDS) {
        const read = visits.filter((v) => v.station.kind === kind && isOwed(request, athlete, v.station, day)).length;
        parts.readings += WORTH.readAgain * Math.max(0, read - 1);
      }
      const rests = visits.filter((v) => v.station.kind === 'rest').length;
      parts.waiting += sum(RESTS.map((free) => WORTH.waiting * Math.max(0, rests - free)));
      for (const station of new Set(visits.map((v) => v.station))) {
        const again = againAt(station);
        if (again) parts.variety += again.worth * Math.max(0, visits.filter((v) => v.station === station).length - again.free);
      }
    }
  for (const when of rotations) {
    for (const members of groupsOf(request).values()) {
      const counts = new Map<string, number>();
      for (const id of members) {
        const station = stationOf(id, when);
        if (station !== undefined) counts.set(station, (counts.get(station) ?? 0) + 1);
      }
      parts.groups += WORTH.group * Math.max(0, Math.max(0, ...counts.values()) - 1);
    }
    for (const [a, b] of wishedPairs(request)) {
      const station = stationOf(a, when);
      if (station !== undefined && station === stationOf(b, when)) parts.wishes += WORTH.wish;
    }
  }
  return parts;
}

export const scoreOf = (parts: ScoreParts): number => sum(Object.values(parts) as number[]);

export const roundedParts = ({ focus, readings, waiting, variety, groups, wishes }: ScoreParts): ScoreParts => ({
  focus: round(focus, 3),
  readings: round(readings, 3),
  waiting: round(waiting, 3),
  variety: round(variety, 3),
  groups: round(groups, 3),
  wishes: round(wishes, 3),
});
