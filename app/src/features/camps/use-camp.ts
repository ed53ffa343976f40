import { may } from '@wrightonic/contract';
import type { CampRecord, Me } from '@wrightonic/contract';
import type { CampMoment } from '@wrightonic/core';
import { useEffect, useState } from 'react';
import { api } from '../../data/api';
import { clockIn } from '../../data/clock';
import { useToday } from '../../data/use-today';
import { dayOfCamp, momentAt } from './board';

/** A board looks for what others have changed this often, ms. */
const LOOKS_EVERY_MS = 15_000;
const TICK_MS = 5_000;

/** The clock of the academy, HH:MM, as it goes on. */
export function useClock(timeZone: string): string {
  const [time, setTime] = useState(() => clockIn(timeZone));
  useEffect(() => {
    const timer = setInterval(() => setTime(clockIn(timeZone)), TICK_MS);
    return () => clearInterval(timer);
  }, [timeZone]);
  return time;
}

export interface CampNowShown {
  readonly day: number | null;
  /** Null on days that are none of the camp's. */
  readonly moment: CampMoment | null;
  readonly clock: string;
}

/** Where a camp stands now. */
export function useCampNow(me: Me, camp: CampRecord | undefined): CampNowShown {
  const clock = useClock(me.academy.timeZone);
  const today = useToday(me);
  const day = camp ? dayOfCamp(camp, today) : null;
  return { day, moment: camp && day !== null ? momentAt(camp, day, clock) : null, clock };
}

/** A camp as it is, with what others change meanwhile. @param live asks again and again */
export function useCamp(id: string, live = false) {
  return api.useCampQuery({ id }, { refetchOnMountOrArgChange: true, ...(live ? { pollingInterval: LOOKS_EVERY_MS } : {}) });
}

export const mayRun = (me: Me): boolean => may(me.role, 'runCamps');
