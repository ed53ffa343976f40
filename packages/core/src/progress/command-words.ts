/** Command in words. */
import { round } from '../shared/maths';
import type { Units } from '../words/shown';
import type { CommandChange, CommandSummary } from './command';

/** A distance from the target, in whole centimetres or tenths of an inch. */
export const missText = (cm: number, units: Units): string => units.text(round(cm, units.length === 'cm' ? 0 : 1), 'cm');

/** Strikes and usual miss of some throws. @param what “change”; left out: all of them */
export function commandSentence({ throws, strikes, miss }: CommandSummary, units: Units, what?: string): string {
  const of = what === undefined ? '' : `${what[0]!.toUpperCase()}${what.slice(1)}: `;
  const all = `${throws} ${throws === 1 ? 'throw' : 'throws'}`;
  return `${of}${Math.round(100 * strikes.value)} % of ${all} in the zone, ${missText(miss.value, units)} from the target`;
}

/** Whether the newest days are nearer than those before. */
export function changeWords(change: CommandChange | null): string {
  if (change === null) return 'Four days with eight throws or more tell whether it changes.';
  const { verdict, miss, later, earlier } = change;
  const percent = (share: number) => `${Math.round(100 * Math.abs(share))} %`;
  const days = `the newest ${later.length} days against the ${earlier.length} before`;
  if (verdict === 'not told') return `No change that can be told: ${days}.`;
  const [least, most] = [miss.low, miss.high].map(Math.abs).sort((a, b) => a - b) as [number, number];
  return `${verdict === 'closer' ? 'Closer' : 'Wider'} by ${percent(miss.value)} (${percent(least)} to ${percent(most)}): ${days}.`;
}
