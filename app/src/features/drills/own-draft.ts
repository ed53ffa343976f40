import { baseOf, drillById, isCopy } from '@wrightonic/core';
import type { Drill, DrillUse, OwnFields, OwnWords } from '@wrightonic/core';
import type { NewOwnDrill } from '@wrightonic/contract';

/** Words of a drill as they are typed. */
export const WORD_FIELDS = [
  ['name', 'Name'],
  ['setup', 'Set up'],
  ['steps', 'Steps, one a line'],
  ['external', 'Cue outside the body'],
  ['internal', 'Cue inside the body'],
  ['feel', 'You should feel'],
  ['success', 'Good looks like'],
] as const;
export type WordField = (typeof WORD_FIELDS)[number][0];

/** Numbers of a copy as they are typed. */
export const NUMBER_FIELDS = ['sets', 'reps', 'holdS', 'low', 'high', 'minAge'] as const;
export type NumberField = (typeof NUMBER_FIELDS)[number];

/** An academy’s version of a drill while it is written. */
export interface OwnDraft {
  readonly drill: string;
  readonly said: Readonly<Record<WordField, string>>;
  readonly use: DrillUse;
  readonly chosen: Required<Pick<OwnFields, 'treats' | 'rungs' | 'place' | 'equipment' | 'partner'>>;
  readonly numbers: Readonly<Record<NumberField, string>>;
}

const wordsOf = (drill: Drill): Record<WordField, string> => ({
  name: drill.name,
  setup: drill.setup,
  steps: drill.steps.join('\n'),
  external: drill.cue.external,
  internal: drill.cue.internal,
  feel: drill.feel,
  success: drill.success,
});

/**
 * What is there to begin with.
 * @param id under which it is kept: the drill’s own, or that of a copy
 */
export const draftOf = (drill: Drill, id: string, use: DrillUse): OwnDraft => ({
  drill: id,
  said: wordsOf(drill),
  use,
  chosen: {
    treats: drill.treats,
    rungs: drill.rungs,
    place: drill.place,
    equipment: drill.equipment,
    partner: drill.partner,
  },
  numbers: {
    sets: String(drill.dose.sets),
    reps: String(drill.dose.reps),
    holdS: drill.dose.holdS === undefined ? '' : String(drill.dose.holdS),
    low: String(drill.effort[0]),
    high: String(drill.effort[1]),
    minAge: String(drill.minAge),
  },
});

const same = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);
const linesOf = (text: string): string[] =>
  text
    .split('\n')
    .map((line) => line.trim())
    .filter(Boolean);

/** Only what differs from the catalogue is the academy’s own; an emptied field goes back to it. */
function ownWords(said: OwnDraft['said'], base: Drill): OwnWords {
  const usual = wordsOf(base);
  const changed = WORD_FIELDS.map(([field]) => field).filter(
    (field) => said[field].trim() !== '' && said[field].trim() !== usual[field],
  );
  return Object.fromEntries(changed.map((field) => [field, field === 'steps' ? linesOf(said.steps) : said[field].trim()]));
}

function ownFields({ chosen, numbers }: OwnDraft, base: Drill): OwnFields {
  const number = (field: NumberField): number => Number(numbers[field].trim() || Number.NaN);
  const all: Required<OwnFields> = {
    ...chosen,
    dose: {
      sets: number('sets'),
      reps: number('reps'),
      ...(numbers.holdS.trim() === '' ? {} : { holdS: number('holdS') }),
    },
    effort: [number('low'), number('high')],
    minAge: number('minAge'),
  };
  return Object.fromEntries(Object.entries(all).filter(([field, value]) => !same(value, base[field as keyof OwnFields])));
}

/** What is sent. */
export function ownFrom(draft: OwnDraft): NewOwnDrill {
  const base = drillById(baseOf(draft.drill));
  return {
    drill: draft.drill,
    words: ownWords(draft.said, base),
    use: draft.use,
    ...(isCopy(draft.drill) ? { fields: ownFields(draft, base) } : {}),
  };
}

const NUMBER_NAMES: Record<NumberField, string> = {
  sets: 'Sets',
  reps: 'Reps',
  holdS: 'Seconds held',
  low: 'Effort from',
  high: 'Effort up to',
  minAge: 'Ages from',
};
export const numberName = (field: NumberField): string => NUMBER_NAMES[field];

/** Numbers that are none, each with what to do. */
export const numberFaults = ({ numbers }: OwnDraft): string[] =>
  NUMBER_FIELDS.filter(
    (field) => !(field === 'holdS' && numbers.holdS.trim() === '') && !/^\d{1,3}$/.test(numbers[field].trim()),
  ).map((field) => `${NUMBER_NAMES[field]}: give a whole number.`);

/** The list with something in it, or without it where it was. */
export const toggled = <T>(list: readonly T[], value: T): readonly T[] =>
  list.includes(value) ? list.filter((other) => other !== value) : [...list, value];
