import { measureById } from '../../delivery/measures';
import type { DeliveryEvent, MeasureId, MeasureUnit } from '../../delivery/measures';
import { findingById } from '../../findings/catalogue';
import { SIGNS } from '../../findings/signs';
import { signId } from '../../settings/numbers';
import { round } from '../../shared/maths';
import { MEASURE_MISTAKEN } from '../densities';
import { house, PERCENT } from '../kind';
import type { EvidenceKind, TracedNumber } from '../kind';
import { signDensities, signLikelihood, signsOf, speaksFirst } from '../measured';
import { isYouth } from '../situation';

/** A value measured on film at an event. */
export interface MeasureEvidence {
  readonly kind: 'measure';
  readonly measure: MeasureId;
  readonly event: DeliveryEvent;
  readonly value: number;
  readonly unit: MeasureUnit;
  readonly sd?: number;
}

export const MEASURE_KIND: EvidenceKind<MeasureEvidence> = {
  kind: 'measure',
  halfLifeDays: 120,
  ofTheBody: true,
  thingsOf: (item) => [`measure:${item.measure}:${item.event}`],
  looksAt: (item) => SIGNS.filter((sign) => sign.measure === item.measure).map((sign) => sign.finding),
  says(item, { evidence, standing, situation, require }) {
    const measure = measureById(item.measure);
    require(measure.unit === item.unit, 'unit', `${measure.id} is measured in ${measure.unit}, not in “${item.unit}”`);
    const signs = signsOf(item.measure, item.event, situation);
    const youth = isYouth(situation);
    return {
      on: signs
        .filter((sign) => !sign.firstOnly || speaksFirst(sign, item, evidence, standing))
        .map((sign) => ({ finding: sign.finding, likelihood: signLikelihood(sign, item, youth, measure.typicalSd) })),
      about: signs.map((sign) => sign.finding),
    };
  },
  numbers(item, situation) {
    const measure = measureById(item.measure);
    return [
      ...signsOf(item.measure, item.event, situation).flatMap((sign): TracedNumber[] => {
        const { absentMean, presentMean } = signDensities(sign, isYouth(situation), 0);
        const title = findingById(sign.finding).title.toLowerCase();
        return [
          {
            name: `Speaks neither way for “${title}” at`,
            value: round((absentMean + presentMean) / 2, 2),
            unit: measure.unit,
            provenance: 'convention',
            changed: situation.numbers?.signs?.[signId(sign)] !== undefined,
          },
          house('Speaks clearly so far from there', sign.spread, measure.unit),
          ...(sign.shows === undefined ? [] : [house('Shows in so many who have it', 100 * sign.shows, PERCENT)]),
        ];
      }),
      house('Error of the value, SD', item.sd ?? measure.typicalSd, measure.unit, item.sd !== undefined),
      house('Values that say nothing', 100 * MEASURE_MISTAKEN, PERCENT),
    ];
  },
  whySilent: (item, { situation }) =>
    `No finding hangs on ${measureById(item.measure).name.toLowerCase()} at this event in the ${situation.athlete.discipline} delivery.`,
  words: (item, say) => `${measureById(item.measure).name} ${say.event(item.event)}: ${say.measured(item.value, item.unit)}`,
};
