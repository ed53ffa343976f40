/** Who is together. */
import { placesAt } from './camp';
import type { DayTask } from './day';
import { groupsOf, wishedPairs, WORTH } from './worth';

/** What company would come to if everybody had all of it. */
export function companyAtMost({ camp, day, from }: DayTask): number {
  const { request } = camp;
  const most = Math.max(0, ...request.stations.map(placesAt));
  let worth = 0;
  for (let rotation = from; rotation < request.days[day]!.rotations; rotation++) {
    const here = (ids: readonly string[]) => ids.filter((id) => camp.isHere(id, day, rotation)).length;
    for (const members of groupsOf(request).values()) worth += WORTH.group * Math.max(0, Math.min(most, here(members)) - 1);
    worth += WORTH.wish * wishedPairs(request).filter((pair) => here(pair) === 2).length;
  }
  return worth;
}
