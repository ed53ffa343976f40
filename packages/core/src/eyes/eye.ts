import type { Finding } from '../findings/types';

/** How far an eye is trusted: P(“yes” | there) and P(“no” | not there). */
export interface EyeTrust {
  readonly sensitivity: number;
  readonly specificity: number;
}

export type Visibility = 'clear' | 'hard';

export const visibilityOf = (finding: Finding): Visibility => (finding.hardToSee ? 'hard' : 'clear');

/** An eye of which nothing is known. Provenance `house`. */
export const EYE: Readonly<Record<Visibility, EyeTrust>> = {
  clear: { sensitivity: 0.85, specificity: 0.88 },
  hard: { sensitivity: 0.75, specificity: 0.8 },
};

/** A look is told in steps of so many nats, so that nobody can work out from it whose eye is how good. */
const WEIGHT_STEP = 0.5;

/**
 * What a look by an eye of this trust says: the log of its likelihood ratio, there over not there, in coarse steps. Two numbers go
 * in and one comes out: what leaves the server tells what was seen, not who sees how well.
 */
export function weighLook(answer: 'yes' | 'no', { sensitivity, specificity }: EyeTrust): number {
  const ratio = answer === 'yes' ? sensitivity / (1 - specificity) : (1 - sensitivity) / specificity;
  return WEIGHT_STEP * Math.round(Math.log(ratio) / WEIGHT_STEP);
}

/** What an eye said about something that was measured as well. */
export interface Agreement {
  readonly visibility: Visibility;
  readonly saw: 'yes' | 'no';
  readonly measured: 'present' | 'absent';
  readonly count: number;
}

/** Looks that the starting trust is worth. Provenance `house`. */
export const EYE_PRIOR_LOOKS = 20;
/** No eye is ever believed, or disbelieved, more than so. */
const TRUST_RANGE = [0.5, 0.98] as const;

/** Counts of what a measure called there and not there, with how often the eye said the same. */
export interface EyeRecord extends EyeTrust {
  readonly there: number;
  readonly saidYes: number;
  readonly notThere: number;
  readonly saidNo: number;
}

/**
 * The trust in one coach's eye: Beta posterior mean of sensitivity and specificity, starting from the usual eye as if it had
 * been seen over {@link EYE_PRIOR_LOOKS} looks each.
 */
export function eyeFrom(agreements: readonly Agreement[], visibility: Visibility, start: EyeTrust = EYE[visibility]): EyeRecord {
  const count = (measured: Agreement['measured'], saw?: Agreement['saw']) =>
    agreements
      .filter((a) => a.visibility === visibility && a.measured === measured && (saw === undefined || a.saw === saw))
      .reduce((total, a) => total + a.count, 0);
  const [there, saidYes, notThere, saidNo] = [count('present'), count('present', 'yes'), count('absent'), count('absent', 'no')];
  const mean = (prior: number, agreed: number, all: number) =>
    Math.min(TRUST_RANGE[1], Math.max(TRUST_RANGE[0], prior + (agreed - all * prior) / (EYE_PRIOR_LOOKS + all)));
  return {
    sensitivity: mean(start.sensitivity, saidYes, there),
    specificity: mean(start.specificity, saidNo, notThere),
    there,
    saidYes,
    notThere,
    saidNo,
  };
}
