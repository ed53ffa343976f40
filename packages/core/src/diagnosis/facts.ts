/** Limits that were read twice: they are there, whatever else was seen. */
import type { DatedEvidence } from '../evidence/evidence';
import { contributionsOf } from './likelihoods';
import type { Contribution } from '../evidence/kind';
import { buildModel } from './model';
import { infer } from './network';
import type { Likelihood } from './network';
import type { Situation } from '../evidence/situation';

/** What a fact is at least believed, on the day it was read. */
const AT_LEAST = 0.9;
/** One more than the least, so that rounding does not take it below. */
const ROUNDING = 1.001;

/**
 * What each item says, with facts lifted so far that nothing else can talk them away; a fact that has faded is lifted by what is
 * left of it.
 * @throws EvidenceError for an item that cannot be about this athlete
 */
export function whatIsSaid(evidence: readonly DatedEvidence[], situation: Situation): Contribution[] {
  let said = contributionsOf(evidence, situation);
  const free: Situation = { ...situation, overrules: [] };
  for (const [item, { fact }] of said.entries()) {
    if (!fact) continue;
    const others = said.map((c, i) => (i === item ? { ...c, on: c.on.slice(1) } : c));
    const model = buildModel(free, others);
    const there = infer(model.network, model.likelihoods()).present[model.indexOf(fact.finding)]!;
    const needed = (ROUNDING * (AT_LEAST / (1 - AT_LEAST)) * (1 - there)) / Math.max(there, Number.MIN_VALUE);
    const [absent, present] = said[item]!.on[0]!.likelihood;
    const lifted: Likelihood = [1, Math.max(present / absent, needed ** fact.holds)];
    said = said.map((c, i) => (i === item ? { ...c, on: [{ finding: fact.finding, likelihood: lifted }, ...c.on.slice(1)] } : c));
  }
  return said;
}
