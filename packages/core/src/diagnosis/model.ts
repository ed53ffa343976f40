import type { Discipline } from '../delivery/links';
import { ARROWS } from '../findings/arrows';
import { leakTimes } from '../findings/leaks';
import { FINDINGS } from '../findings/catalogue';
import type { FindingId } from '../findings/ids';
import type { Finding } from '../findings/types';
import { arrowWeight, ownLeak } from '../settings/numbers';
import type { AcademyNumbers } from '../settings/numbers';
import type { AthleteProfile } from '../athlete/athlete';
import { ageOn } from '../shared/dates';
import type { IsoDate } from '../shared/dates';
import type { Situation } from '../evidence/situation';
import type { Contribution } from '../evidence/kind';
import { buildNetwork } from './network';
import type { Likelihood, Likelihoods, Network, NetworkNode } from './network';

/**
 * Leak of a finding for this athlete, by discipline, age and level: beginners show more habits, grown athletes fewer; the young are looser and fear the slope
 * more. Never so far that a limit nobody has tested is the first guess from one look.
 */
export function leakOf(finding: Finding, athlete: AthleteProfile, on: IsoDate, numbers?: AcademyNumbers): number {
  const age = ageOn(athlete.birthDate, on);
  let factor = leakTimes(finding, athlete.discipline);
  if (finding.leak === 'habit' || finding.leak === 'usual-consequence') {
    if (athlete.level === 'beginner') factor *= 1.1;
    else if (athlete.level === 'college' || athlete.level === 'adult') factor *= 0.85;
  }
  if (finding.leak === 'limit' && age < 19) factor *= 0.75;
  if (finding.id === 'fear-of-falling' && age < 12) factor *= 1.3;
  if (finding.id === 'low-power' && age < 12) factor *= 0.5;
  return ownLeak(finding, numbers) * factor;
}

interface DisciplineGraph {
  readonly findings: readonly Finding[];
  readonly ids: ReadonlySet<FindingId>;
  readonly limitsBehind: (finding: FindingId) => readonly FindingId[];
}

function graphOf(discipline: Discipline): DisciplineGraph {
  const findings = FINDINGS.filter((finding) => finding.disciplines.includes(discipline));
  const ids = new Set(findings.map((finding) => finding.id));
  const limits = new Set(findings.filter((f) => f.kind === 'limit').map((f) => f.id));
  const limitsBehind = (finding: FindingId) => {
    const seen = new Set<FindingId>([finding]);
    const queue = [finding];
    for (let next = queue.pop(); next; next = queue.pop())
      for (const { cause, consequence } of ARROWS)
        if (consequence === next && ids.has(cause) && !seen.has(cause)) {
          seen.add(cause);
          queue.push(cause);
        }
    return [...seen].filter((id) => limits.has(id)).sort();
  };
  return { findings, ids, limitsBehind };
}

const GRAPHS: Record<Discipline, DisciplineGraph> = { overhand: graphOf('overhand'), windmill: graphOf('windmill') };

export const graphFor = (discipline: Discipline): DisciplineGraph => GRAPHS[discipline];

/** The findings of a discipline, in catalogue order. */
export const graphFindings = (discipline: Discipline): readonly Finding[] => GRAPHS[discipline].findings;

/** The causal model of one athlete with all that was observed. */
export interface Model {
  readonly network: Network;
  /** The same without the coach's word. */
  readonly priorNetwork: Network;
  readonly findings: readonly Finding[];
  readonly indexOf: (finding: FindingId) => number;
  /** Number of findings; nodes from here on are observations. */
  readonly count: number;
  readonly observationIndex: ReadonlyMap<string, number>;
  /** P(no arrow to a finding fires | present), per finding. */
  readonly silence: Float64Array;
  /** Likelihoods without the items for which `leftOut` holds. */
  readonly likelihoods: (leftOut?: (item: number) => boolean) => Likelihoods;
}

