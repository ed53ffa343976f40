/** Whether stated errors hold: share of values within one and within 1.645 stated SD, of one, three and eight throws of one set-up. */
import { drawFaults, drawFilmTrial, filmDelivery, measureThrow, randomFrom, simulateDelivery, VIEWS } from '@wrightonic/core';
import type { MeasuredValue, View } from '@wrightonic/core';

const SEED = Number(process.env.ACCURACY_SEED ?? 530_000);
const ATHLETES = Number(process.env.ACCURACY_ATHLETES ?? 8);
const THROWS = [1, 3, 8] as const;
/** Throws of one athlete differ in tempo by so much, 1 SD. */
const TEMPO = 0.015;

interface Count {
  n: number;
  one: number;
  wide: number;
}
const counts = new Map<string, Count>();
const note = (key: string, z: number) => {
  const count = counts.get(key) ?? { n: 0, one: 0, wide: 0 };
  count.n++;
  if (z <= 1) count.one++;
  if (z <= 1.645) count.wide++;
  counts.set(key, count);
};

/** Each throw of an athlete from a view beside its truth. */
function filmed(seed: number, view: View, throws: number): { readonly found: MeasuredValue; readonly truth: number }[][] {
  const discipline = seed % 3 === 2 ? ('windmill' as const) : ('overhand' as const);
  const trial = drawFilmTrial(seed, { discipline, view, fps: 240 });
  const random = randomFrom(seed);
  const faults = drawFaults(random, discipline);
  return Array.from({ length: throws }, (_, n) => {
    const request = {
      discipline,
      heightM: trial.heightM,
      age: trial.age,
      faults,
      tempo: trial.tempo * (1 + random.normal(0, TEMPO)),
    };
    const delivery = simulateDelivery(request);
    const how = { throws: trial.hand, seed: seed * 31 + n };
    const exact = measureThrow(
      filmDelivery(delivery, request, { ...how, view: '3d', fps: 480, markSd: 0, exact: true }),
    ).measures;
    const truth = new Map(exact.map((m) => [`${m.measure}|${m.event}`, m.value]));
    return measureThrow(filmDelivery(delivery, request, { ...how, view, fps: trial.fps, markSd: 2 })).measures.flatMap(
      (found) => {
        const real = truth.get(`${found.measure}|${found.event}`);
        return found.valid && found.value !== null && typeof real === 'number' ? [{ found, truth: real }] : [];
      },
    );
  });
}

for (let n = 0; n < ATHLETES; n++)
  for (const view of VIEWS.filter((v) => v !== '3d')) {
    const throws = filmed(SEED + n, view, Math.max(...THROWS));
    for (const many of THROWS) {
      const byMeasure = new Map<string, { error: number; shared: number; jitter: number; n: number }>();
      for (const { found, truth } of throws.slice(0, many).flat()) {
        const key = `${found.measure}|${found.event}`;
        const sum = byMeasure.get(key) ?? { error: 0, shared: 0, jitter: 0, n: 0 };
        const shared = (found.shared ?? 0) ** 2;
        byMeasure.set(key, {
          error: sum.error + found.value! - truth,
          shared: sum.shared + shared,
          jitter: sum.jitter + Math.max(0, found.sd! ** 2 - shared),
          n: sum.n + 1,
        });
      }
      for (const { error, shared, jitter, n: got } of byMeasure.values())
        if (got === many)
          for (const key of [`${many}|${view}`, `${many}|all`])
            note(key, Math.abs(error / got) / Math.sqrt(shared / got + jitter / got / got));
    }
  }

const percent = (share: number, n: number): string =>
  `${(100 * share).toFixed(1)} ± ${(100 * Math.sqrt((share * (1 - share)) / n)).toFixed(1)} %`;
console.log(
  `Stated errors of marked throws (2 px, 240 a second): ${ATHLETES} athletes a view, seeds from ${SEED}; aim 68 ± 5 and 90 ± 4 %\n`,
);
for (const many of THROWS)
  for (const view of ['side-open', 'side-closed', 'front', 'rear', 'top', 'all'])
    for (const count of [counts.get(`${many}|${view}`)].filter((c) => c !== undefined))
      console.log(
        `${String(many).padStart(2)} throws ${view.padEnd(12)} ${String(count.n).padStart(5)} values: within 1 SD ${percent(count.one / count.n, count.n)}, within 1.645 SD ${percent(count.wide / count.n, count.n)}`,
      );
