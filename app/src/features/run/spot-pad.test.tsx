import { fireEvent, screen } from '@testing-library/react-native';
import type { Spot } from '@wrightonic/core';
import { useState } from 'react';
import { tappedAt } from '../../boundary';
import { leavePage, openPage } from '../../testing/page';
import { SpotPad } from './SpotPad';

afterEach(leavePage);

const ATHLETE = { throws: 'R', heightM: 1.8, discipline: 'overhand' } as const;

function Pad({ onSpot }: { readonly onSpot: (actual: Spot, zone: readonly [number, number]) => void }) {
  const [target, setTarget] = useState<Spot | null>(null);
  const [noted, setNoted] = useState<{ actual: Spot; zone: readonly [number, number] }[]>([]);
  return (
    <SpotPad
      athlete={ATHLETE}
      target={target}
      onTarget={setTarget}
      noted={noted}
      onSpot={(actual, zone) => {
        setNoted([...noted, { actual, zone }]);
        onSpot(actual, zone);
      }}
      onClose={() => {}}
    />
  );
}

/** A pointer in a part of the plate, in shares of its width and height. */
const tapAt = (x: number, y: number) => ({
  nativeEvent: { detail: 1, offsetX: 100 * x, offsetY: 50 * y, target: { offsetWidth: 100, offsetHeight: 50 } },
});

it('asks for the target once, then takes one tap a throw, to the centimetre', async () => {
  const onSpot = jest.fn();
  openPage(<Pad onSpot={onSpot} />, {}, {});
  expect(await screen.findByText('Where is the target?')).toBeTruthy();
  fireEvent.press(screen.getByLabelText('low, glove side'));
  expect(onSpot).not.toHaveBeenCalled();
  expect(screen.getByText('Where did it go?')).toBeTruthy();
  const middle = 'middle height, middle';
  fireEvent(screen.getByLabelText(middle), 'press', tapAt(0.5, 0.5));
  fireEvent(screen.getByLabelText(middle), 'press', tapAt(1, 0));
  const [[centre, zone], [corner]] = onSpot.mock.calls as [[Spot, [number, number]], [Spot]];
  expect(zone).toEqual([49, 97]);
  expect(centre).toEqual({ x: 0, y: 73 });
  // Right and up from the middle: a third of the plate is 14.4 cm wide, a third of the zone 16 cm high.
  expect(corner).toEqual({ x: 7, y: 81 });
  expect(screen.getByText(/2 of 2 throws in the zone/)).toBeTruthy();
  fireEvent.press(screen.getByTestId('new-target'));
  expect(screen.getByText('Where is the target?')).toBeTruthy();
});

it('takes a press by key as the middle of the part, and counts what is no strike', async () => {
  const onSpot = jest.fn();
  openPage(<Pad onSpot={onSpot} />, {}, {});
  fireEvent.press(await screen.findByLabelText('high, middle'));
  fireEvent(screen.getByLabelText('below the zone, wide on the arm side'), 'press', { nativeEvent: { detail: 0 } });
  expect(onSpot.mock.calls[0][0]).toEqual({ x: 33.6, y: 37 });
  expect(screen.getByText(/0 of 1 throw in the zone/)).toBeTruthy();
});

it('reads where a pointer came down, and nothing of a key', () => {
  expect(tappedAt(tapAt(0.25, 0.5))).toEqual({ x: 0.25, y: 0.5 });
  for (const none of [{}, { nativeEvent: {} }, { nativeEvent: { ...tapAt(0, 0).nativeEvent, detail: 0 } }])
    expect(tappedAt(none)).toBeNull();
});
