import type { CampRecord, Me } from '@wrightonic/contract';
import type { CampMoment } from '@wrightonic/core';
import { useEffect, useState } from 'react';
import { clockIn } from '../data/clock';
import { useToday } from '../data/use-today';
import { dayOfCamp, momentAt } from './camp-board';

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

/** Where a camp stands now, while one looks at it. */
export function useCampNow(me: Me, camp: CampRecord): CampNowShown {
  const clock = useClock(me.academy.timeZone);
  const day = dayOfCamp(camp, useToday(me));
  return { day, moment: day === null ? null : momentAt(camp, day, clock), clock };
}
