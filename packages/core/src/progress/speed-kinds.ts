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
/** A throw over less than this share of the usual distance is a short one, one so much beyond it a long one. Provenance `house`. */
const SHORT = 0.75;
/** The usual distance is the one that this share of the throws reach: one long throw makes no other short. */
const REACHED_BY = 0.25;

/** The distance that is usually thrown, m; null where none is known. */
function usualDistance(readings: readonly ThrownKind[]): number | null {
  const known = readings.flatMap(({ distanceM }) => distanceM ?? []).sort((a, b) => b - a);
  return known[Math.floor(REACHED_BY * known.length)] ?? null;
}

function distanceWords(distanceM: number | null | undefined, usual: number | null): string {
  if (distanceM === null || distanceM === undefined || usual === null) return '';
  if (distanceM < SHORT * usual) return 'short distance';
  return distanceM > usual / SHORT ? 'long distance' : '';
}

/**
 * Readings by what was thrown: pitch, ball, and whether over the whole distance.
 * @param readings each kind keeps their order
 * @returns the usual throw first (the fastball with the ball that is played with, over the whole distance), then those with the most readings
 */
export function speedKinds<T extends ThrownKind>(readings: readonly T[], discipline: Discipline): SpeedKind<T>[] {
  const usual = usualDistance(readings);
  const [light, heavy] = PLAYED_WITH[discipline];
  const wordsOf = ({ pitch, ballG, distanceM }: T): string => {
    const ball =
      ballG === null || ballG === undefined || (ballG >= light && ballG <= heavy) ? '' : `ball of ${Math.round(ballG)} g`;
    return [pitch ?? FASTBALL, ball, distanceWords(distanceM, usual)].filter(Boolean).join(', ');
  };
  return [...groupBy(readings, wordsOf)]
    .map(([label, own]) => ({ label, usual: label === FASTBALL, readings: own }))
    .sort((a, b) => Number(b.usual) - Number(a.usual) || b.readings.length - a.readings.length || (a.label < b.label ? -1 : 1));
}

/** The readings of the usual throw. */
export const usualSpeeds = <T extends ThrownKind>(readings: readonly T[], discipline: Discipline): readonly T[] =>
  speedKinds(readings, discipline).find((kind) => kind.usual)?.readings ?? [];
