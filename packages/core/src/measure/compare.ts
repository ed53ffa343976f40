import type { Discipline } from '../delivery/links';
import { measureById } from '../delivery/measures';
import type { Band, DeliveryEvent, MeasureId, MeasureUnit } from '../delivery/measures';
import { round } from '../shared/maths';
import { changeIsReal, combineThrows } from './measure';
import type { MeasuredValue } from './types';

/** Below this age the youth bands hold. */
const YOUTH_BELOW = 15;

/** Ends of a band; a missing end is open. */
export interface Range {
  readonly low?: number;
  readonly high?: number;
}

/** The band of a measure at an event for an age; null where there is none. */
export function measureBand(measure: MeasureId, event: DeliveryEvent, discipline: Discipline, age: number): Range | null {
  const band = measureById(measure).bands[discipline]?.find((b: Band) => b.event === event);
  if (!band) return null;
  const youth = age < YOUTH_BELOW;
  return {
    low: (youth ? band.youthLow : undefined) ?? band.low,
    high: (youth ? band.youthHigh : undefined) ?? band.high,
  };
}

/** How far a value lies outside a range; 0 inside. */
export const outside = (value: number, { low = -Infinity, high = Infinity }: Range): number =>
  Math.max(0, low - value, value - high);

/** `better`, `worse`: nearer to, further from the band · `moved`: really changed, but it is no nearer and no further · `same`: no more than throws and readings differ by. */
export type Way = 'better' | 'worse' | 'moved' | 'same';

export interface ComparedValue {
  readonly measure: MeasureId;
  readonly event: DeliveryEvent;
  readonly unit: MeasureUnit;
  readonly before: { readonly value: number; readonly sd: number };
  readonly after: { readonly value: number; readonly sd: number };
  readonly change: number;
  readonly changeSd: number;
  readonly way: Way;
  readonly band: Range | null;
}

export interface Unlike {
  readonly measure: MeasureId;
  readonly event: DeliveryEvent;
  readonly why: string;
}

/**
 * What changed from one throw to another. Each value carries its own error and the throw-to-throw spread that is usual; a change is
 * real beyond 1.64 · √(sd₁² + sd₂²). Better and worse stand against the band, and only where there is one.
 * @param spreads the athlete's own throw-to-throw spread of a measure, when it is known
 */
export function compareThrows(
  before: readonly MeasuredValue[],
  after: readonly MeasuredValue[],
  discipline: Discipline,
  age: number,
  spreads: Partial<Record<MeasureId, number>> = {},
): { readonly values: readonly ComparedValue[]; readonly unlike: readonly Unlike[] } {
  const values: ComparedValue[] = [];
  const unlike: Unlike[] = [];
  for (const now of after) {
    const then = before.find((b) => b.measure === now.measure && b.event === now.event);
    if (!then || (then.value === null && now.value === null)) continue;
    if (then.value === null || then.sd === null || now.value === null || now.sd === null) {
      const { measure, event } = now;
      unlike.push({
        measure,
        event,
        why: `${then.value === null ? 'earlier' : 'later'} clip: ${(then.value === null ? then : now).why ?? 'not measured'}`,
      });
      continue;
    }
    const one = (m: { value: number; sd: number }) => combineThrows(now.measure, [m], spreads[now.measure]);
    const [a, b] = [one({ value: then.value, sd: then.sd }), one({ value: now.value, sd: now.sd })];
    values.push(compared(now, a, b, measureBand(now.measure, now.event, discipline, age)));
  }
  return { values, unlike };
}

/** A value with its error, SD. */
interface Value {
  readonly value: number;
  readonly sd: number;
}

/** A measure before and after, with what became of it. @param band of the measure at the event, null where there is none */
export const compared = (
  { measure, event }: Pick<ComparedValue, 'measure' | 'event'>,
  a: Value,
  b: Value,
  band: Range | null,
): ComparedValue => ({
  measure,
  event,
  unit: measureById(measure).unit,
  before: { value: a.value, sd: a.sd },
  after: { value: b.value, sd: b.sd },
  change: round(b.value - a.value, 2),
  changeSd: round(Math.hypot(a.sd, b.sd), 2),
  way: wayOf(a, b, band),
  band,
});

function wayOf(a: Value, b: Value, band: Range | null): Way {
  if (!changeIsReal(a, b)) return 'same';
  if (!band) return 'moved';
  const nearer = outside(a.value, band) - outside(b.value, band);
  return nearer > 0 ? 'better' : nearer < 0 ? 'worse' : 'moved';
}
