import type { Glance } from './checks';
import type { Focus } from './focus';

/** Looking is at its end when no single glance that is left changes the focus with more than this chance. Provenance `house`. */
export const WORTH_A_GLANCE = 0.06;
/** While nothing stands out, what all glances together that are left could still bring up. Provenance `house`. */
const NOTHING_YET = 0.5;

const same = (a: Focus, b: Focus): boolean =>
  a.lowerHalf === b.lowerHalf && a.arm === b.arm && (a.open?.finding ?? null) === (b.open?.finding ?? null);

/**
 * Whether more looking would hardly change what to work on.
 * @param focusIf the focus if the roots' probabilities were these
 */
export function lookingSettled(glances: readonly Glance[], focus: Focus, focusIf: (root: Float64Array) => Focus): boolean {
  const chances = glances.map(({ answers }) =>
    answers.reduce((chance, { probability, root }) => chance + (same(focus, focusIf(root)) ? 0 : probability), 0),
  );
  const nothing = focus.lowerHalf === null && focus.arm === null && focus.open === null;
  return chances.every((chance) => chance <= WORTH_A_GLANCE) && (!nothing || chances.reduce((a, b) => a + b, 0) <= NOTHING_YET);
}
