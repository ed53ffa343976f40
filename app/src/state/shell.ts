import { createSlice } from '@reduxjs/toolkit';
import type { PayloadAction } from '@reduxjs/toolkit';

/** Which of several children a guardian is looking at. */
const shell = createSlice({
  name: 'shell',
  initialState: { child: null as string | null },
  reducers: {
    childChosen(state, action: PayloadAction<string>) {
      state.child = action.payload;
    },
  },
});
export const { childChosen } = shell.actions;
export const shellReducer = shell.reducer;
