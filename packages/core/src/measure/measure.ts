import { measureById } from '../delivery/measures';
import type { DeliveryEvent, MeasureId } from '../delivery/measures';
import { round } from '../shared/maths';
import { FORMULAS } from './formulas';
import type { Formula } from './formulas';
import { Missing } from './throw-marks';
import { Throw } from './throw';
import { clipFaults } from './wrong-clip';
import type { MeasuredValue, MeasureRequest, MeasureResult, View } from './types';

/** From where a clip was filmed, in words. */
export const VIEW_NAMES: Readonly<Record<View, string>> = {
  'side-open': 'the open side',
  'side-closed': 'the closed side',
  front: 'the front',
  rear: 'the rear',
  top: 'above',
  '3d': '3D',
};

const listed = (views: readonly View[]): string => {
  const names = [...new Set(views.filter((v) => v !== '3d').map((v) => (v.startsWith('side') ? 'the side' : VIEW_NAMES[v])))];
  return [...names, ...(views.includes('3d') ? ['3D joints'] : [])].join(', ');
};

/** A time that is off by more tells nothing, 1 SD in ms. Provenance `house`. */
const MOST_MS = 60;
/** What reading between frames leaves, in the measure's unit; provenance: simulated deliveries. */
const BETWEEN_FRAMES = 0.1;

function valueOf(t: Throw, formula: Formula, event: DeliveryEvent): MeasuredValue {
  const { unit } = measureById(formula.measure);
  const base = { measure: formula.measure, event, unit };
  const { view } = t.request;
  const rough = formula.rough?.[view];
  if (!formula.views.includes(view) && !rough)
    return {
      ...base,
      value: null,
      sd: null,
      valid: false,
      why: `cannot be read from ${VIEW_NAMES[view]}; film it from ${listed(formula.views)}`,
    };
  try {
    const { value, sd, shared, tracked } = t.measured(() => formula.at(t, event), formula.noisy);
    // An estimate from a view that hardly shows it does not bear a tracker's error on top.
    if (tracked && (formula.handOnly || rough))
      throw new Missing('the tracker is too rough for this; set the joints by hand round that moment');
    if (!Number.isFinite(value)) throw new Missing('the marked joints lie on one another');
    const inView = (of: Formula['planeSd'] = 0): number => (typeof of === 'number' ? of : (of[view] ?? 0));
    const plane = view === '3d' ? 0 : Math.hypot(inView(formula.planeSd), tracked ? inView(formula.trackedSd) : 0);
    const scale = formula.scaled ? t.scaleSd * Math.abs(value) : 0;
    const all = Math.max(Math.hypot(sd, plane, scale, BETWEEN_FRAMES), rough?.sd ?? 0);
    if (unit === 'ms' && all > MOST_MS)
      throw new Missing(`it cannot be told from these marks: the time would be off by ${Math.round(all)} ms`);
    // All throws of a set-up are seen in the same plane and with the same scale; a rough view is rough for all of them.
    const alike = Math.min(all, rough ? rough.sd : Math.hypot(shared, plane, scale));
    return {
      ...base,
      value: round(value),
      sd: round(all, 2),
      ...(alike > 0.005 ? { shared: round(alike, 2) } : {}),
      valid: true,
      ...(tracked ? { tracked } : {}),
      ...(rough ? { why: rough.why } : {}),
    };
  } catch (error) {
    if (!(error instanceof Missing)) throw error;
    return { ...base, value: null, sd: null, valid: false, why: error.message };
  }
}

/**
 * Every measure of one throw, each with its error: that of the marks and events carried through the formula, that of seeing in a
 * plane, and that of the scale. What cannot be read from this view, or is not in the clip, is named with the reason.
 */
export function measureThrow(request: MeasureRequest): MeasureResult {
  const t = new Throw(request);
  const measures = FORMULAS.filter((f) => !f.disciplines || f.disciplines.includes(request.discipline)).flatMap((formula) =>
    formula.events.map((event) => valueOf(t, formula, event)),
  );
  const faults = clipFaults(request);
  const first = faults[0];
  // A clip that contradicts itself is no evidence: its numbers are shown and not believed.
  return { faults, measures: first ? measures.map((m) => (m.valid ? { ...m, valid: false, why: first.why } : m)) : measures };
}

