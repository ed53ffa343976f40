import { fireEvent, render, screen } from '@testing-library/react-native';
import { EMPTY_MARKS } from '@wrightonic/contract';
import type { ClipMarks } from '@wrightonic/contract';
import { compareThrows } from '@wrightonic/core';
import type { MeasuredValue } from '@wrightonic/core';
import type { ReactElement } from 'react';
import { PaperProvider } from 'react-native-paper';
import { lightTheme } from '../../../ui/theme';
import { ChangeTable } from '../measures/ChangeTable';
import { EventsPanel, fromContact } from './EventsPanel';
import { JointsPanel } from './JointsPanel';
import { withEvent, withJoint, withTracks } from '../marks/marks';
import { MeasuresPanel } from '../measures/MeasuresPanel';
import { ScalePanel } from './ScalePanel';
import { namesOnTape } from '../playback/Tape';
import { TrimPanel } from './TrimPanel';

const show = (element: ReactElement) => render(<PaperProvider theme={lightTheme}>{element}</PaperProvider>);
const changes = () => {
  const made: ClipMarks[] = [];
  return { made, onChange: (next: ClipMarks) => void made.push(next) };
};

describe('events', () => {
  const marks = withEvent(withEvent(EMPTY_MARKS, 'contact', 30), 'release', 48);
  it('are placed where the clip stands, gone to, and cleared on their own frame', () => {
    const { made, onChange } = changes();
    const onFrame = jest.fn();
    const panel = (frame: number) => (
      <EventsPanel
        marks={marks}
        discipline="overhand"
        fps={120}
        frame={frame}
        onFrame={onFrame}
        onChange={onChange}
        onSuggest={null}
      />
    );
    show(panel(12));
    expect(screen.getByText('150 ms after contact, by hand')).toBeTruthy();
    fireEvent.press(screen.getByTestId('here-peak-knee'));
    expect(made[0]!.events['peak-knee']).toEqual({ frame: 12 });
    fireEvent.press(screen.getByTestId('event-release'));
    expect(onFrame).toHaveBeenCalledWith(48);
    screen.rerender(<PaperProvider theme={lightTheme}>{panel(48)}</PaperProvider>);
    fireEvent.press(screen.getByText('Clear'));
    expect(made[1]!.events).toEqual({ contact: { frame: 30 } });
  });
  it('cannot be placed by those who only look', () => {
    show(
      <EventsPanel
        marks={marks}
        discipline="windmill"
        fps={120}
        frame={0}
        onFrame={jest.fn()}
        onChange={null}
        onSuggest={null}
      />,
    );
    expect(screen.queryByText('Here')).toBeNull();
    expect(screen.getByText('Arm 12 o’clock')).toBeTruthy();
  });
  it('tell their time from contact', () => {
    expect(fromContact(30, 30, 120)).toBe('at contact');
    expect(fromContact(18, 30, 120)).toBe('100 ms before contact');
    expect(fromContact(18, undefined, 120)).toBe('frame 18');
  });
});

describe('joints', () => {
  const base = { frame: 5, joint: 'head', onJoint: jest.fn(), onTrack: jest.fn(), onStop: jest.fn() } as const;
  it('offer the tracker, show how far it is, and let it be stopped', () => {
    show(<JointsPanel {...base} marks={EMPTY_MARKS} onChange={jest.fn()} tracking={{ kind: 'still' }} />);
    fireEvent.press(screen.getByTestId('track'));
    expect(base.onTrack).toHaveBeenCalled();
    screen.rerender(
      <PaperProvider theme={lightTheme}>
        <JointsPanel
          {...base}
          marks={EMPTY_MARKS}
          onChange={jest.fn()}
          tracking={{ kind: 'running', done: 40, of: 160, left: 14.2 }}
        />
      </PaperProvider>,
    );
    expect(screen.getByText('40 of 160 frames, 15 s left. Nothing leaves this device.')).toBeTruthy();
    fireEvent.press(screen.getByTestId('stop-tracking'));
    expect(base.onStop).toHaveBeenCalled();
    screen.rerender(
      <PaperProvider theme={lightTheme}>
        <JointsPanel
          {...base}
          marks={EMPTY_MARKS}
          onChange={jest.fn()}
          tracking={{ kind: 'failed', why: 'Nobody was found in 9 of 10 frames.' }}
        />
      </PaperProvider>,
    );
    expect(screen.getByText('Nobody was found in 9 of 10 frames.')).toBeTruthy();
  });
  it('say how a joint is known on the frame, and take it off', () => {
    const { made, onChange } = changes();
    const tracked = withTracks(EMPTY_MARKS, [{ frame: 5, joints: { head: { x: 1, y: 2, sd: 3, by: 'track' } } }]);
    const panel = (marks: ClipMarks) => <JointsPanel {...base} marks={marks} onChange={onChange} tracking={{ kind: 'still' }} />;
    show(panel(tracked));
    expect(screen.getByText('head: tracked')).toBeTruthy();
    screen.rerender(<PaperProvider theme={lightTheme}>{panel(withJoint(tracked, 5, 'head', [4, 4], 120))}</PaperProvider>);
    expect(screen.getByText('head: by hand')).toBeTruthy();
    fireEvent.press(screen.getByText('Take it off this frame'));
    expect(made[0]!.frames).toEqual([]);
  });
});

