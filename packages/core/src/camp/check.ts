/** Which hard rules a schedule breaks. It reads the assignments alone and knows nothing of how they were found. */
import { campOf, isBarred, isHereAllDay, mayVisit, owedTo, placesAt, readingDays, tooHardInARow } from './camp';
import type { Camp } from './camp';
import type { Assignment, CampAthlete, CampRequest, CampViolation } from './types';

const inWords = (day: number, rotation: number): string => `day ${day + 1}, rotation ${rotation + 1}`;

/** @returns every rule that is broken, in words; none where all hold */
export function violationsOf(request: CampRequest, assignments: readonly Assignment[]): readonly CampViolation[] {
  const camp = campOf(request);
  const found: CampViolation[] = [];
  for (const [day, { rotations }] of request.days.entries()) {
    const ofDay = assignments.filter((a) => a.day === day);
    for (let rotation = 0; rotation < rotations; rotation++)
      found.push(
        ...atOnce(
          camp,
          day,
          rotation,
          ofDay.filter((a) => a.rotation === rotation),
        ),
      );
    for (const athlete of request.athletes)
      found.push(
        ...ofAthlete(
          camp,
          athlete,
          day,
          ofDay.filter((a) => a.athlete === athlete.id),
        ),
      );
  }
  return found;
}

/** What one rotation breaks: places, kit, closed stations, and who is nowhere or in two places. */
function atOnce(camp: Camp, day: number, rotation: number, now: readonly Assignment[]): CampViolation[] {
  const found: CampViolation[] = [];
  const when = { day, rotation };
  for (const station of camp.request.stations) {
    const there = now.filter((a) => a.station === station.id).length;
    if (there > station.capacity)
      found.push({
        rule: 'capacity',
        ...when,
        station: station.id,
        detail: `${there} are at ${station.id} on ${inWords(day, rotation)}; it takes ${station.capacity}.`,
      });
    else if (there > placesAt(station))
      found.push({
        rule: 'kit',
        ...when,
        station: station.id,
        detail: `${there} are at ${station.id} on ${inWords(day, rotation)}; it has kit for ${placesAt(station)}.`,
      });
    if (there > 0 && !camp.isOpen(station.id, day, rotation))
      found.push({
        rule: 'closed',
        ...when,
        station: station.id,
        detail: `${station.id} is closed on ${inWords(day, rotation)}, and ${there} are sent there.`,
      });
  }
  for (const { id } of camp.request.athletes) {
    const places = now.filter((a) => a.athlete === id).length;
    const here = camp.isHere(id, day, rotation);
    if (here && places !== 1)
      found.push({
        rule: 'place',
        ...when,
        athlete: id,
        detail: `${id} has ${places === 0 ? 'no station' : `${places} stations`} on ${inWords(day, rotation)}.`,
      });
    if (!here && places > 0)
      found.push({
        rule: 'absent',
        ...when,
        athlete: id,
        detail: `${id} is not here on ${inWords(day, rotation)}, and has a station.`,
      });
  }
  return found;
}

/** What one athlete's day breaks: lock, throws, hard rotations in a row, readings. */
function ofAthlete(camp: Camp, athlete: CampAthlete, day: number, visits: readonly Assignment[]): CampViolation[] {
  const found: CampViolation[] = [];
  const who = { day, athlete: athlete.id };
  const at = (rotation: number) => visits.filter((v) => v.rotation === rotation).map((v) => camp.station(v.station));
  for (const { rotation, station: id } of visits) {
    const station = camp.station(id);
    if (isBarred(athlete, station))
      found.push({
        rule: 'not-for',
        ...who,
        rotation,
        station: id,
        detail: `${id} is not for ${athlete.id}, who is sent there on ${inWords(day, rotation)}.`,
      });
    else if (athlete.locked && !mayVisit({ ...athlete, throwBudget: Infinity }, station))
      found.push({
        rule: 'lock',
        ...who,
        rotation,
        station: id,
        detail: `${athlete.id} is locked and sent to ${id} on ${inWords(day, rotation)}, where there is throwing.`,
      });
    for (const next of at(rotation + 1))
      if (tooHardInARow(athlete, station, next))
        found.push({
          rule: 'hard-in-a-row',
          ...who,
          rotation,
          station: next.id,
          detail: `${athlete.id} is ${athlete.age} and throws hard on ${inWords(day, rotation)} and in the next rotation.`,
        });
  }
  const throws = visits.reduce((total, v) => total + camp.station(v.station).throwsPerVisit, 0);
  if (throws > athlete.throwBudget)
    found.push({
      rule: 'budget',
      ...who,
      detail: `${athlete.id} comes to ${throws} throws on day ${day + 1}; ${athlete.throwBudget} are allowed.`,
    });
  if (isHereAllDay(camp, athlete.id, day) && readingDays(camp.request).includes(day))
    for (const kind of owedTo(athlete, camp.request.stations))
      if (!visits.some((v) => camp.station(v.station).kind === kind))
        found.push({ rule: kind, ...who, detail: `${athlete.id} is not at the ${kind} on day ${day + 1}.` });
  return found;
}
