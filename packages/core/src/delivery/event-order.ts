/** In which order the events of a delivery come, as far as it is the same in every delivery. */
import type { Discipline } from './links';
import type { DeliveryEvent } from './measures';

type Marked = Exclude<DeliveryEvent, 'max'>;
type Pair = readonly [before: Marked, after: Marked];

/** Every event of a list before the next. */
const inTurn = (...events: readonly Marked[]): Pair[] => events.slice(1).map((event, i) => [events[i]!, event]);

const BOTH: readonly Pair[] = [
  ...inTurn('set', 'first-move', 'contact', 'release', 'finish'),
  ...inTurn('contact', 'foot-flat'),
  ...inTurn('heel-off', 'toe-off', 'release'),
];

/** Pairs of events of which the first always comes before the second. */
export const EVENT_ORDER: Readonly<Record<Discipline, readonly Pair[]>> = {
  overhand: [
    ...BOTH,
    ...inTurn('set', 'peak-knee', 'mid-move', 'contact'),
    ...inTurn('peak-knee', 'deepest-load', 'release'),
    ...inTurn('hand-break', 'release'),
    ...inTurn('contact', 'max-external-rotation', 'release'),
  ],
  windmill: [...BOTH, ...inTurn('set', 'arm-3-oclock', 'arm-12-oclock', 'arm-9-oclock', 'release')],
};
