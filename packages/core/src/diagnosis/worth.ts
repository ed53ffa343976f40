/** What repairing a finding may give, as a share of the athlete's own speed. */
import { costOf } from '../settings/numbers';
import type { AcademyNumbers } from '../settings/numbers';
import { summariseSession } from '../progress/session-summary';
import { FULL_EFFORT } from '../progress/spread';
import type { IsoDate } from '../shared/dates';
import type { DatedEvidence } from '../evidence/evidence';
import type { Worth } from './focus';
import type { Model } from './model';
import { round } from '../shared/maths';

/** No repair is told to give more. Provenance `house`. */
const MOST_PERCENT = 6;
/** Findings of one chain cost the same speed twice: of the second largest half counts, of the others nothing. */
const OF_THE_NEXT = 0.5;
/** Under this age no speed is promised. */
export const WORTH_FROM_AGE = 12;

/**
 * Expected return of repairing a root, % of own speed: its own cost by its probability, and of what eases with it, which is one
 * chain, the largest and half of the next; combined as 1 − Π(1 − c).
 * @param drops how far each finding's probability falls with the root
 */
export function worthOf(
  model: Model,
  numbers: AcademyNumbers | undefined,
  root: number,
  probability: number,
  drops: ArrayLike<number>,
): Worth {
  const of = (share: (range: readonly [number, number]) => number): number => {
    const parts = model.findings
      .map((finding, i) => (share(costOf(finding, numbers)) / 100) * (i === root ? probability : drops[i]!))
      .sort((a, b) => b - a);
    const [largest = 0, next = 0] = parts;
    return round(Math.min(MOST_PERCENT, 100 * (1 - (1 - largest) * (1 - OF_THE_NEXT * next))), 2);
  };
  return { low: of(([low]) => low), expected: of(([low, high]) => (low + high) / 2), high: of(([, high]) => high) };
}

/** The athlete's own speed, mph, by the newest readings at full effort: mean of the best three; null where none were read. */
export function ownSpeedMph(evidence: readonly DatedEvidence[], today: IsoDate): number | null {
  const sessions = evidence
    .flatMap((item) => (item.kind === 'velocity' ? [{ day: item.on ?? today, readings: item.readings }] : []))
    .sort((a, b) => (a.day < b.day ? 1 : -1));
  for (const { readings } of sessions) {
    const full = summariseSession(readings.filter((r) => r.effort >= FULL_EFFORT));
    if (full) return round(full.bestThree, 1);
  }
  return null;
}
