import { UNITS } from '../words/shown';
import type { DrillEffect, DrillEffects } from './drill-effects';
import { effectWords } from './effect-words';

const effects: DrillEffects = {
  finding: 'short-stride',
  discipline: 'overhand',
  measure: 'stride-length',
  event: 'contact',
  unit: '%height',
  athletes: 8,
  dates: 50,
  drills: [],
};
const effect = (given: Partial<DrillEffect>): DrillEffect => ({
  drill: 'd',
  move: 2.04,
  low: 0.51,
  high: 3.6,
  athletes: 6,
  days: 71,
  better: 0.5,
  ...given,
});

it('says the move with its interval, on how much it rests, and that it cannot be told apart', () => {
  expect(effectWords(effects, effect({}), UNITS.cm)).toBe(
    'Stride length, at contact, in 10 days of work beyond what the weeks bring: moved 2 % of height the right way (0.5 % of height to 3.6 % of height). Not to be told apart from the other drills of the finding. 6 athletes, 71 days.',
  );
});

it('says a wrong way as such, and nothing as a move that may be none', () => {
  expect(effectWords(effects, effect({ move: -2, low: -3, high: -1 }), UNITS.cm)).toContain(
    'moved 2 % of height the wrong way (1 % of height to 3 % of height)',
  );
  expect(effectWords(effects, effect({ low: -1 }), UNITS.cm)).toContain('no move that can be told yet (-1 % of height to 3.6');
});

it('says more or less than others only where it is sure', () => {
  expect(effectWords(effects, effect({ better: 0.8 }), UNITS.cm)).toContain(
    'More than the other drills of the finding, 80 % sure',
  );
  expect(effectWords(effects, effect({ better: 0.2 }), UNITS.cm)).toContain(
    'Less than the other drills of the finding, 80 % sure',
  );
  expect(effectWords(effects, effect({ better: 0.9999 }), UNITS.cm)).toContain('99 % sure');
  for (const better of [0.79, 0.21]) expect(effectWords(effects, effect({ better }), UNITS.cm)).toContain('Not to be told apart');
});
