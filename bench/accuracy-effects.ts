/** How near the effects of drills come to simulated truth, how often their intervals hold it, and how sure “better” may be taken. */
import { drillEffects, PER_DAYS } from '@wrightonic/core';
import { simulateDrillWork } from '@wrightonic/core/simulate';

const SEED = Number(process.env.ACCURACY_SEED ?? 520_000);
const ACADEMIES = Number(process.env.ACCURACY_ACADEMIES ?? 60);

const percent = (share: number) => `${(100 * share).toFixed(1)} %`;
process.stdout.write(`\nEffects of drills, ${ACADEMIES} academies a row, 26 weeks, a clip every 2 to 3 weeks (seed ${SEED})\n`);
process.stdout.write(
  '  athletes  truth differs   told  in 90 %   bias   error  error if all were alike   said ≥ 80 % better: was  ms\n',
);
let row = 0;
for (const [spread, mean] of [
  [0, 0],
  [0, 0.03],
  [0.015, 0.03],
  [0.04, 0.03],
] as const)
  for (const athletes of [4, 12, 40]) {
    const told = { all: 0, held: 0, bias: 0, square: 0, alike: 0, sure: 0, right: 0 };
    const began = performance.now();
    for (let n = 0; n < ACADEMIES; n++) {
      const { request, truth } = simulateDrillWork({ seed: SEED + 1000 * row + n, athletes, spread, mean, weeks: 26 });
      const found = drillEffects(request);
      if (!found) continue;
      const real = (drill: string) => PER_DAYS * truth.get(drill)!;
      const common = found.drills.reduce((s, d) => s + d.move, 0) / found.drills.length;
      const average = [...truth.values()].reduce((s, v) => s + PER_DAYS * v, 0) / truth.size;
      for (const d of found.drills) {
        const error = d.move - real(d.drill);
        told.all++;
        told.bias += error;
        told.square += error ** 2;
        told.alike += (common - real(d.drill)) ** 2;
        if (d.low <= real(d.drill) && real(d.drill) <= d.high) told.held++;
        if (d.better >= 0.8) {
          // Where all are alike none is better.
          told.sure++;
          if (spread > 0 && real(d.drill) >= average) told.right++;
        }
      }
    }
    const ms = (performance.now() - began) / ACADEMIES;
    process.stdout.write(
      `  ${String(athletes).padStart(8)}  ${`${mean} ± ${spread}`.padStart(13)} ${String(told.all).padStart(6)}  ${percent(told.held / told.all).padStart(7)} ${(told.bias / told.all).toFixed(2).padStart(6)} ${Math.sqrt(
        told.square / told.all,
      )
        .toFixed(2)
        .padStart(7)} ${Math.sqrt(told.alike / told.all)
        .toFixed(2)
        .padStart(
          24,
        )}   ${told.sure === 0 ? '–'.padStart(22) : `${told.right} of ${told.sure}`.padStart(22)}  ${ms.toFixed(0)}\n`,
    );
    row++;
  }
