import type { FindingId } from '../findings/ids';
import type { IsoDate } from '../shared/dates';
import { round } from '../shared/maths';
import { whatIsSaid } from './facts';
import { buildModel } from './model';
import { situationOf } from './request';
import type { DiagnosisRequest } from './request';
import { beliefs } from './roots';

/** What was believed at the end of a day on which something was observed. */
export interface BeliefOn {
  readonly on: IsoDate;
  /** Items observed that day. */
  readonly observed: number;
  /** P(root) of each finding asked for, in their order. */
  readonly roots: readonly number[];
}

export interface BeliefHistory {
  /** Findings followed: the likeliest roots of today and of any earlier day. */
  readonly findings: readonly FindingId[];
  readonly days: readonly BeliefOn[];
}

const DAYS_SHOWN = 16;
const FOLLOWED = 5;

/**
 * How the belief moved from session to session: the judgement as it would have stood at the end of each day with evidence, by
 * today's catalogue and without the coach's word; and as it stands today. Oldest first; the newest {@link DAYS_SHOWN} days.
 */
export function beliefHistory(request: DiagnosisRequest): BeliefHistory {
  const seenOn = [...new Set(request.evidence.map((item) => item.on ?? request.on))].sort();
  // Today stands at the end: what has faded since counts as it does in the judgement.
  const days = (seenOn.length === 0 || seenOn[seenOn.length - 1] === request.on ? seenOn : [...seenOn, request.on]).slice(
    -DAYS_SHOWN,
  );
  const { overrules: _, ...unruled } = request;
  const then = days.map((on) => {
    const evidence = request.evidence.filter((item) => (item.on ?? request.on) <= on);
    const situation = situationOf({ ...unruled, on, evidence });
    const model = buildModel(situation, whatIsSaid(evidence, situation));
    return {
      on,
      observed: evidence.filter((item) => (item.on ?? request.on) === on).length,
      ids: model.findings.map((f) => f.id),
      root: beliefs(model, model.likelihoods()).root,
    };
  });
  const ids = then[0]?.ids ?? [];
  const highest = ids.map((finding, i) => ({
    finding,
    i,
    // Today's beliefs come first; what was once likely stays on the page.
    rank: Math.max(...then.map(({ root }, day) => root[i]! * (day === then.length - 1 ? 2 : 1))),
  }));
  const followed = highest.sort((a, b) => b.rank - a.rank).slice(0, FOLLOWED);
  return {
    findings: followed.map((f) => f.finding),
    days: then.map(({ on, observed, root }) => ({ on, observed, roots: followed.map((f) => round(root[f.i]!)) })),
  };
}
