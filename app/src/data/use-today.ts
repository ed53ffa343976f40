import type { Me } from '@wrightonic/contract';
import { useEffect, useState } from 'react';
import { AppState } from 'react-native';
import { api } from './api';
import { dayIn } from './clock';
import { useAppDispatch } from './store';

const LOOKS_EVERY_MS = 15_000;

/** The academy's day as it is now: it turns at midnight while a page is open, with or without a connection. */
export function useToday(me: Me): string {
  const { timeZone } = me.academy;
  const [today, setToday] = useState(() => dayIn(timeZone));
  useEffect(() => {
    const look = () => setToday(dayIn(timeZone));
    look();
    const timer = setInterval(look, LOOKS_EVERY_MS);
    const back = AppState.addEventListener('change', look);
    return () => {
      clearInterval(timer);
      back.remove();
    };
  }, [timeZone]);
  return today;
}

/** Asks anew for everything that hangs on the day, once it has turned. */
export function useDayTurn(me: Me): void {
  const today = useToday(me);
  const dispatch = useAppDispatch();
  const shown = me.academy.today;
  useEffect(() => {
    if (today > shown) dispatch(api.util.invalidateTags(['Me', 'Athlete', 'Roster', 'Today', 'Plan', 'Session', 'Progress']));
  }, [today, shown, dispatch]);
}
