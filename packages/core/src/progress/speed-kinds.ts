/** Speeds of one kind of throw each: a change-up is no slow fastball, and a heavy ball no loss. */
import type { Discipline } from '../delivery/links';
import { groupBy } from '../shared/group-by';

/** What was thrown; left out or null: as usual. */
export interface ThrownKind {
  readonly pitch?: string | null;
  /** Grams. */
  readonly ballG?: number | null;
  /** Metres. */
  readonly distanceM?: number | null;
}

export interface SpeedKind<T> {
  /** In words; “fastball” for the usual throw. */
  readonly label: string;
  readonly usual: boolean;
  readonly readings: readonly T[];
}

const FASTBALL = 'fastball';
/** Balls that are played with, grams. Source: rules of play, with what is sold as such. */
const PLAYED_WITH = { overhand: [130, 156], windmill: [155, 200] } as const satisfies Record<
  Discipline,
  readonly [number, number]
>;
/** A throw over less than this share of the longest is a short one. Provenance `house`. */
const SHORT = 0.75;

/**
 * Readings by what was thrown: pitch, ball, and whether over the whole distance.
 * @param readings each kind keeps their order
 * @returns the usual throw first (the fastball with the ball that is played with, over the whole distance), then those with the most readings
 */
export function speedKinds<T extends ThrownKind>(readings: readonly T[], discipline: Discipline): SpeedKind<T>[] {
  const longest = Math.max(0, ...readings.map((r) => r.distanceM ?? 0));
  const [light, heavy] = PLAYED_WITH[discipline];
  const wordsOf = ({ pitch, ballG, distanceM }: T): string => {
    const ball =
      ballG === null || ballG === undefined || (ballG >= light && ballG <= heavy) ? '' : `ball of ${Math.round(ballG)} g`;
    const short = distanceM !== null && distanceM !== undefined && distanceM < SHORT * longest ? 'short distance' : '';
    return [pitch ?? FASTBALL, ball, short].filter(Boolean).join(', ');
  };
  return [...groupBy(readings, wordsOf)]
    .map(([label, own]) => ({ label, usual: label === FASTBALL, readings: own }))
    .sort((a, b) => Number(b.usual) - Number(a.usual) || b.readings.length - a.readings.length || (a.label < b.label ? -1 : 1));
}

/** The readings of the usual throw. */
export const usualSpeeds = <T extends ThrownKind>(readings: readonly T[], discipline: Discipline): readonly T[] =>
  speedKinds(readings, discipline).find((kind) => kind.usual)?.readings ?? [];
