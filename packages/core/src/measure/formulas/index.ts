import { ARM } from './arm';
import { DRIVE_LEG } from './drive-leg';
import { LEAD_LEG } from './lead-leg';
import { RELEASE } from './release';
import { TRUNK } from './trunk';
import { TURNING } from './turning';
import type { Formula } from './formula';

export type { Formula } from './formula';

/** Formulas of all measures, as defined for the product (docs/measures.md). */
export const FORMULAS: readonly Formula[] = [...TURNING, ...ARM, ...LEAD_LEG, ...DRIVE_LEG, ...TRUNK, ...RELEASE];
