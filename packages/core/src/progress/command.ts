/** Command: where throws were aimed and where they went, at the plate, with how sure that is. */
import { mean } from 'simple-statistics';
import type { Hand } from '../delivery/sides';
import { chiSquareQuantile, fQuantile, normalQuantile, tQuantile } from '../shared/distributions';
import { groupBy } from '../shared/group-by';
import type { IsoDate } from '../shared/dates';

/** A place in the plane of the plate as the pitcher sees it: right of its middle, and above the ground, cm. */
export interface Spot {
  readonly x: number;
  readonly y: number;
}

export interface AimedThrow {
  readonly id: string;
  readonly on: IsoDate;
  /** Instant, ISO 8601 UTC. */
  readonly at: string;
  readonly target: Spot;
  readonly actual: Spot;
  /** Lower and upper edge of the strike zone that it was thrown at, cm. */
  readonly zone: readonly [low: number, high: number];
  /** Percent of full effort. */
  readonly effort: number;
  readonly pitch: string | null;
  /** mph; null where it was not read. */
  readonly speed: number | null;
}

/** A value and its 90 % interval. */
export interface Interval {
  readonly value: number;
  readonly low: number;
  readonly high: number;
}

/** How the miss changes with something. */
export interface Slope extends Interval {
  readonly n: number;
}

/** Half of the misses lie within it. */
export interface MissEllipse {
  /** Mean miss, cm. */
  readonly centre: Spot;
  /** Half axes, cm. */
  readonly long: number;
  readonly short: number;
  /** Angle of the long axis from the horizontal, degrees, in −90 to 90. */
  readonly turnDeg: number;
  /** The half axes are known to plus or minus this share, 90 %. */
  readonly error: number;
}

export interface CommandSummary {
  readonly throws: number;
  /** Share of strikes. */
  readonly strikes: Interval;
  /** Root mean square distance from the target, cm. */
  readonly miss: Interval;
  /** Mean miss, cm; null of one throw, which knows no error. */
  readonly bias: { readonly x: Interval; readonly y: Interval } | null;
  readonly ellipse: MissEllipse | null;
}

/** What the later dates show against the earlier ones. */
export interface CommandChange {
  /** Share by which the miss has become larger; negative when it is smaller. */
  readonly miss: Interval;
  readonly verdict: 'closer' | 'wider' | 'not told';
  readonly earlier: readonly IsoDate[];
  readonly later: readonly IsoDate[];
}

/** Where one throw went from its target, cm, and whether it was a strike. */
export interface Miss extends Spot {
  readonly strike: boolean;
}

export interface Command extends CommandSummary {
  /** Newest last; at most {@link MOST_SHOWN}, the newest. */
  readonly misses: readonly Miss[];
  readonly byPitch: readonly (CommandSummary & { readonly pitch: string })[];
  readonly byDay: readonly (CommandSummary & { readonly on: IsoDate })[];
  /** Change of the miss per ten percent of effort, cm; null with too few, or too little difference. */
  readonly byEffort: Slope | null;
  /** Change of the miss per mph, cm. */
  readonly bySpeed: Slope | null;
  readonly change: CommandChange | null;
  /** Where misses go, in words; null where that cannot be told. */
  readonly goes: string | null;
}

/** Half the width of the plate, cm, and the radius of the ball: any part of it over the plate is a strike. Source: rules of play. */
export const PLATE_HALF_CM = 21.6;
export const BALL_RADIUS_CM = { overhand: 3.7, windmill: 4.9 } as const;
/** Lower and upper edge of the zone of a batter, in parts of their height. Provenance `house`. */
const ZONE = [0.27, 0.54] as const;
/** Fewest throws for an ellipse, for a slope, for a day to count in a change, and fewest days each side. */
const LEAST = { ellipse: 8, slope: 20, day: 8, days: 2 } as const;
/** Least spread of effort, percent, and of speed, mph, before a slope is drawn. */
const SPREAD = { effort: 4, speed: 1.2 } as const;
const COVERS = 0.9;
/** Throws that are drawn one by one. */
const MOST_SHOWN = 300;
/** So sure before a way is said in words: what is said in passing is acted on. */
const SAID = 0.98;
/** Squared radius that holds half of a normal cloud in two dimensions. */
const HALF = 2 * Math.log(2);

/** The zone that somebody of this height is pitched to, cm: batters are taken to be as tall as the pitcher. */
export const zoneFor = (heightM: number): readonly [low: number, high: number] => [
  Math.round(100 * ZONE[0] * heightM),
  Math.round(100 * ZONE[1] * heightM),
];

