/** A small camp, as tests build it. */
import type { NewCamp } from '@wrightonic/contract';
import { addDays, DRILLS } from '@wrightonic/core';
import type { Knex } from 'knex';
import { v4 as uuid } from 'uuid';

/** The first day of it. */
export const TODAY = '2026-05-04';
export const THROWN = DRILLS.find((d) => d.throws === 'full' && d.part === null && d.disciplines.includes('overhand'))!.id;
export const station = (name: string, more: Partial<NewCamp['stations'][number]> = {}): NewCamp['stations'][number] => ({
  id: uuid(),
  name,
  kind: 'rest',
  place: null,
  coach: null,
  drill: null,
  capacity: 8,
  kit: null,
  throwsPerVisit: 0,
  hard: false,
  ...more,
});
export const day = (date: string): NewCamp['days'][number] => ({ date, start: '09:00', rotations: 4, minutes: 20, breaks: [] });
export const comes = (athlete: string, more: Partial<NewCamp['athletes'][number]> = {}): NewCamp['athletes'][number] => ({
  athlete,
  group: null,
  with: [],
  visitor: false,
  ...more,
});
export const campOf = (athletes: readonly string[], more: Partial<NewCamp> = {}): NewCamp => ({
  name: 'Two days at the mill',
  place: 'The mill',
  days: [day(TODAY), day(addDays(TODAY, 1))],
  stations: [
    station('Gun', { kind: 'radar', throwsPerVisit: 4, hard: true, capacity: 3 }),
    station('Film', { kind: 'film', throwsPerVisit: 3, capacity: 3 }),
    station('Drill', { kind: 'drill', drill: THROWN, throwsPerVisit: 8 }),
    station('Shade'),
  ],
  athletes: athletes.map((id) => comes(id)),
  forgetAfterDays: 10,
  revision: 0,
  ...more,
});

/** A report as if it had been handed out, where the camp of a test is not over. */
export const keepReport = (
  db: Knex,
  { academy, camp, athlete }: { readonly academy: string; readonly camp: string; readonly athlete: string },
) =>
  db('camp_reports').insert({
    academy_id: academy,
    camp_id: camp,
    athlete_id: athlete,
    report: JSON.stringify({ reps: 3, focus: null, pictures: [] }),
    made_at: new Date(`${TODAY}T16:00:00Z`),
  });
