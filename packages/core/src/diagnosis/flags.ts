/** Which findings that touch health are likely enough to be taken care of. */
import { FINDINGS } from '../findings/catalogue';
import type { FindingId } from '../findings/ids';
import { LIKELY_ENOUGH } from './focus';

/** So far above what is believed of anybody: something seen, measured or felt in this athlete speaks for it. Provenance `house`. */
const RAISED_BY = 0.15;
/** Findings that are a matter of health only when heavy. */
const HEAVY_FROM: Partial<Record<FindingId, number>> = { 'knee-caves': 0.6 };

type Presence = Readonly<Partial<Record<FindingId, number>>>;

/**
 * Findings flagged for health. Whoever asks (roster, plan, server, the athlete's words) asks here.
 * @param present P(present) per finding
 * @param before the same before anything was seen of this athlete
 */
export const flagsOf = (present: Presence, before: Presence): FindingId[] =>
  FINDINGS.filter(({ id, healthFlag }) => {
    const now = present[id] ?? 0;
    return healthFlag && now >= (HEAVY_FROM[id] ?? LIKELY_ENOUGH) && now - (before[id] ?? 0) >= RAISED_BY;
  }).map((f) => f.id);
