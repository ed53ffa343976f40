import { screenDensities } from '../evidence/screened';
import type { TestStep } from '../body/order';
import { bodyTestById } from '../body/catalogue';
import type { AthleteProfile } from '../athlete/athlete';
import type { IsoDate } from '../shared/dates';
import { clamp, round } from '../shared/maths';
import { randomFrom } from '../shared/random';
import type { Truth } from './athlete';

/** Seconds of one try: out, held, back, rest. */
const OUT = 1.1;
const HELD = 2.6;
const BACK = 0.8;
const REST = 0.9;
export const TRY_SECONDS = OUT + HELD + BACK + REST;

const numberOf = (text: string): number => [...text].reduce((n, c) => (Math.imul(n, 31) + c.charCodeAt(0)) | 0, 7) >>> 0;

/**
 * End of range of a made-up athlete's limb in a test, degrees. It hangs on the truth, so the limited side reads low; the same
 * seed, test and side always end at the same place.
 */
export function endOfRange(
  seed: number,
  truth: Pick<Truth, 'present'>,
  athlete: AthleteProfile,
  on: IsoDate,
  { test, side }: TestStep,
): number {
  const body = bodyTestById(test);
  const finding = body.speaksOf[side];
  const model = screenDensities(body, { athlete, on });
  const limited = finding !== undefined && truth.present.has(finding);
  const random = randomFrom(seed ^ numberOf(`${test}:${side}`));
  return round(clamp(random.normal(limited ? model.presentMean : model.absentMean, 0.4 * model.sd), 5, 150), 1);
}

const ease = (t: number): number => t * t * (3 - 2 * t);

/**
 * What a strapped-on inclinometer shows, degrees, over a series of tries: the limb goes out, is held with a little tremble, and
 * comes back. Each try ends a little elsewhere, by the reading error of the test.
 * @param seconds since the first try began
 */
export function inclinometerAt(seed: number, end: number, step: TestStep, seconds: number): number {
  const turn = Math.floor(seconds / TRY_SECONDS);
  const t = seconds - turn * TRY_SECONDS;
  const random = randomFrom(seed ^ numberOf(`${step.test}:${step.side}:${turn}`));
  const top = end + random.normal(0, bodyTestById(step.test).readingSd * 0.6);
  const tremble = 0.35 * Math.sin(seconds * 17) + 0.25 * Math.sin(seconds * 29 + 1);
  if (t < OUT) return top * ease(t / OUT) + tremble * 0.5;
  if (t < OUT + HELD) return top + tremble;
  if (t < OUT + HELD + BACK) return top * (1 - ease((t - OUT - HELD) / BACK)) + tremble * 0.5;
  return tremble * 0.3;
}
