/** How near measures come to simulated truth, on seeds that nothing was built with. Bias, spread and coverage, per measure. */
import { measureById, measureThrow, randomFrom, suggestEvents, VIEWS } from '@wrightonic/core';
import { deliveryFor, filmDelivery, simulate } from '@wrightonic/core/simulate';
import type { AthleteProfile, MeasuredValue, MeasureId, View } from '@wrightonic/core';
import { COVERS, Tally } from './tally';

const FIRST_SEED = Number(process.env.ACCURACY_SEED ?? 900_000);
const ATHLETES = Number(process.env.ACCURACY_ATHLETES ?? 24);
const RATES = [60, 120, 240];
const MARK_PX = 2;
const measures = new Tally();
const events = new Tally();

function note(how: string, found: readonly MeasuredValue[], truth: ReadonlyMap<string, number>): void {
  for (const m of found) {
    const real = truth.get(`${m.measure}|${m.event}`);
    if (m.value !== null && m.sd !== null && real !== undefined)
      measures.note(`${m.measure} at ${m.event}|${how}`, m.value - real, m.sd);
  }
}

for (let n = 0; n < ATHLETES; n++) {
  const seed = FIRST_SEED + n;
  const random = randomFrom(seed);
  const discipline = n % 3 === 2 ? ('windmill' as const) : ('overhand' as const);
  const athlete: AthleteProfile = {
    discipline,
    throws: random.chance(0.3) ? 'L' : 'R',
    birthDate: '2009-01-01',
    heightM: 1.45 + 0.45 * random.uniform(),
    massKg: 65,
    level: 'high-school',
  };
  const wanted = { seed, kind: 'delivery', athlete, faults: null } as const;
  const made = simulate({ ...wanted, view: '3d', fps: 240 });
  if (!('measures' in made.truth)) continue;
  const truth = new Map(made.truth.measures.map((m) => [`${m.measure}|${m.event}`, m.value!]));
  const { delivery, request } = deliveryFor(wanted);
  const film = (view: View, fps: number, markSd: number) =>
    filmDelivery(delivery, request, { view, throws: athlete.throws, fps, markSd, seed: seed + 7 * fps });
  for (const fps of RATES) {
    note(`3d ${fps}`, measureThrow(film('3d', fps, 0)).measures, truth);
    for (const view of VIEWS.filter((v) => v !== '3d')) {
      const marked = film(view, fps, MARK_PX);
      note(`${view} ${fps}`, measureThrow(marked).measures, truth);
      const { events: _, ...bare } = marked;
      for (const [event, at] of Object.entries(suggestEvents(bare))) {
        const real = delivery.events[event as keyof typeof delivery.events];
        if (real !== undefined)
          events.note(`${event}|${athlete.discipline} ${view} ${fps}`, 1000 * (at.frame / fps - real), (1000 * at.sd!) / fps);
      }
    }
  }
}

console.log(
  `Measures against simulated truth: ${ATHLETES} athletes, seeds from ${FIRST_SEED}; 3d with perfect joints, views with marks of ${MARK_PX} px.\nbias and SD of the error, stated SD, share within ±${COVERS} stated SD (aim 90 %)\n`,
);
console.log(measures.table((key) => measureById(key.split(' at ')[0] as MeasureId).unit).join('\n'));
console.log(['\nEvents suggested from marks of 2 px:', ...events.table(() => 'ms')].join('\n'));
