import { EvidenceError } from '../evidence/evidence';
import type { DatedEvidence } from '../evidence/evidence';
import { faded, holdsStill } from '../evidence/fading';
import type { Contribution, Saying } from '../evidence/kind';
import { power } from '../evidence/likelihood';
import { kindOf, thingsOf } from '../evidence/registry';
import type { Situation } from '../evidence/situation';
import { standingOf, weightOfRepeat } from '../evidence/standing';
import type { Standing } from '../evidence/standing';
import type { FindingId } from '../findings/ids';

/**
 * Translates evidence into likelihoods, one contribution per item and in its place. The order of the list says nothing: of several
 * statements about one thing the newest by day counts, and what is said again weighs little, however often.
 * @throws EvidenceError for an item that cannot be about this athlete
 */
export function contributionsOf(evidence: readonly DatedEvidence[], situation: Situation): Contribution[] {
  const late = evidence.findIndex((item) => item.on !== undefined && item.on > situation.on);
  if (late >= 0)
    throw new EvidenceError(late, 'on', `${evidence[late]!.on} is still to come: the day of the evaluation is ${situation.on}`);
  const standing = standingOf(evidence, situation.on);
  const holds = (item: DatedEvidence, finding: FindingId | null) =>
    holdsStill(kindOf(item), item.on, situation.on, finding, situation);
  const said = sayings(evidence, standing, situation).map((one, index): Contribution => {
    const item = evidence[index]!;
    if (kindOf(item).weighsItself) return one;
    const weight = standing.weight(index);
    const { observation, arrow, ...rest } = one;
    const on = one.on
      .map(({ finding, likelihood, thing }) => ({
        finding,
        likelihood: power(faded(likelihood, holds(item, finding)), standing.weight(index, thing)),
      }))
      .filter(({ likelihood: [absent, present] }) => absent !== present);
    if (!observation || weight === 0) return { ...rest, on, ...(arrow && weight > 0 ? { arrow } : {}) };
    const likelihood = power(faded(observation.likelihood, holds(item, null)), weight);
    return { ...rest, on, observation: { ...observation, likelihood }, ...(arrow ? { arrow } : {}) };
  });
  return boundRepeats(evidence, said);
}

/** Things told and tries in drills that speak of one and the same finding share one bounded weight, the strongest first. */
function boundRepeats(evidence: readonly DatedEvidence[], said: readonly Contribution[]): Contribution[] {
  /** What each thing said says of a finding, log of the likelihood ratio, by kind and finding. */
  const heard = new Map<string, Map<string, number>>();
  const hearsayOf = (index: number) => kindOf(evidence[index]!).hearsay;
  const keyOf = (index: number, finding: FindingId) => `${hearsayOf(index)}:${finding}`;
  const thingOf = (index: number) => thingsOf(evidence[index]!)[0]!;
  said.forEach(({ on }, index) => {
    if (!hearsayOf(index)) return;
    for (const { finding, likelihood } of on) {
      const things = heard.get(keyOf(index, finding)) ?? new Map<string, number>();
      things.set(thingOf(index), (things.get(thingOf(index)) ?? 0) + Math.log(likelihood[1] / likelihood[0]));
      heard.set(keyOf(index, finding), things);
    }
  });
  const rankOf = (index: number, finding: FindingId): number => {
    const things = heard.get(keyOf(index, finding))!;
    const mine = things.get(thingOf(index))!;
    const stronger = ([thing, says]: [string, number]) =>
      Math.abs(says) > Math.abs(mine) || (Math.abs(says) === Math.abs(mine) && thing < thingOf(index));
    return [...things].filter(stronger).length;
  };
  return said.map((one, index) => {
    if (!hearsayOf(index)) return one;
    const share = (finding: FindingId) => weightOfRepeat(rankOf(index, finding));
    const { arrow } = one;
    return {
      ...one,
      on: one.on.map((o) => ({ ...o, likelihood: power(o.likelihood, share(o.finding)) })),
      ...(arrow ? { arrow: { ...arrow, weight: arrow.weight * share(arrow.cause) } } : {}),
    };
  });
}

/** What each item said on its day. @throws EvidenceError for an item that cannot be about this athlete */
function sayings(evidence: readonly DatedEvidence[], standing: Standing, situation: Situation): Saying[] {
  return evidence.map((item, index) => {
    const require = (here: boolean, field: string, message: string) => {
      if (!here) throw new EvidenceError(index, field, message);
    };
    const requireHere = (here: boolean, field: string, what: string) =>
      require(here, field, `“${what}” does not occur in the ${situation.athlete.discipline} delivery`);
    return kindOf(item).says(item, { index, evidence, standing, situation, require, requireHere });
  });
}
