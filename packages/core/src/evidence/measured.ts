/** What measures say of findings, by their signs. */
import type { MeasureId } from '../delivery/measures';
import type { Sign } from '../findings/signs';
import { signsWith } from '../settings/numbers';
import { densities, MEASURE_MISTAKEN } from './densities';
import type { TwoDensities } from './densities';
import type { DatedEvidence } from './evidence';
import type { MeasureEvidence as Measured } from './kinds/measure';
import type { Likelihood } from './likelihood';
import type { Situation } from './situation';
import type { Standing } from './standing';

export function signDensities(sign: Sign, youth: boolean, sd: number): TwoDensities {
  const at = youth && sign.youthAt !== undefined ? sign.youthAt : sign.at;
  const towards = sign.side === 'below' ? -1 : 1;
  return {
    absentMean: at - towards * sign.spread,
    presentMean: at + towards * sign.spread,
    sd: Math.hypot(0.6 * sign.spread, sd),
    mistaken: MEASURE_MISTAKEN,
  };
}

/** What a measured value says of a finding. */
export function signLikelihood(sign: Sign, item: Measured, youth: boolean, usualSd: number): Likelihood {
  const model = signDensities(sign, youth, item.sd ?? usualSd);
  // Outside two edges: how far the nearer edge is passed.
  const value = sign.side === 'outside' ? sign.at + Math.max(sign.at - item.value, item.value - sign.upTo!) : item.value;
  const [absent, present] = densities(value, model);
  const shows = sign.shows ?? 1;
  return [absent, shows * present + (1 - shows) * absent];
}

/** Whether none of the events before this one, in the order of the sign, was measured. */
export function speaksFirst(sign: Sign, item: Measured, evidence: readonly DatedEvidence[], standing: Standing): boolean {
  const before = sign.events?.slice(0, Math.max(0, sign.events.indexOf(item.event))) ?? [];
  return !evidence.some(
    (other, at) =>
      standing.isNewest(at) && other.kind === 'measure' && other.measure === item.measure && before.includes(other.event),
  );
}

/** From where a sign speaks in the school that is set: what a school teaches has to be well past the usual bound. */
function thresholdIn({ finding, at }: Sign, { schools }: Situation): number {
  if (finding === 'early-peel' && schools.backFoot === 'inside-edge') return 2 * at;
  if (finding === 'early-close' && schools.windmillFinish === 'close') return at + 20;
  return at;
}

/** Signs of a measure that apply in this discipline, at this event. */
export function signsOf(measure: MeasureId, event: string | null, situation: Situation): readonly Sign[] {
  return signsWith(situation.numbers)
    .filter(
      (sign) =>
        sign.measure === measure &&
        situation.inPlay.has(sign.finding) &&
        (!sign.disciplines || sign.disciplines.includes(situation.athlete.discipline)) &&
        (event === null || !sign.events || sign.events.some((e) => e === event)),
    )
    .map((sign) => {
      const at = thresholdIn(sign, situation);
      return at === sign.at ? sign : { ...sign, at };
    });
}

/** The sign by which a measure is asked for: one that shows in everybody who has the finding; undefined where there is none. */
export const mainSignOf = (measure: MeasureId, situation: Situation): Sign | undefined =>
  signsOf(measure, null, situation).find((sign) => sign.shows === undefined);
