/** Measures over time. */
import type { Discipline } from '../delivery/links';
import { measureById } from '../delivery/measures';
import type { DeliveryEvent, MeasureId, MeasureUnit } from '../delivery/measures';
import type { FindingId } from '../findings/ids';
import { SIGNS } from '../findings/signs';
import { measureBand } from '../measure/compare';
import type { Range } from '../measure/compare';
import { groupBy } from '../shared/group-by';
import type { CourseValue } from './course';

/** A measure over time, in its unit. */
export interface MeasureHistory {
  readonly measure: MeasureId;
  readonly event: DeliveryEvent;
  readonly unit: MeasureUnit;
  /** Null where there is none for this discipline and event. */
  readonly band: Range | null;
  /** Findings that it tells of. */
  readonly of: readonly FindingId[];
  /** Oldest first. */
  readonly values: readonly CourseValue[];
}

/**
 * Each measure and event over time, those of the foci first, then those that were measured most often.
 * @param foci findings that are worked on or were owned
 */
export function measureHistories(
  values: readonly CourseValue[],
  discipline: Discipline,
  age: number,
  foci: readonly FindingId[],
): MeasureHistory[] {
  const histories = [...groupBy(values, (v) => `${v.measure}:${v.event}`).values()].map((own): MeasureHistory => {
    const { measure, event } = own[0]!;
    const signs = SIGNS.filter(
      (s) =>
        s.measure === measure &&
        (!s.events || s.events.includes(event)) &&
        (!s.disciplines || s.disciplines.includes(discipline)),
    );
    return {
      measure,
      event,
      unit: measureById(measure).unit,
      band: measureBand(measure, event, discipline, age),
      of: [...new Set(signs.map((s) => s.finding))],
      values: [...own].sort((a, b) => (a.on < b.on ? -1 : 1)),
    };
  });
  const ofFocus = (h: MeasureHistory) => h.of.some((finding) => foci.includes(finding));
  return histories.sort(
    (a, b) =>
      Number(ofFocus(b)) - Number(ofFocus(a)) ||
      b.values.length - a.values.length ||
      (`${a.measure}:${a.event}` < `${b.measure}:${b.event}` ? -1 : 1),
  );
}
