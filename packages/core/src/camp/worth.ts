/** What each wish of a camp's schedule is worth. Provenance `house`. */
import { groupBy } from '../shared/group-by';
import { owedTo, readingDays, treatsFocus } from './camp';
import type { ReadKind } from './camp';
import type { CampAthlete, CampRequest, CampStation } from './types';

export const WORTH = {
  /** A drill for a focus of the athlete’s, and more for the first of a day. */
  focus: 10,
  firstFocus: 4,
  /** Any other drill, a check of the body, a reading nobody owes. */
  drill: 4,
  screen: 3,
  reading: 2,
  /** A reading as early as it can be on the first day, or as late as it can be on the last. */
  timely: 3,
  /** Each reading of a day beyond the one that is owed: only where there is nowhere else to go. */
  readAgain: -20,
  /** Each rest of a day beyond the first, and once more beyond the second. */
  waiting: -3,
  /** Each visit of a day to one station beyond the second; a body is checked once, and is no wiser for more. */
  again: -1.5,
  screenAgain: -3,
  /** Each of a group beyond the first at the station where most of it are. Company decides between places that are as good otherwise. */
  group: 0.03,
  /** A rotation with somebody one wants to be with. */
  wish: 0.12,
} as const;

/** What is worse than any wish unfulfilled: somebody without a place, somebody not read, somebody sent elsewhere than before. */
export const COST = { nowhere: -5000, unread: -1000, movedAthlete: -400, movedVisit: -40 } as const;

/** Rests of a day that cost nothing, then little. */
export const RESTS = [1, 2] as const;

/** What visits of a day to one station cost beyond so many; null where rests are reckoned together. */
export function againAt({ kind }: CampStation): { readonly free: number; readonly worth: number } | null {
  if (kind === 'rest') return null;
  return kind === 'screen' ? { free: 1, worth: WORTH.screenAgain } : { free: 2, worth: WORTH.again };
}

/** What a visit is worth by where it is. */
export function visitWorth(athlete: CampAthlete, station: CampStation): number {
  if (station.kind === 'drill') return treatsFocus(athlete, station) ? WORTH.focus : WORTH.drill;
  if (station.kind === 'screen') return WORTH.screen;
  return station.kind === 'rest' ? 0 : WORTH.reading;
}

/** What a reading is worth by when it is: nothing on a day of no readings, or to whom none is owed. */
export function timelyWorth(
  request: CampRequest,
  athlete: CampAthlete,
  station: CampStation,
  day: number,
  rotation: number,
): number {
  if (!isOwed(request, athlete, station, day)) return 0;
  const last = request.days[day]!.rotations - 1;
  if (last === 0) return WORTH.timely;
  return WORTH.timely * (day === 0 ? 1 - rotation / last : rotation / last);
}

/** Whether a visit is one of those that an athlete is owed on a day. */
export const isOwed = (request: CampRequest, athlete: CampAthlete, { kind }: CampStation, day: number): boolean =>
  readingDays(request).includes(day) && owedTo(athlete, request.stations).includes(kind as ReadKind);

/** Athletes who want to be together, each pair once. */
export function wishedPairs({ athletes }: CampRequest): readonly (readonly [string, string])[] {
  const known = new Set(athletes.map((a) => a.id));
  const pairs = new Map<string, readonly [string, string]>();
  for (const { id, with: others } of athletes)
    for (const other of others ?? [])
      if (other !== id && known.has(other)) {
        const pair = id < other ? ([id, other] as const) : ([other, id] as const);
        pairs.set(pair.join('\n'), pair);
      }
  return [...pairs.values()];
}

/** Athletes of each group. */
export function groupsOf({ athletes }: CampRequest): ReadonlyMap<string, readonly string[]> {
  const inGroups = athletes.flatMap(({ id, group }) => (group === undefined ? [] : [{ id, group }]));
  return new Map([...groupBy(inGroups, (a) => a.group)].map(([group, members]) => [group, members.map((a) => a.id)]));
}