const measured = (value: number | null, more: Partial<MeasuredValue> = {}): MeasuredValue => ({
  measure: 'lead-knee-flexion',
  event: 'release',
  unit: 'deg',
  value,
  sd: value === null ? null : 4,
  valid: value !== null,
  ...more,
});

describe('measures', () => {
  const base = { discipline: 'overhand', age: 17, marks: withEvent(EMPTY_MARKS, 'release', 48) } as const;
  it('stand with their error and band, open to how they were read, and lead to their frame', () => {
    const onFrame = jest.fn();
    show(<MeasuresPanel {...base} measures={[measured(62, { tracked: true })]} onFrame={onFrame} />);
    expect(screen.getByText('62°')).toBeTruthy();
    expect(screen.getByText('± 4')).toBeTruthy();
    expect(screen.getByText('at release · band 25 to 45°')).toBeTruthy();
    expect(screen.getByLabelText('outside the band')).toBeTruthy();
    fireEvent.press(screen.getByTestId('measure-lead-knee-flexion-release'));
    expect(onFrame).toHaveBeenCalledWith(48);
    expect(screen.getByText(/Read from tracked joints\. One throw says 62° ± 6/)).toBeTruthy();
  });
  it('that cannot be told are named with the reason', () => {
    show(
      <MeasuresPanel
        {...base}
        measures={[measured(null, { why: 'cannot be read from the front; film it from the side' })]}
        onFrame={jest.fn()}
      />,
    );
    expect(screen.getByText(/Nothing can be read yet/)).toBeTruthy();
    fireEvent.press(screen.getByTestId('untold'));
    expect(screen.getByText('Cannot be read from the front; film it from the side')).toBeTruthy();
    expect(screen.getByText('lead knee flexion at release')).toBeTruthy();
  });
});

describe('a change', () => {
  const table = (before: number, after: number) => compareThrows([measured(before)], [measured(after)], 'overhand', 17);
  it('for the worse is said like one for the better', () => {
    show(<ChangeTable {...table(40, 62)} />);
    expect(screen.getByTestId('compare-says')).toHaveTextContent('Worse: lead knee flexion at release.');
    expect(screen.getByLabelText('worse')).toBeTruthy();
    expect(screen.getByText('+22.0 ± 8.0')).toBeTruthy();
  });
  it('that is none is said too', () => {
    show(<ChangeTable {...table(40, 43)} />);
    expect(screen.getByTestId('compare-says')).toHaveTextContent(/^Nothing has moved beyond/);
    screen.rerender(
      <PaperProvider theme={lightTheme}>
        <ChangeTable values={[]} unlike={[]} />
      </PaperProvider>,
    );
    expect(screen.getByTestId('compare-says')).toHaveTextContent('No measure can be read from both clips.');
  });
});

describe('the scale', () => {
  it('goes by the height, the rubber or a taped length, which must be one', () => {
    const onWork = jest.fn();
    const panel = (metres: number, by: 'height' | 'tape') => (
      <ScalePanel marks={EMPTY_MARKS} heightM={1.8} work={{ by, metres, first: null }} onWork={onWork} onChange={jest.fn()} />
    );
    show(panel(1.8, 'height'));
    expect(screen.getByTestId('scale-now')).toHaveTextContent(/lengths cannot/);
    fireEvent.press(screen.getByTestId('scale-rubber'));
    expect(onWork).toHaveBeenCalledWith({ by: 'rubber', metres: 0.6096, first: null });
    screen.rerender(<PaperProvider theme={lightTheme}>{panel(2, 'tape')}</PaperProvider>);
    fireEvent.changeText(screen.getAllByDisplayValue('2.0')[0]!, '90');
    expect(screen.getByText('The length must be between 0.1 m and 30 m.')).toBeTruthy();
  });
});

describe('the trim', () => {
  it('begins and ends at the frame, and is none when it is the whole clip', () => {
    const { made, onChange } = changes();
    show(<TrimPanel marks={EMPTY_MARKS} frame={20} frames={100} onChange={onChange} />);
    fireEvent.press(screen.getByTestId('trim-from'));
    expect(made[0]!.trim).toEqual({ from: 20, to: 99 });
    screen.rerender(
      <PaperProvider theme={lightTheme}>
        <TrimPanel marks={{ ...EMPTY_MARKS, trim: { from: 20, to: 99 } }} frame={60} frames={100} onChange={onChange} />
      </PaperProvider>,
    );
    fireEvent.press(screen.getByTestId('trim-to'));
    expect(made[1]!.trim).toEqual({ from: 20, to: 60 });
    fireEvent.press(screen.getByText('Whole clip'));
    expect(made[2]!.trim).toBeNull();
  });
});

describe('the tape', () => {
  const pegs = ['contact', 'foot flat', 'toe off', 'release'].map((name, i) => ({
    name,
    frame: [100, 102, 99, 140][i]!,
    sd: null,
  }));
  it('writes the names that have room, the nearest first', () => {
    const rows = namesOnTape(pegs, 100, 9);
    expect(rows.get('contact')).toBe(1);
    expect(rows.get('toe off')).toBe(0);
    expect(rows.has('foot flat')).toBe(false);
    expect(rows.get('release')).toBe(1);
    expect(namesOnTape(pegs, 103, 9).get('foot flat')).toBe(1);
  });
});
