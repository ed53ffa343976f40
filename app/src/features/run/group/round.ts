/** A round of stations: the line is parted evenly over some drills, and all move on together. */

export interface Round {
  /** One drill a station, in the order of moving on. */
  readonly drills: readonly string[];
  /** Where each began. */
  readonly places: Readonly<Record<string, number>>;
  /** How often all have moved on. */
  readonly turn: number;
  /** The station at which this phone stands; null where it goes with all of them. */
  readonly here: number | null;
}

export const FEWEST_STATIONS = 2;
export const MOST_STATIONS = 6;

/** A round of these drills, the athletes parted evenly in the order of their line. */
export const roundOf = (drills: readonly string[], athletes: readonly string[]): Round => ({
  drills,
  places: Object.fromEntries(athletes.map((id, n) => [id, n % drills.length])),
  turn: 0,
  here: 0,
});

/** The station at which somebody is now. */
export const stationOf = ({ drills, places, turn }: Round, athlete: string): number =>
  ((places[athlete] ?? 0) + turn) % drills.length;

/** Somebody comes late: to the station at which the fewest of those in line are now. */
export function joinsRound(round: Round, athletes: readonly string[], athlete: string): Round {
  if (round.places[athlete] !== undefined) return round;
  const count = round.drills.map((_, station) => athletes.filter((id) => stationOf(round, id) === station).length);
  const station = count.indexOf(Math.min(...count));
  const place = (station - (round.turn % round.drills.length) + round.drills.length) % round.drills.length;
  return { ...round, places: { ...round.places, [athlete]: place } };
}

export const movesOn = (round: Round): Round => ({ ...round, turn: round.turn + 1 });

/** Moving on, taken back. */
export const movesBack = (round: Round): Round => ({ ...round, turn: Math.max(0, round.turn - 1) });

/** Whether all have been at every station. */
export const isThrough = ({ drills, turn }: Round): boolean => turn >= drills.length;
