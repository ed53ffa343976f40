import type { Place, Rung } from '../drills/types';
import { addDays, weekdayOf } from '../shared/dates';
import type { PlanRequest, SessionOutline } from './types';

/** Sessions that a rung usually takes when the gate passes as expected: two days at least, three once balls fly. `house` */
const EXPECTED_SESSIONS: Record<Rung, number> = { 0: 2, 1: 2, 2: 2, 3: 3, 4: 3, 5: 3, 6: 3, 7: 3, 8: Infinity };
const TEST_EVERY_WEEKS = 2;

/** Highest rung that any of the places allows. */
function topRung(places: readonly Place[]): Rung {
  if (places.includes('mound')) return 8;
  if (places.includes('cage') || places.includes('field')) return 6;
  return 5;
}

/**
 * The climb: for every available day the rung each focus is expected to stand on, and which days are for testing. What really
 * happens replaces it after each session, by planning again from the rung the gate gave.
 */
export function outlineClimb(request: PlanRequest): SessionOutline[] {
  const places = [...new Set(request.availability.map((a) => a.place))];
  const top = topRung(places);
  const standing = request.focus.map(({ finding, rung }) => ({ finding, rung: Math.min(rung, top) as Rung, sessions: 0 }));
  const gameDays = new Set(request.games.map((g) => g.date));
  const outlines: SessionOutline[] = [];
  let weeksTested = 0;
  for (let day = 0; day < 7 * request.weeks; day++) {
    const date = addDays(request.on, day);
    if (request.until !== undefined && date > request.until) break;
    const slot = request.availability.find((a) => a.weekday === weekdayOf(date));
    if (!slot || gameDays.has(date)) continue;
    const week = Math.floor(day / 7) + 1;
    const measurable = slot.place !== 'home' && standing.some((s) => s.rung >= 3);
    const testDay = measurable && week % TEST_EVERY_WEEKS === 0 && weeksTested < week;
    if (testDay) weeksTested = week;
    outlines.push({
      date,
      place: slot.place,
      minutes: slot.minutes,
      testDay,
      focus: standing.map(({ finding, rung }) => ({ finding, main: rung })),
    });
    for (const focus of standing) {
      focus.sessions++;
      if (focus.sessions >= EXPECTED_SESSIONS[focus.rung] && focus.rung < top) {
        focus.rung = (focus.rung + 1) as Rung;
        focus.sessions = 0;
      }
    }
  }
  return outlines;
}
