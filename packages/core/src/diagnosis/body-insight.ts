import type { FindingId } from '../findings/ids';
import { round } from '../shared/maths';
import { weighChecks } from './checks';
import type { WeighedCheck } from './checks';
import { whatIsSaid } from './facts';
import { buildModel } from './model';
import { easingIfAbsent } from './network';
import { situationOf } from './request';
import type { DiagnosisRequest } from './request';
import { beliefs, priorRoots } from './roots';

/** What a limit of the body is doing in this athlete's delivery, and which tests would still tell something. */
export interface BodyInsight {
  /** Per limit: findings that would ease were it not there, P(present) now minus P(present) without it, largest first. */
  readonly limits: readonly {
    readonly finding: FindingId;
    readonly probability: number;
    readonly eases: readonly { readonly finding: FindingId; readonly probability: number }[];
  }[];
  /** Tests not yet done, best first by what they would tell per minute, bits. */
  readonly worthDoing: readonly WeighedCheck[];
}

const LIMITS_SHOWN_FROM = 0.2;
const LIMIT_EASES_FROM = 0.03;

/**
 * The body's part of the judgement: what limits what, through the causal model, and what each test not yet done would tell.
 * @throws EvidenceError for an item that cannot be about this athlete
 */
export function bodyInsight(request: DiagnosisRequest): BodyInsight {
  const situation = situationOf(request);
  const model = buildModel(situation, whatIsSaid(request.evidence, situation));
  const likelihoods = model.likelihoods();
  const now = beliefs(model, likelihoods);
  const limits = model.findings.flatMap((finding, i) => {
    if (finding.kind !== 'limit' || now.present[i]! < LIMITS_SHOWN_FROM) return [];
    const drops = easingIfAbsent(model.network, likelihoods, i, now.present[i]!, model.count);
    const eases = model.findings
      .map((other, j) => ({ finding: other.id, probability: round(drops[j]!) }))
      .filter((e) => e.probability >= LIMIT_EASES_FROM)
      .sort((a, b) => b.probability - a.probability);
    return [{ finding: finding.id, probability: round(now.present[i]!), eases }];
  });
  const worthDoing = weighChecks(model, now, priorRoots(model), request.evidence, situation, {
    wanted: (check) => check.kind === 'screen',
    refined: Infinity,
    all: true,
  }).checks.map((check) => ({ ...check, expectedGain: round(check.expectedGain) }));
  return { limits: limits.sort((a, b) => b.probability - a.probability), worthDoing };
}
