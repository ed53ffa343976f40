/**
 * Velocity over time: reading = level(t) + session effect + gun offset + effort curve + setting effect + noise, with a local
 * linear trend for the level. All parameters but three spreads are Gaussian and handled exactly by a Kalman filter; the
 * spreads (reading, session, change of slope) are averaged over a small grid by their likelihood. Priors are weak and listed
 * below. Checked for coverage on simulated seasons.
 */
import { Matrix } from 'ml-matrix';
import { median } from 'simple-statistics';
import type { SpeedReading } from './spread';
import type { AthleteProfile } from '../athlete/athlete';
import { daysBetween } from '../shared/dates';
import type { IsoDate } from '../shared/dates';
import { normalCdf, normalQuantile } from '../shared/distributions';
import { round } from '../shared/maths';
import { expectedGrowthMph } from './growth';
import { advance, cloneBelief, observe, smooth } from './kalman';
import type { Belief, FilterStep } from './kalman';
import { fromMph, spikeGap, toMph } from './spread';

export const SETTINGS = ['mound', 'drill', 'flat'] as const;
export type Setting = (typeof SETTINGS)[number];

export interface TrendReading extends SpeedReading {
  readonly date: IsoDate;
  readonly gun: string;
  /** Angle between the gun and the throw, degrees. */
  readonly angleDeg: number;
  readonly setting: Setting;
}

/** The same throw of some athlete seen by two guns: gunA − gunB, in the unit of the readings. */
export interface GunPair {
  readonly date: IsoDate;
  readonly gunA: string;
  readonly gunB: string;
  readonly difference: number;
}

export interface TrendRequest {
  readonly on: IsoDate;
  readonly athlete: AthleteProfile;
  readonly readings: readonly TrendReading[];
  readonly pairs?: readonly GunPair[];
  /** Credibility of the bands, 0.9 unless given. */
  readonly level?: number;
}

export interface Trend {
  readonly gain: {
    readonly mean: number;
    readonly low: number;
    readonly high: number;
    readonly unit: 'mph' | 'km/h';
    readonly weeks: number;
  } | null;
  /** Growth expected over the same time, in the same unit. */
  readonly expectedGrowth: number;
  readonly beyondGrowth: { readonly probability: number } | null;
  /** Offsets against the gun used most, whose offset is nought by definition. */
  readonly guns: readonly { readonly gun: string; readonly offset: number; readonly low: number; readonly high: number }[];
  /** (top − median) / median of the newest day with five full-effort throws of one gun and setting. */
  readonly spikeGap: number | null;
  readonly effort: { readonly pctPerPct: number | null; readonly flatAbove80: boolean | null };
  readonly series: readonly { readonly date: IsoDate; readonly level: number; readonly low: number; readonly high: number }[];
  readonly warnings: readonly string[];
  readonly sentence: string;
}

/** Priors, mph and days. Provenance `house`. */
const PRIOR = {
  levelSd: 20,
  /** Slope of the level, mph a day: about 10 mph a year either way. */
  slopeSd: 0.03,
  gunOffsetSd: 1.5,
  pairSd: 0.6,
  /** Change of speed with effort, share per percent. */
  effortShare: 0.006,
  effortShareSd: 0.003,
  setting: { flat: { mean: -1, sd: 1.2 }, drill: { mean: -4, sd: 3 } },
} as const;
const GRID = {
  reading: [0.5, 0.9, 1.5],
  session: [0.2, 0.6, 1.2],
  /** SD of the slope's change over a day, mph a day. */
  slopeChange: [0.0003, 0.0015],
} as const;
const KNEE = 80;
export const ANGLE_WARNED = 20;
export const ANGLE_REFUSED = 45;

interface Layout {
  readonly size: number;
  readonly gun: ReadonlyMap<string, number>;
  readonly flat: number;
  readonly drill: number;
  readonly below: number;
  readonly above: number;
  /** The session effect, drawn anew each session. */
  readonly session: number;
  /** The level on the first day. */
  readonly first: number;
}

const LEVEL = 0;
const SLOPE = 1;

function layOut(guns: readonly string[]): Layout {
  const gun = new Map(guns.slice(1).map((g, i) => [g, 2 + i]));
  const at = 1 + guns.length;
  return { gun, flat: at, drill: at + 1, below: at + 2, above: at + 3, session: at + 4, first: at + 5, size: at + 6 };
}

interface Session {
  readonly date: IsoDate;
  readonly readings: readonly { readonly mph: number; readonly row: readonly number[] }[];
}

interface Spreads {
  readonly reading: number;
  readonly session: number;
  readonly slopeChange: number;
}

