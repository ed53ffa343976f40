/** What a camp lacks, and the least that would mend it. */
import { isHereAllDay, mayVisit, owedTo, READ_KINDS, readingDays } from './camp';
import type { Camp } from './camp';
import type { Assignment, CampSchedule } from './types';

const people = (count: number): string => (count === 1 ? '1 athlete' : `${count} athletes`);

/** @returns null where everybody has a place in each rotation and is read as owed */
export function relaxationOf(
  camp: Camp,
  assignments: readonly Assignment[],
  days: readonly { readonly nowhere: number; readonly unread: number }[],
): CampSchedule['infeasible'] {
  const reasons: string[] = [];
  const relax: string[] = [];
  for (const [day, { nowhere, unread }] of days.entries()) {
    if (nowhere > 0) placesLacking(camp, assignments, day, reasons, relax);
    if (unread > 0) readingsLacking(camp, assignments, day, reasons, relax);
  }
  return reasons.length === 0 ? null : { reason: reasons.join(' '), relax };
}

function placesLacking(camp: Camp, assignments: readonly Assignment[], day: number, reasons: string[], relax: string[]): void {
  const { athletes, days, stations } = camp.request;
  const without = Array.from({ length: days[day]!.rotations }, (_, rotation) =>
    athletes.filter(
      ({ id }) =>
        camp.isHere(id, day, rotation) && !assignments.some((a) => a.day === day && a.rotation === rotation && a.athlete === id),
    ),
  );
  const most = Math.max(...without.map((list) => list.length));
  const rotation = without.findIndex((list) => list.length === most);
  const all = [...new Set(without.flat())];
  const barred = all.filter((athlete) => !stations.some((s) => mayVisit(athlete, s) && s.throwsPerVisit === 0));
  reasons.push(`On day ${day + 1}, ${people(most)} ${most === 1 ? 'has' : 'have'} nowhere to be in rotation ${rotation + 1}.`);
  relax.push(
    barred.length === all.length
      ? `A station without throws for ${people(all.length)} on day ${day + 1}: nothing there is for ${all.map((a) => a.id).join(', ')}.`
      : `${most} more ${most === 1 ? 'place' : 'places'} without throws in each rotation of day ${day + 1}, such as a rest station, or ${people(most)} fewer.`,
  );
}

function readingsLacking(camp: Camp, assignments: readonly Assignment[], day: number, reasons: string[], relax: string[]): void {
  const { athletes, days, stations } = camp.request;
  if (!readingDays(camp.request).includes(day)) return;
  for (const kind of READ_KINDS) {
    const unread = athletes.filter(
      (athlete) =>
        isHereAllDay(camp, athlete.id, day) &&
        owedTo(athlete, stations).includes(kind) &&
        !assignments.some((a) => a.day === day && a.athlete === athlete.id && camp.station(a.station).kind === kind),
    );
    if (unread.length === 0) continue;
    const { rotations } = days[day]!;
    const places = Math.ceil(unread.length / rotations);
    reasons.push(`On day ${day + 1}, ${people(unread.length)} cannot be at the ${kind}.`);
    relax.push(
      `${places} more ${places === 1 ? 'place' : 'places'} at the ${kind} in each of the ${rotations} rotations of day ${day + 1}, or no ${kind} that day for ${people(unread.length)}.`,
    );
  }
}
