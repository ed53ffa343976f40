import { ARROWS } from './arrows';
import type { FindingId } from './ids';

export const consequencesOf = (id: FindingId): FindingId[] => ARROWS.filter((a) => a.cause === id).map((a) => a.consequence);
export const causesOf = (id: FindingId): FindingId[] => ARROWS.filter((a) => a.consequence === id).map((a) => a.cause);

/** Everything that can be reached by following the arrows one way; not the start itself. */
function reached(start: FindingId, step: (id: FindingId) => readonly FindingId[]): ReadonlySet<FindingId> {
  const seen = new Set<FindingId>();
  const queue = [start];
  for (let next = queue.pop(); next; next = queue.pop())
    for (const other of step(next))
      if (!seen.has(other)) {
        seen.add(other);
        queue.push(other);
      }
  return seen;
}

const allBehind = new Map<FindingId, ReadonlySet<FindingId>>();

/** What lies behind a finding: its causes, and theirs. */
export function behind(finding: FindingId): ReadonlySet<FindingId> {
  let found = allBehind.get(finding);
  if (!found) allBehind.set(finding, (found = reached(finding, causesOf)));
  return found;
}

/** What a finding can lead to, however far. */
export const following = (finding: FindingId): ReadonlySet<FindingId> => reached(finding, consequencesOf);

/** Whether a path of arrows leads from `cause` to `finding`. */
export const isBehind = (cause: FindingId, finding: FindingId): boolean => behind(finding).has(cause);
