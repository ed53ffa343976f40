import { logOdds, round } from '../shared/maths';
import { consequencesOf } from '../findings/paths';
import type { FindingId } from '../findings/ids';
import type { Contribution } from '../evidence/kind';
import type { Model } from './model';
import type { Likelihood } from './network';
import { beliefs } from './roots';
import type { Inference } from './roots';

export interface Pull {
  /** Index into the evidence. */
  readonly evidence: number;
  /** Change of the root's log-odds when the item is left out; positive speaks for the root. */
  readonly weight: number;
}

/** A rival that the evidence has ruled out, with what did. */
export interface Cleared {
  readonly finding: FindingId;
  readonly evidence: readonly number[];
}

const PULL_FROM = 0.05;
/** A rival below this has been ruled out. */
const CLEARED_BELOW = 0.04;

const strongestFirst = (a: Pull, b: Pull) => Math.abs(b.weight) - Math.abs(a.weight) || a.evidence - b.evidence;

/** The pull of every evidence item on a root. */
export function pullsOn(model: Model, now: Inference, contributions: readonly Contribution[]) {
  const groups = leaveOutGroups(contributions);
  const without = withoutEach(model, now, contributions, groups);
  return (root: number): { because: Pull[]; against: Pull[] } => {
    const pulls = [...groups]
      .flatMap(([key, items]) => {
        const weight = round(logOdds(now.root[root]!) - logOdds(without(key, root)));
        return items.map((item) => ({ evidence: item, weight }));
      })
      .sort(strongestFirst);
    return { because: pulls.filter((p) => p.weight >= PULL_FROM), against: pulls.filter((p) => p.weight <= -PULL_FROM) };
  };
}

/** Items about one and the same finding are left out together; an item about several findings is left out alone. */
function leaveOutGroups(contributions: readonly Contribution[]): Map<string, number[]> {
  const groups = new Map<string, number[]>();
  contributions.forEach(({ about }, item) => {
    if (about.length === 0) return;
    const key = about.length === 1 ? about[0]! : `item:${item}`;
    groups.set(key, [...(groups.get(key) ?? []), item]);
  });
  return groups;
}

/** P(root) without a group of items: from what is known already where the group sits on one node, else by another evaluation. */
function withoutEach(
  model: Model,
  now: Inference,
  contributions: readonly Contribution[],
  groups: ReadonlyMap<string, number[]>,
): (key: string, root: number) => number {
  const evaluated = new Map<string, Float64Array>();
  return (key, root) => {
    const items = groups.get(key)!;
    const single = onOneNode(
      model,
      items.map((item) => contributions[item]!),
    );
    if (single) return now.rootWithout(root, single.node, single.likelihood);
    let roots = evaluated.get(key);
    if (!roots) {
      roots = beliefs(
        model,
        model.likelihoods((item) => items.includes(item)),
      ).root;
      evaluated.set(key, roots);
    }
    return roots[root]!;
  };
}

/** The one node that some contributions speak of, with their joint likelihood; null when they speak of several. */
function onOneNode(model: Model, group: readonly Contribution[]): { node: number; likelihood: Likelihood } | null {
  const parts = group.flatMap((c) => [
    ...c.on.map((o) => ({ node: model.indexOf(o.finding), likelihood: o.likelihood })),
    ...(c.observation ? [{ node: model.observationIndex.get(c.observation.id)!, likelihood: c.observation.likelihood }] : []),
  ]);
  const first = parts[0];
  if (!first || parts.some((p) => p.node !== first.node) || group.some((c) => c.arrow)) return null;
  return {
    node: first.node,
    likelihood: parts.reduce<Likelihood>(([a, p], { likelihood }) => [a * likelihood[0], p * likelihood[1]], [1, 1]),
  };
}

/** Other possible causes of the same picture that the evidence cleared. */
export function clearedRivals(
  model: Model,
  root: number,
  present: Float64Array,
  contributions: readonly Contribution[],
): Cleared[] {
  const mine = new Set(consequencesOf(model.findings[root]!.id));
  return model.findings.flatMap((rival, i) => {
    if (i === root || present[i]! > CLEARED_BELOW) return [];
    if (!consequencesOf(rival.id).some((c) => mine.has(c))) return [];
    const by = contributions.flatMap((c, item) =>
      c.on.some((o) => o.finding === rival.id && o.likelihood[1] < o.likelihood[0]) ? [item] : [],
    );
    return by.length > 0 ? [{ finding: rival.id, evidence: by }] : [];
  });
}
