import { EQUIPMENT } from '../drills/types';
import type { PlanRequest } from '../plan/types';

/** A healthy seventeen-year-old with the whole kit, who can throw on three days. */
export const planRequest: PlanRequest = {
  on: '2026-05-04', // a Monday
  athlete: { discipline: 'overhand', throws: 'R', birthDate: '2009-02-11', heightM: 1.8, massKg: 74, level: 'high-school' },
  focus: [{ finding: 'stall', rung: 2 }],
  weeks: 4,
  availability: [
    { weekday: 'mon', minutes: 60, place: 'cage' },
    { weekday: 'thu', minutes: 40, place: 'home' },
    { weekday: 'sat', minutes: 60, place: 'mound' },
  ],
  equipment: [...EQUIPMENT],
  partner: true,
  season: 'off',
  games: [],
  recentLoad: [],
  pain: [],
  leagueDailyLimit: null,
  flags: [],
  pinned: [],
};
