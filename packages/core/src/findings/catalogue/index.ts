import type { FindingId } from '../ids';
import type { Cost, Finding } from '../types';
import { COSTS } from './costs';
import { LIMITS_AND_CUES } from './limits-and-cues';
import { TELL_APART } from './look-alikes';
import { LOWER_HALF } from './lower-half';
import { TRUNK_AND_ARM } from './trunk-and-arm';

/** All findings, in the order of the chain within each area. */
export const FINDINGS: readonly Finding[] = [...LOWER_HALF, ...TRUNK_AND_ARM, ...LIMITS_AND_CUES].map((finding) => ({
  ...finding,
  cost: (COSTS as Partial<Record<FindingId, Cost>>)[finding.id] ?? null,
  ...(TELL_APART[finding.id] ? { tellApart: TELL_APART[finding.id]! } : {}),
}));

const BY_ID = new Map(FINDINGS.map((finding) => [finding.id, finding]));

/** @throws RangeError for an id that is not in the catalogue */
export function findingById(id: FindingId): Finding {
  const finding = BY_ID.get(id);
  if (!finding) throw new RangeError(`unknown finding “${id}”`);
  return finding;
}

/** The slot that a finding fills as a focus: arm action, or everything below and before it. */
export const focusSlot = (id: FindingId): 'lower' | 'arm' => (findingById(id).area === 'arm-action' ? 'arm' : 'lower');
