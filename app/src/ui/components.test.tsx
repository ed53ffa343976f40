import { fireEvent, render, screen } from '@testing-library/react-native';
import type { LinkState } from '@wrightonic/core';
import { CATALOGUE_WORDS, POSES, UNITS } from '@wrightonic/core';
import type { PoseId } from '@wrightonic/core';
import { PaperProvider } from 'react-native-paper';
import { PainCheck } from '../parts/PainCheck';
import { RepButtons } from '../features/run/RepButtons';
import { SpeedPad } from '../features/run/SpeedPad';
import { ChainStrip } from './ChainStrip';
import { LevelChart } from './LevelChart';
import { Choice } from './controls';
import { Mannequin } from './Mannequin';
import { DARK, darkTheme, LIGHT, lightTheme } from './theme';
import { checkText, evidenceText } from './words';

const show = (element: React.ReactElement) => render(<PaperProvider theme={lightTheme}>{element}</PaperProvider>);
const chain: LinkState[] = ['owned', 'holding', 'working', 'open', 'relapsed', 'unseen'];

describe('chain strip', () => {
  it('says every link’s state in words', () => {
    show(<ChainStrip chain={chain} discipline="windmill" />);
    expect(
      screen.getByLabelText(
        'Chain: Set owned, Load holding, Push being worked on, Land open, Whip slipped back, Finish not looked at',
      ),
    ).toBeTruthy();
  });

  it('tells which link was tapped', () => {
    const onSelect = jest.fn();
    show(<ChainStrip chain={chain} discipline="overhand" labels onSelect={onSelect} />);
    fireEvent.press(screen.getByRole('button', { name: /^Move/ }));
    expect(onSelect).toHaveBeenCalledWith('move');
  });
});

describe('running', () => {
  it('counts a tap on each button, and none when throwing is closed', () => {
    const onRep = jest.fn();
    const { rerender } = show(<RepButtons disabled={false} onRep={onRep} />);
    for (const name of ['good', 'close', 'off']) fireEvent.press(screen.getByTestId(`rep-${name}`));
    expect(onRep.mock.calls.flat()).toEqual(['good', 'close', 'off']);
    rerender(
      <PaperProvider theme={lightTheme}>
        <RepButtons disabled onRep={onRep} />
      </PaperProvider>,
    );
    fireEvent.press(screen.getByTestId('rep-good'));
    expect(onRep).toHaveBeenCalledTimes(3);
  });

  it('keeps a speed only when it can be one', () => {
    const onKeep = jest.fn();
    show(<SpeedPad unit="mph" onKeep={onKeep} onClose={() => undefined} />);
    fireEvent.press(screen.getByTestId('key-7'));
    fireEvent.press(screen.getByTestId('keep-speed'));
    expect(onKeep).not.toHaveBeenCalled();
    for (const key of ['2', '.', '5']) fireEvent.press(screen.getByTestId(`key-${key}`));
    fireEvent.press(screen.getByTestId('keep-speed'));
    expect(onKeep).toHaveBeenCalledWith(72.5);
  });

  it('asks where and how much before a pain report, and reports the signs', () => {
    const onPain = jest.fn();
    show(<PainCheck question="Does anything hurt?" fine="Nothing hurts" onFine={() => undefined} onPain={onPain} />);
    fireEvent.press(screen.getByTestId('something-hurts'));
    fireEvent.press(screen.getByTestId('report-pain'));
    expect(onPain).not.toHaveBeenCalled();
    fireEvent.press(screen.getByTestId('pain-elbow'));
    fireEvent.press(screen.getByTestId('pain-score-2'));
    fireEvent.press(screen.getByLabelText('Numbness'));
    fireEvent.press(screen.getByTestId('report-pain'));
    expect(onPain).toHaveBeenCalledWith({ site: 'elbow', score: 2, signs: ['numbness'] });
  });
});

describe('figure and charts', () => {
  it('draws every pose for either hand', () => {
    for (const pose of Object.keys(POSES) as PoseId[])
      for (const throws of ['R', 'L'] as const) {
        const { toJSON, unmount } = show(<Mannequin poses={[pose]} throws={throws} label={pose} />);
        expect(JSON.stringify(toJSON())).not.toContain('NaN');
        unmount();
      }
  });

  it('offers every chart as a table too', () => {
    const points = [
      { date: '2026-01-01', level: 70, low: 69, high: 71 },
      { date: '2026-02-01', level: 72.5, low: 71, high: 74 },
    ];
    show(<LevelChart points={points} unit="mph" sentence="Up 2.5 mph" />);
    fireEvent.press(screen.getByText('Show as a table'));
    expect(screen.getByText('72.5')).toBeTruthy();
    expect(screen.getByText('71.0–74.0')).toBeTruthy();
  });

  it('marks a choice by more than colour', () => {
    show(<Choice label="Yes" chosen onPress={() => undefined} />);
    expect(
      screen.getByLabelText('Yes').props['aria-pressed'] ?? screen.getByLabelText('Yes').props.accessibilityState?.selected,
    ).toBeTruthy();
  });
});

/** WCAG 2.2 contrast of two colours. */
function contrast(a: string, b: string): number {
  const luminance = (hex: string) => {
    const [r, g, bl] = [1, 3, 5].map((i) => {
      const c = parseInt(hex.slice(i, i + 2), 16) / 255;
      return c <= 0.03928 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4;
    }) as [number, number, number];
    return 0.2126 * r + 0.7152 * g + 0.0722 * bl;
  };
  const [x, y] = [luminance(a), luminance(b)];
  return (Math.max(x, y) + 0.05) / (Math.min(x, y) + 0.05);
}

describe('themes', () => {
  it.each([
    ['light', LIGHT],
    ['dark', DARK],
  ] as const)('%s text has the contrast that WCAG AA asks for', (_name, p) => {
    for (const ground of [p.paper, p.sheet])
      for (const text of [p.ink, p.soft, p.spruce, p.clay, p.brass]) expect(contrast(text, ground)).toBeGreaterThanOrEqual(4.5);
    expect(contrast(p.onSpruce, p.spruce)).toBeGreaterThanOrEqual(4.5);
    expect(contrast(p.ink, p.clayWash)).toBeGreaterThanOrEqual(4.5);
  });

  it('leave no colour of the component kit', () => {
    for (const theme of [lightTheme, darkTheme]) {
      const ours = new Set<string>([...Object.values(theme.palette), '#000000', 'rgba(16, 24, 20, 0.5)', 'transparent']);
      const { elevation, ...colours } = theme.colors;
      for (const colour of [...Object.values(colours), ...Object.values(elevation)]) expect(ours.has(colour)).toBe(true);
    }
  });
});

describe('words', () => {
  it('say a check and an observation as a coach would', () => {
    expect(checkText({ kind: 'screen', test: 'hip-internal-rotation', side: 'drive' }, CATALOGUE_WORDS)).toBe(
      'Hip turning in, drive side',
    );
    expect(evidenceText({ kind: 'eye', finding: 'stall', answer: 'yes' }, UNITS.cm, CATALOGUE_WORDS)).toBe(
      'The trip forward stops after the lift: seen',
    );
    expect(evidenceText({ kind: 'slow', finding: 'late-hips', canDoSlowly: 'no' }, UNITS.cm, CATALOGUE_WORDS)).toContain(
      'cannot',
    );
  });
});
