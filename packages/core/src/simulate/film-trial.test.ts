import { VIEWS } from '../measure/types';
import { DISCIPLINES } from '../delivery/links';
import { drawFilmTrial, FILM_FAULTS, filmRises, judgeFilm } from './film-trial';

const SEED = 655_000;

describe('clean throws stay clean', () => {
  it.each(DISCIPLINES.flatMap((discipline) => VIEWS.map((view) => [discipline, view] as const)))(
    'one %s throw each of four athletes, %s: nothing rises by more than 0.15',
    (discipline, view) => {
      for (let n = 0; n < 4; n++) {
        const [top] = filmRises(judgeFilm(drawFilmTrial(SEED + n, { discipline, view })));
        expect([top?.finding, (top?.rise ?? 0) <= 0.15]).toEqual([top?.finding, true]);
      }
    },
  );

  it.each(DISCIPLINES.flatMap((discipline) => (['3d', 'side-open', 'rear'] as const).map((view) => [discipline, view] as const)))(
    'eight %s throws, %s: nothing rises by more than 0.05',
    (discipline, view) => {
      const [top] = filmRises(judgeFilm(drawFilmTrial(SEED + 40, { discipline, view, throws: 8 })));
      expect([top?.finding, (top?.rise ?? 0) <= 0.05]).toEqual([top?.finding, true]);
    },
  );
});

describe('a fault is found', () => {
  it.each(DISCIPLINES.flatMap((discipline) => FILM_FAULTS[discipline].map((fault) => [discipline, fault] as const)))(
    '%s, %s: from the joints of one throw, and from its best view',
    (discipline, fault) => {
      const called = (view: (typeof VIEWS)[number], much: number, seed = SEED + 70) =>
        judgeFilm(drawFilmTrial(seed, { discipline, view, fps: 240, faults: { [fault]: much } })).posterior[fault]!;
      const full = called('3d', 1);
      expect(full).toBeGreaterThanOrEqual(0.6);
      expect(called('3d', 0)).toBeLessThan(0.2);
      // One view that tells is enough: the others are not asked for.
      const told = VIEWS.find((v) => v !== '3d' && called(v, 1) >= 0.5);
      expect(told).toBeDefined();
    },
  );
});
