/** A line of athletes at one drill or each at their own work: who is in front, who waits, who has left. */
import type { ClassWork } from '../../../parts/class';
import { joinsRound } from './round';
import type { Round } from './round';

export interface Line {
  /** In order; the first is in front. */
  readonly athletes: readonly string[];
  /** One drill for all; null when each does their own work. */
  readonly drill: string | null;
  /** A class link by link instead of work. */
  readonly taught?: ClassWork;
  /** A round of stations instead of one drill. */
  readonly round?: Round | undefined;
}

/** Most in one line. */
export const MOST_IN_LINE = 12;

/** Whose turn it is: the first who is not passed over; null when all are. */
export const inFront = ({ athletes }: Line, passed: ReadonlySet<string>): string | null =>
  athletes.find((id) => !passed.has(id)) ?? null;

/** Who goes after the one in front. */
export const nextUp = ({ athletes }: Line, passed: ReadonlySet<string>): string | null =>
  athletes.filter((id) => !passed.has(id))[1] ?? null;

const without = (athletes: readonly string[], id: string): string[] => athletes.filter((other) => other !== id);

/** After a rep: to the end of the line. */
export const toTheEnd = (line: Line, id: string): Line =>
  line.athletes.includes(id) ? { ...line, athletes: [...without(line.athletes, id), id] } : line;

/** Now: to the front. */
export const toTheFront = (line: Line, id: string): Line =>
  line.athletes.includes(id) ? { ...line, athletes: [id, ...without(line.athletes, id)] } : line;

/** Changes places with the one behind; the last stays. */
export function oneLater(line: Line, id: string): Line {
  const at = line.athletes.indexOf(id);
  if (at < 0 || at === line.athletes.length - 1) return line;
  const athletes = [...line.athletes];
  [athletes[at], athletes[at + 1]] = [athletes[at + 1]!, athletes[at]!];
  return { ...line, athletes };
}

export const leaves = (line: Line, id: string): Line => ({ ...line, athletes: without(line.athletes, id) });

/** Comes late: to the end, if there is room and they are not there yet. */
export function joins(line: Line, id: string): Line {
  if (line.athletes.includes(id) || line.athletes.length >= MOST_IN_LINE) return line;
  const { round } = line;
  return { ...line, athletes: [...line.athletes, id], ...(round && { round: joinsRound(round, line.athletes, id) }) };
}
