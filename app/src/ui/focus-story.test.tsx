import { render, screen } from '@testing-library/react-native';
import type { FocusRecord } from '@wrightonic/contract';
import { UNITS, vocabularyOf } from '@wrightonic/core';
import { PaperProvider } from 'react-native-paper';
import { FocusStory } from './FocusStory';
import { lightTheme } from './theme';
import { UnitsContext } from './units';
import { VocabularyContext } from './vocabulary';

const FOCUS: FocusRecord = {
  id: 'f',
  finding: 'stall',
  rung: 2,
  state: 'working',
  startedOn: '2026-05-04',
  rungSince: '2026-05-04',
  course: null,
};

function story(more: Partial<FocusRecord>, own = vocabularyOf([])): string | null {
  const { unmount } = render(
    <PaperProvider theme={lightTheme}>
      <UnitsContext.Provider value={UNITS.in}>
        <VocabularyContext.Provider value={own}>
          <FocusStory focus={{ ...FOCUS, ...more }} />
        </VocabularyContext.Provider>
      </UnitsContext.Provider>
    </PaperProvider>,
  );
  const said = screen.queryByTestId('focus-story');
  const text = said === null ? null : String(said.props.children);
  unmount();
  return text;
}

describe('the story of a focus', () => {
  it('says the number then and now, and what has spoken of it since, in the academy’s units and words', () => {
    const since = [
      { kind: 'screen', test: 'knee-to-wall', side: 'drive', value: 11.43, unit: 'cm', on: '2026-05-20' },
      { kind: 'eye', finding: 'stall', answer: 'no', on: '2026-05-10' },
    ] as const;
    const own = vocabularyOf([{ finding: 'stall', version: 1, words: { title: 'The trip halts' } }]);
    expect(story({ then: 0.62, now: 0.2, since }, own)).toBe(
      'Likely there: 62 % when it was chosen on Mon 4 May, 20 % now. Since then: Knee to wall, drive side: 4.5 in (Wed 20 May); The trip halts: not seen (Sun 10 May).',
    );
  });

  it('says that work since then makes older looks count for less, where it is enough to be told', () => {
    const since = [{ kind: 'eye', finding: 'stall', answer: 'yes', on: '2026-05-20' }] as const;
    expect(story({ then: 0.9, now: 0.5, since, worked: 258 })).toMatch(
      /seen \(Wed 20 May\); 258 good reps on it after that, so that what was seen before counts for less\.$/,
    );
    expect(story({ then: 0.9, now: 0.5, worked: 90 })).toMatch(/Since then: 90 good reps on it, so that/);
    expect(story({ then: 0.9, now: 0.9, worked: 39 })).toMatch(/Nothing has spoken of it since\.$/);
  });

  it('is never quite sure, and says when nothing has moved or was kept', () => {
    expect(story({ then: 0.999, now: 0.001 })).toMatch(/over 99 % when .+ under 1 % now\. Nothing has spoken of it since\./);
    expect(story({ then: 0.404, now: 0.396 })).toMatch(/^Likely there: 40 %, as when it was chosen/);
    expect(story({ then: null, now: 0.4 })).toMatch(/^Likely there now: 40 %\./);
  });

  it('is not told to those who do not judge: the server sends no numbers', () => {
    expect(story({})).toBeNull();
  });
});
