/** How the items of a list stand to one another: which is the newest of its thing, and what only says it again. */
import type { IsoDate } from '../shared/dates';
import type { DatedEvidence } from './evidence';
import { kindOf, thingsOf } from './registry';

/** Weight of the look before the newest one, as an exponent of its likelihood. Provenance `house`. */
export const OLDER_LOOK = 0.2;
/** Each look further back weighs so much of the one after it, so that all older ones together stay below twice {@link OLDER_LOOK}. */
const FURTHER_BACK = 0.5;

/** Weight of what has been said `before` times more newly or more strongly: one, and then a share that is bounded in all. */
export const weightOfRepeat = (before: number): number => (before === 0 ? 1 : OLDER_LOOK * FURTHER_BACK ** (before - 1));

export interface Standing {
  /** The day of an item: its own, or that of the evaluation. */
  readonly dayOf: (index: number) => IsoDate;
  /**
   * How much of an item counts, 0 to 1: all of the newest by day, of several on one day an equal share each, of what was said
   * again before it a share that is bounded in all.
   * @param thing one of {@link thingsOf}; left out: the first of them
   */
  readonly weight: (index: number, thing?: string) => number;
  /** Whether an item is of the newest day of its thing. */
  readonly isNewest: (index: number) => boolean;
}

/** How the items of a list stand to one another on a day. The order of the list says nothing. */
export function standingOf(evidence: readonly DatedEvidence[], on: IsoDate): Standing {
  const dayOf = (index: number): IsoDate => evidence[index]!.on ?? on;
  const byThing = new Map<string, number[]>();
  evidence.forEach((item, index) => {
    for (const thing of thingsOf(item)) byThing.set(thing, [...(byThing.get(thing) ?? []), index]);
  });
  const weights = new Map<string, number>();
  const newest = new Set<number>();
  for (const [thing, items] of byThing) {
    const days = [...new Set(items.map(dayOf))].sort().reverse();
    for (const index of items) {
      const before = days.indexOf(dayOf(index));
      const sameDay = items.filter((other) => dayOf(other) === dayOf(index)).length;
      const share = before > 0 && !kindOf(evidence[index]!).lingers ? 0 : weightOfRepeat(before) / sameDay;
      weights.set(`${index} ${thing}`, share);
      if (before === 0) newest.add(index);
    }
  }
  return {
    dayOf,
    weight: (index, thing = thingsOf(evidence[index]!)[0]) => (thing === undefined ? 0 : (weights.get(`${index} ${thing}`) ?? 0)),
    isNewest: (index) => newest.has(index),
  };
}

/**
 * The places of the items in an order that depends on what they say and not on how they were listed, so that sums over them come
 * out the same to the last digit.
 */
export function canonicalOrder(evidence: readonly DatedEvidence[], on: IsoDate): number[] {
  const keyOf = (item: DatedEvidence) =>
    JSON.stringify(Object.entries({ ...item, on: item.on ?? on }).sort(([a], [b]) => (a < b ? -1 : 1)));
  const keys = evidence.map(keyOf);
  return [...keys.keys()].sort((a, b) => (keys[a]! < keys[b]! ? -1 : keys[a]! > keys[b]! ? 1 : 0));
}