/** A throw-to-throw spread that is usual, as 1 SD in the measure's unit. Provenance `house`. */
const USUAL_SPREAD: Record<string, number> = { deg: 4, ms: 12, '%height': 2, in: 1.2, '%shank': 4, '%': 6 };

export interface CombinedValue {
  readonly value: number;
  readonly sd: number;
  readonly throws: number;
  /** How many more throws would bring the SD down to the error of one careful reading; 0 when it is there. */
  readonly moreThrows: number;
}

/** How many throws the usual spread weighs as, against what the throws of the day show themselves. Provenance `house`. */
const USUAL_WEIGHS = 4;

/**
 * A date's value of a measure from its throws: their mean, with SD² = shared² + each²/n. What all throws of a set-up share does not
 * average out. What differs from throw to throw (jitter of the marks and the throws themselves) begins with the usual spread and
 * follows what the throws show, the more of them there are.
 * @param usualSpread the athlete's own spread, when it is known
 * @throws RangeError without throws
 */
export function combineThrows(
  measure: MeasureId,
  throws: readonly { readonly value: number; readonly sd: number; readonly shared?: number }[],
  usualSpread = USUAL_SPREAD[measureById(measure).unit]!,
): CombinedValue {
  const n = throws.length;
  if (n === 0) throw new RangeError('a value needs at least one throw');
  const mean = throws.reduce((sum, t) => sum + t.value, 0) / n;
  const shared = throws.reduce((sum, t) => sum + (t.shared ?? 0) ** 2, 0) / n;
  const jitter = throws.reduce((sum, t) => sum + Math.max(0, t.sd ** 2 - (t.shared ?? 0) ** 2), 0) / n;
  const squares = throws.reduce((sum, t) => sum + (t.value - mean) ** 2, 0);
  const each = (USUAL_WEIGHS * (usualSpread ** 2 + jitter) + squares) / (USUAL_WEIGHS + n - 1);
  const sd = Math.sqrt(shared + each / n);
  const wanted = measureById(measure).typicalSd;
  // What is shared never goes; what more throws can bring is at least as good as it.
  const needed = Math.ceil(each / Math.max(wanted ** 2 - shared, wanted ** 2 / 4));
  return { value: round(mean, 2), sd: round(sd, 2), throws: n, moreThrows: Math.max(0, needed - n) };
}

/** A measure of a day. */
export interface DayValue extends Pick<MeasuredValue, 'measure' | 'event' | 'unit'>, CombinedValue {
  /** Index of each throw that it comes from. */
  readonly of: readonly number[];
}

/** What the throws of a day come to: one value of each measure and event that can be told from any of them. */
export function dayValues(throws: readonly (readonly MeasuredValue[])[]): DayValue[] {
  const found = new Map<
    string,
    { readonly first: MeasuredValue; readonly each: Parameters<typeof combineThrows>[1][number][]; readonly of: number[] }
  >();
  throws.forEach((values, index) => {
    for (const m of values) {
      if (!m.valid || m.value === null || m.sd === null) continue;
      const key = `${m.measure}:${m.event}`;
      const known = found.get(key) ?? { first: m, each: [], of: [] };
      known.each.push({ value: m.value, sd: m.sd, shared: m.shared ?? 0 });
      known.of.push(index);
      found.set(key, known);
    }
  });
  return [...found.values()].map(({ first: { measure, event, unit }, each, of }) => ({
    measure,
    event,
    unit,
    ...combineThrows(measure, each),
    of,
  }));
}

/** Whether a value has really changed: by more than 1.64 · √(sd₁² + sd₂²). */
export function changeIsReal(before: { value: number; sd: number }, after: { value: number; sd: number }): boolean {
  return Math.abs(after.value - before.value) > 1.64 * Math.hypot(before.sd, after.sd);
}
