/** Which part of the body a finding is seen on. */
import { findingById } from './catalogue';
import type { FindingId } from './ids';

export const BODY_PARTS = ['drive-leg', 'lead-leg', 'trunk', 'throwing-arm', 'glove-arm'] as const;
export type BodyPart = (typeof BODY_PARTS)[number];

const LEAD_LEG: ReadonlySet<FindingId> = new Set([
  'open-lift',
  'swing-open',
  'idle-stride-leg',
  'short-stride',
  'stride-offline',
  'knee-caves',
  'no-brace',
  'locked-landing',
  'sunk-landing',
]);
const HIPS_AND_TRUNK: ReadonlySet<FindingId> = new Set(['early-tip', 'late-hips', 'early-close', 'balance-loss']);
const GLOVE_ARM: ReadonlySet<FindingId> = new Set(['glove-pull', 'glove-drift', 'idle-glove']);

/** The part of the body to look at; null for limits and thoughts, which are not seen. */
export function partOf(finding: FindingId): BodyPart | null {
  const { area } = findingById(finding);
  if (area === 'arm-action') return 'throwing-arm';
  if (GLOVE_ARM.has(finding)) return 'glove-arm';
  if (area === 'trunk' || HIPS_AND_TRUNK.has(finding)) return 'trunk';
  if (area === 'lower-half') return LEAD_LEG.has(finding) ? 'lead-leg' : 'drive-leg';
  return null;
}
