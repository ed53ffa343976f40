import type { Discipline } from '../../delivery/links';
import type { DeliveryEvent, MeasureId } from '../../delivery/measures';
import type { Throw } from '../throw';
import type { View } from '../types';

/** How one measure is taken. */
export interface Formula {
  readonly measure: MeasureId;
  /** Events at which it is taken. */
  readonly events: readonly DeliveryEvent[];
  readonly disciplines?: readonly Discipline[];
  readonly views: readonly View[];
  /** Views from which it is only estimated: the least SD there, in its unit, and why. */
  readonly rough?: Partial<Record<View, { readonly sd: number; readonly why: string }>>;
  /** Error that seeing in a plane from a few metres brings, in its unit, of all views or of each; provenance: simulated deliveries, docs/measures.md. */
  readonly planeSd?: number | Partial<Record<View, number>>;
  /** Error that a tracker brings beyond what its joints state, for it sees a part off in the same way in every throw; as `planeSd`, of rendered clips. */
  readonly trackedSd?: number | Partial<Record<View, number>>;
  /** A length: the scale's error counts. */
  readonly scaled?: boolean;
  /** The greatest of noisy values is too great: what the marks' own jitter adds is taken off. */
  readonly noisy?: boolean;
  /** Hangs on speeds that tracked joints are too rough for: noise alone would make it. */
  readonly handOnly?: boolean;
  readonly at: (t: Throw, event: DeliveryEvent) => number;
}

/** Views from which a thing is seen. */
export const SIDES: readonly View[] = ['side-open', 'side-closed'];
export const SIDE: readonly View[] = [...SIDES, '3d'];
export const ENDS: readonly View[] = ['front', 'rear', '3d'];
export const ABOVE: readonly View[] = ['top', '3d'];
