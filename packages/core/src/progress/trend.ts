/**
 * Velocity over time: reading = level(t) + session effect + gun offset + effort curve + setting effect + noise, with a local
 * linear trend for the level. All parameters but three spreads are Gaussian and handled exactly by a Kalman filter; the
 * spreads (reading, session, change of slope) are averaged over a small grid by their likelihood. Priors are weak and listed
 * below. Checked for coverage on simulated seasons.
 */
import type { AthleteProfile } from '../athlete/athlete';
import { daysBetween, dayInWords } from '../shared/dates';
import type { IsoDate } from '../shared/dates';
import { normalCdf, normalQuantile } from '../shared/distributions';
import { round } from '../shared/maths';
import { expectedGrowthMph } from './growth';
import { plainMisreads, strayFrom } from './misreads';
import { fromMph, spikeGap, toMph } from './spread';
import type { SpeedReading } from './spread';
import { LEVEL } from './trend-filter';
import type { Layout } from './trend-filter';
import { fit } from './trend-model';
import type { Compared, Corrected, Fit } from './trend-model';
import { ANGLE_REFUSED, angleWarnings, sentenceFor } from './trend-words';

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
  /** Readings that were weighed out, by their place in the request, each with what gives it away. */
  readonly misreads: readonly Misread[];
  readonly warnings: readonly string[];
  readonly sentence: string;
}

export interface Misread {
  readonly reading: number;
  readonly why: string;
}

/** Times that what strays from the trend is looked for again. */
const LOOKS = 3;

/** Trend of an athlete's speed, with what of it is beyond growth. */
export function trend(request: TrendRequest): Trend {
  const { athlete } = request;
  const unit = request.readings[request.readings.length - 1]?.unit ?? 'mph';
  const out = (mph: number) => round(fromMph(mph, unit), 2);
  const usable = request.readings.flatMap((r, reading) =>
    Math.abs(r.angleDeg) <= ANGLE_REFUSED ? [{ ...r, reading, mph: toMph(r) / Math.cos((r.angleDeg * Math.PI) / 180) }] : [],
  );
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
      misreads: [],
      warnings,
      sentence: 'No speed has been read yet.',
    };
  const pairs = (request.pairs ?? []).map(({ gunA, gunB, difference }) => ({
    gunA,
    gunB,
    mph: toMph({ speed: difference, unit }),
  }));
  const { readings: corrected, model, misreads } = believed(usable, pairs);
  const { layout, guns, dates, base, known } = model;
  for (const { reading, why } of misreads) {
    const { date, speed, unit: its } = request.readings[reading]!;
    warnings.push(`${speed} ${its} on ${dayInWords(date)} is ${why}: left out as a misread.`);
  }

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
  const unsureGun = corrected.map((r) => r.gun).some((gun) => !comparedWith(guns[0]!, corrected, request.pairs ?? []).has(gun));
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
    series: seriesOf(model, z, out),
    misreads,
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

function seriesOf(model: Fit, z: number, out: (mph: number) => number): Trend['series'] {
  const levels = model.levels();
  return model.dates.map((date, day) => {
    const { mean, sd } = levels[day]!;
    return { date, level: out(mean), low: out(mean - z * sd), high: out(mean + z * sd) };
  });
}

type Numbered = Corrected & { readonly reading: number };

/**
 * The readings that are believed, and the model of them. What is plainly of something else goes first; what then strays from the trend
 * of all the others goes next, and the trend is drawn anew.
 */
function believed(
  usable: readonly Numbered[],
  pairs: readonly Compared[],
): { readonly readings: readonly Corrected[]; readonly model: Fit; readonly misreads: readonly Misread[] } {
  const plain = plainMisreads(usable);
  const misreads: Misread[] = [...plain].map(([i, why]) => ({ reading: usable[i]!.reading, why }));
  let readings = usable.filter((_, i) => !plain.has(i));
  // Where nothing is left there is no telling what was of what.
  if (readings.length === 0) return { readings: usable, model: fit(usable, pairs), misreads: [] };
  for (let look = 0; look < LOOKS; look++) {
    const residuals = fit(readings, pairs, true).residuals();
    const stray = new Set(strayFrom(residuals));
    if (stray.size === 0) break;
    for (const i of stray)
      misreads.push({
        reading: readings[i]!.reading,
        why: residuals[i]! < 0 ? 'far below the throws around it' : 'far above the throws around it',
      });
    readings = readings.filter((_, i) => !stray.has(i));
  }
  return { readings, model: fit(readings, pairs), misreads: misreads.sort((a, b) => a.reading - b.reading) };
}
