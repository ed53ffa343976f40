/** Who has come to a camp: what the server knows, and what waits on this device. Pure. */
import type { CampArrival, CampRecord } from '@wrightonic/contract';
import type { Operation } from '../../data/operations';

/** What was tapped at the gate on this device, in its order. */
const tapped = (operations: readonly Operation[], camp: string, user: string): Operation[] =>
  operations.filter((o) => o.session === camp && o.user === user && o.work.kind === 'arrive');

/** The camp with the arrivals that are still to be sent; the last tap on a name counts. */
export function withArrivals(camp: CampRecord, operations: readonly Operation[], user: string): CampRecord {
  const waiting = tapped(operations, camp.id, user).filter((o) => o.status === 'waiting');
  if (waiting.length === 0) return camp;
  const key = ({ day, athlete }: CampArrival) => `${day} ${athlete}`;
  const arrivals = new Map(camp.arrivals.map((a) => [key(a), a]));
  for (const { work } of waiting) {
    if (work.kind !== 'arrive') continue;
    const { here, ...arrival } = work.body;
    if (here) arrivals.set(key(arrival), arrival);
    else arrivals.delete(key(arrival));
  }
  return { ...camp, arrivals: [...arrivals.values()] };
}

/** Why the newest tap at the gate was not taken; null where it was. */
export function refusedArrival(operations: readonly Operation[], camp: string, user: string): string | null {
  const newest = tapped(operations, camp, user).at(-1);
  return newest?.status === 'refused' ? newest.reason : null;
}