function start(layout: Layout, base: number): Belief {
  const mean = new Array<number>(layout.size).fill(0);
  const covariance = Matrix.zeros(layout.size, layout.size);
  const set = (i: number, m: number, sd: number) => {
    mean[i] = m;
    covariance.set(i, i, sd * sd);
  };
  set(LEVEL, base, PRIOR.levelSd);
  set(SLOPE, 0, PRIOR.slopeSd);
  for (const i of layout.gun.values()) set(i, 0, PRIOR.gunOffsetSd);
  set(layout.flat, PRIOR.setting.flat.mean, PRIOR.setting.flat.sd);
  set(layout.drill, PRIOR.setting.drill.mean, PRIOR.setting.drill.sd);
  set(layout.below, PRIOR.effortShare * base, PRIOR.effortShareSd * base);
  set(layout.above, PRIOR.effortShare * base, PRIOR.effortShareSd * base);
  return { mean, covariance };
}

/** Moves level and slope on by some days and draws a new session effect. */
function step(belief: Belief, layout: Layout, days: number, spreads: Spreads): { belief: Belief; transition: Matrix } {
  const transition = Matrix.identity(layout.size);
  transition.set(LEVEL, SLOPE, days);
  transition.set(layout.session, layout.session, 0);
  const noise = Matrix.zeros(layout.size, layout.size);
  const q = spreads.slopeChange ** 2;
  noise.set(SLOPE, SLOPE, q * days);
  noise.set(LEVEL, SLOPE, (q * days ** 2) / 2);
  noise.set(SLOPE, LEVEL, (q * days ** 2) / 2);
  noise.set(LEVEL, LEVEL, (q * days ** 3) / 3);
  noise.set(layout.session, layout.session, spreads.session ** 2);
  return { belief: advance(belief, transition, noise), transition };
}

interface Run {
  readonly logDensity: number;
  readonly last: Belief;
  readonly steps: readonly FilterStep[];
}

function filter(
  sessions: readonly Session[],
  layout: Layout,
  base: number,
  spreads: Spreads,
  pairs: readonly (readonly [number[], number])[],
): Run {
  let belief = start(layout, base);
  let logDensity = 0;
  for (const [row, difference] of pairs) observe(belief, row, difference, PRIOR.pairSd ** 2);
  const steps: FilterStep[] = [];
  sessions.forEach((session, k) => {
    const days = k === 0 ? 0 : daysBetween(sessions[k - 1]!.date, session.date);
    const moved = step(belief, layout, days, spreads);
    belief = moved.belief;
    if (k === 0) {
      // From here on the first level is remembered beside the running one.
      const { mean, covariance } = belief;
      mean[layout.first] = mean[LEVEL]!;
      for (let i = 0; i < layout.size; i++) {
        const shared = covariance.get(LEVEL, i);
        covariance.set(layout.first, i, shared);
        covariance.set(i, layout.first, shared);
      }
      covariance.set(layout.first, layout.first, covariance.get(LEVEL, LEVEL));
    }
    const predicted = cloneBelief(belief);
    for (const { mph, row } of session.readings) logDensity += observe(belief, row, mph, spreads.reading ** 2);
    steps.push({ predicted, filtered: cloneBelief(belief), transition: moved.transition });
  });
  return { logDensity, last: belief, steps };
}

/** Mean and SD of a mixture of normal quantities. */
function mixture(parts: readonly { weight: number; mean: number; sd: number }[]): { mean: number; sd: number } {
  const mean = parts.reduce((m, p) => m + p.weight * p.mean, 0);
  const variance = parts.reduce((v, p) => v + p.weight * (p.sd ** 2 + (p.mean - mean) ** 2), 0);
  return { mean, sd: Math.sqrt(variance) };
}

const quantityOf = (belief: Belief, h: readonly (readonly [number, number])[]): { mean: number; sd: number } => {
  let mean = 0;
  let variance = 0;
  for (const [i, a] of h) {
    mean += a * belief.mean[i]!;
    for (const [j, b] of h) variance += a * b * belief.covariance.get(i, j);
  }
  return { mean, sd: Math.sqrt(Math.max(0, variance)) };
};

