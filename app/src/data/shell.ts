import { createSlice } from '@reduxjs/toolkit';
import type { PayloadAction } from '@reduxjs/toolkit';

const shell = createSlice({
  name: 'shell',
  initialState: {
    /** Which of several children a guardian is looking at. */
    child: null as string | null,
    /** Signed out on this device, whether the server knows or not. */
    left: false,
    /** Whose page this is. */
    whose: null as string | null,
  },
  reducers: {
    childChosen(state, action: PayloadAction<string>) {
      state.child = action.payload;
    },
    left(state, action: PayloadAction<boolean>) {
      state.left = action.payload;
    },
    taken(state, action: PayloadAction<string | null>) {
      state.whose = action.payload;
    },
  },
});
export const { childChosen, left, taken } = shell.actions;
export const shellReducer = shell.reducer;
