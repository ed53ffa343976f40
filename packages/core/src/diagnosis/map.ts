import { ARROWS } from '../findings/arrows';
import type { Strength } from '../findings/arrows';
import type { FindingId, FindingKind } from '../findings/ids';
import { arrowKey } from '../settings/numbers';
import { round } from '../shared/maths';
import { contributionsOf } from './likelihoods';
import { buildModel } from './model';
import { firedArrows } from './network';
import { situationOf } from './request';
import type { DiagnosisRequest } from './request';
import { beliefs, priorBeliefs } from './roots';

/**
 * seen: observed and there · likely: there by inference alone · ruled-out: observed and hardly there · open: neither yet.
 */
export const NODE_STATES = ['seen', 'likely', 'ruled-out', 'open'] as const;
export type NodeState = (typeof NODE_STATES)[number];

export interface MapNode {
  readonly finding: FindingId;
  readonly kind: FindingKind;
  readonly present: number;
  readonly root: number;
  readonly state: NodeState;
  /** Items that speak of it. */
  readonly evidence: readonly number[];
  /** The coach has ruled on it. */
  readonly ruled: boolean;
}

export interface MapArrow {
  readonly cause: FindingId;
  readonly consequence: FindingId;
  /** P(the cause brought the consequence about | evidence). */
  readonly influence: number;
  /** The weight in use. */
  readonly weight: number;
  /** Null for an arrow that exists for this athlete only. */
  readonly strength: Strength | null;
  /** The academy has set the weight. */
  readonly changed: boolean;
}

export interface CauseMap {
  readonly nodes: readonly MapNode[];
  readonly arrows: readonly MapArrow[];
}

const THERE_FROM = 0.5;
const LIKELY_FROM = 0.35;
/** Observed, and at most so likely, and below what was believed before: ruled out. */
const OUT_BELOW = 0.1;

/** The whole graph of causes of this delivery with what is believed of each node and arrow. Exact. */
export function causeMap(request: DiagnosisRequest): CauseMap {
  const situation = situationOf(request);
  const contributions = contributionsOf(request.evidence, situation);
  const model = buildModel(situation, contributions);
  const likelihoods = model.likelihoods();
  const { present, root } = beliefs(model, likelihoods);
  const prior = priorBeliefs(model);
  const ruled = new Set((situation.overrules ?? []).map((o) => o.finding));
  const nodes = model.findings.map(({ id, kind }, i): MapNode => {
    const evidence = contributions.flatMap((c, item) => (c.on.some((o) => o.finding === id) ? [item] : []));
    const observed = evidence.length > 0 || ruled.has(id);
    const p = present[i]!;
    const out = observed && p <= OUT_BELOW && p < prior.present[i]!;
    const state: NodeState = observed && p >= THERE_FROM ? 'seen' : out ? 'ruled-out' : p >= LIKELY_FROM ? 'likely' : 'open';
    return { finding: id, kind, present: round(p), root: round(root[i]!), state, evidence, ruled: ruled.has(id) };
  });
  const strengths = new Map(ARROWS.map((a) => [arrowKey(a), a.strength]));
  const arrows = firedArrows(model.network, likelihoods).flatMap(({ cause, consequence, probability }): MapArrow[] => {
    if (consequence >= model.count) return [];
    const ends = { cause: model.findings[cause]!.id, consequence: model.findings[consequence]!.id };
    const key = arrowKey(ends);
    const { weight } = model.network.nodes[consequence]!.parents.find((p) => p.node === cause)!;
    return [
      {
        ...ends,
        influence: round(probability),
        weight,
        strength: strengths.get(key) ?? null,
        changed: request.numbers?.model?.[key] !== undefined,
      },
    ];
  });
  return { nodes, arrows };
}