/** Whether any part of the ball touched the zone. */
export function isStrike({ actual, zone }: Pick<AimedThrow, 'actual' | 'zone'>, radius: number): boolean {
  return Math.abs(actual.x) <= PLATE_HALF_CM + radius && actual.y >= zone[0] - radius && actual.y <= zone[1] + radius;
}

/** Wilson's interval of a share. Source: Wilson (1927). */
function shareOf(hits: number, n: number): Interval {
  const z = normalQuantile((1 + COVERS) / 2);
  const value = hits / n;
  const middle = (value + z ** 2 / (2 * n)) / (1 + z ** 2 / n);
  const half = (z * Math.sqrt((value * (1 - value)) / n + z ** 2 / (4 * n ** 2))) / (1 + z ** 2 / n);
  return { value, low: middle - half, high: middle + half };
}

const variance = (values: readonly number[], middle: number): number =>
  values.length < 2 ? 0 : values.reduce((sum, v) => sum + (v - middle) ** 2, 0) / (values.length - 1);

/** Student's interval of a mean. @param values two or more */
function meanOf(values: readonly number[], covers: number): Interval {
  const value = mean([...values]);
  const half = tQuantile((1 + covers) / 2, values.length - 1) * Math.sqrt(variance(values, value) / values.length);
  return { value, low: value - half, high: value + half };
}

const missOf = ({ target, actual }: AimedThrow): Spot => ({ x: actual.x - target.x, y: actual.y - target.y });
const squared = ({ x, y }: Spot): number => x ** 2 + y ** 2;

/** Degrees of freedom that the mean of squared distances is worth: fewer where the cloud is long (Satterthwaite, 1946). */
function freedomOf(misses: readonly Spot[]): number {
  const squares = misses.map(squared);
  const level = mean(squares);
  const spread = variance(squares, level);
  const usual = 2 * misses.length;
  // A few throws do not know their own spread: they are taken to be no more even than a normal cloud.
  return spread <= 0 || misses.length < LEAST.ellipse ? usual : Math.min(usual, (2 * misses.length * level ** 2) / spread);
}

function missInterval(misses: readonly Spot[]): Interval {
  const level = mean(misses.map(squared));
  const freedom = freedomOf(misses);
  const at = (p: number) => Math.sqrt((level * freedom) / chiSquareQuantile(p, freedom));
  return { value: Math.sqrt(level), low: at((1 + COVERS) / 2), high: at((1 - COVERS) / 2) };
}

function ellipseOf(misses: readonly Spot[]): MissEllipse | null {
  if (misses.length < LEAST.ellipse) return null;
  const centre = { x: mean(misses.map((m) => m.x)), y: mean(misses.map((m) => m.y)) };
  const xx = variance(
    misses.map((m) => m.x),
    centre.x,
  );
  const yy = variance(
    misses.map((m) => m.y),
    centre.y,
  );
  const xy = misses.reduce((sum, m) => sum + (m.x - centre.x) * (m.y - centre.y), 0) / (misses.length - 1);
  const half = (xx + yy) / 2;
  const root = Math.sqrt(((xx - yy) / 2) ** 2 + xy ** 2);
  const turn = (Math.atan2(2 * xy, xx - yy) / 2) * (180 / Math.PI);
  return {
    centre,
    long: Math.sqrt(HALF * (half + root)),
    short: Math.sqrt(HALF * Math.max(0, half - root)),
    turnDeg: turn,
    error: normalQuantile((1 + COVERS) / 2) / Math.sqrt(2 * (misses.length - 1)),
  };
}

const biasOf = (misses: readonly Spot[], covers: number): CommandSummary['bias'] =>
  misses.length < 2
    ? null
    : {
        x: meanOf(
          misses.map((m) => m.x),
          covers,
        ),
        y: meanOf(
          misses.map((m) => m.y),
          covers,
        ),
      };

function summaryOf(throws: readonly AimedThrow[], radius: number): CommandSummary {
  const misses = throws.map(missOf);
  return {
    throws: throws.length,
    strikes: shareOf(throws.filter((t) => isStrike(t, radius)).length, throws.length),
    miss: missInterval(misses),
    bias: biasOf(misses, COVERS),
    ellipse: ellipseOf(misses),
  };
}

