/**
 * How often the band of a gain holds the truth, over made-up seasons with all that happens in real ones. The seasons are drawn here, by
 * nothing that the trend is made of.
 */
import { addDays, randomFrom, trend } from '@wrightonic/core';
import type { AthleteProfile, GunPair, Random, TrendReading } from '@wrightonic/core';

const SEED = Number(process.env.ACCURACY_SEED ?? 880_000);
const SEASONS = Number(process.env.ACCURACY_SEASONS ?? 1000);
const START = '2026-01-05';

interface Season {
  readonly readings: readonly TrendReading[];
  readonly pairs: readonly GunPair[];
  /** Level on the last day less that on the first, mph. */
  readonly gain: number;
  /** Gun B − gun A, mph; null where only one was used. */
  readonly offset: number | null;
  readonly kinds: readonly string[];
}

const within = (random: Random, low: number, high: number): number => low + (high - low) * random.uniform();

/** One athlete's season. */
function season(seed: number): Season {
  const random = randomFrom(seed);
  const kinds: string[] = [];
  const weeks = Math.round(within(random, 6, 40));
  const base = within(random, 42, 92);
  const readingSd = within(random, 0.5, 1.2);
  const sessionSd = within(random, 0.2, 0.9);
  let slope = random.normal(0.06, 0.08);
  const bends = random.uniform() < 0.5;
  const step = random.uniform() < 0.15 ? within(random, 1.5, 4) * (random.uniform() < 0.8 ? 1 : -1) : 0;
  const stepAt = within(random, 0.2, 0.8) * weeks;
  const gap = random.uniform() < 0.3 ? within(random, 3, 8) : 0;
  const gapAt = within(random, 0.2, 0.6) * weeks;
  const change = random.uniform() < 0.35 ? within(random, 0.3, 0.7) * weeks : null;
  const offset = change === null ? null : random.normal(0, 1.8);
  const shared = change !== null && random.uniform() < 0.5;
  const slips = random.uniform() < 0.4 ? 0.015 : 0;
  const effortSlope = within(random, 0.003, 0.008);
  if (step !== 0) kinds.push('step');
  if (gap > 0) kinds.push('gap');
  if (change !== null) kinds.push(shared ? 'two guns, compared' : 'two guns, never compared');
  if (slips > 0) kinds.push('misreads');
  if (kinds.length === 0) kinds.push('plain');
  const readings: TrendReading[] = [];
  const levels: number[] = [];
  let level = base;
  let at = 0;
  while (at <= weeks) {
    const away = gap > 0 && at > gapAt && at < gapAt + gap;
    if (!away) {
      const shown = level + (at >= stepAt ? step : 0);
      levels.push(shown);
      const effect = random.normal(0, sessionSd);
      const count = Math.round(within(random, 3, 12));
      const date = addDays(START, Math.round(7 * at));
      for (let n = 0; n < count; n++) {
        const effort = random.uniform() < 0.3 ? 80 : 100;
        const gun = change !== null && at >= change ? 'B' : 'A';
        const flown = (shown + effect) * (1 - effortSlope * (100 - effort)) + random.normal(0, readingSd);
        const slip = random.uniform() < slips;
        const read = slip ? [0.5 * flown, 2 * flown, within(random, 15, 70)][Math.floor(3 * random.uniform())]! : flown;
        const speed = Math.round(10 * Math.min(195, Math.max(11, read + (gun === 'B' ? offset! : 0)))) / 10;
        readings.push({ date, speed, unit: 'mph', effort, gun, angleDeg: 0, setting: 'mound' });
      }
    }
    const days = within(random, 3, 12);
    if (bends) slope = Math.max(-0.15, Math.min(0.3, slope + random.normal(0, 0.02)));
    level += (slope * days) / 7;
    at += days / 7;
  }
  const pairs = shared
    ? Array.from({ length: 6 }, (_, n) => ({
        date: addDays(START, 7 * n),
        gunA: 'B',
        gunB: 'A',
        difference: Math.round(10 * (offset! + random.normal(0, 0.6))) / 10,
      }))
    : [];
  return { readings, pairs, gain: levels[levels.length - 1]! - levels[0]!, offset, kinds };
}

const ADULT: AthleteProfile = {
  discipline: 'overhand',
  throws: 'R',
  birthDate: '2003-03-01',
  heightM: 1.84,
  massKg: 84,
  level: 'college',
};

interface Tally {
  n: number;
  held: number;
  near: number;
  width: number;
  error: number;
}
const tallies = new Map<string, Tally>();
const note = (kind: string, held: boolean, near: boolean, width: number, error: number) => {
  const tally = tallies.get(kind) ?? { n: 0, held: 0, near: 0, width: 0, error: 0 };
  tallies.set(kind, {
    n: tally.n + 1,
    held: tally.held + Number(held),
    near: tally.near + Number(near),
    width: tally.width + width,
    error: tally.error + error,
  });
};
const offsets = { n: 0, held: 0 };
let slowest = 0;
for (let n = 0; n < SEASONS; n++) {
  const made = season(SEED + n);
  const started = performance.now();
  const result = trend({ on: '2027-06-01', athlete: ADULT, readings: made.readings, pairs: made.pairs });
  slowest = Math.max(slowest, performance.now() - started);
  if (!result.gain) continue;
  const { low, high, mean } = result.gain;
  const held = low <= made.gain && made.gain <= high;
  const near = low - 0.5 <= made.gain && made.gain <= high + 0.5;
  for (const kind of ['all', ...made.kinds]) note(kind, held, near, high - low, mean - made.gain);
  const gun = result.guns.find((g) => g.gun === 'B');
  if (made.offset !== null && gun && result.guns[0]!.gun === 'A') {
    offsets.n++;
    if (gun.low <= made.offset && made.offset <= gun.high) offsets.held++;
  }
}
console.log(`Gains over ${SEASONS} made-up seasons, seeds from ${SEED}: how often the 90 % band holds the truth\n`);
for (const [kind, { n, held, near, width, error }] of [...tallies].sort((a, b) => b[1].n - a[1].n)) {
  const share = held / n;
  console.log(
    `${kind.padEnd(26)} ${String(n).padStart(5)} seasons: ${(100 * share).toFixed(1)} ± ${(100 * Math.sqrt((share * (1 - share)) / n)).toFixed(1)} %, within half a mile of it ${((100 * near) / n).toFixed(1)} %, band ${(width / n).toFixed(2)} mph wide, mean error ${(error / n).toFixed(2)}`,
  );
}
console.log(
  `\nOffsets of the second gun: held in ${((100 * offsets.held) / offsets.n).toFixed(1)} % of ${offsets.n}. Slowest trend ${slowest.toFixed(0)} ms.`,
);
