import { findingById, LINKS } from '@wrightonic/core';
import { ANSWER, atLink, BEGINS, linksOf, marked, markOf, outcomes, questionsOf, unmarked } from './class';
import type { Shown } from './class';

const BOTH = new Set(['overhand', 'windmill'] as const);
const work = atLink('land', BOTH)!;
const shown = (athlete: string, judged: Shown['judged'], n: number, finding = work.finding): Shown => ({
  athlete,
  finding,
  observation: `o${n}`,
  judged,
});

describe('a class link by link', () => {
  it('has something to look for at the links of either delivery, and begins at the set', () => {
    for (const discipline of ['overhand', 'windmill'] as const) {
      const links = linksOf(new Set([discipline]));
      // How an overhand finish looks is told by the links before it.
      expect(links).toEqual(discipline === 'overhand' ? LINKS.slice(0, 5) : LINKS);
      for (const link of links)
        for (const q of questionsOf(link, new Set([discipline])))
          expect([q.phase, q.disciplines.includes(discipline)]).toEqual([link, true]);
    }
    expect(linksOf(BOTH)).toEqual(LINKS);
    expect(BEGINS).toMatchObject({ link: 'set', shown: [] });
    expect(findingById(BEGINS.finding).disciplines).toEqual(expect.arrayContaining(['overhand', 'windmill']));
    expect(questionsOf('land', new Set())).toEqual([]);
  });

  it('is evidence against the fault when shown well, for it when not, and none when nearly', () => {
    expect(ANSWER).toEqual({ good: 'no', close: 'unsure', off: 'yes' });
  });

  it('counts the newest mark of each at the question asked, and none of another question', () => {
    const other = questionsOf('land', BOTH)[1]!.id;
    const later = [shown('a', 'off', 1), shown('b', 'good', 2), shown('a', 'good', 3), shown('c', 'off', 4, other)].reduce(
      marked,
      work,
    );
    expect(['a', 'b', 'c'].map((id) => markOf(later, id))).toEqual(['good', 'good', null]);
    expect(outcomes(later)).toEqual([
      { finding: work.finding, by: { good: ['a', 'b'], close: [], off: [] } },
      { finding: other, by: { good: [], close: [], off: ['c'] } },
    ]);
  });

  it('takes marks back one after the other, at the question they were given at, down to none', () => {
    const other = questionsOf('land', BOTH)[1]!.id;
    const two = [shown('a', 'off', 1), shown('b', 'close', 2, other)].reduce(marked, { ...work, finding: other });
    const one = unmarked(two)!;
    expect([one.taken.athlete, one.work.finding]).toEqual(['b', other]);
    const none = unmarked(one.work)!;
    expect([none.taken.athlete, none.work.finding, none.work.shown]).toEqual(['a', work.finding, []]);
    expect(unmarked(none.work)).toBeNull();
  });
});
