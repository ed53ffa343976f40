import type { LoggedReading, LoggedRep } from './entries';

/** A speed belongs to a throw that was tapped at most so long before or after it, where none is named. Milliseconds. `house` */
const NEAR_MS = 180_000;

export interface Measured {
  /** Greatest effort that the readings of each rep claim, percent. */
  readonly efforts: ReadonlyMap<string, number>;
  /** Readings whose throw is known. */
  readonly matched: ReadonlySet<string>;
}

/**
 * Finds the throw of each reading: the one it names, else the nearest of its session that no reading of the same gun has taken.
 * @param throws and @param readings each in the order of their instants
 */
export function measuredBy(throws: readonly LoggedRep[], readings: readonly LoggedReading[]): Measured {
  const byId = new Map(throws.map((rep) => [rep.id, rep]));
  const efforts = new Map<string, number>();
  const matched = new Set<string>();
  const taken = new Set<string>();
  const take = (reading: LoggedReading, rep: LoggedRep) => {
    taken.add(`${rep.id} ${reading.gun}`);
    matched.add(reading.id);
    efforts.set(rep.id, Math.max(efforts.get(rep.id) ?? 0, reading.effort));
  };
  const free = (reading: LoggedReading, rep: LoggedRep) =>
    rep.session === reading.session && !taken.has(`${rep.id} ${reading.gun}`);
  for (const reading of readings) {
    const named = reading.rep === null ? undefined : byId.get(reading.rep);
    if (named && free(reading, named)) take(reading, named);
  }
  for (const reading of readings) {
    if (matched.has(reading.id) || reading.rep !== null) continue;
    const at = Date.parse(reading.at);
    const distance = (rep: LoggedRep) => Math.abs(Date.parse(rep.at) - at);
    let nearest: LoggedRep | null = null;
    for (const rep of throws)
      if (free(reading, rep) && distance(rep) <= NEAR_MS && (!nearest || distance(rep) < distance(nearest))) nearest = rep;
    if (nearest) take(reading, nearest);
  }
  return { efforts, matched };
}
