import { EQUIPMENT } from './types';
import type { Drill, Equipment } from './types';

const KIT_WORDS: Partial<Record<Equipment, RegExp>> = {
  net: /\bnet\b/,
  strap: /\bstrap/,
  band: /\bband\b/,
  'belt-cord': /\b(tether|elastic|cord)\b/,
  cone: /\bcones?\b/,
  bag: /\bbag\b/,
  hurdle: /\bhurdle\b/,
  'slope-board': /\bslope board\b/,
  box: /\bbox\b/,
  mat: /\bmat\b/,
  mirror: /\bmirror\b/,
  radar: /\bradar set\b/,
  string: /\bstring\b/,
};

/** Everything that is said of a drill, but for the counters, which may add kit. */
export const saidOf = (d: Drill): string =>
  [d.setup, ...d.steps, d.cue.external, d.cue.internal, d.feel, d.success].join(' ').toLowerCase();

/** Kit that a drill’s words name. */
export function kitSaid(drill: Drill): Equipment[] {
  const said = saidOf(drill);
  return EQUIPMENT.filter((kit) => KIT_WORDS[kit]?.test(said));
}
