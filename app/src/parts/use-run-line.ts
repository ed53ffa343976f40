import type { Me } from '@wrightonic/contract';
import type { IsoDate } from '@wrightonic/core';
import { useRouter } from 'expo-router';
import { lines } from '../data/storage';
import { BEGINS } from './class';

/** What a line is gathered for: one drill or, without one, each athlete’s own work; or a class link by link. */
export type LineFor = { readonly drill: string | null } | 'class';

/** Gathers a line and opens it: the group screen goes on with the line that the device keeps, and this one takes its place. */
export function useRunLine(me: Me): (on: IsoDate, athletes: readonly string[], what: LineFor) => Promise<void> {
  const router = useRouter();
  return async (on, athletes, what) => {
    const line = what === 'class' ? { athletes, drill: null, taught: BEGINS } : { athletes, drill: what.drill };
    await lines.put(me.id, on, line).catch(() => undefined);
    router.push('/group-run');
  };
}
