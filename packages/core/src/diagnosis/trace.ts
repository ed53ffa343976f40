import type { FindingId } from '../findings/ids';
import { round } from '../shared/maths';
import { holdsStill } from '../evidence/fading';
import { house } from '../evidence/kind';
import type { TracedNumber } from '../evidence/kind';
import { kindOf, thingsOf } from '../evidence/registry';
import { standingOf } from '../evidence/standing';
import { whatIsSaid } from './facts';
import { situationOf } from './request';
import type { DiagnosisRequest } from './request';

/** Where the pull of an evidence item comes from. */
export interface Trace {
  /** How likely the observation is if the finding is there and if it is not, on any common scale. */
  readonly says: readonly { readonly finding: FindingId; readonly ifThere: number; readonly ifNot: number }[];
  readonly numbers: readonly TracedNumber[];
  /** Chance that what was observed still holds. */
  readonly holds: number;
}

/**
 * Where the pull of one item comes from: its likelihoods, the numbers behind them with their provenance, and how far it has faded.
 * @throws RangeError when there is no such item
 */
export function traceOf(request: DiagnosisRequest, index: number): Trace {
  const item = request.evidence[index];
  if (!item) throw new RangeError(`there is no evidence item ${index}`);
  const situation = situationOf(request);
  const { on } = whatIsSaid(request.evidence, situation)[index]!;
  const weight = thingsOf(item).length === 0 ? 1 : standingOf(request.evidence, situation.on).weight(index);
  const finding = on.length === 1 ? on[0]!.finding : null;
  const holds = holdsStill(kindOf(item), item.on, situation.on, finding, situation);
  return {
    says: on.map(({ finding: id, likelihood: [absent, present] }) => ({
      finding: id,
      ifThere: round(present),
      ifNot: round(absent),
    })),
    numbers: [
      ...kindOf(item).numbers(item, situation),
      ...(weight < 1 ? [house('Weight beside what was said of the same again', weight)] : []),
      ...(holds < 1 ? [house('Half of what was seen has changed after', kindOf(item).halfLifeDays, 'days')] : []),
    ],
    holds: round(holds),
  };
}
