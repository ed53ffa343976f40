import { findingById } from './catalogue';
import { cueFor } from './catalogue/one-cue';
import { CATALOGUE_WORDS, newestFindingWords, vocabularyOf } from './vocabulary';

const OWN = [
  { finding: 'stall', version: 2, words: { title: 'The trip stops', cue: 'Keep rolling' } },
  { finding: 'stall', version: 1, words: { title: 'Stops half-way', seen: 'The belt stands still.' } },
  { finding: 'late-hips', version: 1, words: { forAthlete: 'Hips first, then the chest.' } },
] as const;

describe('an academy’s own words for findings', () => {
  const own = vocabularyOf(OWN);

  it('are those of the newest version, whatever the order; what it leaves out is the catalogue’s', () => {
    for (const list of [OWN, [...OWN].reverse()]) {
      expect(newestFindingWords(list).get('stall')!.version).toBe(2);
      expect(vocabularyOf(list).title('stall')).toBe('The trip stops');
      expect(vocabularyOf(list).seen('stall')).toBe(findingById('stall').seen);
    }
    expect(own.forAthlete('late-hips')).toBe('Hips first, then the chest.');
    expect(own.title('late-hips')).toBe(findingById('late-hips').title);
  });

  it('give the one cue, outside and inside', () => {
    expect(own.cue('stall', 'overhand')).toEqual({ external: 'Keep rolling', internal: 'Keep rolling' });
    expect(own.cue('late-hips', 'overhand')).toEqual(cueFor('late-hips', 'overhand'));
  });

  it('stand in sentences where a title is quoted, and nowhere else', () => {
    const { title } = findingById('stall');
    const said = `Works straight on “${title.toLowerCase()}”. It is not “${title}” alone; ${title.toLowerCase()} is a word too.`;
    expect(own.sentence(said)).toBe(
      `Works straight on “the trip stops”. It is not “The trip stops” alone; ${title.toLowerCase()} is a word too.`,
    );
    expect(CATALOGUE_WORDS.sentence(said)).toBe(said);
  });

  it('do not run into one another, in whatever order they stand: one may be called what another was', () => {
    const [stall, late] = [findingById('stall').title, findingById('late-hips').title];
    const exchanged = [
      { finding: 'stall', version: 1, words: { title: late } },
      { finding: 'late-hips', version: 1, words: { title: stall } },
    ] as const;
    for (const list of [exchanged, [...exchanged].reverse()])
      expect(vocabularyOf(list).sentence(`“${stall}” before “${late}”`)).toBe(`“${late}” before “${stall}”`);
  });
});
