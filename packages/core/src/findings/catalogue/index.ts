import type { FindingId } from '../ids';
import type { Finding } from '../types';
import { LIMITS_AND_CUES } from './limits-and-cues';
import { LOWER_HALF } from './lower-half';
import { TRUNK_AND_ARM } from './trunk-and-arm';

/** All findings, in the order of the chain within each area. */
export const FINDINGS: readonly Finding[] = [...LOWER_HALF, ...TRUNK_AND_ARM, ...LIMITS_AND_CUES];

const BY_ID = new Map(FINDINGS.map((finding) => [finding.id, finding]));

/** @throws RangeError for an id that is not in the catalogue */
export function findingById(id: FindingId): Finding {
  const finding = BY_ID.get(id);
  if (!finding) throw new RangeError(`unknown finding “${id}”`);
  return finding;
}
