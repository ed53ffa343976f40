import { findingById } from '../findings/catalogue';
import { daysBetween } from '../shared/dates';
import { visibilityOf } from '../eyes/eye';
import type { Agreement } from '../eyes/eye';
import { contributionsOf } from './likelihoods';
import { situationOf } from './request';
import type { DiagnosisRequest } from './request';

/** A look and a measure so many days apart are about the same delivery. Provenance `house`. */
export const COMPARED_WITHIN_DAYS = 14;
/** Likelihood ratio from which a measured value decides by itself whether the finding was there. Provenance `house`. */
export const DECIDES_FROM = 6;

/** A look held against what was measured. */
export interface Comparison extends Omit<Agreement, 'count'> {
  /** Index of the look in the evidence. */
  readonly look: number;
}

/**
 * Every look on something that was measured within {@link COMPARED_WITHIN_DAYS} days, clearly one way or the other; the nearest
 * measure decides. Fading plays no part: both are taken as they were on their day.
 */
export function comparisonsIn(request: Omit<DiagnosisRequest, 'overrules' | 'work'>): Comparison[] {
  const { evidence } = request;
  const situation = situationOf(request);
  const dayOf = (index: number) => evidence[index]!.on ?? request.on;
  const measured = evidence.flatMap((item, index) => {
    if (item.kind !== 'measure') return [];
    const { on: _, ...undated } = item;
    return [{ index, says: contributionsOf([undated], situation)[0]!.on }];
  });
  return evidence.flatMap((item, look): Comparison[] => {
    if (item.kind !== 'eye' || item.answer === 'unsure') return [];
    const measures = measured
      .flatMap(({ index, says }) => {
        const apart = Math.abs(daysBetween(dayOf(index), dayOf(look)));
        const said = apart > COMPARED_WITHIN_DAYS ? undefined : says.find((o) => o.finding === item.finding);
        return said ? [{ apart, ratio: said.likelihood[1] / said.likelihood[0] }] : [];
      })
      .sort((a, b) => a.apart - b.apart);
    const decisive = measures.find(({ ratio }) => ratio >= DECIDES_FROM || ratio <= 1 / DECIDES_FROM);
    if (!decisive) return [];
    return [
      {
        look,
        visibility: visibilityOf(findingById(item.finding)),
        saw: item.answer,
        measured: decisive.ratio > 1 ? 'present' : 'absent',
      },
    ];
  });
}
