import { fireEvent, render, screen } from '@testing-library/react-native';
import { PaperProvider } from 'react-native-paper';
import { lightTheme } from '../../ui/theme';
import { SensorPeaks } from './SensorPeaks';

const type = (id: string, text: string) => fireEvent.changeText(screen.getByTestId(id), text);

describe('body-speed peaks', () => {
  it('become a statement relative to release; what cannot be is refused in words and kept in the fields', () => {
    const onPeaks = jest.fn();
    render(
      <PaperProvider theme={lightTheme}>
        <SensorPeaks known={null} onPeaks={onPeaks} />
      </PaperProvider>,
    );
    fireEvent.press(screen.getByTestId('enter-peaks'));
    type('peak-pelvis', '60');
    type('peak-trunk', 'soon');
    expect(screen.getByTestId('peaks-wrong')).toBeTruthy();
    fireEvent.press(screen.getByTestId('keep-peaks'));
    expect(onPeaks).not.toHaveBeenCalled();
    expect(screen.getByTestId('peak-pelvis').props.value).toBe('60');
    type('peak-trunk', '38,5');
    type('peak-forearm', '-4');
    type('peak-speed', '420');
    fireEvent.press(screen.getByTestId('keep-peaks'));
    expect(onPeaks).toHaveBeenCalledWith({
      kind: 'sequence',
      peaksMs: { pelvis: -60, trunk: -38.5, forearm: 4 },
      peaksDegPerS: { pelvis: 420 },
    });
  });

  it('that are known are said', () => {
    render(
      <PaperProvider theme={lightTheme}>
        <SensorPeaks known={{ kind: 'sequence', peaksMs: { pelvis: -60, trunk: -38 } }} onPeaks={jest.fn()} />
      </PaperProvider>,
    );
    expect(screen.getByText('Kept: pelvis 60 ms before release, trunk 38 ms before release.')).toBeTruthy();
  });
});
