import { betaCdf } from '../shared/distributions';

export interface GateSettings {
  /** An athlete at or above this true success rate is ready for the next rung. */
  readonly advanceRate: number;
  /** An athlete below this rate is better off one rung down. */
  readonly regressRate: number;
  /** How sure either must be. */
  readonly confidence: number;
  readonly minimumReps: number;
  readonly minimumSessions: number;
  readonly sessionsCounted: number;
  /** Share of the reps at which one cheat stops the climb. */
  readonly cheatShare: number;
  /** Going up wants the newest session without an aid: 1 yes, 0 no. */
  readonly aidFree: number;
  /** Good ones among the first five reps of the newest session, without a cue; 0 asks for none. */
  readonly firstFiveGood: number;
  /** From this rung on one of the sessions must have been seen by a coach or on a clip; 9 for none. */
  readonly seenFromRung: number;
  /** What a rep counts that an athlete or a guardian logged alone. */
  readonly aloneWeight: number;
}

/** Provenance `house`. */
export const GATE_DEFAULTS: GateSettings = {
  advanceRate: 0.7,
  regressRate: 0.5,
  confidence: 0.8,
  minimumReps: 10,
  minimumSessions: 2,
  sessionsCounted: 3,
  cheatShare: 0.3,
  aidFree: 1,
  firstFiveGood: 3,
  seenFromRung: 4,
  aloneWeight: 0.5,
};

export interface SettingRange {
  readonly low: number;
  readonly high: number;
  /** Counts are whole numbers. */
  readonly whole: boolean;
}

const share = (low: number, high: number): SettingRange => ({ low, high, whole: false });
const whole = (low: number, high: number): SettingRange => ({ low, high, whole: true });

/** What each setting may be: one table for commands, server and app. */
export const GATE_RANGES: { readonly [K in keyof GateSettings]: SettingRange } = {
  advanceRate: share(0.05, 0.99),
  regressRate: share(0.01, 0.95),
  confidence: share(0.5, 0.999),
  minimumReps: whole(1, 200),
  minimumSessions: whole(1, 20),
  sessionsCounted: whole(1, 20),
  cheatShare: share(0.01, 1),
  aidFree: whole(0, 1),
  firstFiveGood: whole(0, 5),
  seenFromRung: whole(0, 9),
  aloneWeight: share(0, 1),
};

/** Reps of one session that nobody exceeds: a gate that wants more in its window lets nobody through. */
const MOST_REPS_A_SESSION = 60;

export interface SettingFault {
  readonly key: keyof GateSettings;
  readonly message: string;
}

/** Why some settings cannot be used; empty when all can. Together they must let through somebody who does everything right. */
export function gateFaults(own: Partial<GateSettings>): SettingFault[] {
  const faults: SettingFault[] = [];
  for (const [name, value] of Object.entries(own) as [keyof GateSettings, number | undefined][]) {
    const range = GATE_RANGES[name] as SettingRange | undefined;
    if (value === undefined) continue;
    if (!range) faults.push({ key: name, message: 'is not a number that can be set' });
    else if (range.whole && !Number.isInteger(value)) faults.push({ key: name, message: 'must be a whole number' });
    else if (value < range.low || value > range.high)
      faults.push({
        key: name,
        message: `must lie between ${range.low} and ${range.high}; the standard is ${GATE_DEFAULTS[name]}`,
      });
  }
  if (faults.length > 0) return faults;
  const all = { ...GATE_DEFAULTS, ...own };
  if (all.regressRate >= all.advanceRate) faults.push({ key: 'regressRate', message: 'must be below the rate that advances' });
  if (all.minimumSessions > all.sessionsCounted)
    faults.push({
      key: 'minimumSessions',
      message: `must not be more than the ${all.sessionsCounted} sessions that are counted, or nobody ever goes up`,
    });
  const reps = all.sessionsCounted * MOST_REPS_A_SESSION;
  if (all.minimumReps > reps)
    faults.push({ key: 'minimumReps', message: `cannot be reached in ${all.sessionsCounted} sessions; write ${reps} or fewer` });
  else if (1 - betaCdf(all.advanceRate, 1 + reps, 1) < all.confidence)
    faults.push({ key: 'confidence', message: `cannot be reached: not even ${reps} good reps of ${reps} would be enough` });
  return faults;
}
