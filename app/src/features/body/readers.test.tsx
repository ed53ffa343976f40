import { act, fireEvent, render, screen } from '@testing-library/react-native';
import { BODY_TESTS, UNITS } from '@wrightonic/core';
import type { TestStep, Units } from '@wrightonic/core';
import { PaperProvider } from 'react-native-paper';
import { lightTheme } from '../../ui/theme';
import { UnitsContext } from '../../ui/units';
import { Reader } from './readers';
import type { Tilt } from './use-tilt';

const NO_TILT: Tilt = {
  source: 'none',
  deg: null,
  steady: false,
  zero: jest.fn(),
  useSensor: jest.fn(),
  useChannel: jest.fn(),
} as never;
const stepOf = (readBy: string): TestStep => {
  const test = BODY_TESTS.find((t) => t.readBy === readBy)!;
  return { test: test.id, side: test.firstSide } as TestStep;
};

function open(step: TestStep, tilt: Partial<Tilt> = {}, units: Units = UNITS.cm, range = { low: 0, high: 90 }) {
  const onRead = jest.fn();
  const page = (now: Partial<Tilt>) => (
    <PaperProvider theme={lightTheme}>
      <UnitsContext.Provider value={units}>
        <Reader step={step} range={range} onRead={onRead} usual={35} tilt={{ ...NO_TILT, ...now }} />
      </UnitsContext.Provider>
    </PaperProvider>
  );
  render(page(tilt));
  return { onRead, now: (next: Partial<Tilt>) => screen.rerender(page(next)) };
}
const take = () => fireEvent.press(screen.getByTestId('take'));

describe('degrees by hand', () => {
  it('begin at what is usual, turn by ones and fives, and stay within what a body can show', () => {
    const { onRead } = open(stepOf('tilt'));
    expect(screen.getByText('35°')).toBeTruthy();
    for (const id of ['dial-more-5', 'dial-more', 'dial-less-5', 'dial-less', 'dial-less'])
      fireEvent.press(screen.getByTestId(id));
    take();
    expect(onRead).toHaveBeenLastCalledWith(34, 'dial');
    for (let n = 0; n < 30; n++) fireEvent.press(screen.getByTestId('dial-more-5'));
    take();
    expect(onRead).toHaveBeenLastCalledWith(90, 'dial');
    for (let n = 0; n < 30; n++) fireEvent.press(screen.getByTestId('dial-less-5'));
    take();
    expect(onRead).toHaveBeenLastCalledWith(0, 'dial');
  });
});

describe('an inclinometer', () => {
  const live = (deg: number | null, steady = true): Partial<Tilt> => ({ source: 'sensor', deg, steady });

  it('is waited for, and kept where it stands', () => {
    const { onRead, now } = open(stepOf('tilt'), live(null));
    take();
    expect(onRead).not.toHaveBeenCalled();
    now(live(41.6, false));
    expect(screen.getByText('Keep 42°')).toBeTruthy();
    now(live(41.6));
    expect(screen.getByText('Steady: keep 42°')).toBeTruthy();
    take();
    expect(onRead).toHaveBeenCalledWith(42, 'tilt');
  });

  it('takes a second try only after the limb has gone back', () => {
    const { onRead, now } = open(stepOf('tilt'), live(40));
    take();
    take();
    now(live(38));
    take();
    expect(onRead).toHaveBeenCalledTimes(1);
    now(live(10));
    now(live(44));
    take();
    expect(onRead).toHaveBeenCalledTimes(2);
    expect(onRead).toHaveBeenLastCalledWith(44, 'tilt');
  });

  it('keeps nothing that no body can show', () => {
    const { onRead, now } = open(stepOf('tilt'), live(120));
    take();
    now(live(-4));
    take();
    expect(onRead).not.toHaveBeenCalled();
  });

  it('can be put aside for the dial', () => {
    const { onRead } = open(stepOf('tilt'), live(40));
    fireEvent.press(screen.getByText('By hand'));
    take();
    expect(onRead).toHaveBeenCalledWith(35, 'dial');
  });
});

describe('a hold', () => {
  it('runs from one tap to the next, in tenths of a second', () => {
    jest.useFakeTimers();
    try {
      const { onRead } = open(stepOf('timer'), {}, UNITS.cm, { low: 0, high: 300 });
      take();
      act(() => void jest.advanceTimersByTime(12_340));
      expect(screen.getByText('12.3 s')).toBeTruthy();
      take();
      expect(onRead).toHaveBeenCalledWith(12.3, 'timer');
      // It stands at nothing again, for the next try.
      expect(screen.getByText('0.0 s')).toBeTruthy();
    } finally {
      jest.useRealTimers();
    }
  });
});

describe('a score', () => {
  it('is one of four, by its words', () => {
    const { onRead } = open(stepOf('steps'));
    fireEvent.press(screen.getByText('2: wobbles'));
    fireEvent.press(screen.getByTestId('score-0'));
    expect(onRead.mock.calls).toEqual([
      [2, 'steps'],
      [0, 'steps'],
    ]);
  });
});

describe('a number by the keypad', () => {
  const lengths = BODY_TESTS.find((t) => t.readBy === 'keypad' && t.unit === 'cm');
  const step = { test: lengths!.id, side: lengths!.firstSide } as TestStep;
  const type = (text: string) => [...text].forEach((key) => fireEvent.press(screen.getByTestId(`key-${key}`)));

  it('is kept in the unit of the test, whatever it was typed in', () => {
    const { onRead } = open(step, {}, UNITS.in, { low: 0, high: 100 });
    type('10.5');
    take();
    expect(onRead.mock.calls[0]![0]).toBeCloseTo(26.67, 1);
    expect(screen.getByText('Type the reading')).toBeTruthy();
  });

  it('has one point, five characters, and a way back', () => {
    open(step, {}, UNITS.cm, { low: 0, high: 100 });
    type('1..2.3456');
    expect(screen.getByText(/^Keep 1\.234/)).toBeTruthy();
    fireEvent.press(screen.getByTestId('key-⌫'));
    fireEvent.press(screen.getByTestId('key-⌫'));
    expect(screen.getByText(/^Keep 1\.2 /)).toBeTruthy();
  });

  it.each(['140', '.', '0.0'])('is not kept beyond what a body can show: “%s”', (text) => {
    const { onRead } = open(step, {}, UNITS.cm, { low: 2, high: 100 });
    type(text);
    expect(screen.getByTestId('out-of-range')).toBeTruthy();
    take();
    expect(onRead).not.toHaveBeenCalled();
  });
});