/** How the distance from the target goes with something, per `per` of it. */
function slopeOf(throws: readonly AimedThrow[], of: (t: AimedThrow) => number | null, least: number, per: number): Slope | null {
  const pairs = throws.flatMap((t) => {
    const x = of(t);
    return x === null ? [] : [{ x, y: Math.sqrt(squared(missOf(t))) }];
  });
  const n = pairs.length;
  if (n < LEAST.slope) return null;
  const [mx, my] = [mean(pairs.map((p) => p.x)), mean(pairs.map((p) => p.y))];
  const xx = pairs.reduce((sum, p) => sum + (p.x - mx) ** 2, 0);
  if (Math.sqrt(xx / (n - 1)) < least) return null;
  const slope = pairs.reduce((sum, p) => sum + (p.x - mx) * (p.y - my), 0) / xx;
  const left = pairs.reduce((sum, p) => sum + (p.y - my - slope * (p.x - mx)) ** 2, 0);
  const half = tQuantile((1 + COVERS) / 2, n - 2) * Math.sqrt(left / (n - 2) / xx);
  return { value: per * slope, low: per * (slope - half), high: per * (slope + half), n };
}

/** The later half of the days against the earlier one, by the ratio of mean squares (F). */
function changeOf(days: ReadonlyMap<IsoDate, readonly AimedThrow[]>): CommandChange | null {
  const full = [...days].filter(([, list]) => list.length >= LEAST.day).sort(([a], [b]) => (a < b ? -1 : 1));
  if (full.length < 2 * LEAST.days) return null;
  const half = Math.floor(full.length / 2);
  const [earlier, later] = [full.slice(0, half), full.slice(-half)];
  const misses = (part: typeof full) => part.flatMap(([, list]) => list.map(missOf));
  const [before, after] = [misses(earlier), misses(later)];
  const level = (list: readonly Spot[]) => mean(list.map(squared));
  // Where no throw of before missed at all there is nothing to compare with.
  if (level(before) === 0) return null;
  const ratio = level(after) / level(before);
  const [f1, f2] = [freedomOf(after), freedomOf(before)];
  const at = (p: number) => Math.sqrt(ratio / fQuantile(p, f1, f2)) - 1;
  const miss = { value: Math.sqrt(ratio) - 1, low: at((1 + COVERS) / 2), high: at((1 - COVERS) / 2) };
  return {
    miss,
    verdict: miss.high < 0 ? 'closer' : miss.low > 0 ? 'wider' : 'not told',
    earlier: earlier.map(([on]) => on),
    later: later.map(([on]) => on),
  };
}

/** Where misses go on the whole, in words of the throwing side. */
function whereTo(all: readonly AimedThrow[], throws: Hand): string | null {
  const bias = biasOf(all.map(missOf), SAID);
  if (bias === null) return null;
  const way = ({ low, high }: Interval, under: string, over: string): string | null => (high < 0 ? under : low > 0 ? over : null);
  const [left, right] = throws === 'R' ? ['glove side', 'arm side'] : ['arm side', 'glove side'];
  const words = [way(bias.y, 'low', 'high'), way(bias.x, left!, right!)].filter((w): w is string => w !== null);
  return words.length === 0 ? null : `Misses go ${words.join(' and to the ').replace(/^(glove|arm)/, 'to the $1')}.`;
}

/**
 * Strikes, misses and where they go, by pitch and day, against effort and speed.
 * @param throws in any order; one that is there twice counts once
 * @returns null without throws
 */
export function commandOf(
  throws: readonly AimedThrow[],
  thrower: { readonly throws: Hand; readonly discipline: keyof typeof BALL_RADIUS_CM },
): Command | null {
  const all = [...new Map(throws.map((t) => [t.id, t])).values()].sort((a, b) =>
    a.at < b.at || (a.at === b.at && a.id < b.id) ? -1 : 1,
  );
  if (all.length === 0) return null;
  const radius = BALL_RADIUS_CM[thrower.discipline];
  const summary = summaryOf(all, radius);
  const days = groupBy(all, (t) => t.on);
  return {
    ...summary,
    misses: all.slice(-MOST_SHOWN).map((t) => ({ ...missOf(t), strike: isStrike(t, radius) })),
    byPitch: [...groupBy(all, (t) => t.pitch ?? 'fastball')]
      .sort(([a, x], [b, y]) => y.length - x.length || (a < b ? -1 : 1))
      .map(([pitch, list]) => ({ pitch, ...summaryOf(list, radius) })),
    byDay: [...days].sort(([a], [b]) => (a < b ? -1 : 1)).map(([on, list]) => ({ on, ...summaryOf(list, radius) })),
    byEffort: slopeOf(all, (t) => t.effort, SPREAD.effort, 10),
    bySpeed: slopeOf(all, (t) => t.speed, SPREAD.speed, 1),
    change: changeOf(days),
    goes: whereTo(all, thrower.throws),
  };
}
