import { findingById } from '@wrightonic/core';
import type { FindingId } from '@wrightonic/core';
import { api } from '../data/api';
import { newId } from '../data/ids';

/** Makes a finding the focus, by the judgement as it is now, which is kept with it. */
export function useMakeFocus(athlete: string) {
  const [keep, keepState] = api.useKeepDiagnosisMutation();
  const [putFocus, focusState] = api.usePutFocusMutation();
  /** @returns whether it is the focus now */
  const make = async (finding: FindingId): Promise<boolean> => {
    const kept = await keep({ athlete, id: newId() });
    if (!kept.data) return false;
    // The body is worked on from what it can do; everything else from its first rung.
    const rung = findingById(finding).kind === 'limit' ? 0 : 1;
    const set = await putFocus({ athlete, id: newId(), body: { finding, rung, diagnosis: kept.data.id } });
    return set.data !== undefined;
  };
  return { make, busy: keepState.isLoading || focusState.isLoading, error: keepState.error ?? focusState.error };
}