/** As good as certain, and still a probability, so that nothing is divided by nought. */
const SURE = 1 - 1e-9;

/** Compiling a structure costs more than using it, and the same few structures come back all day. */
const compiled = new Map<string, Network>();
const COMPILED_KEPT = 60;

function compiledNetwork(nodes: readonly NetworkNode[]): Network {
  const key = JSON.stringify(nodes);
  const known = compiled.get(key);
  if (known) return known;
  const network = buildNetwork(nodes);
  if (compiled.size >= COMPILED_KEPT) compiled.delete(compiled.keys().next().value!);
  compiled.set(key, network);
  return network;
}

/** @param contributions what each evidence item says */
export function buildModel(situation: Situation, contributions: readonly Contribution[]): Model {
  const { findings } = graphFor(situation.athlete.discipline);
  const index = new Map<FindingId, number>(findings.map((finding, i) => [finding.id, i]));
  const overrules = situation.overrules ?? [];
  /** What the coach calls a root has come of itself: its causes are not asked for. */
  const ofItself = new Set(overrules.flatMap((o) => (o.as === 'root' ? [o.finding] : [])));
  const extra = contributions.flatMap((c) => (c.arrow ? [c.arrow] : []));
  const arrowsInto = (id: FindingId) => {
    const parents = ARROWS.filter((a) => a.consequence === id && index.has(a.cause)).map((a) => ({
      node: index.get(a.cause)!,
      weight: arrowWeight(a, situation.numbers),
    }));
    for (const arrow of extra)
      if (arrow.consequence === id && !parents.some((p) => p.node === index.get(arrow.cause)))
        parents.push({ node: index.get(arrow.cause)!, weight: arrow.weight });
    return parents;
  };
  const nodes: NetworkNode[] = findings.map((finding) => ({
    id: finding.id,
    leak: leakOf(finding, situation.athlete, situation.on, situation.numbers),
    parents: arrowsInto(finding.id),
  }));
  const observationIndex = new Map<string, number>();
  for (const { id, leak, causes } of contributions.flatMap((c) => (c.observation ? [c.observation] : []))) {
    if (observationIndex.has(id)) continue;
    observationIndex.set(id, nodes.length);
    const parents = causes.filter((c) => index.has(c.finding)).map((c) => ({ node: index.get(c.finding)!, weight: c.weight }));
    nodes.push({ id, leak, parents });
  }
  const silence = new Float64Array(findings.length).fill(1);
  nodes.slice(0, findings.length).forEach((node) => node.parents.forEach((p) => (silence[p.node]! *= 1 - p.weight)));
  const likelihoods = (leftOut?: (item: number) => boolean): Likelihoods => {
    const product = new Map<number, Likelihood>();
    const multiply = (node: number, [absent, present]: Likelihood) => {
      const [a, p] = product.get(node) ?? [1, 1];
      const [na, np] = [a * absent, p * present];
      const scale = Math.max(na, np);
      product.set(node, [na / scale, np / scale]);
    };
    contributions.forEach((contribution, item) => {
      if (leftOut?.(item)) return;
      for (const { finding, likelihood } of contribution.on) multiply(index.get(finding)!, likelihood);
      if (contribution.observation)
        multiply(observationIndex.get(contribution.observation.id)!, contribution.observation.likelihood);
    });
    for (const { finding, as } of overrules) product.set(index.get(finding)!, as === 'absent' ? [1, 1 - SURE] : [1 - SURE, 1]);
    return product;
  };
  const ruled =
    ofItself.size === 0 ? nodes : nodes.map((node) => (ofItself.has(node.id as FindingId) ? { ...node, leak: SURE } : node));
  return {
    network: compiledNetwork(ruled),
    priorNetwork: compiledNetwork(nodes),
    findings,
    indexOf: (finding) => index.get(finding)!,
    count: findings.length,
    observationIndex,
    silence,
    likelihoods,
  };
}