/** Trend of an athlete's speed, with what of it is beyond growth. */
export function trend(request: TrendRequest): Trend {
  const { athlete } = request;
  const unit = request.readings[request.readings.length - 1]?.unit ?? 'mph';
  const out = (mph: number) => round(fromMph(mph, unit), 2);
  const usable = request.readings.filter((r) => Math.abs(r.angleDeg) <= ANGLE_REFUSED);
  const warnings = angleWarnings(request.readings);
  if (usable.length === 0)
    return {
      gain: null,
      expectedGrowth: 0,
      beyondGrowth: null,
      guns: [],
      spikeGap: null,
      effort: { pctPerPct: null, flatAbove80: null },
      series: [],
      warnings,
      sentence: 'No speed has been read yet.',
    };
  const corrected = usable.map((r) => ({ ...r, mph: toMph(r) / Math.cos((r.angleDeg * Math.PI) / 180) }));
  const used = new Map<string, number>();
  for (const r of corrected) used.set(r.gun, (used.get(r.gun) ?? 0) + 1);
  const pairGuns = (request.pairs ?? []).flatMap((p) => [p.gunA, p.gunB]);
  const guns = [...new Set([...[...used].sort((a, b) => b[1] - a[1] || (a[0] < b[0] ? -1 : 1)).map(([g]) => g), ...pairGuns])];
  const layout = layOut(guns);
  const base = median(corrected.map((r) => r.mph));
  const rowFor = (r: { gun: string; setting: Setting; effort: number }): number[] => {
    const row = new Array<number>(layout.size).fill(0);
    row[LEVEL] = 1;
    row[layout.session] = 1;
    const gun = layout.gun.get(r.gun);
    if (gun !== undefined) row[gun] = 1;
    if (r.setting === 'flat') row[layout.flat] = 1;
    if (r.setting === 'drill') row[layout.drill] = 1;
    row[layout.above] = Math.max(r.effort, KNEE) - 100;
    row[layout.below] = Math.min(0, r.effort - KNEE);
    return row;
  };
  const dates = [...new Set(corrected.map((r) => r.date))].sort();
  const sessions: Session[] = dates.map((date) => ({
    date,
    readings: corrected.filter((r) => r.date === date).map((r) => ({ mph: r.mph, row: rowFor(r) })),
  }));
  const pairs = (request.pairs ?? []).map((p) => {
    const row = new Array<number>(layout.size).fill(0);
    const a = layout.gun.get(p.gunA);
    const b = layout.gun.get(p.gunB);
    if (a !== undefined) row[a]! += 1;
    if (b !== undefined) row[b]! -= 1;
    return [row, toMph({ speed: p.difference, unit })] as const;
  });

  const runs = GRID.reading.flatMap((reading) =>
    GRID.session.flatMap((session) =>
      GRID.slopeChange.map((slopeChange) => filter(sessions, layout, base, { reading, session, slopeChange }, pairs)),
    ),
  );
  const best = Math.max(...runs.map((r) => r.logDensity));
  const raw = runs.map((r) => Math.exp(r.logDensity - best));
  const total = raw.reduce((a, b) => a + b, 0);
  const weighted = runs.map((run, i) => ({ run, weight: raw[i]! / total })).filter((w) => w.weight > 1e-3);
  const known = (h: readonly (readonly [number, number])[]) =>
    mixture(weighted.map(({ run, weight }) => ({ weight, ...quantityOf(run.last, h) })));

  const z = normalQuantile(0.5 + (request.level ?? 0.9) / 2);
  const from = dates[0]!;
  const to = dates[dates.length - 1]!;
  const growth = expectedGrowthMph(athlete.discipline, athlete.birthDate, from, to);
  const change = known([
    [LEVEL, 1],
    [layout.first, -1],
  ]);
  const enough = dates.length >= 2;
  const beyond = enough ? normalCdf((change.mean - growth) / Math.max(change.sd, 1e-9)) : null;
  const weeks = daysBetween(from, to) / 7;

  const offsets = guns.map((gun) => {
    const i = layout.gun.get(gun);
    const offset = i === undefined ? { mean: 0, sd: 0 } : known([[i, 1]]);
    return { gun, offset: out(offset.mean), low: out(offset.mean - z * offset.sd), high: out(offset.mean + z * offset.sd) };
  });
  const unsureGun = [...used.keys()].some((gun) => !comparedWith(guns[0]!, corrected, request.pairs ?? []).has(gun));
  if (unsureGun)
    warnings.push('Two guns were never seen on the same day: their difference is not known, and the band is wider for it.');

  return {
    gain: enough
      ? {
          mean: out(change.mean),
          low: out(change.mean - z * change.sd),
          high: out(change.mean + z * change.sd),
          unit,
          weeks: round(weeks, 1),
        }
      : null,
    expectedGrowth: out(growth),
    beyondGrowth: beyond === null ? null : { probability: round(beyond) },
    guns: offsets,
    spikeGap: newestSpike(corrected),
    effort: effortOf(corrected, known, layout, base),
    series: seriesOf(weighted, dates, z, out),
    warnings,
    sentence: sentenceFor({ change, growth, beyond, weeks, unit, enough, z, single: out(known([[LEVEL, 1]]).mean), unsureGun }),
  };
}

/** Guns that can be compared with `gun`: through days on which two were used, or shared throws, in as many steps as it takes. */
function comparedWith(gun: string, readings: readonly TrendReading[], pairs: readonly GunPair[]): Set<string> {
  const sameDay = [...new Set(readings.map((r) => r.date))].map((date) =>
    readings.filter((r) => r.date === date).map((r) => r.gun),
  );
  const groups = [...sameDay, ...pairs.map((p) => [p.gunA, p.gunB])];
  const found = new Set([gun]);
  for (let before = 0; before < found.size;) {
    before = found.size;
    for (const group of groups) if (group.some((g) => found.has(g))) group.forEach((g) => found.add(g));
  }
  return found;
}

