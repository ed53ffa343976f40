import type { Clearance } from '@wrightonic/core';
import { Caution } from '../../ui/controls';
import { plainDay } from '../../ui/words';

/** A clinician's clearance while it holds, with its limits as they were typed in: for everybody who lets the athlete throw. */
export function ClearanceLine({ clearance }: { readonly clearance: Clearance | null }) {
  if (!clearance) return null;
  const until = clearance.until ? ` until ${plainDay(clearance.until)}` : '';
  return (
    <Caution testID="clearance">
      {`Cleared by ${clearance.by} on ${plainDay(clearance.date)}${until}. ${clearance.limits ? `Limits: ${clearance.limits}` : 'No limits were given.'}`}
    </Caution>
  );
}
