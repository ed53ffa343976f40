import { easedOf } from './eased';

const said = [{ finding: 'late-hips', then: 0.8 } as const, { finding: 'fly-open', then: 0.5 } as const];
const seen = () => true;

it('has eased when the odds have halved, by something seen since', () => {
  // Odds of 4 and 1: halved they are 2 and 0.5, that is two thirds and one third.
  const eased = (hips: number, open: number) => easedOf(said, { 'late-hips': hips, 'fly-open': open }, seen).map((e) => e.eased);
  expect(eased(0.66, 0.33)).toEqual([true, true]);
  expect(eased(0.68, 0.34)).toEqual([false, false]);
  expect(eased(0.9, 0.9)).toEqual([false, false]);
});

it('is not known of what nobody has looked at', () => {
  const told = easedOf(said, { 'late-hips': 0.1, 'fly-open': 0.1 }, (finding) => finding === 'fly-open');
  expect(told).toEqual([
    { finding: 'late-hips', then: 0.8, now: 0.1, eased: null },
    { finding: 'fly-open', then: 0.5, now: 0.1, eased: true },
  ]);
  expect(easedOf([], {}, seen)).toEqual([]);
});
