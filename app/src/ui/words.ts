import { bodySide, bodyTestById, evidenceWords, findingById, measureById, RUNG_NAMES, spokenEvent } from '@wrightonic/core';
import type { Check, Evidence, Hand, Rung, TestSide, Vocabulary, Units } from '@wrightonic/core';

const day = (date: string): Date => new Date(`${date}T00:00:00Z`);
export const longDay = (date: string): string =>
  day(date).toLocaleDateString('en-GB', { weekday: 'long', day: 'numeric', month: 'long', timeZone: 'UTC' });
export const plainDay = (date: string): string =>
  day(date).toLocaleDateString('en-GB', { day: 'numeric', month: 'long', year: 'numeric', timeZone: 'UTC' });
export const weekDay = (date: string): string =>
  day(date).toLocaleDateString('en-GB', { weekday: 'short', day: 'numeric', month: 'short', timeZone: 'UTC' });

export const percent = (share: number): string => `${Math.round(100 * share)} %`;
/** A belief is never quite sure. */
export const chanceText = (chance: number): string =>
  chance > 0.99 ? 'over 99 %' : chance < 0.01 ? 'under 1 %' : percent(chance);
export const rungText = (rung: Rung): string => `${rung} · ${RUNG_NAMES[rung]}`;

const SIDES: Record<string, string> = {
  drive: 'drive side',
  lead: 'lead side',
  'to-throwing': 'to the throwing side',
  'to-glove': 'to the glove side',
  none: '',
};
export const sideText = (side: string): string => SIDES[side] ?? side;

/** A check in one line. */
export function checkText(check: Check, say: Vocabulary): string {
  switch (check.kind) {
    case 'eye':
      return findingById(check.finding).eyeCheck;
    case 'screen':
      return `${bodyTestById(check.test).name}${check.side === 'none' ? '' : `, ${sideText(check.side)}`}`;
    case 'measure':
      return `Measure on film: ${measureById(check.measure).name}`;
    case 'slow':
      return `Slow try: can it be done slowly? (${say.title(check.finding).toLowerCase()})`;
  }
}

/** An evidence item in one line. */
export const evidenceText = (item: Evidence, units: Units, say: Vocabulary): string =>
  evidenceWords(item, { title: say.title, side: sideText, value: units.text, measured: units.measured, event: spokenEvent });

/** The side of a test as the coach stands before it: left or right first, its role behind. */
export function sideName(side: TestSide, throws: Hand): string {
  if (side === 'none') return '';
  const body = bodySide(side, throws);
  return side === 'to-throwing' || side === 'to-glove' ? `to the ${body}` : body;
}
