import type { ObservationRecord } from '@wrightonic/contract';
import type { Evidence } from '@wrightonic/core';
import { useObservations } from '../../parts/use-observations';

/** What has been said of an athlete beside the looks, and a way to say it: one word of today for each thing. */
export function useSaid(athlete: string, today: string) {
  const { diagnosis, observe, takeBack } = useObservations(athlete);
  const evidence = diagnosis?.evidence ?? [];
  /** The newest item for which something holds; of one day the last. */
  const newest = <K extends Evidence['kind']>(
    kind: K,
    is: (item: Extract<Evidence, { kind: K }>) => boolean = () => true,
  ): { readonly record: ObservationRecord; readonly item: Extract<Evidence, { kind: K }> } | null => {
    let found: { record: ObservationRecord; item: Extract<Evidence, { kind: K }> } | null = null;
    for (const record of evidence) {
      const item = record.evidence as Extract<Evidence, { kind: K }>;
      if (item.kind === kind && is(item) && (!found || record.on >= found.record.on)) found = { record, item };
    }
    return found;
  };
  /** Says something in the place of one's own word of today on it; the same again takes it back. */
  const say = (item: Evidence, before: { readonly record: ObservationRecord; readonly item: Evidence } | null) => {
    const own = before && before.record.own && before.record.on === today ? before : null;
    const same = own !== null && JSON.stringify(own.item) === JSON.stringify(item);
    if (!same) observe({ on: today, evidence: item });
    if (own) takeBack(own.record.id);
  };
  return { evidence, newest, say };
}
export type Said = ReturnType<typeof useSaid>;
