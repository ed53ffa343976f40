import {
  bodySide,
  bodyTestById,
  detailById,
  findingById,
  measureById,
  OUTCOMES,
  RUNG_NAMES,
  thoughtById,
} from '@wrightonic/core';
import type { Check, Evidence, Hand, HistoryEvent, OutcomeOf, Rung, StyleItem, TestSide, Vocabulary } from '@wrightonic/core';
import type { Units } from './units';

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

export const MISSES: Record<string, string> = {
  high: 'high',
  'arm-side-high': 'arm side and high',
  'inside-outside': 'inside and outside',
  middle: 'to the middle',
  none: 'no pattern',
};

export const HISTORY_WORDS: Readonly<Record<HistoryEvent, string>> = {
  'time-away': 'time away',
  'told-to-push': 'was told to push',
  'balance-drilled': 'was drilled to balance',
  'arm-pain': 'arm pain before',
  'elbow-surgery': 'elbow surgery',
};

export const RESULT_WORDS: Readonly<Record<OutcomeOf, string>> = { strikes: 'Strikes', movement: 'Movement', velocity: 'Speed' };
export const STYLE_NAMES: Readonly<Record<StyleItem, string>> = {
  'high-leg-kick': 'high leg kick',
  'hands-overhead': 'hands overhead',
  'hands-still': 'quiet hands',
  'finish-off-line': 'finish off the line',
  'rubber-side': 'side of the rubber',
};

/** An evidence item in one line. */
export function evidenceText(item: Evidence, units: Units, say: Vocabulary): string {
  switch (item.kind) {
    case 'eye':
      return `${say.title(item.finding)}: ${item.answer === 'unsure' ? 'could not tell' : item.answer === 'yes' ? 'seen' : 'not seen'}`;
    case 'screen':
      return `${bodyTestById(item.test).name}${item.side === 'none' ? '' : `, ${sideText(item.side)}`}: ${units.text(item.value, item.unit)}`;
    case 'measure':
      return `${measureById(item.measure).name} ${spokenEvent(item.event)}: ${units.measured(item.value, item.unit)}`;
    case 'sequence':
      return 'Body-speed sequence';
    case 'miss':
      return `Misses: ${MISSES[item.pattern] ?? item.pattern}`;
    case 'velocity':
      return `${item.readings.length} speed readings`;
    case 'slow':
      return `Slow try, ${say.title(item.finding).toLowerCase()}: ${item.canDoSlowly === 'yes' ? 'can' : 'cannot'}`;
    case 'transfer':
      return `${say.title(item.finding)}: ${item.cleanInDrill === 'yes' ? 'clean' : 'not clean'} in the drill, ${item.cleanOnMound === 'yes' ? 'clean' : 'not clean'} on the mound`;
    case 'history':
      return `History: ${HISTORY_WORDS[item.event]}`;
    case 'outcome':
      return OUTCOMES.flatMap((key) =>
        item[key] ? [`${RESULT_WORDS[key]} ${item[key] === 'good' ? 'fine' : 'not fine'}`] : [],
      ).join(', ');
    case 'style':
      return `Left as it is: ${STYLE_NAMES[item.item]}`;
    case 'told':
      return `Thinks of: ${thoughtById(item.thought).text.toLowerCase()}`;
    case 'glance': {
      const { question, answers } = detailById(item.detail);
      return `${question} ${answers.find((a) => a.id === item.answer)?.label ?? item.answer}`;
    }
  }
}

/** The side of a test as the coach stands before it: left or right first, its role behind. */
export function sideName(side: TestSide, throws: Hand): string {
  if (side === 'none') return '';
  const body = bodySide(side, throws);
  return side === 'to-throwing' || side === 'to-glove' ? `to the ${body}` : body;
}

/** An event or a joint, as it is said. */
export const spokenEvent = (name: string): string => (name === 'max' ? 'greatest' : `at ${spoken(name)}`);
export const spoken = (name: string): string => name.replace(/-/g, ' ').replace('oclock', 'o’clock');
