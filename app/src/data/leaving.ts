import type { ThunkAction, UnknownAction } from '@reduxjs/toolkit';
import { api } from './api';
import { emptyAnswers } from './kept-answers';
import { forgotten } from './operations';
import { left } from './shell';
import { storage } from './storage';
import type { RootState } from './store';

type Thunk<T = void> = ThunkAction<T, RootState, unknown, UnknownAction>;

/** Somebody has signed out here and the server has not heard of it yet. Another tab of this device reads it too. */
export const LEFT_AS = 'signed-out-here';

const device = (): Storage | null => (typeof localStorage === 'undefined' ? null : localStorage);

/** Whether nobody is signed in here, whatever the server’s cookie still says. */
export const hasLeft = (): boolean => device()?.getItem(LEFT_AS) != null;

/** Takes off the device what the server has: what waits, and forms half filled in, belong to whoever made them and stay. */
async function emptyDevice(user: string): Promise<number[]> {
  const sent = (await storage.all()).filter((o) => o.user === user && o.status === 'sent').map((o) => o.seq);
  await storage.remove(sent);
  await emptyAnswers(user);
  return sent;
}

/** Tells the server that nobody is signed in here any more. @returns whether it has heard */
export const tellLeft = (): Thunk<Promise<boolean>> => async (dispatch) => {
  const { error } = await dispatch(api.endpoints.signOut.initiate());
  if (error) return false;
  device()?.removeItem(LEFT_AS);
  return true;
};

/** Signs out: here at once, connection or not; at the server as soon as it can be reached. */
export const signOut =
  (user: string): Thunk<Promise<void>> =>
  async (dispatch) => {
    device()?.setItem(LEFT_AS, user);
    const gone = await emptyDevice(user).catch(() => []);
    dispatch(forgotten(gone));
    await dispatch(tellLeft());
    dispatch(left(true));
    dispatch(api.util.resetApiState());
  };

/** Somebody signs in: the session of whoever left is ended by that. */
export const arrived = (): Thunk => (dispatch) => {
  device()?.removeItem(LEFT_AS);
  dispatch(left(false));
};
