/** Who is together: what it could come to at most, and as a wish of a day's model. */
import type { Entry, LinearBuilder } from '../shared/linear';
import { placesAt } from './camp';
import type { Choice, DayTask } from './model';
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

/** Groups and those who want to be together. */
export function wishTogether({ camp, day, from }: DayTask, builder: LinearBuilder, choices: readonly Choice[]): void {
  const byVisit = new Map(choices.map((c) => [`${c.athlete.id}\n${c.rotation}\n${c.station.id}`, c.column]));
  const { request } = camp;
  for (let rotation = from; rotation < request.days[day]!.rotations; rotation++) {
    for (const members of groupsOf(request).values()) {
      const here = members.filter((id) => camp.isHere(id, day, rotation));
      if (here.length < 2) continue;
      const homes: Entry[] = [];
      for (const station of request.stations) {
        const columns = here.flatMap((id) => byVisit.get(`${id}\n${rotation}\n${station.id}`) ?? []);
        const fit = Math.min(columns.length, placesAt(station));
        if (fit < 2) continue;
        const home = builder.choice(-WORTH.group);
        const there = builder.share(WORTH.group, fit);
        builder.atMost([[there, 1], ...columns.map((c): Entry => [c, -1])], 0);
        builder.atMost(
          [
            [there, 1],
            [home, -fit],
          ],
          0,
        );
        homes.push([home, 1]);
      }
      builder.atMost(homes, 1);
    }
    for (const [a, b] of wishedPairs(request))
      for (const station of request.stations) {
        const columns = [a, b].map((id) => byVisit.get(`${id}\n${rotation}\n${station.id}`));
        if (columns.some((c) => c === undefined)) continue;
        const together = builder.share(WORTH.wish, 1);
        for (const column of columns)
          builder.atMost(
            [
              [together, 1],
              [column!, -1],
            ],
            0,
          );
      }
  }
}
