import { createSlice } from '@reduxjs/toolkit';
import type { PayloadAction } from '@reduxjs/toolkit';

/** How this device is held and looked at. It belongs to the device, not to who is signed in, and holds nothing about anybody. */
export interface Device {
  /** Black on white, thick: for full sun. */
  readonly sun: boolean;
  readonly large: boolean;
  /** The hand whose thumb taps. */
  readonly hand: 'right' | 'left';
  /** A tick, and a buzz where the device has one, with every tap of a rep. */
  readonly tick: boolean;
  /** Name of the radar gun that this device reads, or null. */
  readonly gun: string | null;
}

const USUAL: Device = { sun: false, large: false, hand: 'right', tick: false, gun: null };
const KEY = 'device';

const kept = (): Storage | null => (typeof localStorage === 'undefined' ? null : localStorage);

function read(): Device {
  try {
    return { ...USUAL, ...(JSON.parse(kept()?.getItem(KEY) ?? '{}') as Partial<Device>) };
  } catch {
    return USUAL;
  }
}

const device = createSlice({
  name: 'device',
  initialState: read,
  reducers: {
    deviceSet: (state, action: PayloadAction<Partial<Device>>) => ({ ...state, ...action.payload }),
  },
});

export const { deviceSet } = device.actions;
export const deviceReducer = device.reducer;

/** Keeps the choice for the next time. A device that keeps nothing asks again. */
export function keepDevice(chosen: Device): void {
  try {
    kept()?.setItem(KEY, JSON.stringify(chosen));
  } catch {
    // Full or forbidden: the choice holds for this page.
  }
}
