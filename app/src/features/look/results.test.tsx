import { fireEvent, render, screen } from '@testing-library/react-native';
import type { Evidence } from '@wrightonic/core';
import { PaperProvider } from 'react-native-paper';
import { lightTheme } from '../../ui/theme';
import { Details } from './Details';
import { Results } from './Results';
import { Thoughts } from './Thoughts';
import type { Said } from './use-said';

/** What has been said of somebody, and a record of what is said next. */
function saidOf(items: readonly Evidence[]): { said: Said; told: Evidence[] } {
  const told: Evidence[] = [];
  const record = (evidence: Evidence) => ({
    id: 'o',
    on: '2026-05-04',
    by: 'a',
    source: 'coach',
    own: true,
    clips: [],
    evidence,
  });
  const said = {
    evidence: items.map(record),
    newest: (kind: string, is: (item: never) => boolean = () => true) => {
      const item = items.findLast((i) => i.kind === kind && is(i as never));
      return item ? { record: record(item), item } : null;
    },
    say: (item: Evidence) => {
      told.push(item);
      return Promise.resolve();
    },
    error: undefined,
  } as unknown as Said;
  return { said, told };
}
const show = (element: React.ReactElement) => render(<PaperProvider theme={lightTheme}>{element}</PaperProvider>);
const press = (id: string) => fireEvent.press(screen.getByTestId(id));

describe('how it comes out', () => {
  it('takes results, style, slow tries and drills, each as the evidence it is', () => {
    const { said, told } = saidOf([{ kind: 'eye', finding: 'late-hips', answer: 'yes' }]);
    show(<Results athlete={{ throws: 'R' }} said={said} />);
    press('result-strikes-poor');
    press('result-velocity-good');
    press('style-high-leg-kick');
    press('slow-late-hips-no');
    press('drill-late-hips-drill-only');
    expect(told).toEqual([
      { kind: 'outcome', strikes: 'poor' },
      { kind: 'outcome', velocity: 'good' },
      { kind: 'style', item: 'high-leg-kick' },
      { kind: 'slow', finding: 'late-hips', canDoSlowly: 'no' },
      { kind: 'transfer', finding: 'late-hips', cleanInDrill: 'yes', cleanOnMound: 'no' },
    ]);
  });

  it('reads misses from five taps on, from the hand’s own side, and not before', () => {
    const { said, told } = saidOf([]);
    show(<Results athlete={{ throws: 'L' }} said={said} />);
    const tap = (x: number, y: number) =>
      fireEvent.press(screen.getByTestId('miss-zone'), { nativeEvent: { offsetX: x, offsetY: y } });
    // High and to the left of the pitcher: the arm side of a left-hander.
    for (let i = 0; i < 4; i++) tap(60, 20);
    expect(screen.getByTestId('miss-read').props.children).toContain('1 more throw');
    press('keep-misses');
    expect(told).toEqual([]);
    tap(60, 20);
    expect(screen.getByTestId('miss-read').props.children).toContain('arm side and high');
    press('keep-misses');
    expect(told).toEqual([{ kind: 'miss', pattern: 'arm-side-high' }]);
  });

  it('shows what was said last', () => {
    const { said } = saidOf([
      { kind: 'miss', pattern: 'middle' },
      { kind: 'outcome', strikes: 'good' },
    ]);
    show(<Results athlete={{ throws: 'R' }} said={said} />);
    expect(screen.getByTestId('miss-read').props.children).toContain('to the middle');
  });
});

describe('what is asked and seen beside the looks', () => {
  it('details have their own answers', () => {
    const { said, told } = saidOf([]);
    show(<Details link="land" discipline="overhand" said={said} />);
    press('rear-foot-on-toe');
    press('first-touch-heel');
    expect(told).toEqual([
      { kind: 'glance', detail: 'rear-foot', answer: 'on-toe' },
      { kind: 'glance', detail: 'first-touch', answer: 'heel' },
    ]);
    expect(screen.queryByTestId('tether-slack')).toBeNull();
  });

  it('thoughts are those of the delivery', () => {
    const { said, told } = saidOf([]);
    show(<Thoughts discipline="windmill" said={said} />);
    press('told-turn-wrist');
    expect(told).toEqual([{ kind: 'told', thought: 'turn-wrist' }]);
    expect(screen.queryByTestId('told-turn-glove')).toBeNull();
  });
});
