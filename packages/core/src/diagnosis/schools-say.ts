/** What the academy's schools of thought change in the judgement. */
import type { FindingId } from '../findings/ids';
import type { Situation } from '../evidence/situation';

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
