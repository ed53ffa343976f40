import { baseOf, copyId, drillById, DRILLS, ownDrillFaults, STANDARD_LIBRARY } from '@wrightonic/core';
import { couldStand, ladderDraftOf, raised, rungsFrom, withDrill, without } from './ladder-draft';
import { draftOf, numberFaults, ownFrom, toggled } from './own-draft';
import type { OwnDraft } from './own-draft';

const ID = 'wall-hip-fall';
const COPY = copyId(ID, 'x');
const words = (said: Partial<OwnDraft['said']>, id = ID): OwnDraft => {
  const draft = draftOf(drillById(ID), id, 'usual');
  return { ...draft, said: { ...draft.said, ...said } };
};

describe('a drill in own words', () => {
  it('sends nothing where nothing differs, for every drill', () => {
    for (const d of DRILLS) {
      expect(ownFrom(draftOf(d, d.id, 'first'))).toEqual({ drill: d.id, words: {}, use: 'first' });
      const copy = copyId(d.id, 'x');
      expect(ownFrom(draftOf(d, copy, 'usual'))).toEqual({ drill: copy, words: {}, use: 'usual', fields: {} });
      expect(numberFaults(draftOf(d, copy, 'usual'))).toEqual([]);
    }
  });

  it('sends what was changed, steps by line, and goes back to the catalogue where a field is emptied', () => {
    const own = ownFrom(words({ name: ' Fence fall ', steps: 'One\n\n  Two ', feel: '  ' }));
    expect(own).toEqual({ drill: ID, words: { name: 'Fence fall', steps: ['One', 'Two'] }, use: 'usual' });
  });

  it('sends of a copy what it changes, and stands by the rules', () => {
    const draft = words({ name: 'Fence fall' }, COPY);
    const own = ownFrom({
      ...draft,
      chosen: { ...draft.chosen, place: ['home'], partner: true },
      numbers: { ...draft.numbers, sets: '4', minAge: '11' },
    });
    expect(own.fields).toEqual({
      place: ['home'],
      partner: true,
      dose: { ...drillById(ID).dose, sets: 4 },
      minAge: 11,
    });
    expect(ownDrillFaults(own)).toEqual([]);
    expect(baseOf(own.drill)).toBe(ID);
  });

  it('says which number is none', () => {
    const draft = words({}, COPY);
    const wrong = numberFaults({ ...draft, numbers: { ...draft.numbers, sets: '', reps: 'ten', minAge: '-3', holdS: '' } });
    expect(wrong).toEqual(['Sets: give a whole number.', 'Reps: give a whole number.', 'Ages from: give a whole number.']);
  });

  it('toggles', () => {
    expect(toggled([1, 2], 2)).toEqual([1]);
    expect(toggled(toggled([1, 2], 3), 3)).toEqual([1, 2]);
  });
});

describe('a ladder while it is changed', () => {
  const ladder = STANDARD_LIBRARY.ladder('stall', 'overhand');
  const draft = ladderDraftOf(ladder);
  const [first, second] = draft[2]!;

  it('sends again what the ladder is while nothing is changed', () => {
    expect(rungsFrom(draft)).toEqual(ladder.rungs.flatMap((r) => ('drills' in r ? [{ rung: r.rung, drills: r.drills }] : [])));
  });

  it('raises a drill by one place, the first not at all', () => {
    expect(raised(draft, 2, second!)[2]!.slice(0, 2)).toEqual([second, first]);
    expect(raised(draft, 2, first!)).toBe(draft);
    expect(raised(raised(draft, 2, second!), 2, first!)).toEqual(draft);
    expect(raised(draft, 2, 'nothing')).toBe(draft);
  });

  it('leaves a drill out and takes it in again, at the end, once', () => {
    const less = without(draft, 2, first!);
    expect(less[2]).not.toContain(first);
    expect(couldStand(STANDARD_LIBRARY.drills, ladder, less, 2).map((d) => d.id)).toEqual([first]);
    const again = withDrill(withDrill(less, 2, first!), 2, first!);
    expect(again[2]!.filter((id) => id === first)).toEqual([first]);
    expect(again[2]!.at(-1)).toBe(first);
  });

  it('skips a rung that has no drill left', () => {
    const bare = draft[2]!.reduce((d, id) => without(d, 2, id), draft);
    expect(rungsFrom(bare).map((r) => r.rung)).not.toContain(2);
    expect(couldStand(STANDARD_LIBRARY.drills, ladder, draft, 2)).toEqual([]);
  });
});