function angleWarnings(readings: readonly TrendReading[]): string[] {
  const wide = readings.filter((r) => Math.abs(r.angleDeg) > ANGLE_WARNED && Math.abs(r.angleDeg) <= ANGLE_REFUSED).length;
  const refused = readings.filter((r) => Math.abs(r.angleDeg) > ANGLE_REFUSED).length;
  return [
    ...(wide > 0 ? [`${wide} readings from more than ${ANGLE_WARNED}° off the line: corrected, but less sure.`] : []),
    ...(refused > 0 ? [`${refused} readings from more than ${ANGLE_REFUSED}° off the line were left out.`] : []),
  ];
}

function newestSpike(readings: readonly TrendReading[]): number | null {
  for (const date of [...new Set(readings.map((r) => r.date))].sort().reverse()) {
    const groups = new Map<string, TrendReading[]>();
    for (const r of readings)
      if (r.date === date) groups.set(`${r.gun}|${r.setting}`, [...(groups.get(`${r.gun}|${r.setting}`) ?? []), r]);
    for (const group of groups.values()) {
      const spike = spikeGap(group);
      if (spike) return round(spike.gap);
    }
  }
  return null;
}

function effortOf(
  readings: readonly TrendReading[],
  known: (h: readonly (readonly [number, number])[]) => { mean: number; sd: number },
  layout: Layout,
  base: number,
): Trend['effort'] {
  const full = readings.filter((r) => r.effort >= 95).length;
  const easy = readings.filter((r) => r.effort <= 85 && r.effort >= 75).length;
  const varied = new Set(readings.map((r) => r.effort)).size >= 2;
  const above = known([[layout.above, 1]]);
  const flat = normalCdf((0.0015 * base - above.mean) / above.sd);
  const slope = easy >= 3 && full >= 3 ? above : known([[layout.below, 1]]);
  return {
    pctPerPct: varied ? round((100 * slope.mean) / base, 3) : null,
    flatAbove80: full >= 3 && easy >= 3 ? (flat > 0.8 ? true : flat < 0.2 ? false : null) : null,
  };
}

function seriesOf(
  weighted: readonly { run: Run; weight: number }[],
  dates: readonly IsoDate[],
  z: number,
  out: (mph: number) => number,
): Trend['series'] {
  const smoothed = weighted.map(({ run, weight }) => ({ weight, beliefs: smooth(run.steps) }));
  return dates.map((date, k) => {
    const level = mixture(smoothed.map(({ weight, beliefs }) => ({ weight, ...quantityOf(beliefs[k]!, [[LEVEL, 1]]) })));
    return { date, level: out(level.mean), low: out(level.mean - z * level.sd), high: out(level.mean + z * level.sd) };
  });
}

interface SentenceParts {
  change: { mean: number; sd: number };
  growth: number;
  beyond: number | null;
  weeks: number;
  unit: 'mph' | 'km/h';
  enough: boolean;
  z: number;
  single: number;
  unsureGun: boolean;
}

/** How sure it is that there is more than growth: said as a number only where the change itself is clear. */
function sureness(share: number, clear: boolean): string {
  if (share >= 60 && clear) return `; ${Math.min(share, 99)} % sure there is a gain beyond growth`;
  if (share >= 75) return `; leaning toward more than growth (${Math.min(share, 99)} %)`;
  return share <= 20 ? '; no gain beyond growth is seen' : '; too early to say whether it is more than growth';
}

function sentenceFor(p: SentenceParts): string {
  const n = (mph: number) => fromMph(Math.abs(mph), p.unit).toFixed(1);
  if (!p.enough || p.beyond === null)
    return `About ${p.single.toFixed(1)} ${p.unit} at full effort on one day; a second day is needed to speak of a change.`;
  const clear = Math.abs(p.change.mean) > p.z * p.change.sd;
  const direction = p.change.mean >= 0 ? 'Up' : 'Down';
  const weeks = Math.max(1, Math.round(p.weeks));
  const first = clear
    ? `${direction} ${n(p.change.mean)} ± ${n(p.z * p.change.sd)} ${p.unit} in ${weeks} weeks`
    : `No clear change in ${weeks} weeks (${p.change.mean >= 0 ? '+' : '−'}${n(p.change.mean)} ± ${n(p.z * p.change.sd)} ${p.unit})`;
  const growth = p.growth >= 0.05 ? `; about ${n(p.growth)} expected from growth` : '';
  const sure = sureness(Math.round(100 * p.beyond), clear);
  return `${first}${growth}${sure}${p.unsureGun ? '; two guns were never compared' : ''}.`;
}
