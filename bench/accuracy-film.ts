/** Whether film tells the truth: clean throws stay clean, and every fault is found, over athletes, views and rates never used before. */
import { VIEWS } from '@wrightonic/core';
import { drawFilmTrial, FILM_FAULTS, filmRises, judgeFilm } from '@wrightonic/core/simulate';
import type { Discipline, FindingId, View } from '@wrightonic/core';

const SEED = Number(process.env.ACCURACY_SEED ?? 740_000);
const ATHLETES = Number(process.env.ACCURACY_ATHLETES ?? 6);
const MOST = { 1: 0.15, 8: 0.05 } as const;
const RATES = [60, 240] as const;
const text = (p: number): string => p.toFixed(2);

interface Worst {
  rise: number;
  what: string;
}

/** Clean throws: the greatest rise of any finding over its prior. */
function clean(discipline: Discipline, view: View): void {
  const cells = ([1, 8] as const).flatMap((throws) =>
    RATES.map((fps) => {
      let over = 0;
      let worst: Worst = { rise: 0, what: '' };
      for (let n = 0; n < ATHLETES; n++) {
        const rises = filmRises(judgeFilm(drawFilmTrial(SEED + n, { discipline, view, throws, fps, faults: {} })));
        const [top] = rises;
        if (!top) continue;
        if (top.rise > MOST[throws]) over++;
        if (top.rise > worst.rise) worst = { rise: top.rise, what: top.finding };
      }
      return `${throws} at ${fps}: ${over}/${ATHLETES} over, most +${text(worst.rise)}${worst.what ? ` (${worst.what})` : ''}`;
    }),
  );
  console.log(`${discipline.padEnd(9)} ${view.padEnd(12)} ${cells.join('; ')}`);
}

/** One fault at full strength: how likely it is called, from 3-D joints and from its best view. */
function fault(discipline: Discipline, finding: FindingId): void {
  const called = (view: View, n: number) =>
    judgeFilm(drawFilmTrial(SEED + 500 + n, { discipline, view, fps: 240, faults: { [finding]: 1 } })).posterior[finding]!;
  const share = (view: View) => Array.from({ length: ATHLETES }, (_, n) => called(view, n)).sort((a, b) => a - b);
  const joints = share('3d');
  // The view that shows it best is known from three other athletes.
  const view = VIEWS.filter((v) => v !== '3d')
    .map((v) => ({ v, p: called(v, -1) + called(v, -2) + called(v, -3) }))
    .reduce((a, b) => (b.p > a.p ? b : a)).v;
  const best = { view, found: share(view) };
  const middle = (list: readonly number[]) => list[list.length >> 1]!;
  const under = (list: readonly number[], least: number) => list.filter((p) => p < least).length;
  console.log(
    `${discipline.padEnd(9)} ${finding.padEnd(18)} joints: least ${text(joints[0]!)}, middle ${text(middle(joints))}, ${under(joints, 0.6)}/${ATHLETES} under 0.6; ${best.view}: least ${text(best.found[0]!)}, middle ${text(middle(best.found))}, ${under(best.found, 0.5)}/${ATHLETES} under 0.5`,
  );
}

console.log(
  `Film and judgement: ${ATHLETES} athletes of 9 to 22 a cell, seeds from ${SEED}; 3d with perfect joints, views with marks of 2 px.\n`,
);
console.log('Clean throws: rise of the finding that rises most (at most 0.15 from one throw, 0.05 from eight)');
for (const discipline of ['overhand', 'windmill'] as const)
  for (const view of ['3d', ...VIEWS.filter((v) => v !== '3d')] as const) clean(discipline, view);
console.log('\nOne fault at full strength, one throw');
for (const discipline of ['overhand', 'windmill'] as const)
  for (const finding of FILM_FAULTS[discipline]) fault(discipline, finding);
