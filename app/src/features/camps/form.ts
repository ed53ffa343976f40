/** A camp as it is built: what a new one, a new day and a new station begin with. */
import type { CampRecord, NewCamp } from '@wrightonic/contract';
import { addDays, HARD_EFFORT } from '@wrightonic/core';
import type { Drill, IsoDate, StationKind } from '@wrightonic/core';

export type StationForm = NewCamp['stations'][number];
export type DayForm = NewCamp['days'][number];
export type ComerForm = NewCamp['athletes'][number];

/** Days after a camp until visitors are to be erased, where nothing else is said. */
const FORGET_AFTER_DAYS = 60;

export const emptyCamp = (today: IsoDate): NewCamp => ({
  name: '',
  place: null,
  days: [{ date: addDays(today, 1), start: '09:00', rotations: 6, minutes: 20, breaks: [{ after: 3, minutes: 15 }] }],
  stations: [],
  athletes: [],
  forgetAfterDays: FORGET_AFTER_DAYS,
  revision: 0,
});

/** A camp as it is kept, to be changed. */
export const formOf = ({ name, place, days, stations, athletes, forgetAfterDays, revision }: CampRecord): NewCamp => ({
  name,
  place,
  days,
  stations,
  athletes: athletes.map(({ athlete, group, with: friends, visitor }) => ({ athlete, group, with: friends, visitor })),
  forgetAfterDays,
  revision,
});

/** The day after the last, run like it. */
export function nextDay(days: readonly DayForm[]): DayForm {
  const last = days[days.length - 1]!;
  return { ...last, date: addDays(last.date, 1) };
}

/** What a station of a kind usually is. `house` */
const USUAL: Record<StationKind, Pick<StationForm, 'capacity' | 'throwsPerVisit' | 'hard'>> = {
  drill: { capacity: 6, throwsPerVisit: 0, hard: false },
  radar: { capacity: 4, throwsPerVisit: 8, hard: true },
  film: { capacity: 4, throwsPerVisit: 4, hard: false },
  screen: { capacity: 4, throwsPerVisit: 0, hard: false },
  rest: { capacity: 20, throwsPerVisit: 0, hard: false },
};
const NAMES: Record<StationKind, string> = {
  drill: 'Drill',
  radar: 'Radar',
  film: 'Film',
  screen: 'Body check',
  rest: 'Shade and water',
};
/** Reps of a thrown drill that one visit has time for. `house` */
const THROWS_A_VISIT = 10;

/** A new station, under a name that no other has. */
export function newStation(id: string, kind: StationKind, drill: Drill | null, others: readonly StationForm[]): StationForm {
  const name = drill?.name ?? NAMES[kind];
  const taken = new Set(others.map((s) => s.name));
  let free = name;
  for (let n = 2; taken.has(free); n++) free = `${name} ${n}`;
  const thrown = drill !== null && drill.throws !== 'none';
  return {
    id,
    name: free,
    kind,
    place: null,
    coach: null,
    drill: drill?.id ?? null,
    kit: null,
    ...USUAL[kind],
    ...(thrown ? { throwsPerVisit: THROWS_A_VISIT, hard: drill.effort[1] >= HARD_EFFORT } : {}),
  };
}

/** Adds athletes who are not there yet, in the order in which they come. */
export const withComers = (camp: NewCamp, ids: readonly string[], group: string | null): NewCamp => {
  const there = new Set(camp.athletes.map((a) => a.athlete));
  const more = [...new Set(ids)].filter((id) => !there.has(id)).map((athlete) => ({ athlete, group, with: [], visitor: false }));
  return { ...camp, athletes: [...camp.athletes, ...more] };
};

/** Takes somebody out, and out of the wishes of others. */
export const withoutComer = (camp: NewCamp, id: string): NewCamp => ({
  ...camp,
  athletes: camp.athletes.filter((a) => a.athlete !== id).map((a) => ({ ...a, with: a.with.filter((other) => other !== id) })),
});

/** Wishes go both ways: with whom one is to be, and the other with them. */
export function befriend(camp: NewCamp, one: string, other: string, together: boolean): NewCamp {
  const change = (a: ComerForm, friend: string): ComerForm => ({
    ...a,
    with: together ? [...new Set([...a.with, friend])] : a.with.filter((id) => id !== friend),
  });
  return {
    ...camp,
    athletes: camp.athletes.map((a) => (a.athlete === one ? change(a, other) : a.athlete === other ? change(a, one) : a)),
  };
}

/** What keeps a camp from being kept, in words; null where nothing does. */
export function lacks(camp: NewCamp): string | null {
  if (camp.name.trim() === '') return 'Give the camp a name.';
  if (camp.days.some((d) => d.date === '')) return 'A day is not readable yet.';
  const wrong = camp.days.findIndex((d, n) => n > 0 && d.date <= camp.days[n - 1]!.date);
  if (wrong >= 0) return `Day ${wrong + 1} is not after the day before it.`;
  if (camp.stations.some((s) => s.name.trim() === '')) return 'A station has no name.';
  return null;
}
