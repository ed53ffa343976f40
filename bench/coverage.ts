/** Whether stated errors hold: share of values within one and within 1.645 stated SD, of one, three and eight throws of one set-up. */
import { measureThrow, randomFrom, VIEWS } from '@wrightonic/core';
import { cameraFor, drawFaults, drawFilmTrial, filmDelivery, simulateDelivery } from '@wrightonic/core/simulate';
import type { View } from '@wrightonic/core';

type FilmView = Exclude<View, '3d'>;
import { beside, Coverage } from './pooled';
import type { Found } from './pooled';

const SEED = Number(process.env.ACCURACY_SEED ?? 530_000);
const ATHLETES = Number(process.env.ACCURACY_ATHLETES ?? 8);
const THROWS = [1, 3, 8] as const;
/** Throws of one athlete differ in tempo by so much, 1 SD. */
const TEMPO = 0.015;

const coverage = new Coverage();

/** Each throw of an athlete from a view beside its truth. */
function filmed(seed: number, view: View, throws: number): Found[][] {
  const discipline = seed % 3 === 2 ? ('windmill' as const) : ('overhand' as const);
  const trial = drawFilmTrial(seed, { discipline, view, fps: 240 });
  const random = randomFrom(seed);
  const faults = drawFaults(random, discipline);
  // A stand of its own, five to nine metres away, and a scale that is off by what is said of it.
  const camera = cameraFor(
    view as FilmView,
    trial.hand,
    trial.heightM,
    view === 'top' ? {} : { distanceM: 5 + 4 * random.uniform() },
  );
  const off = 1 + random.normal(0, 0.02);
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
    const film = filmDelivery(delivery, request, { ...how, view, fps: trial.fps, markSd: 2, camera });
    const scale = { ...film.scale!, metresPerUnit: film.scale!.metresPerUnit * off };
    return beside(measureThrow({ ...film, scale }).measures, exact);
  });
}

for (let n = 0; n < ATHLETES; n++)
  for (const view of VIEWS.filter((v) => v !== '3d')) {
    const throws = filmed(SEED + n, view, Math.max(...THROWS));
    for (const many of THROWS) coverage.note(throws.slice(0, many), () => [`${many} throws, ${view}`, `${many} throws, all`]);
  }

console.log(
  `Stated errors of marked throws (2 px, 240 a second): ${ATHLETES} athletes a view, seeds from ${SEED}; aim 68 ± 5 and 90 ± 4 %\n`,
);
console.log(coverage.lines().join('\n'));
