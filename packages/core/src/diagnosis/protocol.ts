import type { WeighedCheck } from './checks';
import type { AthleteProfile } from '../athlete/athlete';
import { ageOn } from '../shared/dates';
import type { IsoDate } from '../shared/dates';
import { inTurningOrder } from '../body/order';
import type { Position, TestStep } from '../body/order';
import { BODY_TESTS, bodyTestById } from '../body/catalogue';
import type { BodyTest, TestId } from '../body/catalogue';

/** Minutes of the short check. */
export const SHORT_MINUTES = 6;

/** Tests that this athlete may do. */
export const testsFor = (athlete: AthleteProfile, on: IsoDate): readonly BodyTest[] =>
  BODY_TESTS.filter((test) => !(test.adultsOnly && ageOn(athlete.birthDate, on) < 18));

const bothSides = (test: BodyTest): TestStep[] => test.sides.map((side) => ({ test: test.id, side }));

/** Every test on every side, in the order in which the athlete turns over least. */
export function fullCheck(athlete: AthleteProfile, on: IsoDate, start?: Position): TestStep[] {
  return inTurningOrder(
    testsFor(athlete, on)
      .filter((test) => !test.onRequest)
      .flatMap(bothSides),
    start,
  );
}

/**
 * Where most of a delivery hangs, for an athlete of whom nothing has been seen yet: the turn of the hips, the turn of the
 * trunk, standing on one leg. Provenance `house`.
 */
const WITH_NOTHING_SEEN: readonly TestId[] = ['hip-internal-rotation', 'trunk-rotation', 'single-leg-balance'];

/**
 * What to test in six minutes: the tests that would tell most per minute, each on both sides, because one side alone says half;
 * in the order in which the athlete turns over least.
 * @param worthDoing tests not yet done, best first, as the diagnosis weighs them
 * @param anythingSeen whether there is any evidence to weigh by; without it the usual tests are taken
 */
export function shortCheck(worthDoing: readonly WeighedCheck[], anythingSeen: boolean, minutes = SHORT_MINUTES): TestStep[] {
  if (!anythingSeen) return inTurningOrder(WITH_NOTHING_SEEN.flatMap((id) => bothSides(bodyTestById(id))));
  const steps: TestStep[] = [];
  let left = minutes;
  for (const { check } of worthDoing) {
    if (check.kind !== 'screen' || bodyTestById(check.test).onRequest || steps.some((s) => s.test === check.test)) continue;
    const test = bodyTestById(check.test);
    const cost = test.minutes * test.sides.length;
    if (cost > left) continue;
    steps.push(...bothSides(test));
    left -= cost;
  }
  return inTurningOrder(steps);
}

/** Share of the best test's gain below which a test can be skipped today. Provenance `house`. */
const SKIP_BELOW = 0.15;

/** Tests still worth their minutes today, best first, and those that can be skipped. */
export function worthAndSkip(worthDoing: readonly WeighedCheck[]): {
  readonly worth: readonly WeighedCheck[];
  readonly skip: readonly WeighedCheck[];
} {
  const rate = (c: WeighedCheck) => c.expectedGain / c.minutes;
  const best = Math.max(0, ...worthDoing.map(rate));
  const isWorth = (c: WeighedCheck) => best > 0 && rate(c) >= SKIP_BELOW * best;
  return { worth: worthDoing.filter(isWorth), skip: worthDoing.filter((c) => !isWorth(c)) };
}
