/** What a drill did, in words, for screens and paper. */
import { measureById } from '../delivery/measures';
import { SURE_OF_MORE } from '../drills/library';
import { round } from '../shared/maths';
import { spokenEvent } from '../words/shown';
import type { Units } from '../words/shown';
import { PER_DAYS } from './drill-effects';
import type { DrillEffect, DrillEffects } from './drill-effects';

/** Nobody is ever wholly sure. */
const surely = (probability: number): string => `${Math.min(99, Math.round(100 * probability))} %`;

/**
 * How far the measure moved with a drill, and against the finding's other drills.
 * @param units as the academy reads values
 */
export function effectWords({ measure, event, unit }: DrillEffects, effect: DrillEffect, units: Units): string {
  const { move, low, high, athletes, days, better } = effect;
  const say = (value: number) => units.text(round(value, 1), unit);
  const interval = `${say(low)} to ${say(high)}`;
  const what = `${measureById(measure).name}, ${spokenEvent(event)}`;
  const moved =
    low > 0
      ? `moved ${say(move)} the right way (${interval})`
      : high < 0
        ? `moved ${say(-move)} the wrong way (${say(-high)} to ${say(-low)})`
        : `no move that can be told yet (${interval} the right way)`;
  const against =
    better >= SURE_OF_MORE
      ? `More than the other drills of the finding, ${surely(better)} sure.`
      : 1 - better >= SURE_OF_MORE
        ? `Less than the other drills of the finding, ${surely(1 - better)} sure.`
        : 'Not to be told apart from the other drills of the finding.';
  return `${what}, in ${PER_DAYS} days of work beyond what the weeks bring: ${moved}. ${against} ${athletes} athletes, ${days} days.`;
}
