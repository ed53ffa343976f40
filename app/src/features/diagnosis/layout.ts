import { Graph, layout } from '@dagrejs/dagre';
import type { CauseMap, FindingId, MapArrow, MapNode } from '@wrightonic/core';

export interface Placed {
  readonly node: MapNode;
  readonly x: number;
  readonly y: number;
}
/** An arrow from the right edge of its cause to the left edge of its consequence. */
export interface Route {
  readonly arrow: MapArrow;
  readonly from: { readonly x: number; readonly y: number };
  readonly to: { readonly x: number; readonly y: number };
}
export interface Laid {
  readonly nodes: readonly Placed[];
  readonly routes: readonly Route[];
  readonly width: number;
  readonly height: number;
  readonly node: NodeSize;
}

export interface NodeSize {
  readonly width: number;
  readonly height: number;
  /** Distance from one rank of causes to the next, px. */
  readonly gap: number;
  /** Lines of words that a box holds, and whether they are small. */
  readonly lines: number;
  readonly small: boolean;
}
/** For one root's chain, for three ranks of it across a phone, and for everything at once. */
export const ROOMY: NodeSize = { width: 144, height: 46, gap: 46, lines: 2, small: false };
export const SLIM: NodeSize = { width: 98, height: 64, gap: 18, lines: 4, small: true };
export const CLOSE: NodeSize = { width: 128, height: 42, gap: 30, lines: 3, small: true };
const GAP = { node: 4, edge: 0, margin: 12 } as const;
/** Arrows below this say nothing about this athlete. */
export const TELLING = 0.03;

/** A root's own chain: what it reaches by telling arrows, and what reaches it. */
export function chainAround(map: CauseMap, centre: FindingId): CauseMap {
  const kept = new Set<FindingId>([centre]);
  const spread = (from: 'cause' | 'consequence', to: 'cause' | 'consequence') => {
    const queue: FindingId[] = [centre];
    for (let next = queue.pop(); next; next = queue.pop())
      for (const arrow of map.arrows)
        if (arrow[from] === next && !kept.has(arrow[to]) && arrow.influence >= TELLING) {
          kept.add(arrow[to]);
          queue.push(arrow[to]);
        }
  };
  spread('cause', 'consequence');
  spread('consequence', 'cause');
  return {
    nodes: map.nodes.filter((n) => kept.has(n.finding)),
    arrows: map.arrows.filter((a) => kept.has(a.cause) && kept.has(a.consequence) && a.influence >= TELLING),
  };
}

/** From here on something is worth a place on the map that is seen first. */
const WORTH_A_PLACE = 0.2;
/** So few say too little: what the centre is joined to most strongly comes with them. */
const FEWEST = 5;

/** Of a root's chain what matters now: what is likely, what was seen or ruled on, and a few neighbours where that is little. */
export function whatMatters(map: CauseMap, centre: FindingId): CauseMap {
  const chain = chainAround(map, centre);
  const kept = new Set(
    chain.nodes
      .filter((n) => n.finding === centre || n.present >= WORTH_A_PLACE || n.evidence.length > 0 || n.ruled)
      .map((n) => n.finding),
  );
  const beside = map.arrows
    .filter((a) => a.cause === centre || a.consequence === centre)
    .sort((a, b) => b.influence - a.influence || b.weight - a.weight)
    .map((a) => (a.cause === centre ? a.consequence : a.cause));
  for (const finding of beside) if (kept.size < FEWEST) kept.add(finding);
  return {
    nodes: map.nodes.filter((n) => kept.has(n.finding)),
    arrows: map.arrows.filter((a) => kept.has(a.cause) && kept.has(a.consequence)),
  };
}

/** Causes on the left, consequences on the right. */
export function layOut(map: CauseMap, size: NodeSize): Laid {
  const graph = new Graph();
  graph.setGraph({
    rankdir: 'LR',
    ranker: 'tight-tree',
    ranksep: size.gap,
    nodesep: GAP.node,
    edgesep: GAP.edge,
    marginx: GAP.margin,
    marginy: GAP.margin,
  });
  graph.setDefaultEdgeLabel(() => ({}));
  for (const { finding } of map.nodes) graph.setNode(finding, { width: size.width, height: size.height });
  for (const { cause, consequence, influence } of map.arrows)
    graph.setEdge(cause, consequence, { weight: 1 + Math.round(8 * influence) });
  layout(graph);
  const { width = 0, height = 0 } = graph.graph() as { width?: number; height?: number };
  const nodes = map.nodes.map((node): Placed => {
    const { x, y } = graph.node(node.finding) as { x: number; y: number };
    return { node, x, y };
  });
  const at = new Map(nodes.map((placed) => [placed.node.finding, placed]));
  const routes = map.arrows.map((arrow): Route => {
    const [cause, consequence] = [at.get(arrow.cause)!, at.get(arrow.consequence)!];
    return {
      arrow,
      from: { x: cause.x + size.width / 2, y: cause.y },
      to: { x: consequence.x - size.width / 2, y: consequence.y },
    };
  });
  return { nodes, routes, width, height, node: size };
}
