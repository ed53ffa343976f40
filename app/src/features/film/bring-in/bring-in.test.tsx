import type { Units } from '@wrightonic/core';
import { UNITS } from '@wrightonic/core';
import { fireEvent, render, screen } from '@testing-library/react-native';
import { PaperProvider } from 'react-native-paper';
import { lightTheme } from '../../../ui/theme';
import { UnitsContext } from '../../../ui/units';
import { BringIn } from './BringIn';

const info = { frames: 360, playFps: 30, captureFps: null, width: 1080, height: 1920, uneven: 0.1 };

function open(units: Units = UNITS.cm, more: object = {}) {
  const onKeep = jest.fn();
  render(
    <PaperProvider theme={lightTheme}>
      <UnitsContext.Provider value={units}>
        <BringIn
          chosen={{ file: { name: 'throw.mov' } as File, info: { ...info, ...more } as never, poster: null }}
          today="2026-05-04"
          onKeep={onKeep}
          onCancel={jest.fn()}
          busy={false}
        />
      </UnitsContext.Provider>
    </PaperProvider>,
  );
  const keep = () => fireEvent.press(screen.getByTestId('keep-clip'));
  return { onKeep, keep };
}

describe('a clip that is brought in', () => {
  it('is kept with its set-up as it was answered', () => {
    const { onKeep, keep } = open();
    fireEvent.press(screen.getByTestId('view-front'));
    fireEvent.press(screen.getByTestId('rate-120'));
    fireEvent.changeText(screen.getByTestId('distance'), '7,5');
    fireEvent.changeText(screen.getByTestId('camera-height'), '1');
    fireEvent.press(screen.getByTestId('level'));
    expect(screen.getByText(/not level/)).toBeTruthy();
    fireEvent.changeText(screen.getByTestId('filmed-on'), '25.4.2026');
    fireEvent.press(screen.getByTestId('effort-95'));
    keep();
    expect(onKeep).toHaveBeenCalledWith(
      { view: 'front', distanceM: 7.5, cameraHeightM: 1, level: false, whole: true, effort: 95 },
      120,
      '2026-04-25',
    );
  });

  it('may leave distance and height open', () => {
    const { onKeep, keep } = open();
    keep();
    expect(onKeep.mock.calls[0]![0]).toMatchObject({ distanceM: null, cameraHeightM: null });
  });

  it('takes feet where the academy thinks in feet', () => {
    const { onKeep, keep } = open(UNITS.in);
    expect(screen.getAllByText('Distance, ft').length).toBeGreaterThan(0);
    fireEvent.changeText(screen.getByTestId('distance'), '20');
    keep();
    expect((onKeep.mock.calls[0]![0] as { distanceM: number }).distanceM).toBeCloseTo(6.096, 9);
  });

  it.each([
    ['distance', 'six', /Write the distance as a number between 0.5 m and 100 m/],
    ['distance', '0.2', /Write the distance as a number between 0.5 m and 100 m/],
    ['camera-height', '11', /Write the height as a number between 0 m and 10 m/],
    ['camera-height', '-1', /Write the height as a number between 0 m and 10 m/],
  ])('is not kept with %s “%s”, and says what would do', (field, text, words) => {
    const { onKeep, keep } = open();
    fireEvent.changeText(screen.getByTestId(field), text);
    expect(screen.getByTestId('camera-unread')).toBeTruthy();
    expect(screen.getByText(words)).toBeTruthy();
    keep();
    expect(onKeep).not.toHaveBeenCalled();
  });

  it('says what a rate makes of its length, and warns where no throw is that long', () => {
    open();
    expect(screen.getByTestId('rate-says').props.children).toMatch(/The file does not say/);
    fireEvent.press(screen.getByTestId('rate-240'));
    expect(screen.getByTestId('rate-says').props.children).toMatch(
      /1\.5 s of real time; the file plays them 8\.0 times as slowly/,
    );
  });

  it('believes a file that says its own rate', () => {
    const { onKeep, keep } = open(UNITS.cm, { captureFps: 240 });
    expect(screen.getByTestId('rate-says').props.children).toMatch(/^The file says at which rate it was filmed/);
    keep();
    expect(onKeep.mock.calls[0]![1]).toBe(240);
  });

  it('warns of frames that do not come evenly', () => {
    open(UNITS.cm, { uneven: 1.2 });
    fireEvent.press(screen.getByTestId('rate-240'));
    expect(screen.getByText(/can be off by 10 ms/)).toBeTruthy();
  });

  it('is not kept on a day that is no day', () => {
    const { onKeep, keep } = open();
    fireEvent.changeText(screen.getByTestId('filmed-on'), '31.2.2026');
    keep();
    expect(onKeep).not.toHaveBeenCalled();
  });
});
