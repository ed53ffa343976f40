/** What the academy's schools of thought change in the judgement. */
import type { FindingId } from '../findings/ids';
import type { Situation } from './situation';

type View = Pick<Situation, 'athlete' | 'schools'>;

/** Why a finding is style in the school that is set, and no fault; null where it is none. */
export function styleIn(finding: FindingId, { athlete, schools }: View): string | null {
  if (finding === 'idle-drive-leg' && athlete.discipline === 'overhand' && schools.driveLeg === 'fall')
    return 'The fall school asks no push of the back leg: it lets the hips go.';
  if (finding === 'early-close' && schools.windmillFinish === 'close')
    return 'The closing school wants the hips shut hard and early.';
  if (finding === 'slam-taught' && schools.windmillFinish === 'close') return 'The closing school teaches just that.';
  if (finding === 'early-peel' && schools.backFoot === 'inside-edge')
    return 'The inside-edge school lets the heel roll up while the inside edge still holds.';
  return null;
}

/** Exponent with which a look at a finding counts where the school sees it otherwise. */
export function eyeCountsIn(finding: FindingId, { athlete, schools }: View): number {
  // A heel that rolls up early is what the inside-edge school teaches; seeing it says little.
  if (finding === 'early-peel' && schools.backFoot === 'inside-edge') return 0.5;
  // Who owns the balanced position first stands still at the top of the lift: that alone is not sitting behind.
  if (finding === 'stuck-back' && athlete.discipline === 'overhand' && schools.lift === 'pause') return 0.5;
  return 1;
}

/** How much more a school makes of what a finding costs. */
const MORE = 1.5;
const HIPS_FIRST: readonly FindingId[] = ['late-hips', 'turn-together', 'swing-open'];
const HANDS_FIRST: readonly FindingId[] = ['early-hands', 'early-arm', 'late-arm', 'lazy-arm', 'hand-under'];

/** How many times its house cost a finding counts when it is ranked: what the school puts first. */
export function rankedIn(finding: FindingId, { athlete, schools }: View): number {
  if (athlete.discipline !== 'overhand') return 1;
  if (finding === 'shin-vertical' && schools.driveLeg === 'push') return MORE;
  if ((schools.separation === 'hips' ? HIPS_FIRST : HANDS_FIRST).includes(finding)) return MORE;
  return 1;
}
